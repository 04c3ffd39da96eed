import { v7 as uuid } from "uuid";
import { once, Refused, type Larder, type Write } from "#store/db";
import { isFishGroup, speciesByKey, type LotForm } from "#core/species";
import { recordHarvest } from "#store/harvest";
import { getHousehold } from "#store/household";
import { cutLot, getLot, recordLotEvent } from "#store/lot";
import { getRecipe } from "#store/recipe";
import { canning } from "../schema/index.ts";

/** What a guided canning begins with. */
export interface CanningBegun {
  lotIds: readonly string[];
  /** the recipe it goes by; null for plain meat, fish or broth */
  recipeId?: string | null;
  /** it was brought as it is, to be cut on the way */
  toCut?: boolean;
}

/**
 * Begins to guide through a canning. Returns its id. Throws Refused when a lot is empty or on hold, or there is no such
 * recipe.
 */
export function beginCanning(larder: Larder, write: Write, begun: CanningBegun): { id: string } {
  return once(larder, write, "canning.begin", () => {
    const { lotIds, recipeId = null, toCut = false } = begun;
    if (recipeId !== null) getRecipe(larder, recipeId);
    if (lotIds.length === 0) throw new Refused({ lotId: "Choose what you will can." });
    for (const id of lotIds) {
      const lot = getLot(larder, id);
      if (lot.holds.length > 0)
        throw new Refused({ lotId: `Lot ${lot.code} is on hold (${lot.holds.join("; ")}).` }, 409);
      if (!(lot.leftKg > 0)) throw new Refused({ lotId: `Nothing is left of lot ${lot.code}.` }, 409);
    }
    const id = uuid();
    larder.db
      .insert(canning)
      .values({
        id,
        work: { lotIds: [...new Set(lotIds)], toCut, recipeId, parts: [], layers: [] },
        openedAt: larder.now(),
        byId: write.byId,
      })
      .run();
    return { result: { id }, note: { kind: "canning", id, detail: begun } };
  });
}

/** A new animal or catch of which some is canned at once. */
export interface NewFood {
  species: string;
  /** the household's day, YYYY-MM-DD */
  takenOn: string;
  form: LotForm;
  /** as it goes to the table, kg, > 0 */
  massKg: number;
  /** as it is now */
  state: "fresh" | "frozen" | "cooked";
  recipeId?: string | null;
}

/**
 * Records an animal or a catch, a lot of it, and begins to guide through its canning. Returns its id. Throws Refused at the
 * field that is wrong.
 *
 * @param today the household's day, YYYY-MM-DD
 */
export function beginWithNew(larder: Larder, write: Write, food: NewFood, today: string): { id: string } {
  return once(larder, write, "canning.begin-new", () => {
    const { units } = getHousehold(larder)!;
    const { species, takenOn, massKg, state } = food;
    const { id: harvestId } = recordHarvest(
      larder,
      write,
      {
        species,
        takenOn,
        place: null,
        tag: null,
        count: 1,
        weightKg: null,
        weightKind: null,
        note: null,
        holdFor: null,
      },
      today,
    );
    const lot = cutLot(
      larder,
      write,
      {
        harvestId,
        part: isFishGroup(speciesByKey(species)!.group) ? "Fish" : "Meat",
        form: food.form,
        inKg: massKg,
        outKg: massKg,
        trimKg: null,
        kept: state === "frozen" ? "freezer" : "fridge",
      },
      units,
    );
    if (state === "cooked")
      recordLotEvent(larder, write, lot.id, { kind: "cook", at: larder.now(), afterKg: massKg });
    const begun = { lotIds: [lot.id], toCut: state !== "cooked", recipeId: food.recipeId ?? null };
    const { id } = beginCanning(larder, write, begun);
    return { result: { id }, note: { kind: "canning", id, detail: food } };
  });
}
