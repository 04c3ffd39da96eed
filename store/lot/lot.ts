import { eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { issueCode, once, refuse, Refused, type Larder, type Write } from "#store/db";
import { SCALE_SLACK_KG, impossibleCutting } from "#core/lot";
import { type UnitSystem, formatMass } from "#core/quantity";
import { type LotForm } from "#core/species";
import { getHarvest } from "#store/harvest";
import { lot, lotFlow } from "../schema/index.ts";

export interface Lot {
  id: string;
  code: string;
  part: string;
  form: LotForm;
  madeKg: number;
  trimKg: number | null;
  kept: "fridge" | "freezer";
  madeAt: number;
  byName: string | null;
  /** what is still there, kg */
  leftKg: number;
  /** species of the animals in it, by falling share */
  species: string[];
  harvestCodes: string[];
  /** why it may not be used; empty when it may */
  holds: string[];
}

const LOTS = `
  select l.id, l.code, l.part, l.form, l.made_kg as madeKg, l.trim_kg as trimKg, l.kept, l.made_at as madeAt, p.name as byName,
    max(0, l.made_kg
      - coalesce((select sum(mass_kg) from lot_flow where from_lot = l.id), 0)
      - coalesce((select sum(mass_kg) from pack_lot where lot_id = l.id), 0)) as leftKg,
    (select json_group_array(distinct h.species) from lot_flow f join harvest h on h.id = f.from_harvest where f.to_lot = l.id) as species,
    (select json_group_array(distinct h.code) from lot_flow f join harvest h on h.id = f.from_harvest where f.to_lot = l.id) as harvestCodes,
    (select json_group_array(h.condition) from held_lot x join hold h on h.id = x.hold_id where x.lot_id = l.id) as holds
  from lot l left join person p on p.id = l.by_id`;

type Raw = Omit<Lot, "species" | "harvestCodes" | "holds"> & {
  species: string;
  harvestCodes: string;
  holds: string;
};
const fromRaw = (raw: Raw): Lot => ({
  ...raw,
  species: JSON.parse(raw.species),
  harvestCodes: JSON.parse(raw.harvestCodes),
  holds: JSON.parse(raw.holds),
});

/** Lots with something left, oldest first. */
export function lotsInHand(larder: Larder): Lot[] {
  const sql = `select * from (${LOTS}) where leftKg > ${SCALE_SLACK_KG} order by madeAt, code`;
  return (larder.sqlite.prepare(sql).all() as Raw[]).map(fromRaw);
}

/** Every lot cut from an animal, newest first. */
export function lotsOfHarvest(larder: Larder, harvestId: string): Lot[] {
  const sql = `${LOTS} where l.id in (select to_lot from lot_flow where from_harvest = ?) order by l.made_at desc, l.code`;
  return (larder.sqlite.prepare(sql).all(harvestId) as Raw[]).map(fromRaw);
}

export function getLot(larder: Larder, id: string): Lot {
  const raw = larder.sqlite.prepare(`${LOTS} where l.id = ?`).get(id) as Raw | undefined;
  return raw ? fromRaw(raw) : refuse("There is no such lot. Choose one from the list.", 404);
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
}

/** Cuts a lot from an animal. More out than in, or more than the animal has left, is refused in the household's units. */
export function cutLot(
  larder: Larder,
  write: Write,
  input: CutInput,
  units: UnitSystem,
): { id: string; code: string } {
  return once(larder, write, "lot.cut", () => {
    const animal = getHarvest(larder, input.harvestId);
    const impossible = impossibleCutting(input);
    if (impossible) throw new Refused({ outKg: impossible });
    if (animal.leftKg !== null && input.inKg > animal.leftKg + SCALE_SLACK_KG) {
      throw new Refused({
        inKg: `Only ${formatMass(animal.leftKg, units)} of ${animal.code} is left to cut. Weigh again, or correct the animal's weight.`,
      });
    }
    const id = uuid();
    const code = issueCode(larder, "lot", id);
    const at = larder.now();
    larder.db
      .insert(lot)
      .values({
        id,
        code,
        part: input.part,
        form: input.form,
        madeKg: input.outKg,
        trimKg: input.trimKg,
        kept: input.kept,
        madeAt: at,
        byId: write.byId,
      })
      .run();
    larder.db
      .insert(lotFlow)
      .values({ id: uuid(), fromHarvest: animal.id, toLot: id, massKg: input.inKg, at })
      .run();
    return { result: { id, code }, note: { kind: "lot", id, detail: input } };
  });
}

/** Moves a lot between fridge and freezer. */
export function keepLot(larder: Larder, write: Write, lotId: string, kept: "fridge" | "freezer"): void {
  once(larder, write, "lot.keep", () => {
    getLot(larder, lotId);
    larder.db.update(lot).set({ kept }).where(eq(lot.id, lotId)).run();
    return { result: null, note: { kind: "lot", id: lotId, detail: { kept } } };
  });
}
