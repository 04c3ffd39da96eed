import { refuseBeyondReach, once, Refused, refuse, type Larder, type Write } from "#store/db";
import { addedToFish, isFishRow } from "#core/guard";
import { SCALE_SLACK_KG } from "#core/lot";
import { deviationsOf, fillEstimate, type JarIngredient, type Liquid, type PackDeviation } from "#core/pack";
import { formatMass } from "#core/quantity";
import {
  isCan,
  shapeOf,
  type ContainerKey,
  type Mouth,
  type PackMethod,
  type ProductKey,
  type ScheduledProcess,
} from "#core/schedule";
import { getHousehold } from "#store/household";
import { appendDeviation } from "#store/deviation";
import { accountsOfLot, getLot } from "#store/lot";
import { giveBack, takeForPack } from "#store/supply";
import { packLot, type pack } from "../schema/index.ts";
import { insertContainer, insertPack } from "./insert.ts";
import { ingredientsOf, isFromLot, litresEach, pourBroth, type LiquidSaid } from "./liquid.ts";
import { permitPack } from "./permit.ts";
import type { GivenByOffice } from "#store/guide";

export interface Pack {
  id: string;
  code: string;
  product: ProductKey;
  method: PackMethod;
  container: ContainerKey;
  mouth: Mouth | null;
  liquid: Liquid;
  /** broth that was bought, by name; null when it came from a lot, or is none */
  liquidName: string | null;
  /** liquid in each, litres; null when nobody said */
  liquidLitres: number | null;
  /** what else went into each by the recipe, as it was then; null for plain food */
  ingredients: JarIngredient[] | null;
  saltTspEach: number;
  schedule: ScheduledProcess;
  reusedLids: boolean;
  additions: string | null;
  dish: string | null;
  /** as it was packed, inches, where that was not the schedule's own */
  headspaceIn: number | null;
  /** the load being filled it belongs to; null when it was written down all at once, or when that load is packed */
  onBench: string | null;
  madeAt: number;
  byName: string | null;
  runId: string | null;
  count: number;
  /** food in all of them, kg: without broth it is covered with */
  massKg: number;
  /** every lot in it; `asLiquid`: broth that covers the food */
  lots: { id: string; code: string; part: string; massKg: number; asLiquid: boolean }[];
  /** of its food */
  species: string[];
}

/**
 * Food in one container `c`, kg, as SQL: as weighed, or its share of what those that were not weighed hold. So the weights
 * of a pack's containers add up to the pack's.
 */
export const CONTAINER_KG = `coalesce(c.mass_kg, ((select sum(mass_kg) from pack_food x where x.pack_id = c.pack_id)
  - coalesce((select sum(o.mass_kg) from container o where o.pack_id = c.pack_id and o.emptied_at is null), 0))
  / (select count(*) from container o where o.pack_id = c.pack_id and o.emptied_at is null and o.mass_kg is null))`;

/** The same with broth that covers the food, kg: each has its part of the pack's. */
export const CONTAINER_ALL_KG = `(${CONTAINER_KG} + coalesce((select sum(mass_kg) from pack_from x where x.pack_id = c.pack_id and x.as_liquid = 1), 0)
  / (select count(*) from container o where o.pack_id = c.pack_id and o.emptied_at is null))`;

const PACKS = `
  select k.id, k.code, k.product, k.method, k.container, k.mouth, k.liquid, k.liquid_name as liquidName, k.liquid_litres as liquidLitres, k.ingredients, k.salt_tsp_each as saltTspEach, k.schedule,
    k.reused_lids as reusedLids, k.additions, k.dish, k.headspace_in as headspaceIn,
    (select b.id from bench b where b.id = k.bench_id and b.closed_at is null) as onBench, k.made_at as madeAt, p.name as byName, k.run_id as runId,
    (select count(*) from container c where c.pack_id = k.id and c.emptied_at is null) as count,
    (select sum(mass_kg) from pack_food where pack_id = k.id) as massKg,
    (select json_group_array(json_object('id', l.id, 'code', l.code, 'part', l.part, 'massKg', x.mass_kg, 'asLiquid', x.as_liquid) order by x.as_liquid, x.mass_kg desc)
       from (select lot_id, as_liquid, sum(mass_kg) as mass_kg from pack_from where pack_id = k.id group by lot_id, as_liquid) x join lot l on l.id = x.lot_id) as lots,
    (select json_group_array(distinct h.species) from pack_food x join lot_origin o on o.lot_id = x.lot_id
       join harvest h on h.id = o.harvest_id where x.pack_id = k.id) as species
  from pack k left join person p on p.id = k.by_id`;

