import { addOffice } from "#store/guide";
import { getHousehold } from "#store/household";
import { HOUR_MS, MINUTE_MS } from "#core/quantity";
import { fillOne, openBench } from "#store/filling";
import { addIndividual, holdLot, recordFirstHours } from "#store/harvest";
import { onBig, run, gaugedRun, wholeRun } from "./runs.ts";
import { setUpSealer, exhaustAndClose } from "./sealer.ts";
import type { Equipment } from "./shed.ts";
import { dayOf, animal, lot, pack, check, type Teller } from "./teller.ts";
import type { LastBoar } from "./this-fortnight.ts";

/** Since yesterday evening: what is on the towel, at the stove, in the bath and on the bench now. */
export function today(t: Teller, { big, small }: Equipment, { shoulder, ham }: LastBoar): void {
  const { at, end } = t;
  // Yesterday evening: boar, one pint of which did not seal this morning and waits for a decision.
  const boarRun = gaugedRun(t, at(0.7), big, [pack(t, at(0.72), shoulder, 9, 4.5)], {
    ...onBig,
    pints: 9,
    minutes: 75,
  });
  check(t, end - 40 * MINUTE_MS, boarRun, [7]);
  const trout = troutOnTowel(t, small);
  t.as("Oda");
  const hamPints = pack(t, end - 75 * MINUTE_MS, ham, 9, 4.6);
  gaugedRun(t, end - 62 * MINUTE_MS, big, [hamPints], { ...onBig, pints: 9, minutes: 75 }, end);
  troutInCans(t, trout);
  onBench(t, small, ham);
  // And the next load of jars stands ready.
  pack(t, end - 20 * MINUTE_MS, shoulder, 6, 3.1, { container: "jar-pint", mouth: "wide" });
}

/** Early this morning: lake trout in quarts. Returns the catch. */
function troutOnTowel(t: Teller, small: string): string {
  const { at, end } = t;
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
  return trout;
}

/** Trout in cans, by what the valley's office gave them: five closed, one seam redone, two still warming. */
function troutInCans(t: Teller, trout: string): void {
  const { at, end } = t;
  t.as("Piet");
  const belly = lot(t, end - 3 * HOUR_MS, trout, "Bellies and tails", 3.6, 3.2, { form: "sections" });
  const bellyBag = lot(t, end - 2.9 * HOUR_MS, trout, "Collars", 1.1, 0.9, { form: "sections" });
  holdLot(t.larder, t.write(), bellyBag, "gall on two of them: look again before packing", "doubt");
  const filledAt = end - 66 * MINUTE_MS;
  const office = {
    office: "Hollin valley office",
    givenOn: dayOf(at(70)),
    minutes: 95,
    pressurePsi: 15,
    gauge: "weighted",
  } as const;
  t.goTo(filledAt - 3 * MINUTE_MS);
  addOffice(t.larder, t.write(), {
    ...office,
    product: "can-fish",
    method: "raw",
    container: "can-half-pound",
    altitudeM: getHousehold(t.larder)!.altitudeM,
    note: "Fish packed solid, each can exhausted to 170 °F.",
    photoId: null,
  });
  pack(t, filledAt, belly, 8, 1.8, { product: "can-fish", container: "can-half-pound", mouth: null, office });
  setUpSealer(t, end - 62 * MINUTE_MS);
  exhaustAndClose(t, filledAt, end);
}

/** The load after that is being filled at the bench: raw jars first, three of four, then hot ones. */
function onBench(t: Teller, small: string, ham: string): void {
  const { end } = t;
  t.as("Oda");
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
}
