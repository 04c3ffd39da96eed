import { expect, test } from "vitest";
import { Refused } from "#store/db";
import { verifyLarder } from "#store/history";
import { getRun } from "#store/run";
import { freshLot, packPints, testLarder, type TestLarder } from "#store/testing";
import { enterRunSheet, type RunSheet } from "./enter.server";
import { blankForms } from "./forms.server";
import { homeOf } from "../../../server/testing";

const GOOD: RunSheet["times"] = {
  lit: "10:00",
  steam: "10:12",
  weightOn: "10:22",
  start: "10:30",
  off: "11:46",
  zero: "12:30",
  lock: "12:31",
  weightOff: "12:32",
  lid: "12:43",
  out: "12:46",
};
/** A look every ten minutes at 13 lb: 2,300 ft asks 12 of a dial. */
const LOOKS = [
  "10:30 13",
  "10:40 13",
  "10:50, 13 lb",
  "11:00 13",
  "11:10 13",
  "11:20 13",
  "11:30 13",
  "11:40 13",
  "11:45 13",
].join("\n");

/** The day after: a pack waits, and its run was kept on paper. */
function afterwards(): { t: TestLarder; sheet: RunSheet } {
  const t = testLarder();
  const { id } = packPints(t);
  t.pass(24 * 60);
  return {
    t,
    sheet: {
      cannerId: t.cannerId,
      packIds: [id],
      day: "2026-11-20",
      times: GOOD,
      readings: LOOKS,
      signedReason: null,
      equipmentReason: null,
    },
  };
}
const enter = (t: TestLarder, sheet: RunSheet) => enterRunSheet(homeOf(t), t.write(), sheet);
const refusal = (t: TestLarder, sheet: RunSheet): Record<string, string> => {
  try {
    enter(t, sheet);
  } catch (error) {
    if (error instanceof Refused) return error.fields;
    throw error;
  }
  return {};
};

test("a run kept on paper becomes a run as if it had been tapped, at its own times", () => {
  const { t, sheet } = afterwards();
  const { code } = enter(t, sheet);
  const run = getRun(t.larder, code);
  expect(new Date(run.openedAt).toISOString()).toBe("2026-11-20T10:00:00.000Z");
  expect(run.view.outcome).toBe("processed");
  expect(new Date(run.view.completedAt!).toISOString()).toBe("2026-11-20T11:45:00.000Z");
  expect(run.view.deviations).toEqual([]);
  expect(run.events.every((e) => e.text === "entered from paper")).toBe(true);
  expect(verifyLarder(t.larder).broken).toEqual([]);
});

test("a canner that held another run then is refused at the time", () => {
  const { t, sheet } = afterwards();
  enter(t, sheet);
  const { id } = packPints(t);
  // Lit while the first one was still in it.
  const later = { ...sheet, packIds: [id], times: { ...GOOD, lit: "10:05" } };
  expect(refusal(t, later)["lit"]).toMatch(/was in this canner at that time/);
  const errors = refusal(t, { ...later, times: { ...GOOD, steam: "9:61", lid: "x" }, readings: "noon 12" });
  expect(Object.keys(errors).sort()).toEqual(["lid", "readings", "steam"]);
});

test("what was missed on the day stands in it: a reading below target starts the time again", () => {
  const { t, sheet } = afterwards();
  const { code } = enter(t, { ...sheet, readings: LOOKS.replace("11:10 13", "11:10 9") });
  const run = getRun(t.larder, code);
  expect(run.view.restarts).toBe(1);
  expect(run.view.outcome).not.toBe("processed");
});

test.each<[string, Partial<RunSheet>, string, RegExp]>([
  ["a time that is none", { times: { ...GOOD, lid: "25:00" } }, "lid", /is not a time/],
  [
    "heat off before the target, unless it went past midnight",
    { times: { ...GOOD, start: "11:30", off: "11:20" } },
    "off",
    /11:20 is before 11:30 above it.*tick that the run went past midnight/,
  ],
  [
    "a second midnight",
    { overnight: true, times: { ...GOOD, start: "11:30", off: "11:20" } },
    "off",
    /more than 8 hours after 11:30/,
  ],
  ["a step of ten hours", { times: { ...GOOD, out: "22:50" } }, "out", /more than 8 hours/],
  ["no time of lighting", { times: { ...GOOD, lit: "" } }, "lit", /When was it lit/],
  [
    "the weight on before ten minutes of steam",
    { times: { ...GOOD, weightOn: "10:15" } },
    "weightOn",
    /10 min|ten|steam/i,
  ],
  [
    "the lid off before the gauge was at zero",
    { times: { ...GOOD, zero: "", lock: "", weightOff: "" } },
    "lid",
    /./,
  ],
  [
    "a look that is words",
    { readings: "10:40 plenty" },
    "readings",
    /does not read as a time and a pressure/,
  ],
  ["a day that is to come", { day: "2026-11-22" }, "lit", /in the future/],
  ["a day long ago", { day: "2026-01-02" }, "day", /two months/],
])("it refuses %s, at its field, and keeps nothing", (_what, over, field, why) => {
  const { t, sheet } = afterwards();
  expect(refusal(t, { ...sheet, ...over })[field]).toMatch(why);
  expect(t.larder.sqlite.prepare("select count(*) from run").pluck().get()).toBe(0);
  expect(t.larder.sqlite.prepare("select count(*) from pack where run_id is not null").pluck().get()).toBe(0);
});