type Raw = Omit<Pack, "schedule" | "lots" | "species" | "reusedLids" | "ingredients"> & {
  schedule: string;
  ingredients: string | null;
  lots: string;
  species: string;
  reusedLids: number;
};
const fromRaw = (raw: Raw): Pack => ({
  ...raw,
  schedule: JSON.parse(raw.schedule),
  ingredients: raw.ingredients === null ? null : JSON.parse(raw.ingredients),
  lots: (JSON.parse(raw.lots) as (Omit<Pack["lots"][number], "asLiquid"> & { asLiquid: number })[]).map(
    (l) => ({
      ...l,
      asLiquid: l.asLiquid === 1,
    }),
  ),
  species: JSON.parse(raw.species),
  reusedLids: raw.reusedLids === 1,
});

/** Returns the packs that are filled and not yet in a canner, oldest first. */
export function packsWaiting(larder: Larder): Pack[] {
  return (larder.sqlite.prepare(`${PACKS} where k.run_id is null order by k.made_at`).all() as Raw[]).map(
    fromRaw,
  );
}

/** Returns the packs of a canner run. */
export function packsOfRun(larder: Larder, runId: string): Pack[] {
  return (larder.sqlite.prepare(`${PACKS} where k.run_id = ? order by k.made_at`).all(runId) as Raw[]).map(
    fromRaw,
  );
}

/** Returns a pack. Throws Refused (404) when there is none of this id. */
export function getPack(larder: Larder, id: string): Pack {
  const raw = larder.sqlite.prepare(`${PACKS} where k.id = ?`).get(id) as Raw | undefined;
  return raw ? fromRaw(raw) : refuse("There is no such pack.", 404);
}

/** Returns the containers of a pack, in the order they were filled. */
export function containersOfPack(
  larder: Larder,
  packId: string,
): { id: string; code: string; number: number }[] {
  return larder.sqlite
    .prepare(
      "select id, code, number from container where pack_id = ? and emptied_at is null order by number",
    )
    .all(packId) as {
    id: string;
    code: string;
    number: number;
  }[];
}

/** Returns what has been packed, in what and how: each of them once. */
export function packedSoFar(
  larder: Larder,
): { product: ProductKey; method: PackMethod; container: ContainerKey }[] {
  return larder.sqlite.prepare("select distinct product, method, container from pack").all() as {
    product: ProductKey;
    method: PackMethod;
    container: ContainerKey;
  }[];
}

/**
 * Returns the weight per container of earlier packs of the same kind, kg, newest first. One that was counted at the
 * expected weight and not weighed is left out.
 *
 * @param without a pack that is being filled; null for none
 */
export function recordedFills(
  larder: Larder,
  product: ProductKey,
  method: PackMethod,
  kind: ContainerKey,
  without: string | null = null,
): number[] {
  const rows = larder.sqlite
    .prepare(
      `select * from (select coalesce(
           (select avg(mass_kg) from container where pack_id = k.id and emptied_at is null),
           case when k.bench_id is null then (select sum(mass_kg) from pack_lot where pack_id = k.id and as_liquid = 0)
             / (select count(*) from container where pack_id = k.id and emptied_at is null) end) as kg
         from pack k where product = ? and method = ? and container = ? and id is not ?
           and not exists (select 1 from repacked x where x.pack_id = k.id) order by made_at desc limit 20)
       where kg is not null`,
    )
    .all(product, method, kind, without) as { kg: number }[];
  return rows.map((r) => r.kg);
}

