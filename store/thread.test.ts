import { describe, expect, test } from "vitest";
import { v7 as uuid } from "uuid";
import { addCanner, recordGaugeCheck } from "#store/equipment";
import { getHarvest, holdHarvest, recordHarvest, releaseHold } from "#store/harvest";
import { cutLot, getLot, lotsInStock } from "#store/lot";
import { containersOfPack, packsWaiting, recordedFills, unpack } from "#store/pack";
import { checkSeal, containersOfRun, dispose, restingRuns, undecided } from "#store/rest";
import { activeRuns, appendEvents, getRun, openRun } from "#store/run";
import { addPlace, happeningsOf, onShelf, shelve, takeOff, toShelve } from "#store/shelf";
import { findCode, traceGraph } from "#store/trace";
import {
  openTestRun,
  freshLot,
  packPints,
  runToTowel,
  tap,
  testLarder,
  TEST_START,
  type TestLarder,
  refusedFields as fieldsOf,
} from "#store/testing";

const counts = (t: TestLarder) =>
  ["lot", "pack", "container", "run", "run_event", "code_register", "audit", "write_key"].map(
    (table) => (t.larder.sqlite.prepare(`select count(*) as n from ${table}`).get() as { n: number }).n,
  );

describe("from an animal to the shelf", () => {
  test("the whole thread, with a restart, a failed seal and the story at the end", () => {
    const t = testLarder();
    const pack = packPints(t, 4);
    const run = openTestRun(t, [pack.id]);
    tap(t, run.id, "heat-on");
    t.pass(12);
    tap(t, run.id, "steam-steady");
    t.pass(10);
    tap(t, run.id, "weight-on");
    t.pass(4);
    tap(t, run.id, "reading", { gaugeKPa: 85 });
    t.pass(14);
    tap(t, run.id, "reading", { gaugeKPa: 80 }); // 12 lb is 82.7 kPa
    expect(getRun(t.larder, run.id).view).toMatchObject({ phase: "pressurising", finishAt: null });
    t.pass(2);
    const restarted = tap(t, run.id, "reading", { gaugeKPa: 84 }).view;
    expect(restarted).toMatchObject({
      phase: "processing",
      restarts: 1,
      finishAt: TEST_START + (42 + 75) * 60_000,
    });
    for (let m = 0; m < 75; m += 5) {
      t.pass(5);
      tap(t, run.id, "at-target");
    }
    tap(t, run.id, "heat-off");
    t.pass(45);
    tap(t, run.id, "pressure-zero");
    tap(t, run.id, "lock-down");
    tap(t, run.id, "weight-off");
    t.pass(10);
    tap(t, run.id, "lid-off");
    tap(t, run.id, "unloaded");
    const [resting] = restingRuns(t.larder);
    const [a, b, c, d] = resting!.containers;
    expect(fieldsOf(() => checkSeal(t.larder, t.write(), a!.id, "sealed"))[""]).toMatch(/still resting/);
    t.pass(12 * 60);
    checkSeal(t.larder, t.write(), a!.id, "sealed");
    checkSeal(t.larder, t.write(), b!.id, "failed");
    checkSeal(t.larder, t.write(), c!.id, "sealed");
    expect(checkSeal(t.larder, t.write(), d!.id, "sealed")).toMatchObject({ left: 0 });
    expect(getRun(t.larder, run.id).view.phase).toBe("checked");
    expect(activeRuns(t.larder)).toEqual([]);
    const [open] = undecided(t.larder);
    expect(open).toMatchObject({
      why: "failed",
      container: { code: b!.code },
      choices: ["chill", "freeze", "repack", "discard"],
    });
    const { dueAt } = dispose(t.larder, t.write(), b!.id, "chill");
    expect(dueAt).toBe(t.larder.now() + 72 * 3_600_000);
    expect(undecided(t.larder)).toEqual([]);
    const shelf = addPlace(t.larder, t.write(), { room: "Cellar", name: "Top shelf" });
    expect(fieldsOf(() => shelve(t.larder, t.write(), [b!.id], shelf.id)).containerIds).toMatch(
      /no sound, checked seal/,
    );
    expect(toShelve(t.larder)).toHaveLength(3);
    shelve(t.larder, t.write(), [a!.id, c!.id, d!.id], shelf.id);
    expect(onShelf(t.larder, null).map((x) => x.species)).toEqual([
      ["wild-boar"],
      ["wild-boar"],
      ["wild-boar"],
    ]);
    takeOff(t.larder, t.write(), a!.id, "opened");
    expect(onShelf(t.larder, null)).toHaveLength(2);

    expect(happeningsOf(t.larder, a!.id).map((h) => h.what)).toEqual(["sealed", "shelved", "opened"]);

    const found = findCode(t.larder, a!.code.toLowerCase());
    if (!found.found) throw new Error(found.message);
    const story = traceGraph(t.larder, found.kind, found.id);
    expect(story.nodes.map((n) => n.kind).sort()).toEqual(["container", "harvest", "lot", "pack", "run"]);
    const animal = getHarvest(t.larder, t.harvestId);
    expect(story.nodes.find((n) => n.kind === "container")!.harvests).toEqual({ [animal.code]: 1 });
    expect(story.edges.every((e) => e.share > 0 && e.share <= 1)).toBe(true);
    const wider = traceGraph(t.larder, "harvest", t.harvestId);
    expect(wider.nodes.filter((n) => n.kind === "container")).toHaveLength(4);
    expect(traceGraph(t.larder, "run", run.id).nodes.filter((n) => n.kind === "container")).toHaveLength(4);
  });

  test("a run ended early: its jars are not processed, cannot be checked, and wait for a decision", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 2).id]);
    for (const [wait, type] of [
      [0, "heat-on"],
      [1, "steam-steady"],
      [10, "weight-on"],
      [4, "at-target"],
      [30, "heat-off"],
      [40, "abort"],
    ] as const) {
      t.pass(wait);
      tap(t, run.id, type);
    }
    const [c] = containersOfRun(t.larder, run.id);
    expect(undecided(t.larder).map((u) => u.why)).toEqual(["not-processed", "not-processed"]);
    expect(fieldsOf(() => checkSeal(t.larder, t.write(), c!.id, "sealed"))[""]).toMatch(/not processed/);
    t.pass(25 * 60);
    expect(fieldsOf(() => dispose(t.larder, t.write(), c!.id, "chill")).what).toMatch(/24 hours/);
    dispose(t.larder, t.write(), c!.id, "discard");
  });
});

