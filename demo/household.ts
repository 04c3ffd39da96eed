/**
 * The made-up household: two cousins, Oda and Piet, in the invented upland valley of Hollin, at 2,300 ft. Two seasons
 * back to today, with something alive in every place. Nothing here is a real person, place or animal.
 */
import { v5 as named, v7 as uuid } from "uuid";
import { DAY_MS, HOUR_MS, MINUTE_MS, kPaFromPsi, mmFromIn } from "#core/quantity";
import type { RunEventType } from "#core/run";
import type { CheckKey, EquipmentKind } from "#core/check";
import { fillOne, openBench } from "#store/filling";
import { addTool, recordCheck } from "#store/check";
import { addCanner, measureCanner, recordGaugeCheck } from "#store/equipment";
import { saveRecipe } from "#store/recipe";
import { addSupply, type SupplyInput } from "#store/supply";
import { addColdEntry, addProbeReadings } from "#store/cold";
import {
  addIndividual,
  addOwnSpecies,
  discardFromHarvest,
  holdLot,
  recordFirstHours,
  recordHarvest,
  setShares,
  type HarvestInput,
} from "#store/harvest";
import { addPerson, getHousehold, setUpHousehold } from "#store/household";
import { brothFromBones, cutLot, mergeLots, recordLotEvent, splitLot, type CutInput } from "#store/lot";
import { makePack, type PackInput } from "#store/pack";
import { recordOpening, setPrices } from "#store/eating";
import { checkSeal, containersOfRun, dispose, undecided } from "#store/rest";
import { getRun, openRun, takeReadings, tapRun } from "#store/run";
import { simulatedRun, type SimulatedLoad } from "./simulated-run.ts";
import {
  addCanReadings,
  cansWaiting,
  listSealers,
  recordExhaust,
  recordMeasured,
  recordSeam,
  recordSetUp,
} from "#store/seam";
import { addPlace, addStorageEntry, shelve, takeOff } from "#store/shelf";
import { openLarder, type Larder } from "#store/db";

const NAMESPACE = "5f0c3f1e-6d1b-4c57-9a53-0f7a7d5f5b11";

/** A clock the season is told by: it stands where it is put. */
interface Teller {
  larder: Larder;
  goTo(at: number): void;
  write(): { key: string; byId: string; byName: string };
  as(who: "Oda" | "Piet"): void;
}

/**
 * Fills an empty larder in `folder` with two seasons up to `end`. A larder that has a household is left alone.
 * @param end the present of the demo, ms since 1970 UTC
 * @returns whether anything was written
 */
export function fillDemo(folder: string, end: number): boolean {
  let now = end - 800 * DAY_MS;
  const larder = openLarder(folder, () => now);
  try {
    if (getHousehold(larder)) return false;
    const { personId } = setUpHousehold(
      larder,
      { key: uuid(), byId: null },
      {
        name: "The cousins’ larder",
        altitudeM: 701.04,
        units: "us",
        zone: "America/Denver",
        gauge: "dial",
        personName: "Oda",
      },
    );
    const piet = addPerson(larder, { key: uuid(), byId: personId }, "Piet").id;
    let me: { byId: string; byName: string } = { byId: personId, byName: "Oda" };
    const t: Teller = {
      larder,
      goTo: (at) => void (now = at),
      write: () => ({ key: uuid(), ...me }),
      as: (who) =>
        void (me = who === "Oda" ? { byId: personId, byName: "Oda" } : { byId: piet, byName: "Piet" }),
    };
    tell(t, end);
    return true;
  } finally {
    larder.close();
  }
}

/** Local day of an instant, near enough for a story. */
const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);

function animal(t: Teller, at: number, input: Partial<HarvestInput> & { species: string }): string {
  t.goTo(at);
  const full: HarvestInput = {
    takenOn: dayOf(at),
    place: null,
    tag: null,
    count: 1,
    weightKg: null,
    weightKind: null,
    note: null,
    holdFor: null,
    ...input,
  };
  return recordHarvest(t.larder, t.write(), full, dayOf(at)).id;
}

function lot(
  t: Teller,
  at: number,
  harvestId: string,
  part: string,
  inKg: number,
  outKg: number,
  more: Partial<CutInput> = {},
): string {
  t.goTo(at);
  return cutLot(
    t.larder,
    t.write(),
    { harvestId, part, form: "pieces", inKg, outKg, trimKg: null, kept: "fridge", ...more },
    "us",
  ).id;
}

