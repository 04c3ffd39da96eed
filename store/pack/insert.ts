import { and, eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { issueCode, type Larder, type Write } from "#store/db";
import { isCan } from "#core/schedule";
import { container, containerLid, pack, packLot } from "../schema/index.ts";

type PackRow = Omit<typeof pack.$inferInsert, "id" | "code" | "madeAt" | "byId" | "runId">;

/** Adds an empty pack with a code of its own; call inside a write. Returns its id and code. */
export function insertPack(larder: Larder, write: Write, row: PackRow): { id: string; code: string } {
  const id = uuid();
  const code = issueCode(larder, "pack", id);
  larder.db
    .insert(pack)
    .values({
      ...row,
      id,
      code,
      mouth: isCan(row.container as Parameters<typeof isCan>[0]) ? null : row.mouth,
      madeAt: larder.now(),
      byId: write.byId,
    })
    .run();
  return { id, code };
}

type ContainerRow = Omit<typeof container.$inferInsert, "id" | "code">;

/**
 * Adds a container to a pack, with a code of its own; call inside a write. Returns its id and code.
 *
 * @param lidBoxId the box its lid came from; null where lids are not counted
 */
export function insertContainer(
  larder: Larder,
  row: ContainerRow,
  lidBoxId: string | null | undefined,
): { id: string; code: string } {
  const id = uuid();
  const code = issueCode(larder, "container", id);
  larder.db
    .insert(container)
    .values({ ...row, id, code })
    .run();
  if (lidBoxId)
    larder.db.insert(containerLid).values({ containerId: id, supplyId: lidBoxId, packId: row.packId }).run();
  return { id, code };
}

/**
 * Puts more of a lot into a pack, or takes it out with less than nothing; call inside a write. It is taken out whole and
 * put in again, so that what is left of the lot is counted anew.
 *
 * @param asLiquid broth that covers the food
 */
export function addMass(
  larder: Larder,
  packId: string,
  lotId: string,
  deltaKg: number,
  asLiquid = false,
): void {
  const where = and(eq(packLot.packId, packId), eq(packLot.lotId, lotId));
  const known = larder.db.select().from(packLot).where(where).get()?.massKg ?? 0;
  larder.db.delete(packLot).where(where).run();
  const massKg = known + deltaKg;
  if (massKg > 1e-9)
    larder.db
      .insert(packLot)
      .values({ packId, lotId, massKg, asLiquid: asLiquid ? 1 : 0 })
      .run();
}
