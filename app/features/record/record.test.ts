import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { beforeAll, describe, expect, test } from "vitest";
import { kPaFromPsi } from "#core/quantity";
import type { RunEvent } from "#core/run";
import { getHousehold } from "#store/household";
import { recordGaugeCheck } from "#store/equipment";
import { appendEvents, openRun, takeReadings, tapAll } from "#store/run";
import { containersOfRun } from "#store/rest";
import { packPints, tap, testLarder, type TestLarder } from "#store/testing";
import type { Home } from "../../server/context";
import { processRecord, type ProcessRecord } from "./record.server";
import { recordPdf } from "./record-pdf.server";

const MIN = 60_000;

/** A run of four pints that fell once, told in minutes from lighting. @param readings a gauge that sends, besides */
function fallen(readings = 0): { t: TestLarder; code: string; record: ProcessRecord; codes: string[] } {
  const t = testLarder();
  const run = openRun(t.larder, t.write(), {
    cannerId: t.cannerId,
    packIds: [packPints(t).id],
    signedReason: null,
    marginKPa: kPaFromPsi(1),
  });
  const codes = containersOfRun(t.larder, run.id).map((c) => c.code);
  const start = t.larder.now();
  t.pass(24 * 60);
  const tell: [number, RunEvent["type"], Partial<RunEvent>?][] = [
    [0, "heat-on"],
    [2, "confirmed", { asked: "size", text: "pints" }],
    [12, "steam-steady"],
    [22.5, "weight-on"],
    [27, "reading", { gaugeKPa: kPaFromPsi(12.4) }],
    [37, "reading", { gaugeKPa: kPaFromPsi(10.5) }],
    [38, "silence", { alarm: "below-target", text: "Flame is up" }],
    [40, "reading", { gaugeKPa: kPaFromPsi(12.2) }],
    ...Array.from({ length: 7 }, (_, i): [number, RunEvent["type"]] => [50 + i * 10, "at-target"]),
    [60, "handover", { text: "Łukasz" }],
    [116, "heat-off"],
    [150, "pressure-zero"],
    [151, "lock-down"],
    [152, "weight-off"],
    [163, "lid-off"],
    ...codes.map((container, i): [number, RunEvent["type"], Partial<RunEvent>] => [
      164 + i,
      "container-out",
      { container, siphoned: i === 2 ? "half" : "none" },
    ]),
    [170, "unloaded"],
  ];
  const said = tell.map(([m, type, more], i) => ({
    id: `e${i}-0000`,
    at: start + m * MIN,
    type,
    by: "Ada",
    ...more,
  }));
  const sent = Array.from({ length: readings }, (_, i) => ({
    id: `r${i}`,
    at: start + 41 * MIN + i * 2000,
    type: "reading" as const,
    gaugeKPa: kPaFromPsi(12.5 + (i % 5) / 10),
    source: "Sender",
  }));
  appendEvents(t.larder, run.id, [...said, ...sent]);
  const home = { larder: t.larder, household: getHousehold(t.larder)! } as Home;
  return { t, code: run.code, record: processRecord(home, run.code), codes };
}

const textOf = (r: ProcessRecord, label: string) =>
  r.parts.flatMap((p) => p.lines).find((l) => l.label === label)?.text;

describe("the process record", () => {
  let told: ReturnType<typeof fallen>;
  beforeAll(() => {
    told = fallen();
  });
  test("says what was done by what, and whose table it was", () => {
    const { record } = told;
    expect(record).toMatchObject({
      processed: true,
      verdict:
        "The last 75 minutes in one stretch: no look was below the minimum pressure, after the timer started over 1 time.",
    });
    expect(textOf(record, "Time")).toBe("75 minutes at pressure in one stretch");
    expect(textOf(record, "Pressure")).toContain(
      "12 lb or more on this dial (12 lb true), held at 13 lb, never below 12 lb",
    );
    expect(textOf(record, "Source")).toContain("from memory");
    expect(textOf(record, "Altitude")).toBe("2,300 ft");
    expect(textOf(record, "Inside")).toBe("pints");
  });
  test("says when: vent, come-up, each start, the end, both signs", () => {
    const { record } = told;
    expect(textOf(record, "Come-up")).toBe("4 min 30 s");
    expect(textOf(record, "At pressure from")).toBe("9:40:00 AM");
    expect(textOf(record, "Time was up")).toBe("10:55:00 AM");
    expect(textOf(record, "Started over")).toBe("1 time");
    expect(textOf(record, "Lock dropped")).toBe("11:31:00 AM");
  });
  test("says what departed from it, what was lost, and in which order they came out", () => {
    const { record, codes } = told;
    expect(record.deviations).toEqual([expect.stringMatching(/9:37 AM: pressure below 12 lb \(10.5 lb\)/)]);
    expect(textOf(record, "Out in this order")).toBe(codes.join(" "));
    expect(textOf(record, "Liquid")).toBe(`${codes[2]} lost half or more; 3 of 4 recorded as full`);
    expect(record.trace.attempts).toMatchObject([{ served: false }, { served: true }]);
  });
  test("on paper is one page, with every word of it, in letters from all over Europe", async () => {
    const { record } = told;
    const pdf = await getDocument({ data: new Uint8Array(await recordPdf(record)), useSystemFonts: true })
      .promise;
    expect(pdf.numPages).toBe(1);
    const { items } = await (await pdf.getPage(1)).getTextContent();
    const text = items.map((i) => ("str" in i ? i.str : "")).join(" ");
    for (const words of [record.title, "Handed over: Łukasz", "1 time", "lost half or more", "9:40:00 AM"])
      expect(text).toContain(words);
  });
});