export interface PackInput {
  lotId: string;
  /** food in all of them, kg: from this lot and the others */
  massKg: number;
  /** other lots whose food is in each of them too, kg in all */
  also?: readonly { lotId: string; massKg: number }[] | undefined;
  /** the lot its broth comes from */
  liquidLotId?: string | null | undefined;
  /** broth that was bought, or stock from a cube, by name */
  liquidName?: string | null | undefined;
  product: ProductKey;
  method: PackMethod;
  container: ContainerKey;
  mouth: Mouth | null;
  count: number;
  liquid: Liquid;
  saltTspEach: number;
  reusedLids: boolean;
  /** box the lids are taken from first; the oldest when none is named */
  lidBoxId?: string | null | undefined;
  /** vinegar, ketchup, seasoning: recorded, and of no effect on the time */
  additions?: string | null | undefined;
  /** name of the recipe of a mixed dish */
  dish?: string | null | undefined;
  /** what an extension office gave for these cans, where the tables have no row; null otherwise */
  office?: GivenByOffice | null;
  /** conditions of its process that a person confirmed */
  confirmed?: readonly string[] | undefined;
  /** somebody looked again at an odd weight or much seasoning */
  sure?: boolean | undefined;
  /** why it departs from the published way; needed only where it does */
  reason?: string | null | undefined;
}

/**
 * Fills containers from a lot and numbers them. Returns the pack's id and code. Throws Refused, with nothing stored,
 * when a guard refuses it (see `permitPack`) or it is more than the lot holds.
 */
export function makePack(larder: Larder, write: Write, input: PackInput): { id: string; code: string } {
  return once(larder, write, "pack.make", () => {
    const home = getHousehold(larder)!;
    const lot = getLot(larder, input.lotId);
    const { product, method, container, mouth } = input;
    const expected = fillEstimate(
      product,
      method,
      container,
      recordedFills(larder, product, method, container),
      mouth,
    );
    const schedule = permitPack(larder, input, lot, expected);
    const also = input.also ?? [];
    const takes = [
      { lot, kg: input.massKg - also.reduce((sum, a) => sum + a.massKg, 0), field: "massKg" },
      ...also.map((a) => ({ lot: getLot(larder, a.lotId), kg: a.massKg, field: "alsoKg" })),
    ];
    for (const { lot: from, kg, field } of takes) {
      if (!(kg > 0))
        throw new Refused({
          [field]: `Nothing of lot ${from.code} would go in. The weight packed is of all lots together.`,
        });
      if (kg > from.leftKg + SCALE_SLACK_KG)
        throw new Refused({
          [field]: `Lot ${from.code} holds ${formatMass(from.leftKg, home.units)}, and this is ${formatMass(kg, home.units)}.`,
        });
    }
    const additions = input.additions?.trim() || null;
    const { id, code } = insertPack(larder, write, {
      product,
      method,
      container,
      mouth,
      ...liquidColumns(larder, input),
      saltTspEach: input.saltTspEach,
      schedule,
      reusedLids: input.reusedLids ? 1 : 0,
      additions,
      dish: input.dish?.trim() || null,
    });
    for (const { lot: from, kg } of takes)
      larder.db
        .insert(packLot)
        .values({ packId: id, lotId: from.id, massKg: Math.min(kg, from.leftKg) })
        .run();
    if (isFromLot(input)) pourBroth(larder, id, input.liquidLotId, litresEach(larder, input) * input.count);
    const how = { ...input, saltTsp: input.saltTspEach, headspaceIn: schedule.headspaceIn };
    appendPackDeviations(
      larder,
      write,
      code,
      deviationsOf(how, method, schedule.headspaceIn, addedTo(product, additions)),
      input.reason ?? null,
      lot.id,
    );
    const lids = takeForPack(
      larder,
      write,
      {
        code,
        container,
        mouth: isCan(container) ? null : shapeOf(container, mouth).mouth,
        count: input.count,
      },
      input.lidBoxId ?? null,
      input.sure === true,
    );
    for (let number = 1; number <= input.count; number++)
      insertContainer(larder, { packId: id, number }, lids[number - 1]);
    return { result: { id, code }, note: { kind: "pack", id, detail: input } };
  });
}

