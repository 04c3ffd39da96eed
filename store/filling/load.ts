import { eq, isNull } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import type { LayerFill } from "#core/capacity";
import { deviationsOf, fillingOrder, otherHeadspaces } from "#core/pack";
import { getCanner } from "#store/equipment";
import { getLot } from "#store/lot";
import { addedTo, getPack, permitPack, processFor, type Pack, type PackAsked } from "#store/pack";
import { bench, type BenchWork, type BenchWorkPart } from "../schema/index.ts";

export type { BenchWork, BenchWorkPart };

export interface BenchContainer {
  id: string;
  code: string;
  number: number;
  /** as weighed; null when it was not */
  massKg: number | null;
  lidBox: string | null;
  filledAt: number;
}

/** A part of a load as it stands: what is planned, and what is filled of it. */
export interface BenchPartNow extends BenchWorkPart {
  index: number;
  pack: Pack | null;
  containers: BenchContainer[];
}

export interface BenchNow {
  id: string;
  cannerId: string | null;
  openedAt: number;
  closedAt: number | null;
  layers: LayerFill[];
  /** in the order they are filled: raw before hot */
  parts: BenchPartNow[];
}

export type BenchPartInput = Omit<BenchWorkPart, "done">;

/**
 * Begins to fill a load. Returns its id. Throws Refused when a part has no tested process, or its lot may not be
 * packed.
 */
export function openBench(
  larder: Larder,
  write: Write,
  input: { cannerId: string | null; parts: readonly BenchPartInput[]; layers: LayerFill[] },
): { id: string } {
  return once(larder, write, "bench.open", () => {
    if (input.parts.length === 0) throw new Refused({ "": "There is nothing in this load." });
    if (input.cannerId) getCanner(larder, input.cannerId);
    for (const part of input.parts) {
      const others = (part.also ?? []).reduce((sum, a) => sum + a.kgEach, 0);
      if (others > 0 && !(others < part.kgEach))
        throw new Refused({
          alsoKg: "That is all of the meat in them. The weight packed is of both lots together.",
        });
      permitPack(larder, askedOf(part, part.planned, null), getLot(larder, part.lotId));
    }
    const id = uuid();
    const work: BenchWork = {
      parts: fillingOrder(input.parts).map((p) => ({ ...p, done: false })),
      layers: input.layers,
    };
    larder.db
      .insert(bench)
      .values({ id, cannerId: input.cannerId, work, openedAt: larder.now(), byId: write.byId })
      .run();
    return { result: { id }, note: { kind: "bench", id, detail: input } };
  });
}

/**
 * Returns a part of a load as the guards of packing are asked about it.
 *
 * @param count containers meant, whole, ≥ 1
 * @param massKg food in all of them, kg; null when not weighed
 * @param sure somebody looked again
 */
export function askedOf(
  part: Omit<BenchWorkPart, "done">,
  count: number,
  massKg: number | null,
  sure = false,
): PackAsked {
  return { ...part, count, massKg, saltTspEach: part.saltTsp, sure };
}

/**
 * Returns a load on the packing bench with what is filled of it. Throws Refused (404) when there is none of this id.
 */
export function getBench(larder: Larder, id: string): BenchNow {
  const row = larder.db.select().from(bench).where(eq(bench.id, id)).get();
  if (!row) return refuse("There is no such load on the bench.", 404);
  const packs = larder.sqlite
    .prepare("select id, bench_part as part from pack where bench_id = ? order by made_at, code")
    .all(id) as { id: string; part: number }[];
  return {
    id,
    cannerId: row.cannerId,
    openedAt: row.openedAt,
    closedAt: row.closedAt,
    layers: row.work.layers,
    parts: row.work.parts.map((part, index) => {
      const packId = packs.find((p) => p.part === index)?.id;
      return {
        ...part,
        index,
        pack: packId ? getPack(larder, packId) : null,
        containers: packId ? benchContainers(larder, packId) : [],
      };
    }),
  };
}

function benchContainers(larder: Larder, packId: string): BenchContainer[] {
  return larder.sqlite
    .prepare(
      `select c.id, c.code, c.number, c.mass_kg as massKg, s.label as lidBox, c.filled_at as filledAt from container c
         left join container_lid l on l.container_id = c.id left join supply s on s.id = l.supply_id
       where c.pack_id = ? and c.emptied_at is null order by c.number`,
    )
    .all(packId) as BenchContainer[];
}

