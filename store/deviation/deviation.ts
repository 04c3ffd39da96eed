import { v7 as uuid } from "uuid";
import { Refused, type Larder, type Write } from "#store/db";
import { deviation } from "../schema/index.ts";

/** Something done otherwise than the tested process or the published way. */
export interface DeviationRecord {
  id: string;
  packCode: string;
  /** one container; null for the whole pack */
  containerId: string | null;
  /** a habit changes nothing that was tested; `can-unfit` let a can into a canner without its temperature or seam */
  kind: "deviation" | "habit" | "can-unfit";
  what: string;
  reason: string | null;
  at: number;
  byName: string | null;
}

const DEVIATIONS = `
  select d.id, d.pack_code as packCode, d.container_id as containerId, d.kind, d.what, d.reason, d.at, p.name as byName
  from deviation d left join person p on p.id = d.by_id`;

/** Returns the deviations of some packs, in the order they were recorded. */
export function deviationsOfPacks(larder: Larder, packCodes: readonly string[]): DeviationRecord[] {
  return larder.sqlite
    .prepare(`${DEVIATIONS} where d.pack_code in (select value from json_each(?)) order by d.seq`)
    .all(JSON.stringify(packCodes)) as DeviationRecord[];
}

/**
 * Returns the deviations of one container: its own, those of cans its meat was in before, and those of its whole pack.
 */
export function deviationsOfContainer(larder: Larder, containerId: string): DeviationRecord[] {
  return larder.sqlite
    .prepare(
      `with recursive was(id) as (
         select @id union select c.replaces from was join container c on c.id = was.id where c.replaces is not null)
       ${DEVIATIONS} where d.container_id in (select id from was)
         or (d.container_id is null and d.pack_code = (select k.code from container c join pack k on k.id = c.pack_id where c.id = @id))
       order by d.seq`,
    )
    .all({ id: containerId }) as DeviationRecord[];
}

/** Adds a deviation; call inside a write. Throws Refused when it has no reason or nobody signs it. */
export function appendDeviation(
  larder: Larder,
  write: Write,
  input: Pick<DeviationRecord, "packCode" | "containerId" | "kind" | "what" | "reason">,
): void {
  const reason = input.reason?.trim() || null;
  if (input.kind !== "habit" && !reason)
    throw new Refused({ reason: "Say why: it stays with these for good, with your name." });
  if (input.kind !== "habit" && !write.byId) throw new Refused({ reason: "Choose who you are first." });
  larder.db
    .insert(deviation)
    .values({ ...input, reason, id: uuid(), at: larder.now(), byId: write.byId })
    .run();
}
