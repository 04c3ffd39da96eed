import { parse } from "csv-parse/sync";
import fc from "fast-check";
import { expect, test } from "vitest";
import { Refused } from "#store/db";
import { listHarvests, recordHarvest } from "#store/harvest";
import { LISTS, listCsv, previewList, takeList } from "#store/lists";
import { addPlace } from "#store/shelf";
import { testLarder, type TestLarder } from "./testing/larder.ts";

const list = (key: string) => LISTS.find((l) => l.key === key)!;

/** Text as people and their enemies write it: quotes, separators, lines, formulas, other scripts. */
const anyText = fc
  .array(
    fc.oneof(
      fc.constantFrom(
        '"',
        "'",
        ",",
        ";",
        "\t",
        "\n",
        "\r\n",
        "=",
        "+",
        "-",
        "@",
        "|",
        "\\",
        " ",
        "½",
        "č",
        "魚",
        "🦌",
      ),
      fc.constantFrom(
        '=HYPERLINK("http://x")',
        "+1+1",
        "@SUM(A1)",
        "-2+3",
        "'tis",
        "</td><script>",
        "DROP TABLE",
      ),
      fc.string({ maxLength: 8 }),
    ),
    { minLength: 1, maxLength: 6 },
  )
  // As a form keeps it: without blanks at either end.
  .map((parts) => parts.join("").trim())
  .filter((text) => text.length > 0 && text.length <= 60);

const noted = (t: TestLarder, note: string, place: string, tag: string) =>
  recordHarvest(
    t.larder,
    t.write(),
    {
      species: "pronghorn",
      takenOn: "2026-11-18",
      place,
      tag,
      count: 1,
      weightKg: 38.25,
      weightKind: "dressed",
      note,
      holdFor: null,
    },
    "2026-11-20",
  );

/** Reads CSV as RFC 4180 has it, letter by letter and by no library. */
function plainCsv(text: string): string[][] {
  const rows: string[][] = [[""]];
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text[i]!;
    const row = rows.at(-1)!;
    const add = (letter: string) => row.push(row.pop()! + letter);
    if (quoted) {
      if (c !== '"') add(c);
      else if (text[i + 1] === '"') add(text[++i]!);
      else quoted = false;
    } else if (c === '"') quoted = true;
    else if (c === ",") row.push("");
    else if (c === "\r" && text[i + 1] === "\n") {
      rows.push([""]);
      i++;
    } else add(c);
  }
  return rows.filter((r) => r.length > 1 || r[0] !== "");
}

