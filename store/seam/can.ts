import { Refused, refuse, type Larder } from "#store/db";
import { canAt, isFitStage, type CanNowAt, type ProbeReading } from "#core/exhaust";
import { isCan, type ContainerKey, type PackMethod, type ProductKey } from "#core/schedule";
import type { DefectKey } from "#core/seam";

export interface CanReading extends ProbeReading {
  probe: string | null;
}

export interface SeamLook {
  at: number;
  verdict: "accept" | "redo";
  defects: { key: DefectKey; degrees: number }[];
  byName: string | null;
}

/** A can on its way to the canner, with everything known of it. */
export interface CanNow extends CanNowAt {
  id: string;
  code: string;
  number: number;
  packId: string;
  packCode: string;
  kind: ContainerKey;
  product: ProductKey;
  method: PackMethod;
  filledAt: number;
  readings: CanReading[];
  seam: SeamLook | null;
  /** the can its meat was in before */
  replacesCode: string | null;
  signed: boolean;
}

const CANS = `
  select n.id, n.code, n.number, n.pack_id as packId, n.pack_code as packCode, n.kind, n.product, k.method, n.run_id as runId,
    coalesce(c.filled_at, k.made_at) as filledAt, (select code from container o where o.id = c.replaces) as replacesCode,
    exists (select 1 from deviation d where d.container_id = n.id and d.kind = 'can-unfit') as signed,
    (select json_group_array(json_object('at', x.at, 'tempC', x.temp_c, 'juiceC', x.juice_c, 'confirmed', x.confirmed, 'probe', x.probe))
       from (select * from can_check where container_id = n.id and temp_c is not null order by at, seq) x) as readings,
    (select json_object('at', x.at, 'verdict', x.verdict, 'defects', json(coalesce(x.defects, '[]')), 'byName', p.name)
       from can_check x left join person p on p.id = x.by_id where x.container_id = n.id and x.verdict is not null
       order by x.seq desc limit 1) as seam
  from container_now n join container c on c.id = n.id join pack k on k.id = n.pack_id
  where n.kind like 'can-%'`;

type Raw = Omit<CanNow, keyof CanNowAt | "readings" | "seam" | "signed"> & {
  readings: string;
  seam: string | null;
  signed: number;
  runId: string | null;
};

function fromRaw(raw: Raw, now: number): CanNow {
  const { readings: text, seam: look, signed, runId: _, ...rest } = raw;
  const readings = (JSON.parse(text) as (CanReading & { confirmed: number | boolean })[]).map((r) => ({
    ...r,
    confirmed: Boolean(r.confirmed),
  }));
  const can = {
    ...rest,
    readings,
    seam: look ? (JSON.parse(look) as SeamLook) : null,
    signed: Boolean(signed),
  };
  return { ...can, ...canAt({ ...can, container: can.kind, hot: can.method === "hot" }, now) };
}

/** Returns the cans that are filled and not yet in a canner, in the order they were filled. */
export function cansWaiting(larder: Larder): CanNow[] {
  const now = larder.now();
  return (
    larder.sqlite
      .prepare(`${CANS} and n.run_id is null order by k.made_at, n.pack_code, n.number`)
      .all() as Raw[]
  ).map((raw) => fromRaw(raw, now));
}

/**
 * Returns the cans of a pack that may not go into a canner yet: not exhausted, or without an accepted seam, and not
 * signed for.
 */
export function unfitCans(larder: Larder, packId: string): CanNow[] {
  const now = larder.now();
  return (larder.sqlite.prepare(`${CANS} and n.pack_id = ?`).all(packId) as Raw[])
    .map((raw) => fromRaw(raw, now))
    .filter((c) => !isFit(c));
}

/** Returns whether a can may go into a canner: closed with an accepted seam, or signed for. */
export function isFit(can: Pick<CanNow, "stage">): boolean {
  return isFitStage(can.stage);
}

/**
 * Returns a can that is still on the bench. Throws Refused: 404 when there is none, 409 when it is in a canner or
 * emptied.
 */
export function getOpenCan(larder: Larder, containerId: string): CanNow {
  const raw = larder.sqlite.prepare(`${CANS} and n.id = ?`).get(containerId) as Raw | undefined;
  if (!raw || !isCan(raw.kind)) return goneCan(larder, containerId);
  if (raw.runId)
    throw new Refused(
      { "": `${raw.code} is already in a canner: its temperature and seam are settled.` },
      409,
    );
  return fromRaw(raw, larder.now());
}

function goneCan(larder: Larder, containerId: string): never {
  const old = larder.sqlite
    .prepare(
      "select c.code, (select n.code from container n where n.replaces = c.id) as next from container c where c.id = ? and c.emptied_at is not null",
    )
    .get(containerId) as { code: string; next: string | null } | undefined;
  if (old)
    throw new Refused(
      { "": `${old.code} was emptied after a bad seam. Its meat is in ${old.next ?? "a new can"} now.` },
      409,
    );
  return refuse("There is no such can.", 404);
}

/** Returns the id of a can by its code. Throws Refused (404) when none carries it. */
export function canByCode(larder: Larder, code: string): string {
  const row = larder.sqlite
    .prepare(
      "select c.id from container c join pack k on k.id = c.pack_id where c.code = ? and k.container like 'can-%'",
    )
    .get(code.trim().toUpperCase()) as { id: string } | undefined;
  return row?.id ?? refuse("There is no such can.", 404);
}
