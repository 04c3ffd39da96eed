import { kPaFromPsi } from "../quantity/index.ts";
import { OWN_DIAL, figureSays, type RunPlan } from "../run/index.ts";
import { DRILL_TARGET_PSI, type Drill } from "./drill.ts";
import { drillView, type Deed, type DeedKey, type DrillState } from "./session.ts";
import { VENT_MINUTES } from "../schedule/index.ts";

/** One thing that was looked for. */
export interface Mark {
  what: string;
  /** points it was worth and points it got */
  worth: number;
  got: number;
  why: string;
}

/** Somebody awake sees and says a thing within this, s; half of the points up to twice as long. */
const PROMPT_S = 60;
const LB = kPaFromPsi(1);

const first = (deeds: readonly Deed[], canner: number, what: DeedKey, from = 0): number | null =>
  deeds.find((d) => d.canner === canner && d.what === what && d.s >= from)?.s ?? null;

/** Full points when prompt, half when late, none when not at all. */
function prompt(what: string, worth: number, from: number | null, done: number | null, why: string): Mark {
  const late = from === null || done === null ? null : done - from;
  const got = late === null ? 0 : late <= PROMPT_S ? worth : late <= 2 * PROMPT_S ? worth / 2 : 0;
  return { what, worth, got: Math.round(got), why };
}

const all = (what: string, worth: number, good: boolean, why: string): Mark => ({
  what,
  worth,
  got: good ? worth : 0,
  why,
});

/** A needle is read no finer, kPa. */
const NEEDLE_KPA = 0.2;

const isTooLow = (plan: RunPlan, kPa: number) => figureSays(plan, [], OWN_DIAL, kPa) === "below";

/** When the face first showed less than its floor, s; null when never. */
function fellAt(state: DrillState, canner: number): number | null {
  const p = state.pots[canner]!;
  const i = p.shownKPa.findIndex((kPa) => isTooLow(p.plan, kPa));
  return i < 0 ? null : i;
}

/** Whether the pressure was ever called enough while the face showed less. */
function calledTooSoon(state: DrillState, canner: number): boolean {
  const p = state.pots[canner]!;
  return state.deeds.some(
    (d) => d.canner === canner && d.what === "at-target" && isTooLow(p.plan, p.shownKPa[d.s]! + NEEDLE_KPA),
  );
}

/** A drop that was met: said, answered with the flame, and the time begun anew only at the floor. */
function dropMarks(state: DrillState, canner: number): Mark[] {
  const fell = fellAt(state, canner);
  if (fell === null)
    return [
      all(
        "Kept it above the minimum through the wind",
        100,
        true,
        "The flame was up, or the wind kept off, in time.",
      ),
    ];
  const raised = state.deeds.find(
    (d) => d.canner === canner && (d.what === "flame" || d.what === "shield") && d.s >= fell - 120,
  );
  const told = state.deeds.find(
    (d) => d.canner === canner && d.s >= fell && (d.what === "below-target" || d.what === "look"),
  );
  const again = first(state.deeds, canner, "at-target", fell) ?? first(state.deeds, canner, "look", fell + 1);
  const view = drillView(state, canner);
  const restarted = view.restarts > 0 || (again !== null && view.phase === "processing");
  return [
    prompt(
      "Reported the drop",
      30,
      fell,
      told?.s ?? null,
      "Below the minimum at any moment, the time is gone. Reporting it late does not bring it back.",
    ),
    prompt(
      "Turned the flame up, or kept the wind off",
      25,
      fell,
      raised ? Math.max(raised.s, fell) : null,
      "The longer it sinks, the longer it takes to come back.",
    ),
    all(
      "Started the timer over only at the minimum",
      25,
      restarted && !calledTooSoon(state, canner),
      "The full time starts again from the first reading at the minimum, not from when it begins to climb.",
    ),
    all(
      "Did not stop at the old end time",
      20,
      first(state.deeds, canner, "heat-off") === null,
      "Minutes before a drop are never added to those after it.",
    ),
  ];
}

/** Marks that are only a part of what a drill is about. @param part of their points, 0 to 1 */
const partOf = (marks: readonly Mark[], part: number): Mark[] =>
  marks.map((m) => ({ ...m, worth: Math.round(m.worth * part), got: Math.round(m.got * part) }));

