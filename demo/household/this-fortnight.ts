import { HOUR_MS } from "#core/quantity";
import { addOwnSpecies } from "#store/harvest";
import { mergeLots, recordLotEvent } from "#store/lot";
import { animal, lot, chill, type Teller } from "./teller.ts";

/** Lots of the last boar that today's loads are packed from. */
export interface LastBoar {
  shoulder: string;
  ham: string;
}

/**
 * Pike and grouse in the cold, and a boar that waits for its test. Returns the lots that are packed today.
 *
 * @param trim lot of the pronghorn, which goes into the sausage with the boar's
 */
export function thisFortnight(t: Teller, trim: string): LastBoar {
  const { at, end } = t;
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
  return { shoulder, ham };
}
