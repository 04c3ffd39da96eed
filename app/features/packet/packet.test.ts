import { parse } from "csv-parse/sync";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { v7 as uuid } from "uuid";
import { gunzipSync } from "node:zlib";
import { newestLayout, onBehalfOf, once, openLarder, PROGRAM_FOLDER, type Larder } from "#store/db";
import { appendDeviation } from "#store/deviation";
import { getHousehold, listPeople } from "#store/household";
import { recordRecallWord, setAside } from "#store/recall";
import { filesIn, refusedFields } from "#store/testing";
import type { Home } from "../../server/context";
import { packetOf, packetSpan, type Packet } from "./packet.server";
import { packetPdf } from "./packet-pdf.server";
import { packetZip } from "./packet-zip.server";

const END = Date.UTC(2026, 10, 28, 17);
const ASKED = { from: "2024-09-19", to: "2026-11-28" };
const folder = mkdtempSync(join(tmpdir(), "larder-packet-"));
let larder: Larder;
let home: Home;
let packet: Packet;

beforeAll(async () => {
  // The made-up household as it is kept in the newest layout: two seasons, ending here.
  const kept = join(PROGRAM_FOLDER, "store/testing/layouts", String(newestLayout()).padStart(2, "0"));
  writeFileSync(join(folder, "larder.db"), gunzipSync(readFileSync(join(kept, "larder.db.gz"))));
  larder = openLarder(folder, () => END);
  const people = listPeople(larder);
  home = { larder, household: getHousehold(larder)!, people, me: people[0]!, context: null as never };
  signedAndRecalled();
  packet = await packetOf(home, ASKED);
}, 120_000);

/** What the household's story lacks: something signed for, by somebody who said a PIN, and a recall that was told and answered. */
function signedAndRecalled(): void {
  const write = () => ({ key: uuid(), byId: home.me.id });
  const code = larder.sqlite.prepare("select code from pack order by made_at desc limit 1").pluck().get();
  onBehalfOf({ device: "Kitchen tablet", said: null, known: "pin" }, () =>
    once(larder, write(), "pack.make", () => {
      const what = "Some lids were used before";
      appendDeviation(larder, write(), {
        packCode: code as string,
        containerId: null,
        kind: "deviation",
        what,
        reason: "the box was empty",
      });
      return { result: null, note: { kind: "pack", id: "1" } };
    }),
  );
  const { id } = larder.sqlite
    .prepare("select container_id as id from movement where kind = 'given' and note = 'Bram'")
    .get() as {
    id: string;
  };
  const recall = setAside(larder, write(), { containerId: id, doubts: ["run"], reason: "bulged lid" });
  const said = { recallId: recall.id, recipient: "Bram" };
  recordRecallWord(larder, write(), { ...said, kind: "told", words: "by phone" });
  recordRecallWord(larder, write(), { ...said, kind: "answered", words: "not opened, thrown out" });
}
afterAll(() => {
  larder.close();
  rmSync(folder, { recursive: true });
});

/** What a PDF says, read by another library than wrote it, without its spaces: lines are broken where they may be. */
async function wordsOf(pdf: Buffer): Promise<{ pages: number; text: string }> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const texts: string[] = [];
  for (let i = 1; i <= document.numPages; i++) {
    const { items } = await (await document.getPage(i)).getTextContent();
    texts.push(items.map((item) => ("str" in item ? item.str : "")).join(""));
  }
  return { pages: document.numPages, text: texts.join("").replace(/[\s-]/g, "") };
}
const plain = (text: string) => text.replace(/[\s-]/g, "");
const table = (key: string) => packet.tables.find((t) => t.key === key)!;
const count = (sql: string) => larder.sqlite.prepare(sql).pluck().get() as number;

