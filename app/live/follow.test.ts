import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { changesSince, changesWords } from "./follow";

const change = (n: number, area: string) => ({ n, area, words: `Oda did ${n}` });
const word = {
  version: { of: "now", n: 4 },
  changes: [change(2, "lot"), change(3, "pack"), change(4, "lot")],
};

describe("what a page does not show yet", () => {
  test("is what came after it was read, of what it shows", () => {
    expect(changesSince(word, { of: "now", n: 2 }, ["lot"]).map((c) => c.n)).toEqual([4]);
    expect(changesSince(word, { of: "now", n: 2 }, null).map((c) => c.n)).toEqual([3, 4]);
    expect(changesSince(word, { of: "now", n: 4 }, null)).toEqual([]);
    expect(changesSince(word, { of: "now", n: 0 }, [])).toEqual([]);
  });
  test("is everything a server tells that was started since", () => {
    expect(changesSince(word, { of: "before", n: 90 }, ["lot"]).map((c) => c.n)).toEqual([2, 4]);
  });
  test("is named by the last of it, and how many more there are", () => {
    expect(changesWords([change(1, "lot")])).toBe("Oda did 1");
    expect(changesWords([change(1, "lot"), change(2, "lot")])).toBe("Oda did 2, and 1 more change");
    expect(changesWords([1, 2, 3].map((n) => change(n, "lot")))).toBe("Oda did 3, and 2 more changes");
  });
});

test("a page is read again in one place only, and there on no timer", () => {
  const files = readdirSync("app", { recursive: true, encoding: "utf8" })
    .filter((f) => /\.tsx?$/.test(f) && !f.includes(".test."))
    .map((f) => ({ f, text: readFileSync(join("app", f), "utf8") }));
  const reads = files.filter(({ text }) => /useRevalidator|\.revalidate\(/.test(text));
  expect(reads.map(({ f }) => f)).toEqual([join("live", "follow.ts")]);
  expect(reads[0]!.text).not.toMatch(/setInterval|setTimeout/);
  // Nor does any page keep itself from being read because somebody may be typing.
  const rules = files.filter(({ text }) => /shouldRevalidate/.test(text)).map(({ f }) => f);
  // The guide holds a stove, which stays on the screen while Patient Larder cannot be reached.
  expect(rules.sort()).toEqual(
    [
      "root.tsx",
      "routes/can/guide/route.tsx",
      "routes/fire/stove/route.tsx",
      "routes/seam/route.tsx",
      "routes/shell/layout.tsx",
    ].map((f) => join(...f.split("/"))),
  );
});