function heldMarks(state: DrillState, floorKPa: number, worth: [number, number]): Mark[] {
  const { trueKPa } = state.pots[0]!;
  const half = trueKPa.slice(Math.floor(trueKPa.length / 2));
  return [
    all(
      "Held it at or above the minimum",
      worth[0],
      Math.min(...half) >= floorKPa - 0.5,
      "At or just above, all the time: a little too low for a moment is too low.",
    ),
    all(
      "Not more than 3 lb over",
      worth[1],
      Math.max(...half) <= floorKPa + 3 * LB,
      "Far too much pressure boils the liquid out of the jars.",
    ),
  ];
}

/**
 * Returns the marks of a drill that is over: what was looked for, the points it was worth and got, and why. Points add
 * up to 100. The weights are this program's own judgment, no source.
 */
export function markDrill(drill: Drill, state: DrillState): Mark[] {
  const target = kPaFromPsi(DRILL_TARGET_PSI);
  const { deeds } = state;
  switch (drill.key) {
    case "gust":
      return dropMarks(state, 0);
    case "low-flame": {
      const fell = fellAt(state, 0);
      const up = deeds.find((d) => d.what === "flame" && (d.value ?? 0) > drill.canners[0]!.flame!);
      return [
        all(
          "Turned the flame up before the pressure dropped too low",
          50,
          up !== undefined && (fell === null || up.s < fell),
          "A needle that sinks slowly is the warning: the flame goes up before the minimum, in small steps.",
        ),
        ...heldMarks(state, target, [30, 20]),
      ];
    }
    case "gauge-high": {
      const chosen = deeds.find((d) => d.what === "choose")?.value ?? null;
      return [
        all(
          "Chose 13 lb on its face",
          50,
          chosen === 13,
          "A gauge that reads 1 lb high needs 1 lb more on its face: 12 and 1. Higher than that, it is replaced.",
        ),
        ...heldMarks(state, target, [30, 20]),
      ];
    }
    case "forgotten-vent": {
      const off = first(deeds, 0, "weight-off");
      const steady = off === null ? null : first(deeds, 0, "steam-steady", off);
      const on = off === null ? null : first(deeds, 0, "weight-on", off);
      return [
        prompt(
          "Took the weight off again",
          40,
          0,
          off,
          "Air inside holds the needle up and leaves the jars cooler, and nothing on the gauge shows it.",
        ),
        all(
          `Vented the full ${VENT_MINUTES} minutes`,
          40,
          steady !== null && on !== null && on - steady >= 600,
          `${VENT_MINUTES} minutes of steady steam, by the clock, from the beginning.`,
        ),
        all(
          "Put the weight on when it had vented",
          20,
          steady !== null && on !== null && on - steady >= 600 && on - steady <= 720,
          "Then on it goes: water boils away meanwhile.",
        ),
      ];
    }
    case "phone-call": {
      const looks = deeds.filter((d) => d.what === "look" || d.what === "at-target").map((d) => d.s);
      const stops = [0, ...looks, state.s];
      const gap = Math.max(...stops.slice(1).map((s, i) => s - stops[i]!));
      return [
        all(
          "Checked it at least every 15 minutes",
          40,
          gap <= 900,
          "Time without a check is recorded. Talk by the stove, or hand over.",
        ),
        ...partOf(dropMarks(state, 0), 0.6),
      ];
    }
    case "two-canners": {
      const on = first(deeds, 1, "weight-on");
      const due = 180;
      return [
        all(
          `Let the small one vent its ${VENT_MINUTES} minutes`,
          25,
          on !== null && on >= due,
          "The other canner's trouble does not make this one's venting shorter.",
        ),
        prompt(
          "Put its weight on in time",
          25,
          due,
          on === null ? null : Math.max(on, due),
          "One thing at a time, and this was due.",
        ),
        ...partOf(dropMarks(state, 0), 0.5),
      ];
    }
  }
}

/** Returns the points of some marks together, whole, 0 to 100. */
export function scoreOfMarks(marks: readonly Mark[]): number {
  const worth = marks.reduce((sum, m) => sum + m.worth, 0);
  return worth === 0 ? 0 : Math.round((100 * marks.reduce((sum, m) => sum + m.got, 0)) / worth);
}