describe("the packet of the made-up household's two seasons", () => {
  test("has every line that the tables of the larder have", () => {
    expect(table("runs").rows).toHaveLength(count("select count(*) from run"));
    expect(table("runs").rows.length).toBeGreaterThanOrEqual(8);
    expect(packet.records).toHaveLength(table("runs").rows.length);
    expect(table("signed").rows).toHaveLength(
      count("select count(*) from deviation where kind <> 'habit'") +
        count("select count(gauge_signed_reason) + count(equipment_signed_reason) from run"),
    );
    expect(table("signed").rows).toHaveLength(1);
    expect(table("signed").rows[0]!.slice(2)).toEqual([
      "Some lids were used before",
      "the box was empty",
      "Oda",
      "PIN",
    ]);
    expect(table("gauge-tests").rows).toHaveLength(count("select count(*) from gauge_check"));
    expect(table("sealer-tests").rows).toHaveLength(count("select count(*) from sealer_event"));
    expect(table("table-rows").rows).toHaveLength(count("select count(*) from comparison"));
    expect(table("office-schedules").rows).toHaveLength(count("select count(*) from office_schedule"));
    expect(table("holds").rows).toHaveLength(count("select count(*) from hold"));
    expect(table("recalls").rows).toHaveLength(count("select count(*) from recall"));
    expect(table("recalls").rows[0]!.at(-1)).toMatch(
      /Bram told: by phone \(Oda\); .* Bram answered: not opened, thrown out \(Oda\)/,
    );
    const [hash] = larder.sqlite
      .prepare("select hash from chain_link where chain = 'audit' order by seq desc limit 1")
      .pluck()
      .all();
    expect(table("history").rows[0]![1]).toBe(hash);
  });

  test("re-read from paper it says every cell of every table, and every run has its page", async () => {
    const { pages, text } = await wordsOf(await packetPdf(packet));
    expect(pages).toBeGreaterThan(packet.records.length);
    for (const t of packet.tables)
      for (const cell of [t.title, ...(t.rows.length ? t.columns : []), ...t.rows.flat()])
        expect(text, cell).toContain(plain(cell));
    for (const record of packet.records) expect(text).toContain(plain(record.title));
  });

  test("the zip holds the same tables as CSV, and each run by itself", async () => {
    const path = join(folder, "packet.zip");
    writeFileSync(path, await packetZip(packet));
    const files = await filesIn(path);
    expect([...files.keys()].filter((f) => f.startsWith("runs/"))).toHaveLength(packet.records.length);
    for (const t of packet.tables) {
      const rows = parse(Buffer.from(files.get(`${t.key}.csv`)!, "latin1")) as string[][];
      expect(rows[0]).toEqual([...t.columns]);
      expect(rows.slice(1).map((r) => r.map((c) => c.replace(/^'(?=[=+\-@])/, "")))).toEqual(
        t.rows.map((r) => [...r]),
      );
    }
  });

  test("a span holds what lies in it, and no more", async () => {
    const one = await packetOf(home, { from: "2026-11-28", to: "2026-11-28" });
    const day = "date(opened_at / 1000, 'unixepoch', '-7 hours') = '2026-11-28'";
    expect(one.records).toHaveLength(count(`select count(*) from run where ${day}`));
    expect(one.records.length).toBeGreaterThan(0);
    const none = await packetOf(home, { from: "2020-01-01", to: "2020-12-31" });
    expect(none.records).toEqual([]);
    expect((await wordsOf(await packetPdf(none))).text).toContain(plain("Nothing was recorded."));
  });

  test("nothing is smoothed over: what a run under way has not reached is not recorded", () => {
    const running = packet.tables[0]!.rows.find((r) => r[6] === "not over")!;
    const record = packet.records.find((r) => r.code === running[0])!;
    expect(JSON.stringify(record.parts)).toContain("not recorded");
    // Gauges were tested before it was asked who did, or not: blank stays blank.
    for (const row of table("gauge-tests").rows) expect(row).toHaveLength(7);
  });

  test.each([
    [{ from: "2026-11-28", to: "2026-11-27" }, "The last day comes before the first."],
    [{ from: "2016-11-28", to: "2026-11-28" }, "A packet covers at most 10 years. Make several."],
  ])("%o is refused", (asked, message) => {
    expect(refusedFields(() => packetSpan(home, asked))).toEqual({ to: message });
  });
  test("ten years less a day are not refused", () => {
    expect(packetSpan(home, { from: "2016-11-29", to: "2026-11-28" }).to).toBeGreaterThan(END);
  });
});
