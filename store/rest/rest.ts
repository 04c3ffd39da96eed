import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import {
  choicesForFailed,
  decideBy,
  dispositionDeadline,
  type Disposition,
  type SealFinding,
} from "#core/rest";
import { type ContainerKey, type Mouth, type ProductKey } from "#core/schedule";
import { activeRuns, appendEvents, getRun, type RunRecord } from "#store/run";
import { disposition, sealCheck } from "../schema/index.ts";

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
  moved: "shelved" | "opened" | "given" | "discarded" | null;
  placeId: string | null;
}

/** Columns of a ContainerNow from `container_now n`. */
export const CONTAINER_COLUMNS = `n.id, n.code, n.pack_id as packId, n.pack_code as packCode, n.number, n.run_id as runId,
  n.product, n.kind, n.mouth, n.seal, n.disposition, n.disposition_due as dispositionDue, n.moved, n.place_id as placeId`;

export function getContainer(larder: Larder, id: string): ContainerNow {
  const row = larder.sqlite
    .prepare(`select ${CONTAINER_COLUMNS} from container_now n where n.id = ?`)
    .get(id);
  return (row as ContainerNow | undefined) ?? refuse("There is no such container.", 404);
}

/** Containers of a run in the order they stand, pack by pack. */
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

/** Runs on the towel, each with its containers. @param runs the runs under way, when they are at hand */
export function restingRuns(larder: Larder, runs = activeRuns(larder)): Resting[] {
  return runs
    .filter((r) => r.view.phase === "resting")
    .map((run) => ({ run, containers: containersOfRun(larder, run.id) }));
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
 * Failed seals, and containers whose run did not serve its time, that nobody has decided about.
 * @param resting the runs on the towel, when they are at hand
 */
export function undecided(larder: Larder, resting = restingRuns(larder)): Undecided[] {
  const rows = larder.sqlite
    .prepare(
      `select ${CONTAINER_COLUMNS} from container_now n join run r on r.id = n.run_id
       where n.disposition is null and n.moved is null
         and (n.seal = 'failed' or (r.ended_at is not null and r.completed_at is null))
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

/**
 * Records a pressed lid. Not before the rest is over, and only where the full time was served. When the last
 * container of a run is checked, the run is checked.
 */
export function checkSeal(
  larder: Larder,
  write: Write & { byName: string },
  containerId: string,
  finding: SealFinding,
): { left: number } {
  return once(larder, write, "seal.check", () => {
    const c = getContainer(larder, containerId);
    if (!c.runId) throw new Refused({ "": `${c.code} has not been in a canner.` }, 409);
    const run = getRun(larder, c.runId);
    if (run.view.outcome !== "processed") {
      throw new Refused(
        { "": `${c.code} was not processed, so its seal means nothing. Chill, freeze or repack it.` },
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
    larder.db
      .insert(sealCheck)
      .values({ id: uuid(), containerId, at: larder.now(), finding, byId: write.byId })
      .run();
    const left = containersOfRun(larder, run.id).filter((x) => x.seal === null).length;
    if (left === 0 && run.view.phase === "resting") {
      appendEvents(larder, run.id, [{ id: uuid(), at: larder.now(), type: "checked", by: write.byName }]);
    }
    return { result: { left }, note: { kind: "container", id: containerId, detail: { finding } } };
  });
}

/** Decides what is done with a container that failed, within the choices its deadline leaves. */
export function dispose(
  larder: Larder,
  write: Write,
  containerId: string,
  what: Disposition,
): { dueAt: number | null } {
  return once(larder, write, "container.dispose", () => {
    const open = undecided(larder).find((u) => u.container.id === containerId);
    if (!open) refuse("There is nothing to decide about this container.", 409);
    if (!open.choices.includes(what)) {
      throw new Refused({
        what: `The 24 hours for that are over. ${open.container.code} is thrown out, unopened and untasted.`,
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

/** Containers chilled or waiting to be repacked, with the deadline of each, soonest first. */
export function promised(larder: Larder): ContainerNow[] {
  return larder.sqlite
    .prepare(
      `select ${CONTAINER_COLUMNS} from container_now n
       where disposition in ('chill', 'repack') and (moved is null) order by disposition_due`,
    )
    .all() as ContainerNow[];
}