/** From the kill to the cold: the hours, a few temperatures by hand, and a probe's through the night. */
function chill(t: Teller, harvestId: string, killedAt: number, guttedMin: number, coldMin: number): void {
  const at = (minute: number) => killedAt + minute * MINUTE_MS;
  t.goTo(at(coldMin + 600));
  recordFirstHours(
    t.larder,
    t.write(),
    harvestId,
    { killedAt, guttedAt: at(guttedMin), cooledAt: at(coldMin) },
    dayOf,
  );
  for (const [minute, place, tempC] of [
    [guttedMin + 15, "Hanging in the shade", 31],
    [coldMin, "Meat safe", 14],
  ] as const)
    addColdEntry(t.larder, t.write(), { harvestId, at: at(minute), tempC, place });
  addProbeReadings(
    t.larder,
    harvestId,
    Array.from({ length: 40 }, (_, i) => ({
      id: `${harvestId} ${i}`,
      at: at(coldMin + 15 * (i + 1)),
      // Newton's cooling towards 2 °C, with the fridge's own to and fro.
      tempC: 2.1 + 12 * Math.exp(-i / 9) + 0.4 * Math.sin(i / 2),
      probe: "Probe 1",
    })),
  );
}

function pack(
  t: Teller,
  at: number,
  lotId: string,
  count: number,
  massKg: number,
  more: Partial<PackInput> = {},
): string {
  t.goTo(at);
  return makePack(t.larder, t.write(), {
    lotId,
    massKg,
    count,
    product: "red-meat-pieces",
    method: "raw",
    container: "jar-pint",
    mouth: "regular",
    liquid: "none",
    saltTspEach: 0.5,
    reusedLids: false,
    ...more,
  }).id;
}

/** The sealer tested on empty cans: one taken apart, three places, lengths in thousandths of an inch. */
function setUpSealer(t: Teller, at: number): void {
  t.goTo(at);
  const mm = (thou: number) => mmFromIn(thou / 1000);
  const place = (w: number, s: number, bh: number, ch: number, wrinklePercent: number) => ({
    width: mm(w),
    thickness: mm(s),
    countersink: mm(125),
    bodyHook: mm(bh),
    coverHook: mm(ch),
    overlap: null,
    wrinklePercent,
  });
  recordSetUp(t.larder, t.write(), {
    sealerId: listSealers(t.larder)[0]!.id,
    container: "can-half-pound",
    sheet: {
      method: "micrometer",
      endPlateMm: mm(9),
      bodyPlateMm: mm(8),
      positions: [
        place(115, 48.5, 80, 77, 15),
        place(116, 48.8, 81, 78, 20),
        place(114.5, 48.3, 79, 77.5, 15),
      ],
    },
  });
}

/** Cans in the bath, each with its probe, and closed as they come to temperature; the sixth seam droops. */
function exhaustAndClose(t: Teller, filledAt: number, end: number): void {
  const sealerId = listSealers(t.larder)[0]!.id;
  for (const [i, can] of cansWaiting(t.larder).slice(0, 8).entries()) {
    const last = i < 6 ? 40 + i * 3 : 60;
    // Heat comes to the middle as in a cylinder: a lag, then a tenth of the way left every f minutes; the last two lag behind.
    const f = i < 6 ? 50 + i * 4 : 66 + i * 6;
    const readings = Array.from({ length: Math.floor(last / 6) }, (_, k) => last - 6 * k)
      .reverse()
      .map((minute) => ({
        id: `${i} ${minute}`,
        at: filledAt + minute * MINUTE_MS,
        tempC: Math.round(Math.max(6, 97 - 2.04 * 91 * 10 ** (-(minute + 14) / f)) * 10) / 10,
        probe: "Probe 1",
      }));
    t.goTo(Math.min(end, filledAt + last * MINUTE_MS));
    addCanReadings(t.larder, can.id, readings);
    if (i > 5) continue;
    t.goTo(filledAt + (last + 1) * MINUTE_MS);
    recordExhaust(t.larder, t.write(), can.id, 77.4 + i / 5);
    recordSeam(t.larder, t.write(), can.id, {
      defects: i === 5 ? [{ key: "droop", degrees: 120 }] : [],
    });
    if (i < 5)
      recordMeasured(t.larder, t.write(), {
        sealerId,
        containerId: can.id,
        outside: {
          thickness: 1.232 + [0.004, -0.006, 0.002, 0.008, -0.003][i]!,
          width: 2.92 + [0.01, -0.02, 0.015, 0, -0.01][i]!,
        },
      });
  }
}

