import { MINUTE_MS, kPaFromPsi } from "../quantity/index.ts";
import type { RunPlan } from "./event.ts";
import { OWN_DIAL, OWN_WEIGHT, governsNow, isReliedOn, standingOf, type Observation } from "./observation.ts";

/** What a gauge sent says something of now for so long, ms; looks so near each other can contradict each other. */
export const WORTH_MS = MINUTE_MS;
/** Two instruments may differ by this much, kPa (1 lb): what some offices replace a gauge for. Common practice, no source. */
const AGREE_KPA = kPaFromPsi(1);
/** A gauge this near zero has lost its pressure, kPa (0.15 lb: less than a dial can show). */
export const ZERO_KPA = 1;
/** What only says "below" lies at least so far below, kPa. */
export const A_LITTLE_KPA = 0.5;
/** Pounds made into kPa and back differ by less than this, kPa. */
const ROUNDING_KPA = 1e-6;

/** What all observations that still stand say together. */
export interface Judgement {
  /** by the lowest that can be meant: enough, below, or nothing known */
  food: "enough" | "below" | "unknown";
  /** by the highest that can be meant, some instrument is at or over the canner's limit */
  over: boolean;
  /** every figure that stands is zero, and there is one */
  atZero: boolean;
  /** instruments that say enough */
  enoughBy: string[];
  /** instruments that say below */
  belowBy: string[];
  /** lowest figure that stands, kPa as read; null without one */
  lowestKPa: number | null;
  /** two that cannot both be right, the lower and the higher figure, kPa */
  contradiction: { lowKPa: number; highKPa: number } | null;
}

/** Between what true pressures, kPa, an observation leaves it open that the canner stands; and whether it is relied on. */
interface Bounds {
  low: number;
  high: number;
  relied: boolean;
}

/** Returns the lowest true gauge pressure of the scheduled process, kPa. */
export const minProcessKPa = (plan: RunPlan): number => plan.minProcessKPa ?? plan.floorKPa;

/**
 * Returns the lowest figure an instrument has to show, kPa. A dial that is known to read high has to show more; a
 * gauge that sends does not.
 */
export const floorOn = (plan: RunPlan, instrument: string): number =>
  instrument === OWN_DIAL || instrument === OWN_WEIGHT ? plan.floorKPa : minProcessKPa(plan);

/**
 * Returns what the newest observations say of the pressure: whether it is enough for the food, over the canner's limit
 * or at zero, and by which instruments. The one place where a pressure is compared with a limit.
 *
 * What a gauge sent counts for a minute. What a person saw counts until that instrument is seen again, or the
 * household's unwatched limit is over. For the food the lowest possible pressure counts, for the lid the highest.
 * @param aside instruments put out of service in this run
 * @param newest the newest observation of each instrument
 * @param now ms since 1970 UTC
 */
export function judge(
  plan: RunPlan,
  aside: readonly string[],
  newest: Readonly<Record<string, Observation>>,
  now: number,
): Judgement {
  const min = minProcessKPa(plan) - ROUNDING_KPA;
  const standing = Object.values(newest).filter((o) => stands(plan, o, now));
  const all = standing.map((seen) => ({ seen, ...boundsOf(plan, aside, seen) }));
  const enough = all.filter((o) => o.relied && o.low >= min);
  const below = all.filter((o) => {
    if (o.high < min) return true;
    // A dial known to read low leaves it open; another instrument that says enough at the same time settles it.
    return o.relied && o.low < min && !enough.some((e) => Math.abs(e.seen.at - o.seen.at) <= WORTH_MS);
  });
  const figures = standing.flatMap((o) =>
    o.says.relation === "value" && !ignored(plan, aside, o) ? [o.says.kPa] : [],
  );
  return {
    food: below.length > 0 ? "below" : enough.length > 0 ? "enough" : "unknown",
    over: standing.some((o) => isOver(plan, aside, o)),
    atZero: figures.length > 0 && Math.max(...figures) <= ZERO_KPA,
    enoughBy: enough.map((o) => o.seen.instrument),
    belowBy: below.map((o) => o.seen.instrument),
    lowestKPa: figures.length > 0 ? Math.min(...figures) : null,
    contradiction: contradictionOf(all),
  };
}

function stands(plan: RunPlan, o: Observation, now: number): boolean {
  return now - o.at < (o.seenBy === "sender" ? WORTH_MS : Math.max(WORTH_MS, plan.unwatchedLimitS * 1000));
}

/** A gauge that sends and is out of service says nothing at all; a dial out of service still tells of danger. */
function ignored(plan: RunPlan, aside: readonly string[], o: Observation): boolean {
  return o.instrument !== OWN_DIAL && standingOf(plan, aside, o.instrument) === "out-of-service";
}

