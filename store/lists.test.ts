import { parse } from "csv-parse/sync";
import { expect, test } from "vitest";
import { Refused } from "#store/db";
import { listHarvests } from "#store/harvest";
import { LISTS, listCsv, previewList, takeList } from "#store/lists";
import { checkSeal, containersOfRun } from "#store/rest";
import { addPlace, addStorageEntry, listPlaces, onShelf, shelve } from "#store/shelf";
import { addSupply, listSupplies } from "#store/supply";
import { openTestRun, packPints, runToTowel, testLarder, type TestLarder } from "./testing/larder.ts";

const list = (key: string) => LISTS.find((l) => l.key === key)!;
const take = (t: TestLarder, key: string, text: string) => takeList(t.larder, t.write(), list(key), text);
const look = (t: TestLarder, key: string, text: string) => previewList(t.larder, t.write(), list(key), text);

function shelved(): TestLarder & { codes: string[] } {
  const t = testLarder();
  const run = openTestRun(t, [packPints(t).id]);
  runToTowel(t, run.id);
  t.pass(13 * 60);
  const jars = containersOfRun(t.larder, run.id);
  for (const jar of jars) checkSeal(t.larder, t.write(), jar.id, "sealed");
  const { id } = addPlace(t.larder, t.write(), { room: "Cellar", name: "Top" });
  addPlace(t.larder, t.write(), { room: "Cellar", name: "Low" });
  addStorageEntry(t.larder, t.write(), { room: "Cellar", tempC: 11 });
  addSupply(t.larder, t.write(), { kind: "lid", container: null, mouth: "wide", label: "Box 3", count: 12 });
  shelve(
    t.larder,
    t.write(),
    jars.map((j) => j.id),
    id,
  );
  return { ...t, codes: jars.map((j) => j.code) };
}

