import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import {
  choicesForFailed,
  decideBy,
  dispositionDeadline,
  sealVerdict,
  unloadingOrder,
  type Disposition,
  type SealFinding,
  type SealLook,
  FAILED_SEAL_HOURS,
} from "#core/rest";
import type { Move } from "#core/shelf";
import { isCan, type ContainerKey, type Mouth, type ProductKey } from "#core/schedule";
import { activeRuns, appendEvents, getRun, type RunRecord } from "#store/run";
import { disposition, movement, sealCheck } from "../schema/index.ts";

/** One container as it stands now. */
export interface ContainerNow {
  id: string;
  code: string;
  packId: string;
  packCode: string;
  number: number;
  runId: string | null;
  product: ProductKey;
  kind: ContainerKey;
  mouth: Mouth | null;
  seal: SealFinding | null;
  disposition: Disposition | null;
  dispositionDue: number | null;
  moved: Move | null;
  /** the shelf it stands on, or stood on last */
  placeId: string | null;
  /** the recall that set it aside; null when none does */
  setAside: string | null;
}

/** Columns of a ContainerNow from `container_now n`. */
export const CONTAINER_COLUMNS = `n.id, n.code, n.pack_id as packId, n.pack_code as packCode, n.number, n.run_id as runId,
  n.product, n.kind, n.mouth, n.seal, n.disposition, n.disposition_due as dispositionDue, n.moved, n.place_id as placeId, n.set_aside as setAside`;

/** Returns a container as it is now. Throws Refused (404) when there is none of this id. */
export function getContainer(larder: Larder, id: string): ContainerNow {
  const row = larder.sqlite
    .prepare(`select ${CONTAINER_COLUMNS} from container_now n where n.id = ?`)
    .get(id);
  return (row as ContainerNow | undefined) ?? refuse("There is no such container.", 404);
}

/** Returns the containers of a run, pack by pack. */
export function containersOfRun(larder: Larder, runId: string): ContainerNow[] {
  return larder.sqlite
    .prepare(
      `select ${CONTAINER_COLUMNS} from container_now n where n.run_id = ?
       order by (select made_at from pack where pack.id = n.pack_id), n.pack_id, n.number`,
    )
    .all(runId) as ContainerNow[];
}

export interface Resting {
  run: RunRecord;
  containers: ContainerNow[];
}

/**
 * Returns the runs whose containers rest, each with its containers in the order they were lifted out.
 *
 * @param runs the runs under way, when the caller has them
 */
export function restingRuns(larder: Larder, runs = activeRuns(larder)): Resting[] {
  return runs
    .filter((r) => r.view.phase === "resting")
    .map((run) => ({ run, containers: unloadingOrder(containersOfRun(larder, run.id), run.view.out) }));
}

export interface Undecided {
  container: ContainerNow;
  run: RunRecord;
  why: "failed" | "not-processed";
  /** until when it may still be chilled, frozen or repacked, ms since 1970 UTC */
  decideBy: number;
  choices: Disposition[];
}

/**
 * Returns the containers that failed, or whose run did not complete its time, and that nobody has decided on.
 *
 * @param resting the resting runs, when the caller has them
 */
export function undecided(larder: Larder, resting = restingRuns(larder)): Undecided[] {
  const rows = larder.sqlite
    .prepare(
      `select ${CONTAINER_COLUMNS} from container_now n where n.id in (
         select id from container where seal = 'failed' and moved is null and disposition is null
         union select c.id from run r join pack k on k.run_id = r.id join container c on c.pack_id = k.id
           where r.completed_at is null and r.ended_at is not null and c.disposition is null and c.moved is null)
       order by n.code`,
    )
    .all() as ContainerNow[];
  const runs = new Map<string, RunRecord>();
  const found = rows.map((container): Undecided => {
    const run = runs.get(container.runId!) ?? getRun(larder, container.runId!);
    runs.set(run.id, run);
    return toDecide(larder, container, run, container.seal === "failed" ? "failed" : "not-processed");
  });
  // A run ended early and taken off the fire is not over until it is given up or checked, but it is known already.
  for (const { run, containers } of resting) {
    if (run.view.outcome !== "not-processed") continue;
    for (const c of containers) {
      if (!c.disposition && !found.some((f) => f.container.id === c.id))
        found.push(toDecide(larder, c, run, "not-processed"));
    }
  }
  return found;
}

function toDecide(larder: Larder, container: ContainerNow, run: RunRecord, why: Undecided["why"]): Undecided {
  const from = run.view.heatOffAt ?? run.view.phaseSince;
  return { container, run, why, decideBy: decideBy(from), choices: choicesForFailed(from, larder.now()) };
}

/** What a look at one kind of container may say; a jar has no ends, a can no lid. */
function lookFor(c: ContainerNow, look: SealLook): SealLook {
  const { lid, level, looseBand, ends, seam } = look;
  if (isCan(c.kind)) {
    if (!ends || !seam) throw new Refused({ "": `Look at both ends and the seams of ${c.code}.` });
    return { ends, seam };
  }
  if (!lid) throw new Refused({ "": `Press the lid of ${c.code} first.` });
  return { lid, ...(level && { level }), ...(looseBand && { looseBand }) };
}

/**
 * Records how a rested container was found. Returns how many of its run are unchecked, the finding, and why. A second
 * look before a decision replaces the first. Throws Refused before the rest is over, or when the run did not complete
 * its time.
 *
 * @param look what was seen, or the finding alone
 */
