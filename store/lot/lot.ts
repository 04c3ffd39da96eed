import { refuse, type Larder } from "#store/db";
import { COLD_LIMIT_C, warmTime } from "#core/cold";
import {
  HOT_LIMIT_C,
  whyNotPacked,
  type NotPackable,
  SCALE_SLACK_KG,
  type Kept,
  type LotState,
  type ThawInHand,
  type Treatment,
} from "#core/lot";
import type { LotForm } from "#core/species";

export interface LotHold {
  id: string;
  kind: "test" | "doubt" | "other";
  condition: string;
  at: number;
  byName: string | null;
  /** true when it lies on this lot itself, false when it comes down from an animal or another lot */
  own: boolean;
}

export interface Lot {
  id: string;
  code: string;
  part: string;
  form: LotForm;
  madeKg: number;
  trimKg: number | null;
  kept: Kept;
  /** shelf, drawer or box; null when nobody said */
  place: string | null;
  frozenAt: number | null;
  thaw: ThawInHand | null;
  treatments: Treatment[];
  /** in the refrigerator: until when it may be canned, ms; null while frozen or thawing */
  freshUntil: number | null;
  /** frozen: what was left of that, ms; null otherwise */
  freshLeftMs: number | null;
  /** warm time counts from here, ms; null for the cut */
  warmFrom: number | null;
  /** minutes above 40 °F since it was cut, and above 90 °F among them, by its animals' temperature logs */
  warmMinutes: number;
  hotMinutes: number;
  /** whose it is, when not the household's */
  forWhom: string | null;
  madeAt: number;
  lastAt: number;
  byName: string | null;
  /** what is still there, kg; litres for broth */
  leftKg: number;
  /** species of the animals in it, by falling share */
  species: string[];
  harvestCodes: string[];
  /** share of each animal in it, by code, adding up to 1 */
  shares: { code: string; share: number }[];
  /** why it may not be used; empty when it may */
  holds: string[];
  /** why it may not be packed at this moment, by the guard of core; null when it may */
  notPackable: NotPackable | null;
}

const LOTS = `
  select l.id, l.code, l.part, l.form, l.made_kg as madeKg, l.trim_kg as trimKg, l.kept, l.place, l.frozen_at as frozenAt, l.thaw,
    l.treatments, l.fresh_until as freshUntil, l.fresh_left_ms as freshLeftMs, l.warm_from as warmFrom,
    exists (select 1 from lot_origin o join cold_entry e on e.harvest_id = o.harvest_id
      where o.lot_id = l.id and e.at >= coalesce(l.warm_from, l.made_at) and e.temp_c > ${COLD_LIMIT_C}) as warmSeen, l.for_whom as forWhom, l.made_at as madeAt, l.last_at as lastAt, l.left_kg as leftKg, p.name as byName,
    (select json_group_array(json_object('code', h.code, 'species', h.species, 'share', o.share) order by o.share desc, h.code)
       from lot_origin o join harvest h on h.id = o.harvest_id where o.lot_id = l.id) as origins
  from lot l left join person p on p.id = l.by_id`;

type Derived =
  | "species"
  | "harvestCodes"
  | "shares"
  | "holds"
  | "thaw"
  | "treatments"
  | "warmMinutes"
  | "hotMinutes"
  | "notPackable";
type Raw = Omit<Lot, Derived> & {
  origins: string;
  /** 1 when a log has anything above the limit since it was cut */
  warmSeen: number;
  thaw: string | null;
  treatments: string;
};

/** Adds to rows what each waits for: one look at the holds for all of them. */
function assemble(larder: Larder, rows: Raw[]): Lot[] {
  const held = heldLots(larder);
  return rows.map(({ origins, warmSeen, ...raw }) => {
    const from = JSON.parse(origins) as { code: string; species: string; share: number }[];
    const lot = {
      ...raw,
      thaw: raw.thaw === null ? null : (JSON.parse(raw.thaw) as ThawInHand),
      treatments: JSON.parse(raw.treatments) as Treatment[],
      species: [...new Set(from.map((o) => o.species))],
      harvestCodes: from.map((o) => o.code),
      shares: from.map(({ code, share }) => ({ code, share })),
      holds: held.get(raw.id) ?? [],
      ...(warmSeen ? warmthOf(larder, raw) : { warmMinutes: 0, hotMinutes: 0 }),
    };
    return { ...lot, notPackable: whyNotPacked(lot, larder.now()) };
  });
}

/** Warm time of a lot since it was cut, or since somebody corrected the log: of its animals' logs, the warmest. */
function warmthOf(
  larder: Larder,
  lot: Pick<Lot, "id" | "madeAt" | "warmFrom">,
): Pick<Lot, "warmMinutes" | "hotMinutes"> {
  const from = lot.warmFrom ?? lot.madeAt;
  const animals = larder.sqlite
    .prepare("select harvest_id from lot_origin where lot_id = ?")
    .pluck()
    .all(lot.id) as string[];
  const minutes = animals.map((id) => {
    const entries = (
      larder.sqlite
        .prepare(
          `select e.at, e.temp_c from cold_entry e where e.harvest_id = ? and e.at >= ? and e.temp_c is not null
             and not exists (select 1 from cold_entry c where c.corrects = e.id) order by e.at`,
        )
        .raw()
        .all(id, from) as [number, number][]
    ).map(([at, tempC]) => ({ at, tempC, place: null }));
    const above = (limitC: number) => warmTime(entries, larder.now(), limitC).warmMinutes;
    return [above(COLD_LIMIT_C), above(HOT_LIMIT_C)] as const;
  });
  return {
    warmMinutes: Math.max(0, ...minutes.map((m) => m[0])),
    hotMinutes: Math.max(0, ...minutes.map((m) => m[1])),
  };
}