type Step = [minute: number, type: RunEventType, psi?: number];

/** A run told in minutes from lighting the burner. */
function run(t: Teller, at: number, cannerId: string, packIds: string[], steps: Step[]): string {
  t.goTo(at - 5 * MINUTE_MS);
  const { id } = openRun(t.larder, t.write(), {
    cannerId,
    packIds,
    signedReason: null,
    confirmed: ["fish-quart"],
    findings: (["gasket", "vent", "plug", "lock", "rack", "base"] as const).map((item) => ({
      item,
      finding: "sound" as const,
      note: null,
    })),
  });
  const { floorKPa, dial } = getRun(t.larder, id).plan;
  for (const [i, [minute, type, psi]] of steps.entries()) {
    t.goTo(at + minute * MINUTE_MS);
    const gaugeKPa = psi === undefined ? undefined : kPaFromPsi(psi);
    // Without a dial it is the weight that is seen.
    const byEar = gaugeKPa !== undefined && dial?.standing === "none";
    const heard = gaugeKPa !== undefined && gaugeKPa < floorKPa ? "weight-quiet" : "weight-rocking";
    tapRun(t.larder, id, {
      id: named(`${id} ${i}`, NAMESPACE),
      type: byEar ? heard : type,
      by: t.write().byName,
      gaugeKPa: byEar ? undefined : gaugeKPa,
    });
  }
  return id;
}

/**
 * A run on the simulated canner, with a gauge that sends beside the taps, up to an instant. Jars are lifted out one by
 * one; one of them has lost some liquid.
 */
function gaugedRun(
  t: Teller,
  at: number,
  cannerId: string,
  packIds: string[],
  load: SimulatedLoad,
  until = Infinity,
): string {
  const id = run(t, at, cannerId, packIds, []);
  const told = simulatedRun(load).filter((h) => at + h.s * 1000 <= until);
  const sent = told
    .filter((h) => h.sent)
    .map((h, index) => ({
      index,
      id: named(`${id} sent ${h.s}`, NAMESPACE),
      at: at + h.s * 1000,
      gaugeKPa: h.gaugeKPa,
    }));
  // What the gauge sent since somebody last said something is there before the next thing is said.
  let delivered = 0;
  const deliver = (until: number) => {
    const from = delivered;
    while (delivered < sent.length && sent[delivered]!.at <= until) delivered++;
    if (delivered > from) takeReadings(t.larder, id, sent.slice(from, delivered), "Gauge 1", until);
  };
  for (const [i, h] of told.filter((x) => !x.sent).entries()) {
    if (i === 1) {
      t.goTo(at + 4 * MINUTE_MS);
      const looked = { type: "confirmed" as const, by: t.write().byName };
      const inside = load.pints === 9 ? "pints" : "wide-mouth quarts";
      tapRun(t.larder, id, { id: named(`${id} size`, NAMESPACE), ...looked, asked: "size", text: inside });
      tapRun(t.larder, id, {
        id: named(`${id} place`, NAMESPACE),
        ...looked,
        asked: "place",
        text: "at 2,300 ft",
      });
    }
    t.goTo(at + h.s * 1000);
    deliver(at + h.s * 1000);
    const tap = { type: h.type, by: t.write().byName, gaugeKPa: h.gaugeKPa };
    tapRun(t.larder, id, { id: named(`${id} ${i}`, NAMESPACE), ...tap });
  }
  if (until < Infinity) {
    t.goTo(until);
    deliver(until);
    return id;
  }
  const lid = at + told.at(-1)!.s * 1000;
  for (const [i, c] of containersOfRun(t.larder, id).entries()) {
    t.goTo(lid + (i + 1) * 20_000);
    tapRun(t.larder, id, {
      id: named(`${id} out ${i}`, NAMESPACE),
      type: "container-out",
      by: t.write().byName,
      container: c.code,
      siphoned: i === 3 ? "some" : "none",
    });
  }
  t.goTo(lid + 5 * MINUTE_MS);
  tapRun(t.larder, id, { id: named(`${id} towel`, NAMESPACE), type: "unloaded", by: t.write().byName });
  return id;
}

