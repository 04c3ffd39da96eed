import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { EXHAUST_TEMP_C, isCan, type ContainerKey } from "#core/schedule";
import { canCheck } from "../schema/index.ts";

/** A can on its way to the canner, with its newest centre temperature and the verdict on its seam. */
export interface CanNow {
  id: string;
  code: string;
  number: number;
  packId: string;
  packCode: string;
  kind: ContainerKey;
  product: string;
  tempC: number | null;
  verdict: "accept" | "redo" | null;
}

const CANS = `
  select n.id, n.code, n.number, n.pack_id as packId, n.pack_code as packCode, n.kind, n.product,
    (select temp_c from can_check x where x.container_id = n.id and temp_c is not null order by seq desc limit 1) as tempC,
    (select verdict from can_check x where x.container_id = n.id and verdict is not null
       and seq > coalesce((select max(seq) from can_check y where y.container_id = n.id and y.temp_c is not null), 0)
       order by seq desc limit 1) as verdict
  from container_now n where n.kind like 'can-%'`;

/** Cans filled and not yet in a canner, in the order they were filled. */
export function cansWaiting(larder: Larder): CanNow[] {
  return larder.sqlite
    .prepare(`${CANS} and n.run_id is null order by n.pack_code, n.number`)
    .all() as CanNow[];
}

/** Cans of a pack that may not go into a canner yet: not exhausted hot enough, or their seam not accepted. */
export function unfitCans(larder: Larder, packId: string): CanNow[] {
  return (larder.sqlite.prepare(`${CANS} and n.pack_id = ?`).all(packId) as CanNow[]).filter(
    (c) => !isFit(c),
  );
}

export function isFit(can: CanNow): boolean {
  return can.tempC !== null && can.tempC >= EXHAUST_TEMP_C - 1e-6 && can.verdict === "accept";
}

/** Writes down the centre temperature of an open can. A seam looked at before does not count any more. */
export function recordExhaust(larder: Larder, write: Write, containerId: string, tempC: number): void {
  once(larder, write, "can.exhaust", () => {
    openCan(larder, containerId);
    if (!(tempC > -20 && tempC < 130))
      throw new Refused({
        temp: "Meat in simmering water is between freezing and boiling. Read the probe again.",
      });
    larder.db
      .insert(canCheck)
      .values({ id: uuid(), containerId, at: larder.now(), tempC, byId: write.byId })
      .run();
    return { result: null, note: { kind: "container", id: containerId, detail: { tempC } } };
  });
}

/** Writes down what eye and fingertip say of a seam. A redo begins with exhausting again, in a new can. */
export function recordSeam(
  larder: Larder,
  write: Write,
  containerId: string,
  verdict: "accept" | "redo",
): void {
  once(larder, write, "can.seam", () => {
    const can = openCan(larder, containerId);
    if (verdict === "accept" && can.verdict === "redo") {
      throw new Refused(
        {
          "": `The last seam of ${can.code} was bad. Put the meat in a new can, exhaust it again, then seam.`,
        },
        409,
      );
    }
    if (verdict === "accept" && (can.tempC === null || can.tempC < EXHAUST_TEMP_C - 1e-6)) {
      throw new Refused(
        { "": `${can.code} has not reached 170 °F (77 °C) at its centre. Exhaust it first, then seam.` },
        409,
      );
    }
    larder.db
      .insert(canCheck)
      .values({ id: uuid(), containerId, at: larder.now(), verdict, byId: write.byId })
      .run();
    return { result: null, note: { kind: "container", id: containerId, detail: { verdict } } };
  });
}

function openCan(larder: Larder, containerId: string): CanNow {
  const can = larder.sqlite.prepare(`${CANS} and n.id = ?`).get(containerId) as CanNow | undefined;
  if (!can || !isCan(can.kind)) refuse("There is no such can.", 404);
  const inRun = larder.sqlite.prepare("select run_id from container_now where id = ?").get(containerId) as {
    run_id: string | null;
  };
  if (inRun.run_id) throw new Refused({ "": `${can.code} is already in a canner.` }, 409);
  return can;
}
