import type { RunPhase } from "../run/index.ts";
import type { Kept } from "../lot/index.ts";
import { STEPS, type SaidStep, type Step, type StepKey } from "./step.ts";

/** What the records say of one guided canning. */
export interface CanningFacts {
  /** containers and canner are chosen */
  chosen: boolean;
  /** it goes into cans, which are exhausted and seamed */
  cans: boolean;
  /** some of it is packed hot */
  hot: boolean;
  /** the food's lots; frozen ones are thawed first */
  lots: readonly {
    kept: Kept;
    /** when a thaw under way is expected to end, ms since 1970 UTC; null when none is, or nobody knows */
    thawedAt: number | null;
    /** it came out of the freezer for this canning */
    wasFrozen: boolean;
    /** cut as it goes into containers */
    cut: boolean;
    /** cooked, as a hot pack wants it */
    cooked: boolean;
  }[];
  /** steps that somebody said are done */
  said: ReadonlySet<SaidStep>;
  /** items of the equipment check nobody has found in order yet, whole, ≥ 0 */
  unchecked: number;
  /** cans are still to be closed, and the sealer stands tested for none of their sizes */
  untested: boolean;
  /** the containers: whether filling has begun, and whether it is over */
  filling: { begun: boolean; over: boolean };
  /** cans that may not go into a canner yet, whole, ≥ 0 */
  openCans: number;
  /** the canner run; null before the load is in a canner */
  run: {
    phase: RunPhase;
    /** end of the rest, ms since 1970 UTC; null before it began */
    checkAt: number | null;
  } | null;
  /** containers out of the canner: lids not looked at, failures not decided, sealed ones that stand nowhere yet */
  after: { unlooked: number; undecided: number; toShelve: number };
}

/** How far a run has come: the step its phase belongs to. */
const STEP_OF: Record<RunPhase, StepKey> = {
  warming: "heat-up",
  venting: "vent",
  pressurising: "come-up",
  processing: "hold",
  cooling: "cool",
  settling: "wait",
  unloading: "unload",
  resting: "rest",
  checked: "seals",
  aborted: "seals",
};

/** Returns which step of the guide a phase of the run belongs to. */
export function stepOfPhase(phase: RunPhase): StepKey {
  return STEP_OF[phase];
}

/**
 * Returns the steps this canning needs, in order, each with its state: at most one is `now`, the first that is not done.
 * None is `now` when everything is on its shelf.
 *
 * @param now ms since 1970 UTC
 */
export function canningSteps(facts: CanningFacts, now: number): Step[] {
  const keys = STEPS.filter((key) => isNeeded(key, facts));
  const at = keys.findIndex((key) => !isDone(key, facts, now));
  return keys.map((key, i) => ({
    key,
    state: at === -1 || i < at ? "done" : i === at ? "now" : "later",
    waitsUntil: i === at ? waitOf(key, facts, now) : null,
  }));
}

/** Returns the step to do now; null when everything is on its shelf. */
export function stepNow(steps: readonly Step[]): Step | null {
  return steps.find((s) => s.state === "now") ?? null;
}

function isNeeded(key: StepKey, f: CanningFacts): boolean {
  switch (key) {
    case "setup-test":
    case "exhaust":
      return f.cans;
    case "thaw":
      return f.lots.some((l) => l.wasFrozen || l.kept !== "fridge");
    case "cut":
      return f.lots.some((l) => !l.cut);
    case "cook":
      return f.hot && f.lots.some((l) => !l.cooked);
    default:
      return true;
  }
}

function isDone(key: StepKey, f: CanningFacts, now: number): boolean {
  const begun = f.filling.begun;
  switch (key) {
    case "jars":
      return f.chosen;
    // What was laid out, cut and cooked shows in the jars: filling says so as well as a press.
    case "lay-out":
      return f.said.has(key) || begun;
    case "cut":
      return f.said.has(key) || begun;
    case "cook":
      return f.said.has(key) || begun || f.lots.every((l) => l.cooked);
    // The check is of what is in the canner next: a load in it was judged by the run's own guard.
    case "check":
      return f.unchecked === 0 || f.run !== null;
    case "setup-test":
      return !f.untested || f.run !== null;
    case "thaw":
      return begun || f.lots.every((l) => l.kept === "fridge");
    case "fill":
      return f.filling.over;
    case "exhaust":
      return f.openCans === 0;
    case "load":
      return f.run !== null;
    case "rest":
      return f.run !== null && isPast("rest", f) && (f.run.checkAt === null || now >= f.run.checkAt);
    case "seals":
      return f.run !== null && isPast("unload", f) && f.after.unlooked === 0 && f.after.undecided === 0;
    case "mark":
      return f.said.has(key) || f.after.toShelve === 0;
    case "shelve":
      return f.after.toShelve === 0;
    default:
      return f.run !== null && isPast(key, f);
  }
}

/** Whether the run has left the phase of a step behind; the rest counts as reached, since it ends by the clock. */
function isPast(key: StepKey, f: CanningFacts): boolean {
  if (f.run === null) return false;
  const at = STEPS.indexOf(STEP_OF[f.run.phase]);
  return key === "rest" ? at >= STEPS.indexOf("rest") : at > STEPS.indexOf(key);
}

function waitOf(key: StepKey, f: CanningFacts, now: number): number | null {
  const until =
    key === "thaw"
      ? Math.max(0, ...f.lots.map((l) => l.thawedAt ?? 0))
      : key === "rest"
        ? (f.run?.checkAt ?? 0)
        : 0;
  return until > now ? until : null;
}
