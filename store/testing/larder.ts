import { v7 as uuid } from "uuid";
import { fillEstimate, mostSaltTsp } from "#core/pack";
import type { ContainerKey } from "#core/schedule";
import type { SeamSheet } from "#core/seam";
import { addTool } from "#store/check";
import { recordSetUp } from "#store/seam";
import { addCanner, recordGaugeCheck } from "#store/equipment";
import type { BenchPartInput } from "#store/filling";
import { recordHarvest } from "#store/harvest";
import { addOffice, type GivenByOffice, type OfficeInput } from "#store/guide";
import { acceptRow, getHousehold, setUpHousehold } from "#store/household";
import { cutLot, getLot, type CutInput, type Lot } from "#store/lot";
import { makePack, type PackInput } from "#store/pack";
import { openRun, tapRun, type Tap } from "#store/run";
import { openLarder, scopeNow, type Larder } from "#store/db";

/** A larder for tests: a clock that is set by hand, one household, one animal, one lot, one canner. */
export interface TestLarder {
  larder: Larder;
  /** moves the clock on, minutes */
  pass(minutes: number): void;
  write(): { key: string; byId: string; byName: string };
  harvestId: string;
  lotId: string;
  cannerId: string;
}

/** Rows without a published source. */
const COMMON_ROWS = ["can-fish", "can-game", "stewed-meat"] as const;

export const TEST_START = Date.UTC(2026, 10, 20, 9);

/** @param accepting false for a household that has accepted no row of common practice yet */
export function testLarder(folder = ":memory:", accepting = true): TestLarder {
  let now = TEST_START;
  const larder = openLarder(folder, () => scopeNow().said?.at ?? now);
  const { personId } = setUpHousehold(
    larder,
    { key: uuid(), byId: null },
    { name: "Test", altitudeM: 701.04, units: "us", zone: "UTC", gauge: "dial", personName: "Ada" },
  );
  const write = () => ({ key: uuid(), byId: personId, byName: "Ada" });
  if (accepting) for (const row of COMMON_ROWS) acceptRow(larder, write(), row);
  const harvest = recordHarvest(
    larder,
    write(),
    {
      species: "wild-boar",
      takenOn: "2026-11-18",
      place: null,
      tag: null,
      count: 1,
      weightKg: 40,
      weightKind: "dressed",
      note: null,
      holdFor: null,
    },
    "2026-11-20",
  );
  const lot = cutLot(
    larder,
    write(),
    {
      harvestId: harvest.id,
      part: "Shoulder",
      form: "pieces",
      inKg: 12,
      outKg: 9,
      trimKg: 2.9,
      kept: "fridge",
    },
    "us",
  );
  const canner = addCanner(larder, write(), {
    name: "Big canner",
    quarts: 21,
    hasDial: true,
    weightPiecesPsi: [],
    safeMaxKPa: 138,
  });
  recordGaugeCheck(larder, write(), { cannerId: canner.id, at: now, errorKPa: 0, note: null });
  return {
    larder,
    pass: (minutes) => void (now += minutes * 60_000),
    write,
    harvestId: harvest.id,
    lotId: lot.id,
    cannerId: canner.id,
  };
}

/** An animal taken today and a lot cut from it now, which the next packs are filled from: meat does not wait for a year. */
export function freshLot(
  t: TestLarder,
  species: "wild-boar" | "lake-trout" = "wild-boar",
  kept: "fridge" | "freezer" = "fridge",
): string {
  const today = new Date(t.larder.now()).toISOString().slice(0, 10);
  const fish = species === "lake-trout";
  const harvest = recordHarvest(
    t.larder,
    t.write(),
    {
      species,
      takenOn: today,
      place: null,
      tag: null,
      count: 1,
      weightKg: fish ? 20 : 40,
      weightKind: fish ? "catch" : "dressed",
      note: null,
      holdFor: null,
    },
    today,
  );
  const { id } = cutLot(
    t.larder,
    t.write(),
    {
      harvestId: harvest.id,
      part: fish ? "Middle sections" : "Shoulder",
      form: fish ? "sections" : "pieces",
      inKg: 12,
      outKg: 9,
      trimKg: 2.9,
      kept,
    },
    "us",
  );
  t.lotId = id;
  return id;
}

/** A lot of the refrigerator, cut now. */
export function cut(
  t: TestLarder,
  of: Pick<CutInput, "harvestId" | "part" | "form" | "inKg" | "outKg">,
): { id: string; code: string } {
  return cutLot(t.larder, t.write(), { ...of, trimKg: null, kept: "fridge" }, "us");
}

export function packPints(t: TestLarder, count = 4, over: Partial<PackInput> = {}) {
  const { product = "red-meat-pieces", method = "raw", container = "jar-pint" } = over;
  // Half a kilogram a pint, for round figures; other containers take what such containers take.
  const each = container === "jar-pint" ? 0.5 : fillEstimate(product, method, container).kgEach;
  return makePack(t.larder, t.write(), {
    lotId: t.lotId,
    massKg: count * each,
    product,
    method,
    container,
    mouth: "regular",
    count,
    liquid: method === "hot" ? "water" : "none",
    saltTspEach: Math.min(0.5, mostSaltTsp(container)),
    reusedLids: false,
    ...over,
  });
}