test("a load that was not processed and came to the towel is done when each container is decided about", () => {
  const t = testLarder();
  const run = openTestRun(t, [packPints(t, 2).id]);
  for (const [wait, type] of [
    [0, "heat-on"],
    [1, "steam-steady"],
    [10, "weight-on"],
    [4, "at-target"],
    [30, "heat-off"],
    [40, "pressure-zero"],
    [0, "lock-down"],
    [0, "weight-off"],
    [10, "lid-off"],
    [1, "unloaded"],
  ] as const) {
    t.pass(wait);
    tap(t, run.id, type);
  }
  expect(restingRuns(t.larder)).toHaveLength(1);
  for (const c of containersOfRun(t.larder, run.id)) dispose(t.larder, t.write(), c.id, "freeze");
  expect(restingRuns(t.larder)).toEqual([]);
  expect(getRun(t.larder, run.id).view).toMatchObject({ phase: "checked", outcome: "not-processed" });
});

describe("what is refused leaves nothing behind", () => {
  const refusals: [string, (t: TestLarder) => unknown, string, RegExp][] = [
    [
      "an unknown animal",
      (t) =>
        cutLot(
          t.larder,
          t.write(),
          { harvestId: "no", part: "x", form: "pieces", inKg: 1, outKg: 1, trimKg: null, kept: "fridge" },
          "us",
        ),
      "",
      /not in the records/,
    ],
    [
      "more cut than the animal has",
      (t) =>
        cutLot(
          t.larder,
          t.write(),
          {
            harvestId: t.harvestId,
            part: "Ham",
            form: "pieces",
            inKg: 30,
            outKg: 20,
            trimKg: null,
            kept: "fridge",
          },
          "us",
        ),
      "inKg",
      /Only 61 lb 12 oz .* is left/,
    ],
    [
      "more out than in",
      (t) =>
        cutLot(
          t.larder,
          t.write(),
          {
            harvestId: t.harvestId,
            part: "Ham",
            form: "pieces",
            inKg: 3,
            outKg: 4,
            trimKg: null,
            kept: "fridge",
          },
          "us",
        ),
      "outKg",
      /More came out/,
    ],
    [
      "more packed than the lot holds",
      (t) => packPints(t, 20, { massKg: 9.5 }),
      "massKg",
      /holds 19 lb 13 oz, and this is 20 lb 15 oz/,
    ],
    ["too much salt", (t) => packPints(t, 4, { saltTspEach: 2 }), "salt", /at most 1 tsp/],
    [
      "a pack with no tested process",
      (t) => packPints(t, 1, { product: "tuna", container: "jar-quart" }),
      "container",
      /No tested process/,
    ],
    [
      "cans above 1,000 ft",
      (t) => packPints(t, 1, { product: "can-game", method: "hot", container: "can-half-pound" }),
      "container",
      /extension office/,
    ],
    ["no jars at all", (t) => packPints(t, 0, { massKg: 1 }), "count", /from 1 to 200/],
    ["a run of nothing", (t) => openTestRun(t, []), "packIds", /Nothing is in this load/],
    [
      "an animal from the future",
      (t) =>
        recordHarvest(
          t.larder,
          t.write(),
          {
            species: "pike",
            takenOn: "2026-12-01",
            place: null,
            tag: null,
            count: 1,
            weightKg: 2,
            weightKind: "catch",
            note: null,
            holdFor: null,
          },
          "2026-11-20",
        ),
      "takenOn",
      /is in the future/,
    ],
    [
      "a second canner of one name",
      (t) =>
        addCanner(t.larder, t.write(), {
          name: "Big canner",
          quarts: 16,
          hasDial: true,
          weightPiecesPsi: [],
          safeMaxKPa: 138,
        }),
      "name",
      /another name/,
    ],
  ];
  test.each(refusals)("%s", (_, work, field, message) => {
    const t = testLarder();
    const before = counts(t);
    expect(fieldsOf(() => work(t))[field]).toMatch(message);
    expect(counts(t)).toEqual(before);
  });

  test("a lot on hold, by its animal, until a named person lifts it for a reason", () => {
    const t = testLarder();
    holdHarvest(t.larder, t.write(), t.harvestId, "test result pending");
    expect(getLot(t.larder, t.lotId).holds).toEqual(["test result pending"]);
    expect(fieldsOf(() => packPints(t)).lotId).toMatch(/on hold \(test result pending\)/);
    const [hold] = getHarvest(t.larder, t.harvestId).holds;
    expect(
      fieldsOf(() => releaseHold(t.larder, { key: uuid(), byId: null }, hold!.id, "negative")).by,
    ).toMatch(/who/);
    expect(fieldsOf(() => releaseHold(t.larder, t.write(), hold!.id, " ")).reason).toMatch(/why/);
    releaseHold(t.larder, t.write(), hold!.id, "test came back negative");
    expect(packPints(t).code).toMatch(/-/);
  });

  test("a canner whose gauge check is overdue, unless somebody signs", () => {
    const t = testLarder();
    t.pass(13 * 31 * 24 * 60);
    freshLot(t);
    const pack = packPints(t);
    expect(fieldsOf(() => openTestRun(t, [pack.id])).signedReason).toMatch(/more than 12 months ago/);
    const run = openTestRun(t, [pack.id], "tested by the office last week, paper to follow");
    expect(getRun(t.larder, run.id).gaugeSignedReason).toMatch(/paper to follow/);
  });

  test("a canner that is still in use, and a pack that is already in one", () => {
    const t = testLarder();
    const [one, two] = [packPints(t), packPints(t)];
    openTestRun(t, [one.id]);
    expect(fieldsOf(() => openTestRun(t, [two.id])).cannerId).toMatch(/still holds run/);
    const other = addCanner(t.larder, t.write(), {
      name: "Small canner",
      quarts: 16,
      hasDial: false,
      weightPiecesPsi: [15],
      safeMaxKPa: 138,
    });
    expect(
      fieldsOf(() =>
        openRun(t.larder, t.write(), { cannerId: other.id, packIds: [one.id], signedReason: null }),
      ).packIds,
    ).toMatch(/already in a canner/);
    expect(fieldsOf(() => unpack(t.larder, t.write(), one.id))[""]).toMatch(/cannot be taken apart/);
  });
});