test.each(LISTS.map((l) => [l.key]))(
  "%s leaves with its headings, and every cell as its column says",
  async (key) => {
    const t = shelved();
    const l = list(key);
    const [heads, ...rows] = parse(listCsv(t.larder, l), { bom: true }) as string[][];
    expect(heads).toEqual(l.columns.map((c) => c.head));
    // By which a file that comes in is told what ends its cells.
    for (const head of heads!) expect(head).not.toMatch(/[,;\t"\r\n]/);
    for (const row of rows)
      for (const [i, cell] of row.entries()) {
        if (cell === "") continue;
        const { kind, head } = l.columns[i]!;
        if (kind === "number" || kind === "whole") expect(Number(cell), head).not.toBeNaN();
        if (kind === "instant") expect(new Date(cell).toISOString(), head).toBe(cell);
        if (kind === "day") expect(cell, head).toMatch(/^\d{4}-\d\d-\d\d$/);
      }
  },
);

test.each(LISTS.filter((l) => l.take).map((l) => [l.key]))(
  "%s that comes in as it left changes nothing",
  async (key) => {
    const t = shelved();
    const csv = listCsv(t.larder, list(key));
    expect(csv.split("\r\n").length).toBeGreaterThan(2);
    const before = t.larder.sqlite.serialize().length;
    for (const row of await take(t, key, csv)) expect(row, row.sentence).toMatchObject({ what: "same" });
    expect(t.larder.sqlite.serialize().length).toBe(before);
  },
);

test("a preview says what each row would do, and does none of it", async () => {
  const t = testLarder();
  const text =
    "species,taken on,weight kg,weighed\nElk,2026-11-19,120,hanging\nmoth,2026-11-19,1,live\nElk,2027-01-01,100,live\nElk,2026-11-19,heavy,live\n";
  const told = await look(t, "animals", text);
  expect(told.map((r) => [r.line, r.what])).toEqual([
    [2, "new"],
    [3, "refused"],
    [4, "refused"],
    [5, "refused"],
  ]);
  expect(told[0]!.sentence).toMatch(/Elk of 2026-11-19 gets the code/);
  expect(told[1]!.sentence).toBe("“moth” is no animal known here.");
  expect(told[3]!.sentence).toBe("weight kg: “heavy” is no number.");
  expect(listHarvests(t.larder)).toHaveLength(1);
  // And then it does just that.
  expect((await take(t, "animals", text)).map((r) => r.sentence)).toEqual(told.map((r) => r.sentence));
  expect(listHarvests(t.larder)).toHaveLength(2);
});

test("a long list comes in letter by letter, whatever it is parsed in pieces of", async () => {
  const t = testLarder();
  // Letters of two to four bytes, a line break inside a cell, and no period that fits a power of two.
  const notes = Array.from(
    { length: 300 },
    (_, i) => `${i} Høyløft 山\n${"🦆".repeat(150 + (i % 37))}, ende`,
  );
  const text = ["species,taken on,note", ...notes.map((n) => `Elk,2026-10-18,"${n}"`)].join("\n");
  const told = await take(t, "animals", text);
  expect(told.map((r) => r.what)).toEqual(notes.map(() => "new"));
  const there = list("animals").rows(t.larder);
  expect(there.map((row) => row.at(-1))).toEqual(expect.arrayContaining(notes));
});

test("a row with a code corrects a card, and leaves alone what it has no column for", async () => {
  const t = testLarder();
  const { code } = listHarvests(t.larder)[0]!;
  expect(await take(t, "animals", `code;note\n${code};"shot clean; no gut"\n`)).toEqual([
    { line: 2, what: "changed", sentence: `${code}: note becomes shot clean; no gut.` },
  ]);
  expect(listHarvests(t.larder)[0]).toMatchObject({
    note: "shot clean; no gut",
    weightKg: 40,
    weightKind: "dressed",
  });
});

test("jars are moved and taken off by their codes", async () => {
  const t = shelved();
  const [a, b, c] = t.codes;
  const told = await take(
    t,
    "jars",
    `code,is,shelf,to whom or why\n${a},on the shelf,"Cellar, Low",\n${b},given away,,Neighbour\n${c},eaten,,\n${c},eaten,,\nNO-1,eaten,,\n`,
  );
  expect(told.map((r) => r.what)).toEqual(["changed", "changed", "changed", "same", "refused"]);
  expect(
    onShelf(t.larder, listPlaces(t.larder).find((p) => p.name === "Low")!.id).map((x) => x.code),
  ).toEqual([a]);
});

test("a list puts no jar on a shelf that may not stand there", async () => {
  const t = shelved();
  const run = openTestRun(t, [packPints(t).id]);
  runToTowel(t, run.id);
  t.pass(13 * 60);
  const [failed, unchecked] = containersOfRun(t.larder, run.id);
  checkSeal(t.larder, t.write(), failed!.id, "failed");
  const rows = [failed, unchecked].map((jar) => `${jar!.code},on the shelf,"Cellar, Low"`);
  const told = await take(t, "jars", `code,is,shelf\n${rows.join("\n")}\n`);
  expect(told.map((r) => r.what)).toEqual(["refused", "refused"]);
  expect(told[0]!.sentence).toMatch(/did not seal/);
  expect(told[1]!.sentence).toMatch(/no checked seal yet/);
});

test("supplies are counted, shelves made, temperatures written down once", async () => {
  const t = shelved();
  const lids = "kind,container,mouth,label,left\nlid,,regular,Box 9,48\n";
  expect((await take(t, "supplies", lids))[0]!.what).toBe("new");
  expect((await take(t, "supplies", lids.replace("48", "31")))[0]).toMatchObject({
    what: "changed",
    sentence: "Box 9: counted 31, was 48.",
  });
  expect(listSupplies(t.larder).find((x) => x.label === "Box 9")!.left).toBe(31);
  expect((await take(t, "shelves", "room,name,kind,takes\nCellar,Box 1,box,12\n"))[0]!.what).toBe("new");
  const warm = "room,at,temperature °C\nCellar,2026-11-20T10:00:00+01:00,9.5\n";
  expect((await take(t, "rooms", warm))[0]!.what).toBe("new");
  // The same instant in another zone is the same reading.
  expect((await take(t, "rooms", warm.replace("10:00:00+01:00", "09:00:00Z")))[0]!.what).toBe("same");
});

test.each([
  ["", /no rows/],
  ["code,colour\nA,red\n", /“colour” is no column of this list/],
  ["code,code\nA,B\n", /in it twice/],
  ['code,note\n"open', /cannot be read as CSV/],
  [`code\n${"x\n".repeat(5001)}`, /More than 5,000 rows/],
])("what is no list is refused whole", async (text, why) => {
  const t = testLarder();
  await expect(take(t, "animals", text)).rejects.toThrow(Refused);
  await expect(take(t, "animals", text)).rejects.toThrow(why);
});

test("a note that is a formula to a spreadsheet leaves as text, and comes in as it was", async () => {
  const t = testLarder();
  const { code } = listHarvests(t.larder)[0]!;
  await take(t, "animals", `code,note\n${code},"'=HYPERLINK(""http://x"")"\n`);
  expect(listHarvests(t.larder)[0]!.note).toBe('=HYPERLINK("http://x")');
  const csv = listCsv(t.larder, list("animals"));
  expect(csv).toContain(`"'=HYPERLINK(""http://x"")"`);
  expect((await take(t, "animals", csv))[0]!.what).toBe("same");
});