/** Four pints of red meat to be filled one by one on the bench, or as `over` says. */
export const benchPart = (lotId: string, over: Partial<BenchPartInput> = {}): BenchPartInput => ({
  lotId,
  product: "red-meat-pieces",
  method: "raw",
  container: "jar-pint",
  mouth: "regular",
  planned: 4,
  kgEach: 0.46,
  liquid: "none",
  saltTsp: 0.5,
  headspaceIn: 1,
  reusedLids: false,
  lidBoxId: null,
  additions: null,
  reason: null,
  office: null,
  ...over,
});

/** A good set-up of half-pound cans: one tear-down inside the typical limits. Lengths mm. */
export const GOOD_SHEET: SeamSheet = {
  method: "micrometer",
  endPlateMm: 0.2286,
  bodyPlateMm: 0.2032,
  positions: Array.from({ length: 3 }, () => ({
    width: 2.921,
    thickness: 1.232,
    countersink: 3.175,
    bodyHook: 2.032,
    coverHook: 1.981,
    overlap: null,
    wrinklePercent: 15,
  })),
};

/** A can sealer that is set up for a size of can. */
export function readySealer(
  t: TestLarder,
  container: ContainerKey = "can-half-pound",
  name = "Bench sealer",
): string {
  const { id } = addTool(t.larder, t.write(), {
    kind: "sealer",
    name,
    powerW: null,
    lowestKPa: null,
    outdoors: null,
    induction: null,
    note: null,
  });
  recordSetUp(t.larder, t.write(), { sealerId: id, container, sheet: GOOD_SHEET });
  return id;
}

export function openTestRun(t: TestLarder, packIds: string[], signedReason: string | null = null) {
  return openRun(t.larder, t.write(), { cannerId: t.cannerId, packIds, signedReason });
}

export function tap(t: TestLarder, runId: string, type: Tap["type"], more: Partial<Tap> = {}) {
  return tapRun(t.larder, runId, { id: uuid(), type, by: "Ada", ...more });
}

/** A run without a slip in minutes from lighting: vented in full, seen at target every 5 minutes, cooled, and the lid off. */
export const STEADY_COURSE: readonly [minute: number, type: Tap["type"]][] = [
  [0, "heat-on"],
  [12, "steam-steady"],
  [22, "weight-on"],
  [27, "at-target"],
  ...Array.from({ length: 15 }, (_, i): [number, Tap["type"]] => [27 + 5 * (i + 1), "at-target"]),
  [103, "heat-off"],
  [145, "pressure-zero"],
  [146, "lock-down"],
  [147, "weight-off"],
  [158, "lid-off"],
];

/** Brings a run from a cold burner to the towel, without a slip. */
export function runToTowel(t: TestLarder, runId: string, minutes = 75): void {
  const steps: [number, Tap["type"]][] = [
    [12, "steam-steady"],
    [10, "weight-on"],
    [5, "at-target"],
  ];
  tap(t, runId, "heat-on");
  for (const [wait, type] of steps) {
    t.pass(wait);
    tap(t, runId, type);
  }
  for (let m = 0; m < minutes; m += 10) {
    t.pass(Math.min(10, minutes - m));
    tap(t, runId, "at-target");
  }
  tap(t, runId, "heat-off");
  t.pass(40);
  tap(t, runId, "pressure-zero");
  tap(t, runId, "lock-down");
  tap(t, runId, "weight-off");
  t.pass(10);
  tap(t, runId, "lid-off");
  t.pass(3);
  tap(t, runId, "unloaded");
}

/** Keeps an extension office's schedule, as if it had been given today for this kitchen's altitude. */
export function keepOffice(
  t: TestLarder,
  of: Pick<OfficeInput, "product" | "method" | "container">,
  given: GivenByOffice,
): void {
  const { product, method, container } = of;
  addOffice(t.larder, t.write(), {
    product,
    method,
    container,
    ...given,
    altitudeM: getHousehold(t.larder)!.altitudeM,
    note: null,
    photoId: null,
  });
}

/** What the last deed wrote into the history of itself: its name and its details. */
export function lastNote(t: Pick<TestLarder, "larder">): { action: string; [detail: string]: unknown } {
  const row = t.larder.sqlite.prepare("select action, detail from audit order by id desc limit 1").get() as {
    action: string;
    detail: string;
  };
  return { action: row.action, ...(JSON.parse(row.detail) as object) };
}

/** Every lot that has some of an animal in it. */
export const lotsWith = (t: Pick<TestLarder, "larder">, harvestId: string): Lot[] =>
  (
    t.larder.sqlite
      .prepare("select lot_id from lot_origin where harvest_id = ?")
      .pluck()
      .all(harvestId) as string[]
  ).map((id) => getLot(t.larder, id));