test("the trace is true pressure: a dial a pound high and a gauge that sends stand against one minimum", () => {
  const t = testLarder();
  const checked = { cannerId: t.cannerId, at: t.larder.now(), errorKPa: kPaFromPsi(1), note: null };
  recordGaugeCheck(t.larder, t.write(), checked);
  const load = { cannerId: t.cannerId, packIds: [packPints(t).id], signedReason: null, marginKPa: 0 };
  const run = openRun(t.larder, t.write(), load);
  const home = { larder: t.larder, household: getHousehold(t.larder)! } as Home;
  const reading = (id: string, psi: number, source?: string) => ({
    id,
    at: t.larder.now(),
    type: "reading" as const,
    gaugeKPa: kPaFromPsi(psi),
    source,
  });
  appendEvents(t.larder, run.id, [reading("sent-000", 12.6, "Sender"), reading("read-000", 13.5)]);
  const record = processRecord(home, run.code);
  expect(record.trace.floorKPa / kPaFromPsi(1)).toBeCloseTo(12, 6);
  const drawn = record.trace.points.map((p) => p.kPa / kPaFromPsi(1));
  expect([...drawn].sort((a, b) => a - b).map((n) => n.toFixed(4))).toEqual(["12.5000", "12.6000"]);
  expect(textOf(record, "Gauge")).toMatch(/reads 1 lb high; the chart shows the reading minus that\.$/);
});

test("with thousands of readings it is still one page, and says how many there were", async () => {
  const { record } = fallen(2_000);
  expect(record.gauges).toEqual([
    expect.stringMatching(/^Sender: 2,?000 readings from 9:41 AM to 10:47 AM, highest 12.9 lb/),
  ]);
  const pdf = await getDocument({ data: new Uint8Array(await recordPdf(record)), useSystemFonts: true })
    .promise;
  expect(pdf.numPages).toBe(1);
});

describe("what was heard later than it happened", () => {
  /** A run whose weight went on at 09:22; what a screen and a gauge then bring, in minutes from 09:22. */
  function late() {
    const t = testLarder();
    const run = openRun(t.larder, t.write(), {
      cannerId: t.cannerId,
      packIds: [packPints(t).id],
      signedReason: null,
      marginKPa: 0,
    });
    for (const type of ["heat-on", "steam-steady"] as const) tap(t, run.id, type);
    t.pass(22);
    tap(t, run.id, "weight-on");
    const began = t.larder.now();
    const home = { larder: t.larder, household: getHousehold(t.larder)! } as Home;
    return { t, id: run.id, began, record: () => processRecord(home, run.code) };
  }
  const said = (id: string, at: number, more = {}) => ({
    id,
    at,
    type: "at-target" as const,
    by: "Ada",
    ...more,
  });
  test("stands with both instants, and a time that began so says by whose clock", () => {
    const { t, id, began, record } = late();
    t.pass(12);
    tapAll(t.larder, id, [said("kept", began + 4 * MIN)], { sentAt: t.larder.now() });
    expect(textOf(record(), "At pressure from")).toBe(
      "9:26:00 AM (by this device’s clock, heard at 9:34:00 AM)",
    );
    expect(record().events.at(-1)!.what).toBe("At pressure (by this device’s clock, heard at 9:34:00 AM)");
  });
  test("by a doubted clock stands with what that clock said, and counts from when it was heard", () => {
    const { t, id, began, record } = late();
    t.pass(12);
    tapAll(t.larder, id, [said("kept", began + 4 * MIN, { uncertain: true })], { sentAt: t.larder.now() });
    expect(textOf(record(), "At pressure from")).toBe(
      "9:34:00 AM (the device’s clock, which is doubted, said 9:26:00 AM)",
    );
  });
  test("of a gauge whose clock is doubted is counted, beside how often was read, tapped and sent", () => {
    const { t, id, record } = late();
    const reading = (n: string, at: number) => ({ index: 0, id: n, at, gaugeKPa: kPaFromPsi(13) });
    takeReadings(t.larder, id, [reading("a", t.larder.now() - 11 * MIN)], "Sender");
    t.pass(5);
    appendEvents(t.larder, id, [
      { id: "read-1", at: t.larder.now(), type: "reading", gaugeKPa: kPaFromPsi(13), by: "Ada" },
    ]);
    tap(t, id, "at-target");
    expect(record().gauges[0]).toContain(
      "1 reading came by a clock that is doubted and counts from when it arrived.",
    );
    expect(textOf(record(), "Checked while at pressure")).toMatch(
      /^3 times \(1 read off the dial, 1 sent by a gauge, 1 without a figure\)/,
    );
  });
});