/** From lighting the burner to pressure, watched to the end, cooled and unloaded. */
function wholeRun(minutes: number, floor: number, vent = 14, drop?: number): Step[] {
  const steps: Step[] = [
    [0, "heat-on"],
    [vent, "steam-steady"],
    [vent + 10.5, "weight-on"],
    [vent + 15, "reading", floor + 0.2],
  ];
  let start = vent + 15;
  if (drop) {
    for (let m = 8; m < drop; m += 8) steps.push([start + m, "reading", floor + 0.4]);
    steps.push([start + drop, "reading", floor - 1.5], [start + drop + 3, "reading", floor + 0.1]);
    start += drop + 3;
  }
  for (let m = 8; m < minutes; m += 8) steps.push([start + m, "reading", floor + 0.3 + ((m * 7) % 5) / 10]);
  const off = start + minutes + 1;
  return [
    ...steps,
    [off, "heat-off"],
    [off + 44, "pressure-zero"],
    [off + 45, "lock-down"],
    [off + 46, "weight-off"],
    [off + 57, "lid-off"],
    [off + 60, "unloaded"],
  ];
}

/** Presses every lid after the rest; those of `failed` (by number in the run) flex. */
function check(t: Teller, at: number, runId: string, failed: number[] = []): string[] {
  t.goTo(at);
  const containers = containersOfRun(t.larder, runId);
  containers.forEach((c, i) =>
    checkSeal(t.larder, t.write(), c.id, failed.includes(i + 1) ? "failed" : "sealed"),
  );
  return containers.filter((_, i) => !failed.includes(i + 1)).map((c) => c.id);
}

/**
 * Last year's boar: sixteen pints, of which one did not seal and was frozen. It is what the house eats from, a jar or two a
 * month, so that there is something to forecast by.
 */
function secondBoar(
  t: Teller,
  at: (days: number, hour?: number) => number,
  canner: string,
  shelf: string,
): void {
  t.as("Oda");
  const boar = animal(t, at(470), {
    species: "wild-boar",
    place: "Alder Bottom",
    tag: "B-151",
    weightKg: 58,
    weightKind: "dressed",
  });
  const hams = lot(t, at(469), boar, "Hams", 10.8, 8.1, { trimKg: 2.6 });
  const load = run(t, at(468), canner, [pack(t, at(468, 9), hams, 16, 8.1)], wholeRun(75, 12.5));
  // Thirteen hours on the towel, and well within the day that a failed one may wait.
  const sealed = check(t, at(468) + 17 * HOUR_MS, load, [5]);
  for (const u of undecided(t.larder)) dispose(t.larder, t.write(), u.container.id, "freeze");
  t.goTo(at(466));
  shelve(t.larder, t.write(), sealed, shelf);
  for (const [i, days] of [425, 396, 371, 352, 318, 271, 238, 214, 176, 133, 102].entries()) {
    t.goTo(at(days));
    recordOpening(t.larder, t.write(), { containerId: sealed[i]!, signs: [], note: null });
  }
  t.goTo(at(60));
  takeOff(t.larder, t.write(), sealed[11]!, "given", "Bram");
}

/** How warm the rooms were, and what things cost. */
function rooms(t: Teller, at: (days: number, hour?: number) => number): void {
  for (let days = 360; days > 1; days -= 20) {
    t.goTo(at(days));
    // The year's own to and fro, warmest about two thirds of the way through what is told.
    const season = Math.cos(((days - 110) / 365) * 2 * Math.PI);
    addStorageEntry(t.larder, t.write(), { room: "Cellar", tempC: 12.5 + 2.6 * season });
    addStorageEntry(t.larder, t.write(), { room: "Stair cupboard", tempC: 18.5 + 4.8 * season });
  }
  t.goTo(at(45));
  setPrices(t.larder, t.write(), {
    jar: 1.6,
    "jar-uses": 12,
    lid: 0.32,
    can: 0.85,
    "energy-kwh": 0.19,
    "meat-kg": 0,
    "worth-kg": 22,
  });
}

