import { HOUR_MS } from "#core/quantity";
import type { ContainerKey } from "../schedule/index.ts";
import { driftOf, GAUGE_STEP_MM, type Drift } from "./chart.ts";
import { DIMENSION_NAMES, isPercent, type SeamDimension } from "./dimension.ts";
import { beyond, judgeSheet, type Out, type SeamLimits } from "./limits.ts";
import { lengthWords } from "./read.ts";
import { meanOf, type SeamSheet } from "./sheet.ts";

/** Read off a closed can from outside, mm. */
export interface OutsideMeasures {
  width?: number | undefined;
  thickness?: number | undefined;
  countersink?: number | undefined;
}

/** One thing that happened to a sealer; instants ms since 1970 UTC, in order. */
export type SealerEvent = { at: number } & (
  | {
      kind: "set-up";
      container: ContainerKey;
      /** null for a test by eye alone */
      sheet: SeamSheet | null;
      /** by what it was judged, as it stood then */
      limits: SeamLimits | null;
      passed: boolean;
    }
  | { kind: "measured"; container: ContainerKey; outside: OutsideMeasures; limits: SeamLimits }
  | { kind: "jam" }
  | { kind: "adjusted" }
  /** a can was looked at and the verdict was to stop, with what was found */
  | { kind: "stopped"; reason: string }
);

/**
 * Returns which measure of a closed can is beyond its limits, as a sentence; null when all are inside.
 *
 * @param outside mm
 */
export function outsideBeyond(outside: OutsideMeasures, limits: SeamLimits): string | null {
  for (const d of ["width", "thickness", "countersink"] as const) {
    const value = outside[d];
    const out = value === undefined ? null : beyond(value, limits.ranges[d]);
    if (out)
      return `${DIMENSION_NAMES[d]} of ${shown(d, value!)}, which is too ${out === "low" ? "small" : "large"},`;
  }
  return null;
}

/** What is charted: read on every can that is measured, or on every tear-down. */
export const CHARTED = [
  "width",
  "thickness",
  "countersink",
  "bodyHook",
  "coverHook",
  "overlap",
  "tightness",
] as const satisfies readonly SeamDimension[];
export type Charted = (typeof CHARTED)[number];

export interface Series {
  dimension: Charted;
  values: { at: number; value: number }[];
  drift: Drift;
}

export interface SealerStanding {
  /** may cans be closed on it? */
  state: "ready" | "set-up-needed" | "stopped";
  /** the sentence that says why not; null when ready */
  why: string | null;
  /** set up by eye alone: the hooks inside were not measured */
  byEye: boolean;
  /** figures have stopped it: a test by eye alone does not release it */
  needsFigures: boolean;
  lastSetUpAt: number | null;
  /** per dimension, since the last adjustment */
  series: Series[];
  /** dimensions whose newest values all lie on one side: not out, but moving */
  moving: string[];
}

/**
 * A set-up holds for this long, h: then the sealer has been put away and is looked at anew before the first can.
 * Common practice, no source.
 */
export const SET_UP_HOLDS_H = 12;
/**
 * A running line is taken apart at least this often, h. Source: 21 CFR 113.60(a)(1): tear-downs at intervals not over
 * 4 hours of continuous operation, from memory.
 */
export const TEAR_DOWN_EVERY_H = 4;

/**
 * Returns whether a sealer may close cans of a size now, and why not, from everything that happened to it. Only a
 * passed setup test releases it after a jam, an adjustment, another size, too long a time, a figure beyond its limits
 * or a bad seam. Common practice, no source.
 *
 * @param events in order of time
 * @param now ms since 1970 UTC
 */