test("a run past midnight is of two days", () => {
  const t = testLarder();
  const { id } = packPints(t);
  t.pass(3 * 24 * 60);
  const late = Object.fromEntries(
    Object.entries(GOOD).map(([k, v]) => [
      k,
      `${String((Number(v.slice(0, 2)) + 13) % 24).padStart(2, "0")}${v.slice(2)}`,
    ]),
  );
  const readings = LOOKS.replace(/^(\d\d)/gm, (h) => String((Number(h) + 13) % 24).padStart(2, "0"));
  const { code } = enter(t, {
    cannerId: t.cannerId,
    packIds: [id],
    day: "2026-11-21",
    times: late,
    readings,
    overnight: true,
    loadReason: "It rained.",
    signedReason: null,
    equipmentReason: null,
  });
  const run = getRun(t.larder, code);
  expect(run.view.outcome).toBe("processed");
  expect(new Date(run.view.completedAt!).toISOString()).toBe("2026-11-22T00:45:00.000Z");
});

// The clocks of America/Denver go from 01:59 MST on to 03:00 MDT on 14 March 2027 (IANA tzdata): a sheet of that night
// is an hour shorter than its figures look.
test("a night on which the clocks change is counted in hours that passed", () => {
  const t = testLarder();
  t.larder.sqlite.prepare("update household set zone = 'America/Denver'").run();
  t.pass(113 * 24 * 60 + 11 * 60);
  freshLot(t);
  // The dial of that season is tested, since the last test is old by then.
  const { id } = packPints(t);
  t.pass(2 * 24 * 60);
  const times = {
    ...GOOD,
    lit: "01:10",
    steam: "01:22",
    weightOn: "01:32",
    start: "01:40",
    off: "03:56",
    zero: "04:40",
    lock: "04:41",
    weightOff: "04:42",
    lid: "04:53",
    out: "04:56",
  };
  const readings = [
    "01:40 13",
    "01:50 13",
    "03:00 13",
    "03:10 13",
    "03:20 13",
    "03:30 13",
    "03:40 13",
    "03:50 13",
    "03:55 13",
  ].join("\n");
  const { code } = enter(t, {
    cannerId: t.cannerId,
    packIds: [id],
    day: "2027-03-14",
    times,
    readings,
    loadReason: "It rained.",
    signedReason: "old test",
    equipmentReason: "looked at by daylight",
  });
  const run = getRun(t.larder, code);
  // From 01:40 to 03:55 by the kitchen clock is 75 minutes, and just enough.
  expect(new Date(run.view.completedAt!).toISOString()).toBe("2027-03-14T09:55:00.000Z");
  expect(run.view.outcome).toBe("processed");
});

test("the blank forms carry the tested times of this altitude, and a field for each time that is asked for later", async () => {
  const t = testLarder();
  const pdf = await blankForms(homeOf(t).household);
  const { getDocument } = await import("pdfjs-dist/legacy/build/pdf.mjs");
  const doc = await getDocument({ data: new Uint8Array(pdf), isEvalSupported: false }).promise;
  expect(doc.numPages).toBe(6);
  const texts: string[] = [];
  for (let n = 1; n <= doc.numPages; n++) {
    const { items } = await (await doc.getPage(n)).getTextContent();
    texts.push(items.map((i) => ("str" in i ? i.str : "")).join(" "));
  }
  // USDA Complete Guide (2015), guide 5: strips, cubes or chunks, pints 75 min, quarts 90; 12 lb dial at 2,001 to 4,000 ft,
  // 15 lb weighted above 1,000 ft. From memory.
  expect(texts[0]).toMatch(/2,?300 ft/);
  expect(texts[0]).toContain("75 min");
  expect(texts[0]).toContain("12 / 15 lb");
  for (const label of ["Lit", "Steam steady", "Weight on", "Heat off", "Gauge at zero", "Lid off"])
    expect(texts[4], label).toContain(label);
});

test("a time on a sheet that came twice is asked about, and one that was skipped is refused", () => {
  const { t, sheet } = afterwards();
  const on = (day: string, times: RunSheet["times"]) => refusal(t, { ...sheet, day, times });
  t.larder.sqlite.prepare("update household set zone = 'Europe/Oslo'").run();
  expect(on("2026-10-25", { ...GOOD, lit: "02:30" }).lit).toMatch(/came twice .* Write 02:30A for the first/);
  expect(on("2026-10-25", { ...GOOD, lit: "02:30B", steam: "02:40" }).lit).toBeUndefined();
  // Once the hour is known, the sheet goes on through it in order: 02:10 after 02:50 is the second.
  const through = on("2026-10-25", { ...GOOD, lit: "02:50A", steam: "02:10", weightOn: "02:05" });
  expect(through.steam).toBeUndefined();
  expect(through.weightOn).toMatch(/is before 02:10 above it/);
});