describe("writes happen once", () => {
  test("the same key again answers what the first did, and changes nothing", () => {
    const t = testLarder();
    const write = t.write();
    const input = {
      harvestId: t.harvestId,
      part: "Ham",
      form: "pieces" as const,
      inKg: 5,
      outKg: 4,
      trimKg: null,
      kept: "freezer" as const,
    };
    const first = cutLot(t.larder, write, input, "us");
    const before = counts(t);
    expect(cutLot(t.larder, write, input, "us")).toEqual(first);
    expect(counts(t)).toEqual(before);
    expect(fieldsOf(() => addPlace(t.larder, write, { room: "Cellar", name: "Top" }))[""]).toMatch(
      /already used/,
    );
  });
  test("readings twice are one; out of order is put in order; from the future is refused whole", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t).id]);
    t.pass(60);
    const at = t.larder.now();
    const batch = [
      { id: "b", at: at - 1000, type: "reading" as const, gaugeKPa: 40 },
      { id: "a", at: at - 2000, type: "reading" as const, gaugeKPa: 30 },
    ];
    expect(appendEvents(t.larder, run.id, batch)).toMatchObject({ accepted: 2, duplicates: 0 });
    expect(
      appendEvents(t.larder, run.id, [...batch, { id: "c", at, type: "reading", gaugeKPa: 50 }]),
    ).toMatchObject({ accepted: 1, duplicates: 2 });
    const before = counts(t);
    const bad = [
      { id: "d", at, type: "reading" as const },
      { id: "e", at: at + 600_000, type: "reading" as const, gaugeKPa: 1 },
    ];
    expect(fieldsOf(() => appendEvents(t.larder, run.id, bad))).toEqual({
      "readings.1.at": expect.stringMatching(/future/),
    });
    expect(counts(t)).toEqual(before);
  });
  test("a tap the guard refuses is not stored, and the same tap delivered twice is answered again", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t).id]);
    tap(t, run.id, "heat-on", { id: "tap-1" });
    tap(t, run.id, "steam-steady");
    t.pass(4);
    expect(fieldsOf(() => tap(t, run.id, "weight-on"))[""]).toMatch(/6 min of steady steam/);
    expect(tap(t, run.id, "heat-on", { id: "tap-1" })).toMatchObject({ accepted: 0, duplicates: 1 });
  });
});

