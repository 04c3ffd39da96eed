import { DateTime } from "luxon";
import { v7 as uuid } from "uuid";
import { issueCode, once, Refused, type Larder, type Write } from "#store/db";
import {
  SCALE_SLACK_KG,
  ageOfMerged,
  impossibleCutting,
  keepsAfterCooking,
  keepsAfterCut,
  keepsFromAnimal,
  mergeQuestion,
  newLot,
  type BeforeCut,
  type LotState,
} from "#core/lot";
import { formatMass, type UnitSystem } from "#core/quantity";
import { formsFor, groupOf, speciesByKey, type LotForm, type SpeciesGroup } from "#core/species";
import { mixShares } from "#core/trace";
import { getHarvest, leftSentence, type Harvest } from "#store/harvest";
import { getHousehold } from "#store/household";
import { lot, lotFlow, lotOrigin } from "../schema/index.ts";
import { getLot, originsOf, stateOf, type Lot } from "./lot.ts";

export interface MadeLot {
  id: string;
  code: string;
}

type Source = { massKg: number } & ({ harvestId: string } | { lotId: string });

interface NewLot {
  part: string;
  outKg: number;
  trimKg: number | null;
  forWhom: string | null;
  state: LotState;
}

/** Writes a lot, what went into it and whose shares it has. Call inside a write. */
function insertLot(larder: Larder, write: Write, sources: readonly Source[], made: NewLot): MadeLot {
  const id = uuid();
  const code = issueCode(larder, "lot", id);
  const at = larder.now();
  const { form, kept, place, frozenAt, treatments, freshUntil, freshLeftMs, warmFrom } = made.state;
  larder.db
    .insert(lot)
    .values({
      id,
      code,
      part: made.part,
      form,
      madeKg: made.outKg,
      trimKg: made.trimKg,
      kept,
      place,
      frozenAt,
      thaw: null,
      treatments,
      freshUntil,
      freshLeftMs,
      warmFrom,
      lastAt: at,
      leftKg: made.outKg,
      forWhom: made.forWhom,
      madeAt: at,
      byId: write.byId,
    })
    .run();
  for (const source of sources) {
    larder.db
      .insert(lotFlow)
      .values({
        id: uuid(),
        fromHarvest: "harvestId" in source ? source.harvestId : null,
        fromLot: "lotId" in source ? source.lotId : null,
        toLot: id,
        massKg: source.massKg,
        at,
      })
      .run();
  }
  const shares = mixShares(
    sources.map((s) => ({
      massKg: s.massKg,
      shares: "harvestId" in s ? new Map([[s.harvestId, 1]]) : originsOf(larder, s.lotId),
    })),
  );
  for (const [harvestId, share] of shares)
    larder.db.insert(lotOrigin).values({ lotId: id, harvestId, share }).run();
  return { id, code };
}

export interface CutInput {
  harvestId: string;
  part: string;
  form: LotForm;
  /** weight taken from the animal, kg */
  inKg: number;
  /** usable weight that came out, kg */
  outKg: number;
  /** trim weighed beside it, kg; null when nobody did */
  trimKg: number | null;
  kept: "fridge" | "freezer";
  place?: string | null;
  forWhom?: string | null;
}

/**
 * Cuts a lot from an animal. Returns the new lot. Throws Refused when more comes out than goes in, or more goes in
 * than is left.
 *
 * @param units the household's, for the refusal's words
 */
export function cutLot(larder: Larder, write: Write, input: CutInput, units: UnitSystem): MadeLot {
  return once(larder, write, "lot.cut", () => {
    const animal = getHarvest(larder, input.harvestId);
    const group = speciesByKey(animal.species)?.group ?? "red-meat";
    checkForm(group, input.form);
    const impossible = impossibleCutting(input);
    if (impossible) throw new Refused({ outKg: impossible });
    if (animal.leftKg !== null && input.inKg > animal.leftKg + SCALE_SLACK_KG) {
      throw new Refused({
        inKg: `${leftSentence(animal, units)} to cut. Weigh again, or correct the animal's weight.`,
      });
    }
    const made = insertLot(larder, write, [{ harvestId: animal.id, massKg: input.inKg }], {
      part: input.part,
      outKg: input.outKg,
      trimKg: input.trimKg,
      forWhom: input.forWhom ?? null,
      state: newLot(
        input.form,
        input.kept,
        input.place ?? null,
        larder.now(),
        keepsFromAnimal(group, beforeCut(larder, animal), larder.now(), input.form),
      ),
    });
    return { result: made, note: { kind: "lot", id: made.id, detail: input } };
  });
}

/** What is known of an animal before it is cut. The day it was taken ends where the household lives. */
function beforeCut(larder: Larder, animal: Harvest): BeforeCut {
  const { zone } = getHousehold(larder)!;
  const { cooledAt, killedAt, takenOn } = animal;
  return { cooledAt, killedAt, takenBy: DateTime.fromISO(takenOn, { zone }).endOf("day").toMillis() };
}

function checkForm(group: SpeciesGroup, form: LotForm): void {
  if (!formsFor(group).includes(form))
    throw new Refused({ form: "That is not how this kind of animal is cut for the canner." });
}

/**
 * Makes part of a lot a lot of its own, with the same shares, age and history. Returns the new lot. Throws Refused
 * when it is more than is left.
 *
 * @param input kg, > 0
 */
