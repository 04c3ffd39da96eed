import type { Alarm, Asked, Siphoned } from "./event.ts";
import type { KnownBy } from "./instant.ts";
import type { Observation } from "./observation.ts";

export type RunPhase =
  | "warming"
  | "venting"
  | "pressurising"
  | "processing"
  | "cooling"
  | "settling"
  | "unloading"
  | "resting"
  | "checked"
  | "aborted";

/** One unbroken stretch at pressure. */
export interface ProcessPeriod {
  startedAt: number;
  /** last look that was at target */
  lastAtTarget: number;
  endedAt: number | null;
  /** why it ended short: absent for one that is running or served its time */
  endedBy?: "below-target" | "heat-off" | "abort" | "gauge-aside";
  /** the reading that ended it, kPa on the face, when there was one */
  endedAtKPa?: number;
  /** how its beginning is known, where it was not heard as it happened, and when it was heard, ms since 1970 UTC */
  knownBy?: KnownBy;
  heardAt?: number;
  /** what a doubted clock said of its beginning, ms since 1970 UTC */
  claimedAt?: number;
  /** instruments that said enough when it began */
  seenBy: string[];
  /** times longer than a minute in which no instrument was seen, in order; the last one ends now while it runs */
  unobserved: { from: number; to: number }[];
}

/** Something that departs from the schedule. It stays with the run whatever happens later. */
export interface Deviation {
  kind:
    | "below-target"
    | "unwatched"
    | "over-pressure"
    | "weight-on-early"
    | "wrong-weight"
    | "gauges-disagree"
    | "gauge-aside"
    | "ended-early"
    | "extra-cut"
    | "weight-off-early"
    | "lid-off-early"
    | "lid-off-late"
    | "out-of-place"
    | "clock-step"
    | "clock-unknown"
    | "aborted";
  at: number;
  /** unwatched time: when it ended */
  until?: number;
  /** readings: kPa on the face; gauges that disagree: the lower */
  gaugeKPa?: number;
  /** a clock that was set: by how much, ms */
  stepMs?: number;
  /** gauges that disagree: the higher, kPa */
  otherKPa?: number;
  text?: string;
}

/** Everything that is known of a run from its events up to some instant. */
export interface RunState {
  phase: RunPhase;
  phaseSince: number;
  burnerLitAt: number | null;
  vent: {
    /** steady without a break since this instant; null while it is not */
    steadySince: number | null;
    /** the full time was reached at this instant */
    doneAt: number | null;
  };
  attempts: ProcessPeriod[];
  /** how often the full time began anew after a first attempt did not serve it */
  restarts: number;
  /** when the full time at pressure was served; null until then */
  completedAt: number | null;
  outcome: "under-way" | "processed" | "not-processed";
  heatOffAt: number | null;
  zeroAt: number | null;
  lockDownAt: number | null;
  weightOffAt: number | null;
  lidOffAt: number | null;
  unloadedAt: number | null;
  checkedAt: number | null;
  lastReading: { at: number; gaugeKPa: number; instrument: string } | null;
  /** last temperature inside that was sent; it decides nothing */
  lastTemp: { at: number; tempC: number } | null;
  /** last reading or tap that told of pressure */
  lastLookAt: number | null;
  overPressure: boolean;
  overSince: number | null;
  /** looks by a person that were only a tap, since a figure was last read off the dial */
  tapsSinceFigure: number;
  /** newest observation of each instrument since the weight went on */
  seen: Record<string, Observation>;
  /** instruments that were put out of service */
  aside: string[];
  /** two of them cannot both be right, as far as was seen last */
  disagree: boolean;
  /** some instrument says enough, and the time does not start because of these: they are to be seen again */
  waitsFor: string[];
  /** nobody can tell what time it is since then, and nothing counts; null while the clock is known */
  clockUnknownSince: number | null;
  /** the machine's clock was set then, and nobody has looked since; null otherwise */
  lookAskedSince: number | null;
  silenced: { alarm: Alarm; at: number; by: string | null; reason: string | null } | null;
  confirmed: Partial<Record<Asked, { at: number; by: string | null; text: string | null }>>;
  /** containers in the order they came out */
  /** `siphoned`: what was seen of its liquid; null when nobody said */
  out: { container: string; at: number; siphoned: Siphoned | null }[];
  atTheStove: string | null;
  deviations: Deviation[];
}

/**
 * Returns the state of a run in which nothing has happened.
 *
 * @param createdAt ms since 1970 UTC
 */
export function newRunState(createdAt: number): RunState {
  return {
    phase: "warming",
    phaseSince: createdAt,
    burnerLitAt: null,
    vent: { steadySince: null, doneAt: null },
    attempts: [],
    restarts: 0,
    completedAt: null,
    outcome: "under-way",
    heatOffAt: null,
    zeroAt: null,
    lockDownAt: null,
    weightOffAt: null,
    lidOffAt: null,
    unloadedAt: null,
    checkedAt: null,
    lastReading: null,
    lastTemp: null,
    lastLookAt: null,
    overPressure: false,
    overSince: null,
    tapsSinceFigure: 0,
    seen: {},
    aside: [],
    disagree: false,
    waitsFor: [],
    clockUnknownSince: null,
    lookAskedSince: null,
    silenced: null,
    confirmed: {},
    out: [],
    atTheStove: null,
    deviations: [],
  };
}

/** Returns a copy of a state; a change to one does not reach the other. */
export function copyOfState(state: RunState): RunState {
  return {
    ...state,
    vent: { ...state.vent },
    attempts: state.attempts.map((a) => ({
      ...a,
      seenBy: [...a.seenBy],
      unobserved: a.unobserved.map((u) => ({ ...u })),
    })),
    deviations: state.deviations.map((d) => ({ ...d })),
    seen: { ...state.seen },
    waitsFor: [...state.waitsFor],
    aside: [...state.aside],
    confirmed: { ...state.confirmed },
    out: [...state.out],
  };
}

/** Returns the process period that is running or complete; null when there is none. */
export function currentPeriod(state: RunState): ProcessPeriod | null {
  const last = state.attempts.at(-1);
  return last && last.endedBy === undefined ? last : null;
}
