import { eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import {
  defectOf,
  outsideBeyond,
  verdictOf,
  type DefectKey,
  type OutsideMeasures,
  type SealerEvent,
  type SeamVerdict,
} from "#core/seam";
import { appendDeviation } from "#store/deviation";
import { insertContainer } from "#store/pack";
import { takeForPack } from "#store/supply";
import { canCheck, container } from "../schema/index.ts";
import { getOpenCan, type CanNow } from "./can.ts";
import { appendSealerEvent, listSealers, recordMeasured, standingOf, wouldBeBeyond } from "./sealer.ts";

export interface SeamInput {
  /** what was felt and where round the can, degrees from the start mark */
  defects: readonly { key: DefectKey; degrees: number }[];
  /** the sealer it was closed on; the only one when there is one */
  sealerId?: string | null;
  /** the person's own word, never milder than what was found */
  verdict?: SeamVerdict | undefined;
}

/** Why a can may not be closed yet, by how it stands. */
const NOT_YET: Partial<Record<CanNow["stage"], (can: CanNow) => string>> = {
  "no-reading": (c) => `${c.code} has not reached 170 °F (77 °C) at its center. Exhaust it first, then seam.`,
  warming: (c) => `${c.code} has not reached 170 °F (77 °C) at its center. Exhaust it first, then seam.`,
  questioned: (c) =>
    `The last reading of ${c.code} is in doubt. Is the tip in the meat? Read it again first.`,
  cooled: (c) => `${c.code} stood open too long and has cooled. Exhaust it again, then seam.`,
  "bad-seam": (c) =>
    `The last seam of ${c.code} was bad. Put the meat in a new can, exhaust it again, then seam.`,
};

const MILDNESS: SeamVerdict[] = ["accept", "redo", "stop"];
/** So many of the newest cans on a sealer are looked back on, and so many alike stop it. Common practice, no source. */
const LOOK_BACK = 5;
const ALIKE = 2;

/**
 * Records the seam check of a can by eye and fingertip. A bad seam makes a new can for the meat, which is exhausted
 * again; a defect that the next can would have too, or the same one twice in five cans, stops the sealer. Returns the
 * verdict and the code of the new can or null. Throws Refused when the can is not ready to be closed, or the sealer is
 * stopped.
 */
export function recordSeam(
  larder: Larder,
  write: Write,
  containerId: string,
  input: SeamInput,
): { verdict: SeamVerdict; newCode: string | null } {
  return once(larder, write, "can.seam", () => {
    const can = getOpenCan(larder, containerId);
    const sealerId = sealerOf(larder, input.sealerId ?? null);
    const found = input.defects.map((d) => d.key);
    const least = verdictOf(found);
    const said = input.verdict ?? least;
    if (MILDNESS.indexOf(said) < MILDNESS.indexOf(least))
      throw new Refused({
        verdict: `A ${defectOf(found[0]!).name.toLowerCase()} is not accepted: ${least === "stop" ? "stop the sealer" : "do the can again"}.`,
      });
    if (said === "accept") {
      const why = NOT_YET[can.stage]?.(can);
      if (why) throw new Refused({ "": why }, 409);
      const standing = standingOf(larder, sealerId, can.kind);
      if (standing.state !== "ready") throw new Refused({ "": standing.why! }, 409);
      if (standing.byEye)
        appendDeviation(larder, write, {
          packCode: can.packCode,
          containerId: can.id,
          kind: "habit",
          what: "the sealer was set up by eye: the hooks inside its seams were not measured",
          reason: null,
        });
      const out = beyondLimits(larder, can.id);
      if (out) throw new Refused({ "": notHolding(out, can.code) }, 409);
    } else if (can.stage === "no-reading")
      throw new Refused({ "": `${can.code} has not been closed yet.` }, 409);
    const alike = said === "redo" ? alikeBefore(larder, sealerId, found) : null;
    const verdict: SeamVerdict = alike ? "stop" : said;
    larder.db
      .insert(canCheck)
      .values({
        id: uuid(),
        containerId,
        at: larder.now(),
        verdict: verdict === "accept" ? "accept" : "redo",
        sealerId,
        defects: [...input.defects],
        byId: write.byId,
      })
      .run();
    if (verdict === "stop")
      appendSealerEvent(larder, write, sealerId, {
        containerId,
        note: null,
        event: {
          kind: "stopped",
          at: larder.now(),
          reason: alike
            ? `${defectOf(alike).name} on ${ALIKE} of the last ${LOOK_BACK} cans. ${defectOf(alike).cause} Then a setup test on empty cans.`
            : found[0]
              ? `${defectOf(found[0]).name} on ${can.code}. ${defectOf(found[0]).cause} Then a setup test on empty cans.`
              : `Stopped by hand at ${can.code}. Find out why, then a setup test on empty cans.`,
        },
      });
    const newCode = verdict === "accept" ? null : intoNewCan(larder, write, can);
    return {
      result: { verdict, newCode },
      note: { kind: "container", id: containerId, detail: { ...input, verdict, newCode } },
    };
  });
}

/** The last measure of a closed can that lay beyond its limits, in words; null when it lay inside or was never taken. */
function beyondLimits(larder: Larder, containerId: string): string | null {
  const row = larder.sqlite
    .prepare(
      "select event from sealer_event where container_id = ? and kind = 'measured' order by seq desc limit 1",
    )
    .get(containerId) as { event: string } | undefined;
  const event = row && (JSON.parse(row.event) as SealerEvent);
  return event?.kind === "measured" ? outsideBeyond(event.outside, event.limits) : null;
}

/** The sealer named, or the only one. @throws Refused when there is none, or which one was not said */
function sealerOf(larder: Larder, named: string | null): string {
  const sealers = listSealers(larder);
  if (sealers.length === 0)
    throw new Refused(
      { sealerId: "There is no can sealer in the Shed. Enter it, and test it on empty cans." },
      409,
    );
  const one = named ? sealers.find((s) => s.id === named) : sealers.length === 1 ? sealers[0] : undefined;
  if (!one) throw new Refused({ sealerId: "Choose the sealer that closes it." }, 409);
  return one.id;
}

/**
 * Closes a can and records how its seam measured from outside, in one write. Returns as `recordSeam` does, and throws
 * so; a seam beyond its limits is stored on the sealer's chart, and then refused.
 */
export function closeMeasured(
  larder: Larder,
  write: Write,
  containerId: string,
  input: SeamInput & { outside: OutsideMeasures },
): { verdict: SeamVerdict; newCode: string | null } {
  const { outside, ...seam } = input;
  type Closed = { closed: ReturnType<typeof recordSeam>; why: null } | { closed: null; why: string };
  const { closed, why } = once<Closed>(larder, write, "can.close", () => {
    const can = getOpenCan(larder, containerId);
    const sealerId = sealerOf(larder, input.sealerId ?? null);
    const measure = () => recordMeasured(larder, write, { sealerId, containerId, outside });
    const note = { kind: "container", id: containerId };
    const measured = Object.values(outside).some((v) => v !== undefined);
    const accepting = (input.verdict ?? verdictOf(input.defects.map((d) => d.key))) === "accept";
    const beyond = measured && accepting ? wouldBeBeyond(larder, sealerId, can.kind, outside) : null;
    if (beyond) {
      measure();
      return { result: { closed: null, why: notHolding(beyond, can.code) }, note };
    }
    const made = recordSeam(larder, write, containerId, { ...seam, sealerId });
    if (measured && made.verdict === "accept") measure();
    return { result: { closed: made, why: null }, note };
  });
  return closed ?? refuse(why, 409);
}

const notHolding = (out: string, code: string) =>
  `${out} on ${code}: that does not hold. Put the meat in a new can and close it again.`;

/** Of looks at seams on a sealer: those since its last set-up test. */
const SINCE_SET_UP = `sealer_id = @id and verdict is not null
  and at >= coalesce((select max(at) from sealer_event where sealer_id = @id and kind = 'set-up'), 0)`;

/** A defect that was also on one of the last cans closed on a sealer since its set-up; null when none was. */
function alikeBefore(larder: Larder, sealerId: string, found: readonly DefectKey[]): DefectKey | null {
  const before = larder.sqlite
    .prepare(`select defects from can_check where ${SINCE_SET_UP} order by seq desc limit ${LOOK_BACK - 1}`)
    .all({ id: sealerId }) as { defects: string | null }[];
  const seen = before.flatMap((r) =>
    (JSON.parse(r.defects ?? "[]") as { key: DefectKey }[]).map((d) => d.key),
  );
  return found.find((k) => seen.filter((s) => s === k).length >= ALIKE - 1) ?? null;
}

/** The meat goes into a new can with a code of its own, in the same place of its pack. Both cans are kept. */
function intoNewCan(larder: Larder, write: Write, can: CanNow): string {
  const { id, code: _, ...old } = larder.db.select().from(container).where(eq(container.id, can.id)).get()!;
  const now = larder.now();
  const [box] = takeForPack(
    larder,
    write,
    { code: can.packCode, container: can.kind, mouth: null, count: 1 },
    null,
    // A seam that is bad now is not left open for a count.
    true,
  );
  const fresh = insertContainer(larder, { ...old, filledAt: now, replaces: id }, box);
  larder.db.update(container).set({ emptiedAt: now }).where(eq(container.id, id)).run();
  return fresh.code;
}

/** Returns the cans of packs on the bench that were closed again, newest first. */
export function redoneCans(
  larder: Larder,
): { code: string; newCode: string; packCode: string; at: number; defects: DefectKey[] }[] {
  const rows = larder.sqlite
    .prepare(
      `select c.code, n.code as newCode, k.code as packCode, c.emptied_at as at,
         (select defects from can_check x where x.container_id = c.id and x.verdict = 'redo' order by seq desc limit 1) as defects
       from container c join container n on n.replaces = c.id join pack k on k.id = c.pack_id
       where c.emptied_at is not null and k.run_id is null order by c.emptied_at desc`,
    )
    .all() as { code: string; newCode: string; packCode: string; at: number; defects: string | null }[];
  return rows.map((r) => ({
    ...r,
    defects: (JSON.parse(r.defects ?? "[]") as { key: DefectKey }[]).map((d) => d.key),
  }));
}

/** Returns how many cans were checked on a sealer since its last setup test, and how many were done again. */
export function seamTally(larder: Larder, sealerId: string): { looked: number; redone: number } {
  return larder.sqlite
    .prepare(
      `select count(*) as looked, coalesce(sum(verdict = 'redo'), 0) as redone from can_check where ${SINCE_SET_UP}`,
    )
    .get({ id: sealerId }) as { looked: number; redone: number };
}