/** What each lot on hold waits for, by lot id. Starts from the holds, of which there are few. */
function heldLots(larder: Larder): Map<string, string[]> {
  const rows = larder.sqlite
    .prepare(
      "select x.lot_id as id, h.condition from held_lot x join hold h on h.id = x.hold_id order by h.at",
    )
    .all() as { id: string; condition: string }[];
  const held = new Map<string, string[]>();
  for (const { id, condition } of rows) {
    const known = held.get(id) ?? [];
    if (!known.includes(condition)) held.set(id, [...known, condition]);
  }
  return held;
}

/** Returns the lots of which something is left, oldest first, weights in kg. */
export function lotsInStock(larder: Larder): Lot[] {
  const sql = `${LOTS} where l.left_kg > ${SCALE_SLACK_KG} order by l.made_at, l.code`;
  return assemble(larder, larder.sqlite.prepare(sql).all() as Raw[]);
}

/** Returns the lots cut directly from an animal, newest first, with the weight taken for each, kg. */
export function lotsCutFrom(larder: Larder, harvestId: string): (Lot & { inKg: number })[] {
  const rows = larder.sqlite
    .prepare(
      `select l.*, f.mass_kg as inKg from (${LOTS}) l join lot_flow f on f.to_lot = l.id and f.from_harvest = ? order by l.madeAt desc, l.code`,
    )
    .all(harvestId) as (Raw & { inKg: number })[];
  return assemble(larder, rows).map((lot, i) => ({ ...lot, inKg: rows[i]!.inKg }));
}

/** Returns a lot. Throws Refused (404) when there is none of this id. */
export function getLot(larder: Larder, id: string): Lot {
  const raw = larder.sqlite.prepare(`${LOTS} where l.id = ?`).get(id) as Raw | undefined;
  return raw ? assemble(larder, [raw])[0]! : refuse("There is no such lot. Choose one from the list.", 404);
}

/** Returns a lot by its code. Throws Refused (404) when none carries it. */
export function lotByCode(larder: Larder, code: string): Lot {
  const raw = larder.sqlite.prepare(`${LOTS} where l.code = ?`).get(code) as Raw | undefined;
  return raw ? assemble(larder, [raw])[0]! : refuse("No lot carries this code.", 404);
}

/** Returns the share of each animal in a lot, 0 to 1, by the animal's id. */
export function originsOf(larder: Larder, lotId: string): Map<string, number> {
  const rows = larder.sqlite
    .prepare("select harvest_id as id, share from lot_origin where lot_id = ?")
    .all(lotId) as { id: string; share: number }[];
  return new Map(rows.map((r) => [r.id, r.share]));
}

/** Returns the holds on a lot: its own, and those of what it was made from. */
export function holdsOnLot(larder: Larder, lotId: string): LotHold[] {
  const rows = larder.sqlite
    .prepare(
      `select h.id, h.kind, h.condition, h.at, p.name as byName, h.lot_id is not null and h.lot_id = @id as own
       from held_lot x join hold h on h.id = x.hold_id left join person p on p.id = h.by_id where x.lot_id = @id order by h.at`,
    )
    .all({ id: lotId }) as (Omit<LotHold, "own"> & { own: number })[];
  return rows.map((r) => ({ ...r, own: r.own === 1 }));
}

/**
 * Returns the weight of an animal that was set aside for each person, kg: lots of theirs, by the animal's share in
 * them.
 */
export function setAsideFor(larder: Larder, harvestId: string): Record<string, number> {
  const rows = larder.sqlite
    .prepare(
      `select l.for_whom as who, sum(o.share * (l.made_kg
         - coalesce((select sum(f.mass_kg) from lot_flow f where f.from_lot = l.id), 0))) as kg
       from lot_origin o join lot l on l.id = o.lot_id where o.harvest_id = ? and l.for_whom is not null group by 1`,
    )
    .all(harvestId) as { who: string; kg: number }[];
  return Object.fromEntries(rows.map((r) => [r.who, r.kg]));
}

/** What a lot was made from, and what was made of it: codes with weights. */
export interface LotStep {
  code: string;
  kind: "harvest" | "lot" | "pack";
  what: string;
  massKg: number;
  at: number;
}

/** Returns what a lot was made from, weights in kg. */
export function madeFrom(larder: Larder, lotId: string): LotStep[] {
  return larder.sqlite
    .prepare(
      `select coalesce(h.code, l.code) as code, case when h.id is null then 'lot' else 'harvest' end as kind,
         coalesce(h.species, l.part) as what, f.mass_kg as massKg, f.at
       from lot_flow f left join harvest h on h.id = f.from_harvest left join lot l on l.id = f.from_lot where f.to_lot = ?`,
    )
    .all(lotId) as LotStep[];
}

/** Returns the state that the next event of a lot is judged by. */
export function stateOf(lot: Lot): LotState {
  const { form, kept, place, frozenAt, thaw, treatments, freshUntil, freshLeftMs, warmFrom, lastAt } = lot;
  return {
    form,
    kept,
    place,
    frozenAt,
    thaw,
    treatments,
    freshUntil,
    freshLeftMs,
    warmFrom,
    changeKg: 0,
    lastAt,
  };
}