/** Returns the loads that are being filled, oldest first. */
export function openBenches(larder: Larder): BenchNow[] {
  return larder.db
    .select({ id: bench.id })
    .from(bench)
    .where(isNull(bench.closedAt))
    .orderBy(bench.openedAt)
    .all()
    .map((b) => getBench(larder, b.id));
}

/** A load that was filled at the bench and waits for its canner. */
export interface FilledLoad {
  /** null when it was not known which canner */
  cannerId: string | null;
  packIds: string[];
}

/** Returns the loads that are packed and wait for their canners, oldest first. */
export function filledLoads(larder: Larder): FilledLoad[] {
  const rows = larder.sqlite
    .prepare(
      `select b.canner_id as cannerId, json_group_array(k.id) as packIds from bench b join pack k on k.bench_id = b.id
       where b.closed_at is not null and k.run_id is null group by b.id order by b.opened_at`,
    )
    .all() as { cannerId: string | null; packIds: string }[];
  return rows.map(({ cannerId, packIds }) => ({ cannerId, packIds: JSON.parse(packIds) as string[] }));
}

/** Returns a load that is still being filled. Throws Refused when there is none of this id, or it is closed. */
export function getOpenBench(larder: Larder, id: string): BenchNow {
  const now = getBench(larder, id);
  if (now.closedAt !== null) throw new Refused({ "": "This load is packed. Nothing more goes in." }, 409);
  return now;
}

/** Returns a part of a load on the packing bench by its place. Throws Refused (404) when there is none. */
export function partOf(bench: BenchNow, index: number): BenchPartNow {
  return bench.parts[index] ?? refuse("There is no such part of this load.", 404);
}

/** Stores a changed part of a load. Call inside a write. */
export function storePart(
  larder: Larder,
  now: BenchNow,
  index: number,
  change: Partial<BenchWorkPart>,
): void {
  const parts = now.parts.map(({ pack: _, containers: __, index: i, ...part }) =>
    i === index ? { ...part, ...change } : part,
  );
  larder.db
    .update(bench)
    .set({ work: { parts, layers: now.layers } })
    .where(eq(bench.id, now.id))
    .run();
}

export type HowInput = Pick<
  BenchWorkPart,
  | "liquid"
  | "liquidLotId"
  | "liquidName"
  | "saltTsp"
  | "headspaceIn"
  | "reusedLids"
  | "lidBoxId"
  | "additions"
  | "reason"
> & {
  /** conditions of the process that a person confirmed */
  confirmed?: string[];
  /** somebody looked again at much of a seasoning */
  sure?: boolean;
};

/**
 * Stores how a part is packed, before its first container is filled. Throws Refused when one is filled already, or a
 * deviation has no reason.
 */
export function setHow(larder: Larder, write: Write, benchId: string, index: number, how: HowInput): void {
  once(larder, write, "bench.how", () => {
    const now = getOpenBench(larder, benchId);
    const part = partOf(now, index);
    if (part.containers.length > 0)
      throw new Refused(
        {
          "": "Some are filled already, the way they were. Take them out again, or pack these as another load.",
        },
        409,
      );
    const published = processFor(larder, part).headspaceIn;
    if (![published, ...otherHeadspaces(part.product, part.container)].includes(how.headspaceIn))
      throw new Refused({
        headspaceIn: "Nobody is known to pack these with that headspace. Choose one of those shown.",
      });
    // Not asked again whether much of a seasoning is meant: that is asked once, at the field.
    permitPack(
      larder,
      askedOf({ ...part, ...how }, part.planned, null, how.sure),
      getLot(larder, part.lotId),
    );
    const added = addedTo(part.product, how.additions);
    const departs = deviationsOf(how, part.method, published, added).some((d) => d.kind === "deviation");
    if (departs && !how.reason?.trim())
      throw new Refused({ reason: "Say why: it stays with these for good, with your name." });
    storePart(larder, now, index, how);
    return { result: null, note: { kind: "bench", id: benchId, detail: { index, ...how } } };
  });
}

/**
 * Ends the filling of a load, which then waits for its canner, cans for exhausting and seaming first. Throws Refused
 * when it is ended already.
 */
export function closeBench(larder: Larder, write: Write, benchId: string): void {
  once(larder, write, "bench.close", () => {
    getOpenBench(larder, benchId);
    larder.db.update(bench).set({ closedAt: larder.now() }).where(eq(bench.id, benchId)).run();
    return { result: null, note: { kind: "bench", id: benchId } };
  });
}