test("whatever was written leaves so that a plain reader has it letter by letter, and no spreadsheet works it out", () => {
  fc.assert(
    fc.property(anyText, anyText, anyText, (note, place, tag) => {
      const t = testLarder();
      const { code } = noted(t, note, place, tag);
      const csv = listCsv(t.larder, list("animals"));
      const [heads, ...rows] = plainCsv(csv.replace(/^\uFEFF/, ""));
      const row = rows.find((r) => r[0] === code)!;
      expect(row).toHaveLength(heads!.length);
      const cell = (head: string) => row[heads!.indexOf(head)]!;
      for (const [head, text] of [
        ["note", note],
        ["place", place],
        ["tag", tag],
      ] as const) {
        expect(cell(head)).not.toMatch(/^[=+\-@\t\r\n]/);
        const guarded = /^[=+\-@\t\r\n']/.test(text);
        expect(cell(head)).toBe(guarded ? `'${text}` : text);
      }
      // The library that reads what comes in has it the same way.
      expect(parse(csv, { bom: true })).toEqual([heads, ...rows]);
      t.larder.close();
    }),
    { numRuns: 60, seed: 20261208 },
  );
});

test("what leaves comes in again and changes nothing, whatever stands in it", () => {
  return fc.assert(
    fc.asyncProperty(anyText, anyText, anyText, async (note, place, name) => {
      const t = testLarder();
      noted(t, note, place, "T-1");
      // A shelf is found by its room and name, so the list tells them apart where a comma would not.
      addPlace(t.larder, t.write(), {
        room: "Cellar",
        name:
          name
            .replaceAll(/[\r\n\t]/g, " ")
            .slice(0, 30)
            .trim() || "Top",
      });
      for (const key of ["animals", "shelves"]) {
        const told = await takeList(t.larder, t.write(), list(key), listCsv(t.larder, list(key)));
        expect(told.map((r) => r.what)).toEqual(told.map(() => "same"));
      }
      t.larder.close();
    }),
    { numRuns: 60, seed: 20261209 },
  );
});

/** Rows of a list of animals, sound ones and any rubbish. */
const often = <T>(good: fc.Arbitrary<T>, bad: fc.Arbitrary<T>) =>
  fc.oneof({ weight: 5, arbitrary: good }, { weight: 1, arbitrary: bad });
const anyRow = fc.record({
  code: often(fc.constantFrom("", "", "first"), fc.constantFrom("NO-1", "¿?")),
  species: often(fc.constantFrom("pronghorn", "Lake trout", "wild-boar"), fc.constantFrom("moth", "")),
  day: often(
    fc.constantFrom("2026-11-18", "2026-11-02"),
    fc.constantFrom("2026-02-29", "2027-11-18", "yesterday", ""),
  ),
  weight: often(fc.constantFrom("40", "12,5", ""), fc.constantFrom("0", "-3", "1e9", "heavy", "NaN", "0x10")),
  weighed: often(fc.constantFrom("live", "dressed", ""), fc.constantFrom("by eye")),
  note: fc.oneof(anyText, fc.constant("")),
});

test("a look says just what then happens, changes nothing itself, and a row that is refused leaves nothing behind", async () => {
  let [refused, made, changed] = [0, 0, 0];
  await fc.assert(
    fc.asyncProperty(fc.array(anyRow, { minLength: 1, maxLength: 6 }), async (rows) => {
      const t = testLarder();
      const first = listHarvests(t.larder)[0]!;
      const quote = (s: string) => `"${s.replaceAll('"', '""')}"`;
      const text = [
        "code,species,taken on,weight kg,weighed,note",
        ...rows.map((r) =>
          [r.code === "first" ? first.code : r.code, r.species, r.day, r.weight, r.weighed, r.note]
            .map(quote)
            .join(","),
        ),
      ].join("\n");
      const state = () =>
        ["harvest", "audit", "code_register", "chain_link", "write_key"].map((table) =>
          t.larder.sqlite.prepare(`select * from ${table}`).all(),
        );
      const before = state();
      const told = await previewList(t.larder, t.write(), list("animals"), text);
      expect(state()).toEqual(before);
      expect(told).toHaveLength(rows.length);
      const done = await takeList(t.larder, t.write(), list("animals"), text);
      expect(done).toEqual(told);
      const fresh = done.filter((r) => r.what === "new").length;
      const put = done.filter((r) => r.what === "changed").length;
      expect(listHarvests(t.larder)).toHaveLength(1 + fresh);
      const audit = (s: ReturnType<typeof state>) => s[1]!.length;
      expect(audit(state()) - audit(before)).toBe(fresh + put);
      refused += done.filter((r) => r.what === "refused").length;
      made += fresh;
      changed += put;
      t.larder.close();
    }),
    { numRuns: 80, seed: 20261210 },
  );
  expect(refused).toBeGreaterThan(50);
  expect(made).toBeGreaterThan(5);
  expect(changed).toBeGreaterThan(0);
});

test("any bytes at all are a list, or are refused as none, in words", async () => {
  let refused = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.oneof(fc.string({ maxLength: 200 }), anyText),
      fc.constantFrom(...LISTS),
      async (text, l) => {
        const t = testLarder();
        try {
          for (const row of await takeList(t.larder, t.write(), l, text)) expect(row.sentence).toMatch(/\S/);
        } catch (error) {
          expect(error).toBeInstanceOf(Refused);
          expect((error as Refused).message).toMatch(/[.”]$/);
          refused++;
        }
        t.larder.close();
      },
    ),
    { numRuns: 150, seed: 20261211 },
  );
  expect(refused).toBeGreaterThan(100);
});