function boundsOf(plan: RunPlan, aside: readonly string[], o: Observation): Bounds {
  const standing = standingOf(plan, aside, o.instrument);
  const says = o.says;
  const min = minProcessKPa(plan);
  // That it dropped is believed of whoever says it, whatever they saw it on.
  if (says.relation === "below") return { low: 0, high: min - A_LITTLE_KPA, relied: isReliedOn(standing) };
  if (standing === "out-of-service") return { low: 0, high: Infinity, relied: false };
  const relied = isReliedOn(standing) && !insteadOfTheWeight(plan, aside, o.instrument);
  switch (says.relation) {
    case "value": {
      const error = o.instrument === OWN_DIAL || standing !== "sends" ? (plan.dial?.errorKPa ?? 0) : 0;
      // Two pounds low or more is unpredictable: such a dial does not even say below.
      const high =
        standing === "replace" && error < 0 ? Infinity : says.kPa - (relied ? Math.min(0, error) : 0);
      return { low: relied ? says.kPa - Math.max(0, error) : 0, high, relied };
    }
    case "at-least":
    case "over-limit":
      return { low: relied ? min : 0, high: Infinity, relied };
    case "rocking":
      return { low: plan.weightKPa ?? min, high: Infinity, relied };
    case "silent":
      // A weight set higher than the dial has to show is quiet while all is well.
      return governsNow(plan, aside) === "weighted"
        ? { low: 0, high: min - A_LITTLE_KPA, relied }
        : { low: 0, high: Infinity, relied: false };
  }
}

/** The dial cannot stand in for a weight that is out of service: its column of the tables asks for more. */
function insteadOfTheWeight(plan: RunPlan, aside: readonly string[], instrument: string): boolean {
  return (
    instrument === OWN_DIAL &&
    plan.governs === "weighted" &&
    standingOf(plan, aside, OWN_WEIGHT) === "out-of-service"
  );
}

function isOver(plan: RunPlan, aside: readonly string[], o: Observation): boolean {
  if (o.says.relation === "over-limit") return true;
  if (o.says.relation !== "value" || ignored(plan, aside, o)) return false;
  const low = o.instrument === OWN_DIAL ? Math.min(0, plan.dial?.errorKPa ?? 0) : 0;
  return o.says.kPa - low >= plan.safeMaxKPa;
}

/** The two that are furthest apart, when they were seen within a minute and no true pressure fits both. */
function contradictionOf(all: readonly (Bounds & { seen: Observation })[]): Judgement["contradiction"] {
  let worst: Judgement["contradiction"] = null;
  const relied = all.filter((o) => o.relied);
  // Where no two lie apart at all, none lie apart within a minute: with many gauges the pairs take most of a run's time.
  const highest = relied.reduce((most, o) => Math.max(most, o.low), -Infinity);
  const lowest = relied.reduce((least, o) => Math.min(least, o.high), Infinity);
  if (!(highest - lowest > AGREE_KPA)) return null;
  for (const a of relied)
    for (const b of relied) {
      if (Math.abs(a.seen.at - b.seen.at) >= WORTH_MS) continue;
      const apart = a.low - b.high;
      if (apart > AGREE_KPA && (worst === null || apart > worst.highKPa - worst.lowKPa))
        worst = { lowKPa: b.high, highKPa: a.low };
    }
  return worst;
}

/**
 * Returns the instrument that showed 1 lb or more within the last minute, with its figure, kPa; null when none did.
 *
 * @param aside instruments put out of service in this run
 * @param now ms since 1970 UTC
 */
export function stillShows(
  plan: RunPlan,
  aside: readonly string[],
  newest: Readonly<Record<string, Observation>>,
  now: number,
): { instrument: string; kPa: number } | null {
  for (const o of Object.values(newest)) {
    if (o.says.relation !== "value" || o.says.kPa < AGREE_KPA || now - o.at >= WORTH_MS) continue;
    if (!ignored(plan, aside, o)) return { instrument: o.instrument, kPa: o.says.kPa };
  }
  return null;
}

/**
 * Returns what one figure says by itself: enough, below the minimum, or that its instrument is not relied on.
 *
 * @param aside instruments put out of service in this run
 * @param kPa as read on the instrument, kPa
 */
export function figureSays(
  plan: RunPlan,
  aside: readonly string[],
  instrument: string,
  kPa: number,
): "enough" | "below" | "not-relied-on" {
  const seen: Observation = { instrument, at: 0, seenBy: "person", says: { relation: "value", kPa } };
  const { low, high, relied } = boundsOf(plan, aside, seen);
  const min = minProcessKPa(plan) - ROUNDING_KPA;
  if (!relied) return high < min ? "below" : "not-relied-on";
  return low < min ? "below" : "enough";
}
