import { v7 as uuid } from "uuid";
import { issueCode, type Larder, type Write } from "#store/db";
import { isCan } from "#core/schedule";
import { container, containerLid, pack } from "../schema/index.ts";

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
