import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { ACTORS, HARMS, HAZARDS, STAGES } from "#core/hazard";
import { hazardsInWords } from "./words/hazards.ts";

const text = new Map<string, string | null>();
function read(file: string): string | null {
  if (!text.has(file)) {
    try {
      text.set(file, readFileSync(file, "utf8"));
    } catch {
      text.set(file, null);
    }
  }
  return text.get(file)!;
}

/** What a title is in the source of its test: quotes may stand in it either way. */
const written = (title: string) => [title, title.replaceAll('"', '\\"'), title.replaceAll("'", "\\'")];

test("the log is long enough, in the order of the work, and each row is a hazard of its own", () => {
  expect(HAZARDS.length).toBeGreaterThanOrEqual(120);
  expect(new Set(HAZARDS.map((h) => `${h.cause} / ${h.harm}`)).size).toBe(HAZARDS.length);
  const places = HAZARDS.map((h) => STAGES.indexOf(h.stage));
  expect(places).toEqual([...places].sort((a, b) => a - b));
  for (const stage of STAGES) expect(HAZARDS.some((h) => h.stage === stage)).toBe(true);
  for (const harm of HARMS) expect(HAZARDS.some((h) => h.harm === harm)).toBe(true);
  for (const actor of ACTORS) expect(HAZARDS.some((h) => h.actor === actor)).toBe(true);
});

test("each guard it names is in the code", () => {
  const missing = HAZARDS.map((h) => h.guard).filter((guard) => {
    const [file, name] = guard.split("#") as [string, string];
    const code = read(file);
    return (
      !code ||
      !new RegExp(
        `\\b(function\\*?|const|let|class|export default function|index|check|uniqueIndex)\\b[^\\n]*\\b${name}\\b`,
      ).test(code)
    );
  });
  expect([...new Set(missing)]).toEqual([]);
});

test("each test it names is among the tests, and each hazard has one", () => {
  const missing = HAZARDS.flatMap((h) => h.tests).filter((named) => {
    const [, file, title] = /^(\S+\.ts): (.+)$/.exec(named)!;
    const code = read(file!);
    return !code || !written(title!).some((t) => code.includes(t));
  });
  expect([...new Set(missing)]).toEqual([]);
  expect(HAZARDS.filter((h) => h.tests.length === 0).map((h) => h.cause)).toEqual([]);
});

test("docs/hazards.md is the log as it stands", () => {
  expect(read("docs/hazards.md")).toBe(hazardsInWords());
});