export function checkSeal(
  larder: Larder,
  write: Write & { byName: string },
  containerId: string,
  look: SealFinding | SealLook,
): { left: number; finding: SealFinding; why: string } {
  return once(larder, write, "seal.check", () => {
    const c = getContainer(larder, containerId);
    if (!c.runId) throw new Refused({ "": `${c.code} has not been in a canner.` }, 409);
    const run = getRun(larder, c.runId);
    if (run.view.outcome !== "processed") {
      throw new Refused(
        {
          "": `${c.code} was not processed, so its seal means nothing. Refrigerate, freeze or reprocess it.`,
        },
        409,
      );
    }
    if (run.view.phase !== "resting" && run.view.phase !== "checked")
      throw new Refused({ "": `${c.code} is not on the towel.` }, 409);
    if (run.view.checkAt !== null && larder.now() < run.view.checkAt) {
      throw new Refused(
        {
          "": `The jars of run ${run.code} are still resting; leave the lids alone.`,
        },
        409,
      );
    }
    if (c.moved || c.disposition) throw new Refused({ "": `${c.code} has already been dealt with.` }, 409);
    const seen = typeof look === "string" ? null : lookFor(c, look);
    const { finding, why } =
      typeof look === "string"
        ? { finding: look, why: "" }
        : sealVerdict(seen!, wasCovered(larder, c.packId));
    larder.db
      .insert(sealCheck)
      .values({ id: uuid(), containerId, at: larder.now(), finding, seen, byId: write.byId })
      .run();
    const left = containersOfRun(larder, run.id).filter((x) => x.seal === null).length;
    if (left === 0 && run.view.phase === "resting") {
      appendEvents(larder, run.id, [{ id: uuid(), at: larder.now(), type: "checked", by: write.byName }]);
    }
    return {
      result: { left, finding, why },
      note: { kind: "container", id: containerId, detail: { finding, seen } },
    };
  });
}

/** Returns whether a pack was filled with liquid over the food: a hot pack, or one that liquid was poured on. */
export function wasCovered(larder: Larder, packId: string): boolean {
  const { method, liquid } = larder.sqlite
    .prepare("select method, liquid from pack where id = ?")
    .get(packId) as {
    method: string;
    liquid: string;
  };
  return method === "hot" || liquid !== "none";
}

/**
 * Records what is done with a container that failed. Returns by when it must be done, ms since 1970 UTC, or null.
 * Throws Refused when the deadline does not leave that choice.
 */
export function dispose(
  larder: Larder,
  write: Write,
  containerId: string,
  what: Disposition,
): { dueAt: number | null } {
  return once(larder, write, "container.dispose", () => {
    const open =
      undecided(larder).find((u) => u.container.id === containerId) ?? promise(larder, containerId);
    if (!open) refuse("There is nothing to decide about this container.", 409);
    if (!open.choices.includes(what)) {
      const { code } = open.container;
      throw new Refused({
        what:
          open.choices.length === 1
            ? `The ${FAILED_SEAL_HOURS} hours for that are over. ${code} is thrown out. Do not open or taste it.`
            : `${code} did not seal or was not processed. Refrigerate, freeze, reprocess or throw it out.`,
      });
    }
    const from = open.run.view.heatOffAt ?? open.run.view.phaseSince;
    const dueAt = dispositionDeadline(what, larder.now(), from);
    larder.db
      .insert(disposition)
      .values({ id: uuid(), containerId, at: larder.now(), what, dueAt, byId: write.byId })
      .run();
    const left = containersOfRun(larder, open.run.id).filter(
      (c) => c.disposition === null && c.moved === null,
    );
    if (open.why === "not-processed" && left.length === 0 && open.run.view.phase === "resting") {
      appendEvents(larder, open.run.id, [{ id: uuid(), at: larder.now(), type: "checked" }]);
    }
    return { result: { dueAt }, note: { kind: "container", id: containerId, detail: { what } } };
  });
}

/** A container that is chilled or waits to be packed anew may be decided about again, while its meat is not in another pack. */
function promise(larder: Larder, containerId: string): Undecided | null {
  const c = pendingDispositions(larder).find((p) => p.id === containerId && p.repackedIn === null);
  if (!c?.runId) return null;
  const run = getRun(larder, c.runId);
  return toDecide(larder, c, run, run.view.outcome === "processed" ? "failed" : "not-processed");
}

/** A container with something still to be done for it. */
export interface Promised extends ContainerNow {
  /** code of the pack its meat is in now; null when it is still in it */
  repackedIn: string | null;
}

/**
 * Returns the containers that are refrigerated or wait to be reprocessed, each with its deadline, ms since 1970 UTC;
 * soonest first.
 */
export function pendingDispositions(larder: Larder): Promised[] {
  return larder.sqlite
    .prepare(
      `select ${CONTAINER_COLUMNS}, (select k.code from repacked x join pack k on k.id = x.pack_id where x.container_id = n.id limit 1) as repackedIn
       from container_now n
       where n.id in (select id from container where disposition in ('chill', 'repack') and moved is null)
         and not exists (select 1 from repacked x join pack k on k.id = x.pack_id where x.container_id = n.id and k.run_id is not null)
       order by n.disposition_due`,
    )
    .all() as Promised[];
}

/**
 * Records that a refrigerated or frozen container was eaten or thrown out. Throws Refused when nothing is owed for it.
 */
export function finishDisposition(
  larder: Larder,
  write: Write,
  containerId: string,
  what: "opened" | "discarded",
): void {
  once(larder, write, "container.ate", () => {
    const c = getContainer(larder, containerId);
    if ((c.disposition !== "chill" && c.disposition !== "freeze") || c.moved)
      throw new Refused({ "": `${c.code} is not waiting in the fridge or freezer.` }, 409);
    larder.db
      .insert(movement)
      .values({ id: uuid(), containerId, at: larder.now(), kind: what, byId: write.byId })
      .run();
    return { result: null, note: { kind: "container", id: containerId, detail: { what } } };
  });
}