/** What stands in the Shed beside the canners: measured, looked over, and counted by box and lot. */
function shed(t: Teller, at: (days: number, hour?: number) => number, big: string, small: string): void {
  measureCanner(t.larder, t.write(), big, {
    insideDiameterMm: 311,
    usableHeightMm: 264,
    racks: 2,
    rackHeightMm: 5,
    waterLitres: 2.8,
    waterDepthMm: null,
    minLoad: 2,
    aluminium: 1,
    manual: { "jar-quart": 7, "jar-pint": 18 },
    depressuriseMin: 45,
  });
  const burner = addTool(t.larder, t.write(), {
    kind: "burner",
    name: "Yard burner",
    powerW: 4400,
    lowestKPa: kPaFromPsi(9),
    outdoors: 1,
    induction: 0,
    note: null,
  }).id;
  const plainTool = { powerW: null, lowestKPa: null, outdoors: 0, induction: 0 };
  addTool(t.larder, t.write(), {
    ...plainTool,
    kind: "sealer",
    name: "Hand sealer",
    note: "set for half-pound cans",
  });
  addTool(t.larder, t.write(), { ...plainTool, kind: "thermometer", name: "Needle probe", note: null });
  const supply = (input: Omit<SupplyInput, "container" | "mouth"> & Partial<SupplyInput>) =>
    addSupply(t.larder, t.write(), { container: null, mouth: null, ...input });
  supply({ kind: "jar", container: "jar-pint", mouth: "regular", label: "cellar crates", count: 64 });
  supply({ kind: "jar", container: "jar-pint", mouth: "wide", label: "cellar crates", count: 18 });
  supply({ kind: "jar", container: "jar-quart", mouth: "wide", label: "cellar crates", count: 24 });
  supply({
    kind: "jar",
    container: "jar-half-pint",
    mouth: "regular",
    label: "top of the dresser",
    count: 20,
  });
  supply({ kind: "lid", mouth: "regular", label: "box 1", count: 48 });
  supply({ kind: "lid", mouth: "wide", label: "box 2", count: 24 });
  supply({ kind: "can", container: "can-half-pound", label: "lot 0914", count: 48 });
  supply({ kind: "end", container: "can-half-pound", label: "lot 0914", count: 50 });
  t.goTo(at(60));
  supply({ kind: "lid", mouth: "regular", label: "box 3", count: 24 });
  supply({ kind: "lid", mouth: "wide", label: "box 4", count: 12 });
  const look = (days: number, id: string, kind: EquipmentKind, items: readonly CheckKey[]) => {
    t.goTo(at(days));
    for (const item of items)
      recordCheck(t.larder, t.write(), { equipmentId: id, kind, item, finding: "sound", note: null });
  };
  look(420, small, "canner", ["gasket", "plug", "base"]);
  look(55, big, "canner", ["gasket", "vent", "plug", "lock", "rack", "base"]);
  look(55, burner, "burner", ["flame", "shelter"]);
  t.goTo(at(30));
  saveRecipe(t.larder, t.write(), {
    name: "Boar stew",
    dish: "stew",
    ingredients: [
      { name: "Boar, cubed", amount: 2.7, role: null },
      { name: "Carrots", amount: 0.9, role: null },
      { name: "Potatoes", amount: 0.9, role: null },
      { name: "Broth", amount: 2.8, role: null },
      { name: "Salt, thyme and juniper", amount: 0, role: null },
    ],
  });
}