/** Returns what a new pack keeps of its liquid and of what else its recipe puts into each container. */
export function liquidColumns(
  larder: Larder,
  said: LiquidSaid,
): Pick<typeof pack.$inferInsert, "liquid" | "liquidName" | "liquidLitres" | "ingredients"> {
  const bought = said.liquid === "broth" && !isFromLot(said);
  return {
    liquid: said.liquid,
    liquidName: (bought && said.liquidName?.trim()) || null,
    liquidLitres: said.liquid === "none" ? null : litresEach(larder, said),
    ingredients: ingredientsOf(larder, said),
  };
}

/** Returns what was added to a pack of fish beside the published directions; empty for other food. */
export function addedTo(product: ProductKey, additions: string | null): string[] {
  return isFishRow(product) ? addedToFish(additions) : [];
}

/**
 * Adds the deviations of a pack; call inside a write. Throws Refused when one needs a reason and has none.
 *
 * @param found how it departs from the published directions
 * @param reason null when none was given
 */
export function appendPackDeviations(
  larder: Larder,
  write: Write,
  packCode: string,
  found: readonly PackDeviation[],
  reason: string | null,
  lotId: string,
): void {
  // Going ahead anyway is signed with a name: whoever may only tap fills what somebody else began.
  if (found.some((d) => d.kind !== "common")) refuseBeyondReach({ action: "pack.anyway" });
  for (const d of found)
    appendDeviation(larder, write, {
      packCode,
      containerId: null,
      kind: d.kind === "common" ? "deviation" : d.kind,
      what: d.text,
      reason: d.kind === "common" ? COMMON_REASON : reason,
    });
  // What was said of its meat goes with it, under the name of who said it.
  for (const { reason, byId } of accountsOfLot(larder, lotId))
    appendDeviation(
      larder,
      { ...write, byId },
      {
        packCode,
        containerId: null,
        kind: "deviation",
        what: `the records of its meat were corrected: ${reason}`,
        reason,
      },
    );
}

/** Why something of common practice departs from the published directions: it needs no reason of its own. */
const COMMON_REASON = "common practice, not in the published directions; no change of time";

/** Undoes a pack that has not been in a canner: its meat goes back to its lot. Throws Refused when it was in one. */
export function unpack(larder: Larder, write: Write, packId: string): void {
  once(larder, write, "pack.unpack", () => {
    const known = getPack(larder, packId);
    if (known.runId) refuse("This pack has been in a canner and cannot be taken apart.", 409);
    refuseRecorded(
      larder,
      containersOfPack(larder, packId).map((c) => c.id),
    );
    giveBackContainers(larder, write, known);
    // Meat of containers that did not seal is back in them, and waits for a decision again.
    larder.sqlite.prepare("delete from repacked where pack_id = ?").run(packId);
    for (const c of containersOfPack(larder, packId)) {
      larder.sqlite.prepare("delete from container where id = ?").run(c.id);
    }
    larder.sqlite.prepare("delete from pack_lot where pack_id = ?").run(packId);
    larder.sqlite.prepare("delete from pack where id = ?").run(packId);
    return {
      result: null,
      note: { kind: "pack", id: packId, detail: { code: known.code, count: known.count } },
    };
  });
}

/**
 * Refuses to undo containers as if they had never been filled, once something was recorded of one: it stays in the
 * record, and so do they. Throws Refused (409).
 */
export function refuseRecorded(larder: Larder, containerIds: readonly string[]): void {
  const recorded = larder.sqlite.prepare(
    `select c.code, exists (select 1 from can_check x where x.container_id = c.id) as bath,
       exists (select 1 from recall_item x where x.container_id = c.id)
         or exists (select 1 from recall x where x.container_id = c.id) as aside
     from container c where c.id = ?`,
  );
  for (const id of containerIds) {
    const { code, bath, aside } = recorded.get(id) as { code: string; bath: number; aside: number };
    if (bath)
      refuse(
        `${code} has been in the bath already. What was read and seen stays in the record: give its meat to another can.`,
        409,
      );
    if (aside)
      refuse(`${code} was recalled, and the recall names it. It stays in the record, and in its pack.`, 409);
  }
}

/** Jars and lids of a pack that was taken apart go back where they came from: nothing has been heated. */
function giveBackContainers(larder: Larder, write: Write, known: Pack): void {
  giveBack(larder, write, known.code);
  larder.sqlite.prepare("delete from container_lid where pack_id = ?").run(known.id);
}