describe("what follows from records", () => {
  test("a lot's weight goes down by what is packed, and comes back when a pack is taken apart", () => {
    const t = testLarder();
    const pack = packPints(t, 6);
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(6, 9);
    expect(recordedFills(t.larder, "red-meat-pieces", "raw", "jar-pint")).toEqual([0.5]);
    expect(containersOfPack(t.larder, pack.id).map((c) => c.number)).toEqual([1, 2, 3, 4, 5, 6]);
    unpack(t.larder, t.write(), pack.id);
    expect(packsWaiting(t.larder)).toEqual([]);
    expect(lotsInStock(t.larder)[0]!.leftKg).toBeCloseTo(9, 9);
  });
  test("the code of what was taken apart names nothing any more, and is not given out again", () => {
    const t = testLarder();
    const pack = packPints(t, 2);
    const [jar] = containersOfPack(t.larder, pack.id);
    expect(findCode(t.larder, jar!.code)).toMatchObject({ found: true, kind: "container" });
    unpack(t.larder, t.write(), pack.id);
    for (const code of [jar!.code, pack.code])
      expect(findCode(t.larder, code)).toMatchObject({
        found: false,
        message: expect.stringMatching(/was taken apart again/),
      });
    const again = packPints(t, 2);
    const codes = containersOfPack(t.larder, again.id).map((c) => c.code);
    expect(codes).not.toContain(jar!.code);
  });
  test("the schedule of a run stays as it was when the gauge is tested again", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t).id]);
    t.pass(1);
    recordGaugeCheck(t.larder, t.write(), {
      cannerId: t.cannerId,
      at: t.larder.now(),
      errorKPa: 6.9,
      note: null,
    });
    expect(getRun(t.larder, run.id).schedule.governing.target.facePsi).toBe(12);
    runToTowel(t, run.id);
    const next = openTestRun(t, [packPints(t).id]);
    expect(getRun(t.larder, next.id).schedule.governing.target.facePsi).toBeCloseTo(13, 2);
  });
  test("a code with one character wrong names the one that was meant only when it is the only one here", () => {
    const t = testLarder();
    const code = getLot(t.larder, t.lotId).code;
    const smudged = `0${code.slice(1)}`;
    expect(findCode(t.larder, smudged)).toMatchObject({ found: false, meant: code });
    expect(findCode(t.larder, "ZZZ-Z")).toMatchObject({ found: false });
    const wrong = (code[0] === "2" ? "3" : "2") + code.slice(1);
    expect(findCode(t.larder, wrong)).toMatchObject({ found: false, meant: code });
  });
});