export function splitLot(
  larder: Larder,
  write: Write,
  input: { lotId: string; massKg: number; part: string | null; forWhom: string | null },
): MadeLot {
  return once(larder, write, "lot.split", () => {
    const from = getLot(larder, input.lotId);
    if (!(input.massKg > 0)) throw new Refused({ massKg: "Weight must be more than 0." });
    if (input.massKg > from.leftKg - SCALE_SLACK_KG)
      throw new Refused({ massKg: `That is all of ${from.code}, or more. Split off less than it holds.` });
    const made = insertLot(larder, write, [{ lotId: from.id, massKg: input.massKg }], {
      part: input.part ?? from.part,
      outKg: input.massKg,
      trimKg: null,
      forWhom: input.forWhom,
      state: stateOf(from),
    });
    return { result: made, note: { kind: "lot", id: made.id, detail: input } };
  });
}

export interface RecutInput {
  lotId: string;
  /** weight taken from the lot, kg */
  inKg: number;
  /** usable weight that came out, kg */
  outKg: number;
  trimKg: number | null;
  form: LotForm;
  part: string | null;
}

/**
 * Cuts a lot to another form, such as a roast to cubes. Returns the new lot. Throws Refused when the form cannot be
 * cut from it, or it is more than is left.
 */
export function recutLot(larder: Larder, write: Write, input: RecutInput): MadeLot {
  return once(larder, write, "lot.recut", () => {
    const from = getLot(larder, input.lotId);
    checkForm(groupOf(from.species), input.form);
    if (from.kept === "freezer") throw new Refused({ "": "It is frozen. Thaw it first, then cut it." });
    const impossible = impossibleCutting(input);
    if (impossible) throw new Refused({ outKg: impossible });
    const inKg = takeFrom(from, input.inKg, "inKg");
    const made = insertLot(larder, write, [{ lotId: from.id, massKg: inKg }], {
      part: input.part ?? from.part,
      outKg: input.outKg,
      trimKg: input.trimKg,
      forWhom: from.forWhom,
      state: {
        ...stateOf(from),
        form: input.form,
        freshUntil: keepsAfterCut(from.freshUntil, larder.now(), input.form),
      },
    });
    return { result: made, note: { kind: "lot", id: made.id, detail: input } };
  });
}

/**
 * Makes broth from bones. Returns the new lot; a liter of broth counts as a kilogram, so more may come out than goes
 * in. Throws Refused when the lot is not bones, or it is more than is left.
 */
export function brothFromBones(
  larder: Larder,
  write: Write,
  input: { lotId: string; bonesKg: number; litres: number },
): MadeLot {
  return once(larder, write, "lot.broth", () => {
    const from = getLot(larder, input.lotId);
    if (from.form !== "bones") throw new Refused({ "": "Broth is made from bones." });
    if (!(input.litres > 0 && input.litres <= 200))
      throw new Refused({ litres: "Between a cup and 200 L of broth." });
    const bonesKg = takeFrom(from, input.bonesKg, "bonesKg");
    const made = insertLot(larder, write, [{ lotId: from.id, massKg: bonesKg }], {
      part: "Broth",
      outKg: input.litres,
      trimKg: null,
      forWhom: from.forWhom,
      // Simmered from bones that were past their time, it is past it too.
      state: newLot("broth", "fridge", null, larder.now(), keepsAfterCooking(from.freshUntil, larder.now())),
    });
    return { result: made, note: { kind: "lot", id: made.id, detail: input } };
  });
}

/** Weight that can be taken from a lot, kg: what was asked for, or all that is left when a scale disagrees by a hair. */
function takeFrom(from: Lot, massKg: number, field: string): number {
  if (!(massKg > 0)) throw new Refused({ [field]: "Weight must be more than 0." });
  if (massKg > from.leftKg + SCALE_SLACK_KG)
    throw new Refused({ [field]: `That is more than is left of ${from.code}. Weigh again.` });
  return Math.min(massKg, from.leftKg);
}

export interface MergeInput {
  /** lots to merge whole */
  lotIds: string[];
  part: string | null;
  /** the user was told what a hold would spread to, and said yes */
  confirmed: boolean;
}

/**
 * Merges lots into one. Returns the new lot. Throws Refused when they may not be merged; where a hold would spread to
 * lots that are free, it asks first, at field `unlikely`.
 */
export function mergeLots(larder: Larder, write: Write, input: MergeInput, units: UnitSystem): MadeLot {
  return once(larder, write, "lot.merge", () => {
    const lots = input.lotIds.map((id) => getLot(larder, id));
    const { refused, ask } = mergeQuestion(
      lots.map((l) => ({
        code: l.code,
        massKg: l.leftKg,
        form: l.form,
        kept: l.kept,
        group: groupOf(l.species),
        holds: l.holds,
      })),
      (kg) => formatMass(kg, units),
    );
    if (refused) throw new Refused({ lotIds: refused });
    const empty = lots.find((l) => l.leftKg <= SCALE_SLACK_KG);
    if (empty) throw new Refused({ lotIds: `Nothing is left of ${empty.code}.` });
    if (ask && !input.confirmed) throw new Refused({ unlikely: ask });
    const first = lots[0]!;
    const owners = new Set(lots.map((l) => l.forWhom));
    const made = insertLot(
      larder,
      write,
      lots.map((l) => ({ lotId: l.id, massKg: l.leftKg })),
      {
        part: input.part ?? [...new Set(lots.map((l) => l.part))].join(" and "),
        outKg: lots.reduce((sum, l) => sum + l.leftKg, 0),
        trimKg: null,
        forWhom: owners.size === 1 ? first.forWhom : null,
        state: {
          ...stateOf(first),
          treatments: [...new Set(lots.flatMap((l) => l.treatments))],
          ...ageOfMerged(lots.map((l) => ({ ...l, warmFrom: l.warmFrom ?? l.madeAt }))),
        },
      },
    );
    return { result: made, note: { kind: "lot", id: made.id, detail: input } };
  });
}