function tell(t: Teller, end: number): void {
  const at = (days: number, hour = 10) => end - days * DAY_MS + (hour - 10) * HOUR_MS;
  t.goTo(at(790));
  const big = addCanner(t.larder, t.write(), {
    name: "Big canner",
    quarts: 21,
    hasDial: true,
    weightPiecesPsi: [],
    safeMaxKPa: kPaFromPsi(20),
  }).id;
  const small = addCanner(t.larder, t.write(), {
    name: "Small canner",
    quarts: 16,
    hasDial: false,
    weightPiecesPsi: [5, 5, 5],
    safeMaxKPa: kPaFromPsi(20),
  }).id;
  const gaugeTest = (days: number, psi: number) => {
    t.goTo(at(days));
    recordGaugeCheck(t.larder, t.write(), {
      cannerId: big,
      at: at(days),
      errorKPa: kPaFromPsi(psi),
      note: null,
    });
  };
  shed(t, at, big, small);
  gaugeTest(785, 0.5);
  const shelves = (
    [
      ["Cellar", "Top shelf", "shelf", 24],
      ["Cellar", "Middle shelf", "shelf", 20],
      ["Stair cupboard", "Left", "box", 12],
    ] as const
  ).map(([room, name, kind, capacity]) => {
    t.goTo(at(784));
    return addPlace(t.larder, t.write(), { room, name, kind, capacity }).id;
  });

  // Two seasons back: a boar and lake trout. Some of it is still on the shelf, past its best-by.
  const oldBoar = animal(t, at(760), {
    species: "wild-boar",
    place: "Hollin beeches",
    tag: "B-118",
    weightKg: 52,
    weightKind: "dressed",
  });
  const oldShoulder = lot(t, at(758), oldBoar, "Shoulder", 6.4, 4.6, { trimKg: 1.7 });
  const oldPints = pack(t, at(757, 9), oldShoulder, 9, 4.6);
  const oldRun = run(t, at(757), big, [oldPints], wholeRun(75, 12.5));
  const oldSealed = check(t, at(756, 12), oldRun);
  t.goTo(at(755));
  shelve(t.larder, t.write(), oldSealed, shelves[0]!);
  for (const [i, days] of [
    [0, 700],
    [1, 640],
    [2, 560],
    [3, 430],
    [4, 300],
    [5, 150],
  ] as const) {
    t.goTo(at(days));
    takeOff(t.larder, t.write(), oldSealed[i]!, "opened");
  }
  t.as("Piet");
  const oldTrout = animal(t, at(500), {
    species: "lake-trout",
    place: "Grey Tarn",
    count: 9,
    weightKg: 11.2,
    weightKind: "catch",
  });
  const oldFish = lot(t, at(499), oldTrout, "Middle sections", 5.8, 4, { form: "sections" });
  const oldFishRun = run(
    t,
    at(499, 12),
    small,
    [pack(t, at(499, 11), oldFish, 8, 4, { product: "fish", container: "jar-pint", saltTspEach: 1 })],
    wholeRun(100, 15, 16),
  );
  const oldFishSealed = check(t, at(498, 18), oldFishRun);
  t.goTo(at(497));
  shelve(t.larder, t.write(), oldFishSealed, shelves[2]!);
  for (const [i, days] of [
    [0, 420],
    [1, 380],
    [2, 290],
    [3, 200],
    [4, 120],
  ] as const) {
    t.goTo(at(days));
    takeOff(t.larder, t.write(), oldFishSealed[i]!, i === 3 ? "given" : "opened");
  }

  secondBoar(t, at, big, shelves[0]!);
  gaugeTest(410, 1);

  // Last winter's freezer: one lot soon a year old, one on its way out.
  const winterGrouse = animal(t, at(334), {
    species: "grouse",
    place: "Upper Hollin",
    count: 11,
    weightKg: 6.1,
    weightKind: "catch",
  });
  lot(t, at(333), winterGrouse, "Breasts", 3.4, 2.9, { kept: "freezer", place: "Chest freezer, bottom" });
  const legs = lot(t, at(333, 11), winterGrouse, "Legs", 2.4, 1.5, {
    form: "bone-in",
    kept: "freezer",
    place: "Chest freezer, bottom",
  });
  t.goTo(end - 7 * HOUR_MS);
  recordLotEvent(t.larder, t.write(), legs, {
    kind: "thaw-start",
    at: end - 7 * HOUR_MS,
    method: "fridge",
    thickM: 0.05,
    readyAt: end + 22 * HOUR_MS,
  });

  // This autumn: a pronghorn.
  t.as("Oda");
  const pronghorn = animal(t, at(55), {
    species: "pronghorn",
    place: "Long Flat",
    tag: "P-2071",
    weightKg: 31,
    weightKind: "dressed",
  });
  const haunch = lot(t, at(53), pronghorn, "Hind legs", 8.6, 6.4, { trimKg: 2.1 });
  const bones = lot(t, at(53), pronghorn, "Bones", 3.1, 2.8, { form: "bones" });
  t.goTo(at(52, 7));
  const broth = brothFromBones(t.larder, t.write(), { lotId: bones, bonesKg: 2.8, litres: 4.39 }).id;
  const onBig = { altitudeM: 701.04, quarts: 21, facePsi: 13, errorPsi: 1 };
  const haunchRun = gaugedRun(
    t,
    at(52),
    big,
    [
      pack(t, at(52, 9), haunch, 7, 6.4, {
        container: "jar-quart",
        mouth: "wide",
        method: "hot",
        liquid: "broth",
        liquidLotId: broth,
      }),
    ],
    { ...onBig, pints: 14, minutes: 90, gust: { minute: 38, minutes: 6, strength: 0.85 } },
  );
  const haunchSealed = check(t, at(51, 12), haunchRun);
  t.goTo(at(50));
  shelve(t.larder, t.write(), haunchSealed, shelves[1]!);
  const brothRun = run(
    t,
    at(52, 17),
    small,
    [
      pack(t, at(52, 16), broth, 6, 2.6, {
        product: "broth",
        method: "hot",
        liquid: "none",
        saltTspEach: 0,
      }),
    ],
    wholeRun(20, 15, 12),
  );
  const brothSealed = check(t, at(51, 15), brothRun);
  t.goTo(at(50));
  shelve(t.larder, t.write(), brothSealed, shelves[1]!);
  const trim = lot(t, at(53), pronghorn, "Neck and trim", 5.2, 4.1, { form: "ground", kept: "freezer" });
  t.goTo(at(53, 16));
  setShares(t.larder, t.write(), pronghorn, [{ who: "Bram", fraction: 0.25 }]);
  splitLot(t.larder, t.write(), { lotId: trim, massKg: 1.2, part: "Neck and trim", forWhom: "Bram" });
  discardFromHarvest(
    t.larder,
    t.write(),
    { harvestId: pronghorn, what: "Shot-through ribs", massKg: 2.3 },
    "us",
  );

  rooms(t, at);
  gaugeTest(40, 1);

  // This fortnight: pike and grouse in the cold, a boar that waits for its test.
  t.as("Piet");
  const pike = animal(t, at(6), {
    species: "pike",
    place: "Reed Mere",
    count: 4,
    weightKg: 13.5,
    weightKind: "catch",
  });
  const pikeSections = lot(t, at(5), pike, "Middle sections", 10, 7.2, {
    form: "sections",
    kept: "freezer",
    place: "Chest freezer, top basket",
  });
  t.goTo(end - 3 * HOUR_MS);
  recordLotEvent(t.larder, t.write(), pikeSections, {
    kind: "thaw-plan",
    at: end - 3 * HOUR_MS,
    method: "fridge",
    thickM: 0.06,
    startAt: end + 6 * HOUR_MS,
    readyAt: end + 92 * HOUR_MS,
  });
  const grouse = animal(t, at(1), {
    species: "grouse",
    place: "Upper Hollin",
    count: 8,
    weightKg: 4.6,
    weightKind: "catch",
  });
  lot(t, at(1), grouse, "Breasts", 4.2, 2.4, { form: "pieces" });
  t.as("Oda");
  const boar = animal(t, at(4), {
    species: "wild-boar",
    place: "Hollin beeches",
    tag: "B-204",
    weightKg: 46,
    weightKind: "dressed",
  });
  chill(t, boar, at(4, 6.5), 35, 150);
  const boarTrim = lot(t, at(2, 14), boar, "Trim", 3.2, 2.6, { form: "ground", kept: "freezer" });
  lot(t, at(2, 14.5), boar, "Loin", 3.6, 3.4, {
    form: "roast",
    kept: "freezer",
    place: "Chest freezer, left",
  });
  const shoulder = lot(t, at(2, 15), boar, "Shoulder", 10.5, 7.6, { trimKg: 2.8 });
  const ham = lot(t, at(2, 16), boar, "Hams", 13.2, 10.4, { trimKg: 2.7 });
  animal(t, at(1, 8), {
    species: "wild-boar",
    place: "Alder Bottom",
    weightKg: 38,
    weightKind: "dressed",
    holdFor: "trichinella test result",
  });
  const held = animal(t, at(2, 7), {
    species: "wild-boar",
    place: "Alder Bottom",
    tag: "B-211",
    weightKg: 41,
    weightKind: "dressed",
    holdFor: "trichinella test result",
  });
  lot(t, at(1, 12), held, "Loin", 3.1, 2.6, { kept: "fridge" });
  t.goTo(at(1, 13));
  mergeLots(t.larder, t.write(), { lotIds: [trim, boarTrim], part: "Sausage meat", confirmed: false }, "us");
  addOwnSpecies(t.larder, t.write(), { likeKey: "wild-sheep", name: "Barbary sheep" });

  // Yesterday evening: boar, one pint of which did not seal this morning and waits for a decision.
  const boarRun = gaugedRun(t, at(0.7), big, [pack(t, at(0.72), shoulder, 9, 4.5)], {
    ...onBig,
    pints: 9,
    minutes: 75,
  });
  check(t, end - 40 * MINUTE_MS, boarRun, [7]);
  // Early this morning: lake trout in quarts, on the towel now.
  t.as("Piet");
  const trout = animal(t, at(1.2), {
    species: "lake-trout",
    place: "Grey Tarn",
    count: 14,
    weightKg: 17.8,
    weightKind: "catch",
  });
  for (const [weightKg, lengthM] of [
    [1.62, 0.53],
    [1.31, 0.49],
    [0.98, 0.45],
    [1.44, 0.51],
  ] as const) {
    t.goTo(at(1.15));
    addIndividual(t.larder, t.write(), trout, { weightKg, lengthM });
  }
  t.goTo(at(1.1));
  recordFirstHours(
    t.larder,
    t.write(),
    trout,
    { killedAt: at(1.2), guttedAt: at(1.2) + 40 * MINUTE_MS, cooledAt: at(1.2) + 15 * MINUTE_MS },
    dayOf,
  );
  const sections = lot(t, at(0.9), trout, "Middle sections", 9.1, 6.4, { form: "sections" });
  run(
    t,
    end - 8.9 * HOUR_MS,
    small,
    [
      pack(t, end - 9.2 * HOUR_MS, sections, 7, 6.4, {
        product: "fish",
        container: "jar-quart",
        mouth: "wide",
        saltTspEach: 1,
      }),
    ],
    wholeRun(160, 15, 22),
  );
  t.as("Oda");
  const hamPints = pack(t, end - 75 * MINUTE_MS, ham, 9, 4.6);
  gaugedRun(t, end - 62 * MINUTE_MS, big, [hamPints], { ...onBig, pints: 9, minutes: 75 }, end);
  // Trout in cans, by what the valley's office gave them: five closed, one seam redone, two still warming.
  t.as("Piet");
  const belly = lot(t, end - 3 * HOUR_MS, trout, "Bellies and tails", 3.6, 3.2, { form: "sections" });
  const bellyBag = lot(t, end - 2.9 * HOUR_MS, trout, "Collars", 1.1, 0.9, { form: "sections" });
  holdLot(t.larder, t.write(), bellyBag, "gall on two of them: look again before packing", "doubt");
  const filledAt = end - 66 * MINUTE_MS;
  pack(t, filledAt, belly, 8, 1.8, {
    product: "can-fish",
    container: "can-half-pound",
    mouth: null,
    office: {
      office: "Hollin valley office",
      givenOn: dayOf(at(70)),
      minutes: 95,
      pressurePsi: 15,
      gauge: "weighted",
    },
  });
  setUpSealer(t, end - 62 * MINUTE_MS);
  exhaustAndClose(t, filledAt, end);
  t.as("Oda");
  // The load after that is being filled at the bench: raw jars first, three of four, then hot ones.
  t.goTo(end - 12 * MINUTE_MS);
  const benchPart = {
    lotId: ham,
    product: "red-meat-pieces" as const,
    container: "jar-pint" as const,
    mouth: "regular" as const,
    kgEach: 0.46,
    saltTsp: 0.5,
    headspaceIn: 1,
    reusedLids: false,
    lidBoxId: null,
    additions: null,
    reason: null,
    office: null,
  };
  const { id: benchId } = openBench(t.larder, t.write(), {
    cannerId: small,
    parts: [
      { ...benchPart, method: "raw", liquid: "none", planned: 4 },
      { ...benchPart, method: "hot", liquid: "broth", liquidName: "Chicken broth", planned: 3 },
    ],
    layers: [{ "jar-pint regular": 7 }],
  });
  for (const [i, massKg] of [0.462, 0.471, 0.455].entries()) {
    t.goTo(end - (11 - 3 * i) * MINUTE_MS);
    fillOne(t.larder, t.write(), { benchId, part: 0, massKg, confirmed: true });
  }
  // And the next load of jars stands ready.
  pack(t, end - 20 * MINUTE_MS, shoulder, 6, 3.1, { container: "jar-pint", mouth: "wide" });
}
