import { eq } from "drizzle-orm";
import { once, Refused, type Larder, type Write } from "#store/db";
import { isCan, shapeOf, type ScheduledProcess } from "#core/schedule";
import { CONTAINER_KG, getPack, insertContainer, insertPack, permitReprocess } from "#store/pack";
import { takeForPack } from "#store/supply";
import { pack, repacked } from "../schema/index.ts";
import { dispose, getContainer } from "./rest.ts";

/**
 * Prepares a container that did not seal for reprocessing: its meat goes into a new container with a new lid, in a
 * pack that has the whole process before it. Several of one pack share a new pack. Returns the new pack and code.
 * Throws Refused after 24 hours, or when its food may not be packed.
 *
 * Source: USDA 2015, Guide 1 (reprocessing unsealed jars), from memory.
 */
export function reprocess(
  larder: Larder,
  write: Write,
  containerId: string,
): { packId: string; packCode: string; code: string } {
  return once(larder, write, "container.repack", () => {
    const old = getContainer(larder, containerId);
    if (larder.db.select().from(repacked).where(eq(repacked.containerId, containerId)).get())
      throw new Refused({ "": `The meat of ${old.code} is in another pack already.` }, 409);
    const known = getPack(larder, old.packId);
    const schedule = permitReprocess(larder, known);
    if (old.disposition !== "repack") dispose(larder, write, containerId, "repack");
    const massKg = massOf(larder, containerId);
    const target = waitingFor(larder, old.packId) ?? begin(larder, write, old.packId, schedule);
    const mouth = isCan(known.container) ? null : shapeOf(known.container, known.mouth).mouth;
    const [box] = takeForPack(
      larder,
      write,
      { code: target.code, container: known.container, mouth, count: 1 },
      null,
      // Its food waits for no count: a day is all there is.
      true,
    );
    const { last } = larder.sqlite
      .prepare("select max(number) as last from container where pack_id = ?")
      .get(target.id) as { last: number | null };
    const fresh = insertContainer(
      larder,
      { packId: target.id, number: (last ?? 0) + 1, massKg, filledAt: larder.now() },
      box,
    );
    for (const lot of known.lots)
      larder.db
        .insert(repacked)
        .values({
          packId: target.id,
          containerId,
          lotId: lot.id,
          massKg: (massKg * lot.massKg) / known.massKg,
          asLiquid: lot.asLiquid ? 1 : 0,
        })
        .run();
    return {
      result: { packId: target.id, packCode: target.code, code: fresh.code },
      note: { kind: "container", id: containerId, detail: { repackedIn: target.code, as: fresh.code } },
    };
  });
}

function massOf(larder: Larder, containerId: string): number {
  const row = larder.sqlite
    .prepare(`select ${CONTAINER_KG} as kg from container c where c.id = ?`)
    .get(containerId) as { kg: number };
  return row.kg;
}

/** A pack that takes up meat of this one and is not in a canner yet. */
function waitingFor(larder: Larder, packId: string): { id: string; code: string } | undefined {
  return larder.sqlite
    .prepare(
      `select k.id, k.code from repacked x join container c on c.id = x.container_id join pack k on k.id = x.pack_id
       where c.pack_id = ? and k.run_id is null limit 1`,
    )
    .get(packId) as { id: string; code: string } | undefined;
}

/** A pack like the old one, by the process it has today, with new lids. */
function begin(
  larder: Larder,
  write: Write,
  packId: string,
  schedule: ScheduledProcess,
): { id: string; code: string } {
  const {
    id: _,
    code: __,
    madeAt: ___,
    byId: ____,
    runId: _____,
    ...like
  } = larder.db.select().from(pack).where(eq(pack.id, packId)).get()!;
  return insertPack(larder, write, { ...like, schedule, reusedLids: 0, benchId: null, benchPart: null });
}