export function sealerStanding(
  events: readonly SealerEvent[],
  container: ContainerKey,
  now: number,
): SealerStanding {
  const values = new Map<Charted, { at: number; value: number }[]>();
  let state = "set-up-needed" as SealerStanding["state"];
  /** stopped by a figure and not by a look: then only figures release it, whatever else happens to it before */
  let needsFigures = false;
  let why: string | null = "No setup test yet: seam empty cans and take one down before the first.";
  let lastSetUp = null as { at: number; container: ContainerKey; byEye: boolean } | null;
  const stop = (reason: string, figures = true) => {
    needsFigures ||= figures;
    state = "stopped";
    why = reason;
  };
  const add = (d: Charted, at: number, value: number) =>
    values.set(d, [...(values.get(d) ?? []), { at, value }]);

  for (const e of events) {
    switch (e.kind) {
      case "set-up": {
        if (!e.passed) {
          stop(failedWords(e), e.sheet !== null);
          break;
        }
        // What figures have stopped is not released by a look.
        if (needsFigures && e.sheet === null) break;
        needsFigures = false;
        // After a stop the sealer is another one: the chart begins anew.
        if (state === "stopped" || (lastSetUp && lastSetUp.container !== e.container)) values.clear();
        state = "ready";
        why = null;
        lastSetUp = { at: e.at, container: e.container, byEye: e.sheet === null };
        if (e.sheet) addSheet(values, e.at, e.sheet);
        break;
      }
      case "measured": {
        if (e.container !== lastSetUp?.container) break;
        for (const d of ["width", "thickness", "countersink"] as const) {
          const value = e.outside[d];
          if (value === undefined) continue;
          add(d, e.at, value);
          const out = beyond(value, e.limits.ranges[d]);
          if (out) stop(outWords(d, value, out));
          const drift = driftAll(values.get(d)!, d);
          if (drift.beyondAt !== null) stop(driftWords(d, drift, value));
        }
        break;
      }
      case "jam":
        state = "set-up-needed";
        why = "There was a jam. Clear it, then a setup test before the next can.";
        values.clear();
        break;
      case "adjusted":
        state = "set-up-needed";
        why = "It was adjusted. A setup test before the next can.";
        values.clear();
        break;
      case "stopped":
        stop(e.reason, false);
        break;
    }
  }
  if (state === "ready" && lastSetUp) {
    if (lastSetUp.container !== container) {
      state = "set-up-needed";
      why = "It was last set up for another size. A setup test before the first of this one.";
    } else if (now - lastSetUp.at > SET_UP_HOLDS_H * HOUR_MS) {
      state = "set-up-needed";
      why = `The last setup test is more than ${SET_UP_HOLDS_H} hours old. Test it on empty cans before the first.`;
    }
  }
  const series = CHARTED.flatMap((dimension): Series[] => {
    const points = values.get(dimension) ?? [];
    return points.length > 0 ? [{ dimension, values: points, drift: driftAll(points, dimension) }] : [];
  });
  return {
    state,
    why,
    byEye: lastSetUp?.byEye ?? false,
    needsFigures,
    lastSetUpAt: lastSetUp?.at ?? null,
    series,
    moving: series.flatMap((s) => (s.drift.run ? [movingWords(s.dimension, s.drift.run)] : [])),
  };
}

/** The means of a tear-down join the chart. Where they have left it, the test has shown the new level to be good: it begins anew. */
function addSheet(values: Map<Charted, { at: number; value: number }[]>, at: number, sheet: SeamSheet): void {
  for (const d of CHARTED) {
    const value = meanOf(sheet, d);
    if (value === null) continue;
    const longer = [...(values.get(d) ?? []), { at, value }];
    values.set(d, driftAll(longer, d).beyondAt === null ? longer : [{ at, value }]);
  }
}

const driftAll = (points: readonly { value: number }[], d: Charted) =>
  driftOf(
    points.map((p) => p.value),
    isPercent(d) ? 1 : GAUGE_STEP_MM,
  );

const shown = (d: SeamDimension, value: number) =>
  isPercent(d) ? `${value.toFixed(0)} %` : lengthWords(value);

/** A set-up that failed, in a sentence. */
function failedWords(e: Extract<SealerEvent, { kind: "set-up" }>): string {
  const bad = e.sheet && e.limits ? judgeSheet(e.sheet, e.limits).find((j) => j.out !== null) : undefined;
  return bad
    ? `The setup test failed: ${outWords(bad.dimension, bad.worst!, bad.out!)}`
    : "The setup test failed. Find out why, adjust, and test again on empty cans.";
}

function outWords(d: SeamDimension, value: number, out: Out): string {
  return `${DIMENSION_NAMES[d]} of ${shown(d, value)} is too ${out === "low" ? "small" : "large"}. Stop, adjust, and test again on empty cans.`;
}

function driftWords(d: Charted, drift: Drift, value: number): string {
  return `${DIMENSION_NAMES[d]} has drifted: ${shown(d, value)}, where the cans before lay between ${shown(d, drift.limits!.low)} and ${shown(d, drift.limits!.high)}. Stop, look at the rolls, and test again on empty cans.`;
}

function movingWords(d: Charted, run: NonNullable<Drift["run"]>): string {
  return `${DIMENSION_NAMES[d]}: the last ${run.length} were all ${run.side === "low" ? "below" : "above"} the mean. It is moving; test it at the next pause.`;
}
