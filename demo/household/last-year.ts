import { HOUR_MS } from "#core/quantity";
import { recordOpening } from "#store/eating";
import { recordLotEvent } from "#store/lot";
import { dispose, undecided } from "#store/rest";
import { shelve, takeOff } from "#store/shelf";
import { run, wholeRun } from "./runs.ts";
import { gaugeTest, type Equipment } from "./shed.ts";
import { animal, lot, pack, check, type Teller } from "./teller.ts";

/** A boar the house eats from, the year's test of the dial, and what is still in the freezer since the winter. */
export function lastYear(t: Teller, { big, shelves }: Equipment): void {
  secondBoar(t, big, shelves[0]!);
  gaugeTest(t, big, 410, 1);
  winterFreezer(t);
}

/**
 * Last year's boar: sixteen pints, of which one did not seal and was frozen. It is what the house eats from, a jar or two a
 * month, so that there is something to forecast by.
 */
function secondBoar(t: Teller, canner: string, shelf: string): void {
  const { at } = t;
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

/** One lot soon a year old, one on its way out. */
function winterFreezer(t: Teller): void {
  const { at, end } = t;
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
}
