import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { v7 as uuid } from "uuid";
import { STOCKS, stockOf } from "#core/label";
import { readList } from "#core/recall";
import { newestLayout, openLarder, PROGRAM_FOLDER, type Larder } from "#store/db";
import { getHousehold, listPeople } from "#store/household";
import { releaseRecall, setAside } from "#store/recall";
import { onShelf, takeOff } from "#store/shelf";
import { signRecalls, witnessOf } from "#store/witness";
import type { Home } from "../../../server/context";
import { isSigned } from "../../../workers/recall-check/verify";
import { fits, GIFT_STOCKS, giftsWanted, giftStock, roomyFor } from "./gifts.server";
import { giftLabelsPdf } from "./gifts-pdf.server";

const folder = mkdtempSync(join(tmpdir(), "larder-gifts-"));
let larder: Larder;
let home: Home;
beforeAll(() => {
  const kept = join(PROGRAM_FOLDER, "store/testing/layouts", String(newestLayout()).padStart(2, "0"));
  writeFileSync(join(folder, "larder.db"), gunzipSync(readFileSync(join(kept, "larder.db.gz"))));
  larder = openLarder(folder, () => Date.UTC(2026, 10, 28, 17));
  const people = listPeople(larder);
  home = { larder, household: getHousehold(larder)!, people, me: people[0]!, context: null as never };
}, 60_000);
afterAll(() => {
  larder.close();
  rmSync(folder, { recursive: true, force: true });
});

const write = () => ({ key: uuid(), byId: home.me.id });
const asked = (...codes: string[]) => giftsWanted(home, new URLSearchParams({ of: codes.join(",") }));
const column = (sql: string) => larder.sqlite.prepare(sql).pluck();
/** What stands free on a shelf, one of each pack. */
const free = () => {
  const all = onShelf(larder, null).filter((c) => c.holds.length === 0 && c.aside === null);
  return all.filter((c, i) => all.findIndex((o) => o.packId === c.packId) === i);
};

describe("The text of a gift label", () => {
  test("says of every jar what the tables hold, and no sign of it needs more than Latin script", () => {
    const jars = free();
    expect(jars.length).toBeGreaterThanOrEqual(4);
    const { labels, refused, unknown } = asked(...jars.map((c) => c.code));
    expect([refused, unknown]).toEqual([[], []]);
    expect(labels).toHaveLength(jars.length);
    for (const { text, gift } of labels) {
      const c = gift.shelved;
      const minutes = column("select json_extract(plan, '$.minutes') from run where code = ?").get(c.runCode);
      expect(text.whole).toContain(c.code);
      expect(text.whole).toMatch(
        new RegExp(`Pressure canned ${minutes}( \\+ \\d+)? min at [\\d.]+ (lb|kPa)`),
      );
      const animals = column(
        `select distinct h.code from lot_flow f join harvest h on h.id = f.from_harvest
         where f.to_lot in (with recursive up(id) as (select lot_id from pack_from where pack_id = ?
           union select f.from_lot from lot_flow f join up on f.to_lot = up.id where f.from_lot is not null) select id from up)`,
      ).all(c.packId) as string[];
      expect(gift.animals.map((a) => a.code).sort()).toEqual(animals.sort());
      for (const code of animals.slice(0, 3)) expect(text.whole).toContain(`(${code})`);
      expect(text.whole).toContain("Boil it 10 minutes, 1 more for each 1,000 ft above 1,000 ft");
      expect(text.whole).toContain(witnessOf(folder).fingerprint);
      expect(text.whole).toMatch(/^[ -~\n]+$/);
    }
    const [fish, meat] = [/lake trout|pike/i, /^Wild boar/];
    expect(labels.find((l) => fish.test(l.text.contents))!.text.whole).toMatch(/Allergens: fish/);
    expect(labels.find((l) => meat.test(l.text.contents))!.text.whole).toMatch(
      /Allergens: none that we know of/,
    );
  });

  test("fits the household's own sheet with every jar of it, and no round label", () => {
    const { labels } = asked(...free().map((c) => c.code));
    for (const l of labels)
      expect(fits(giftStock(home, new URLSearchParams()), l.text), l.text.code).toBe(true);
    expect(GIFT_STOCKS.every((s) => s.form !== "disc")).toBe(true);
    expect(giftStock(home, new URLSearchParams({ stock: "a4-disc-12" })).form).toBe("sheet");
  });

  test("is told to be too long for a small label, with those that have room, and never printed unreadably", () => {
    const { labels } = asked(free()[0]!.code);
    const small = stockOf("a4-65")!;
    expect(fits(small, labels[0]!.text)).toBe(false);
    expect(() => giftLabelsPdf(small, labels)).toThrow(/too long for a4-65/);
    const roomy = roomyFor(labels);
    expect(roomy.map((s) => s.key)).toContain("letter-10");
    expect(roomy).not.toContain(small);
    expect(STOCKS).toContain(small);
    const endless = { ...labels[0]!, text: { ...labels[0]!.text, whole: "x".repeat(4000) } };
    expect(roomyFor([endless])).toEqual([]);
  });
});

describe("A recall", () => {
  test("takes the gift label away, and puts the jar on the signed list until it is released or thrown out", () => {
    const [one, two] = free().map((c) => c.code);
    const id = (code: string) => column("select id from container where code = ?").get(code) as string;
    takeOff(larder, write(), id(two!), "given", "Sanna");
    const given = asked(two!).labels[0]!;
    expect(given.given).toMatch(/^Given .* to Sanna$/);
    const recalls = [one!, two!].map((code) =>
      setAside(larder, write(), { containerId: id(code), doubts: [], reason: "a line\nbroken" }),
    );
    expect(asked(one!, two!).labels).toEqual([]);
    expect(asked(one!, two!).refused.join(" ")).toMatch(/is recalled.*is recalled/s);

    const signed = signRecalls(larder, home.household);
    const read = readList(signed.text)!;
    expect(isSigned(witnessOf(folder).publicKey, read.text, read.signature)).toBe(true);
    expect(read.list.recalled.map((r) => r.code)).toEqual(expect.arrayContaining([one, two]));
    const all = column("select count(*) from container_now where set_aside is not null").get();
    expect(read.list.recalled).toHaveLength(all as number);

    takeOff(larder, write(), id(one!), "discarded");
    releaseRecall(larder, write(), {
      recallId: recalls[1]!.id,
      containerId: null,
      reason: "the cause is found",
    });
    const after = readList(signRecalls(larder, home.household).text)!.list.recalled.map((r) => r.code);
    expect(after).not.toContain(one);
    expect(after).not.toContain(two);
    expect(asked(two!).labels).toHaveLength(1);
  });

  test("codes of nothing and of what is not canned yet are named", () => {
    const waiting = column(
      "select c.code from container c join pack k on k.id = c.pack_id left join run r on r.id = k.run_id where r.completed_at is null limit 1",
    ).get() as string;
    expect(waiting).toMatch(/-/);
    const { labels, refused, unknown } = asked("NO-SUCH", waiting);
    expect([labels, unknown]).toEqual([[], ["NO-SUCH"]]);
    expect(refused).toEqual([expect.stringMatching(`^${waiting} `)]);
  });
});
