import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { PROGRAM_FOLDER } from "#store/db";

const filesIn = (room: string): string[] =>
  (readdirSync(join(PROGRAM_FOLDER, room), { recursive: true }) as string[]).map((f) => `${room}/${f}`);
const CODE = ["core", "store", "app", "bench", "demo", "e2e"]
  .flatMap(filesIn)
  .filter((f) => /\.tsx?$/.test(f) && f !== "store/sources.test.ts");
const SOURCES = CODE.filter((f) => !/\.test\.|testing\/|^e2e/.test(f));
const textOf = (file: string) =>
  readFileSync(join(PROGRAM_FOLDER, file), "utf8").replaceAll(/\/\*[\s\S]*?\*\/|\/\/.*/g, "");
const filesWith = (what: RegExp) => SOURCES.filter((f) => what.test(textOf(f)));

test("a factor of a unit stands in the module of units and nowhere else", () => {
  const factor =
    /\b(0\.4535\d*|0\.3048|6\.894\d*|0\.9463\d*|0\.4731\d*|0\.2365\d*|28\.34\d*|3\.785\d*|0\.0254)\b|[*/] 25\.4\b|[*/] \(?1\.8\b|\* 9\) \/ 5|5 \/ 9/;
  expect(filesWith(factor)).toEqual(["core/quantity/unit.ts"]);
});

test("nothing that the program is goes by the folder it was started in", () => {
  expect(filesWith(/process\.cwd\(\)/)).toEqual([]);
});

test("what the trade knows is told by its published sources, and not by papers nobody can look into", () => {
  const told = [...CODE, ...filesIn("docs").filter((f) => f.endsWith(".md")), "README.md", "CHANGELOG.md"];
  // NIST/SEMATECH's e-Handbook is published.
  const cites = (f: string) => /(?<!e-)\bhandbook\b/i.test(readFileSync(join(PROGRAM_FOLDER, f), "utf8"));
  expect(told.filter(cites)).toEqual([]);
});
