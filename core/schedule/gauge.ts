import { formatFraction } from "../quantity/index.ts";
import { CAN_BAND, JAR_BANDS, type GaugeKind } from "./pressure.ts";

/** What a canner has to tell and hold pressure with. */
export interface CannerGauges {
  dial: {
    /** how much the dial reads above true pressure, psi; negative when it reads low; null when never tested */
    errorPsi: number | null;
    /** instant of the last test, ms since 1970 UTC; null when never tested */
    testedAt: number | null;
  } | null;
  /** the pieces of the weight, psi each: [5, 5, 5] or one of [15]; empty when there is none */
  weightPiecesPsi: readonly number[];
}

/** A dial tested longer ago than this is overdue. */
export const GAUGE_TEST_MONTHS = 12;

/** A dial that reads higher than this, psi, is replaced: it shows pressure that is not there. Source: USDA 2015, Guide 1, from memory. */
export const GAUGE_REPLACE_PSI = 1;
/** A dial that reads lower than this, psi, is unpredictable and is replaced too. Common practice, no source. */
export const GAUGE_LOW_PSI = 2;
/** One pound written as 7 kPa is 1.015 lb: no dial is read finer, psi. */
const ROUNDING_PSI = 0.02;

export type DialStanding = "none" | "sound" | "overdue" | "untested" | "replace";

/**
 * Returns whether a dial may be trusted at an instant: none, sound, overdue, untested, or to be replaced because it
 * reads more than 1 lb high or 2 lb low.
 *
 * Source: USDA 2015, Guide 1, from memory, for the test each year and 1 lb high; 2 lb low is common practice, no
 * source.
 * @param now ms since 1970 UTC
 */
export function dialStanding(gauges: CannerGauges, now: number): DialStanding {
  if (!gauges.dial) return "none";
  const { errorPsi, testedAt } = gauges.dial;
  if (errorPsi === null || testedAt === null) return "untested";
  if (errorPsi > GAUGE_REPLACE_PSI + ROUNDING_PSI || errorPsi < -GAUGE_LOW_PSI - ROUNDING_PSI)
    return "replace";
  return now > testDueAt(testedAt) ? "overdue" : "sound";
}

/**
 * Returns when the next gauge test is due, ms since 1970 UTC: the same date a year later, in UTC.
 *
 * Source: USDA 2015, Guide 1 (each year before use), from memory.
 * @param testedAt ms since 1970 UTC
 */
export function testDueAt(testedAt: number): number {
  const due = new Date(testedAt);
  due.setUTCMonth(due.getUTCMonth() + GAUGE_TEST_MONTHS);
  return due.getTime();
}

/**
 * Returns every pressure that some pieces of a weight make together, psi, ascending.
 *
 * @param pieces psi each, > 0
 */
export function weightSettings(pieces: readonly number[]): number[] {
  const sums = new Set<number>();
  for (let pick = 1; pick < 1 << pieces.length; pick++) {
    sums.add(pieces.reduce((sum, psi, i) => (pick & (1 << i) ? sum + psi : sum), 0));
  }
  return [...sums].sort((a, b) => a - b);
}

/** Settings that some row of the tables uses, psi: 10 and 15. */
const TABLE_SETTINGS = new Set([...JAR_BANDS.map((b) => b.weightedPsi), CAN_BAND.weightedPsi]);

/**
 * Returns the settings a weight may be used at, psi, ascending: made by its pieces, used by the process tables (10 and
 * 15), and below the canner's limit.
 *
 * Source: USDA 2015, process tables, from memory.
 * @param pieces psi each, > 0
 * @param maxPsi the canner's own limit, psi; null when not known
 */
export function settingsFor(pieces: readonly number[], maxPsi: number | null): number[] {
  return weightSettings(pieces).filter((psi) => TABLE_SETTINGS.has(psi) && (maxPsi === null || psi < maxPsi));
}

/** The pressure to hold, and how it reads on this canner. */
export interface PressureTarget {
  ok: true;
  /** the one instrument that decides; the other is only observed */
  governs: GaugeKind;
  /** least true gauge pressure, psi */
  truePsi: number;
  /** what a dial must show for that, psi: true plus what it is known to read high; equal to true without a dial */
  facePsi: number;
  /** weight to put on, psi; null when the canner has none */
  weightPsi: number | null;
  /** the dial may start and keep the clock; false when it is to be replaced, or overdue or untested and not signed for */
  dialReliable: boolean;
  /** why this number, in sentences */
  why: string[];
}

export interface NoTarget {
  ok: false;
  /** a signed reason may override only `gauge-overdue` */
  blockedBy: "gauge-overdue" | "gauge-replace" | "no-weight" | "no-gauge" | "over-limit";
  reason: string;
  instead: string[];
}

export interface TargetCase {
  /** the dial column, psi; null when the table has none for the altitude */
  dialPsi: number | null;
  /** the weighted column, psi; null when only a dial pressure is known */
  weightedPsi: number | null;
  gauges: CannerGauges;
  /** the canner's own limit, psi; null when it is not known */
  maxPsi?: number | null;
  /** instant it is asked for, ms since 1970 UTC */
  now: number;
  /** a person has signed a reason for using a dial that is overdue or untested */
  signedOverdue?: boolean;
  /** a person chose the dial of a canner that has a weight too */
  chosen?: GaugeKind | null;
}

/**
 * Returns the pressure to hold, psi, and which instrument decides; or why there is none, with what to do instead.
 *
 * The weight governs unless a person chooses a tested dial; the weight is then set at or above the dial's pressure, as
 * a limit. A dial up to 1 lb high has that much added to its figure; one that reads low is never used to go lower.
 * Nothing is asked for at or above the canner's own limit. Source: USDA 2015, Guide 1 and the process tables, from
 * memory.
 */
export function pressureTarget(c: TargetCase): PressureTarget | NoTarget {
  const { dialPsi, weightedPsi, gauges, now, signedOverdue = false, chosen = null } = c;
  const standing = dialStanding(gauges, now);
  const settings = settingsFor(gauges.weightPiecesPsi, c.maxPsi ?? null);
  const hasWeight = gauges.weightPiecesPsi.length > 0;
  const weight = weightedPsi === null ? null : (settings.find((psi) => psi >= weightedPsi) ?? null);
  const dialGoes = standing === "sound" || (signedOverdue && isOverdue(standing));
  if (standing === "none" || (hasWeight && chosen !== "dial" && weightedPsi !== null))
    return weight === null
      ? noWeight(weightedPsi, hasWeight, c.maxPsi ?? null)
      : byWeight(weight, weightedPsi!, standing, dialGoes, gauges.dial?.errorPsi ?? 0);
  if (dialPsi === null)
    return no("no-gauge", "There is no dial-gauge pressure for this load at this altitude.", [
      ...(weightedPsi === null ? [] : [`Use a weighted gauge at ${weightedPsi} lb.`]),
      "Ask your local extension office.",
    ]);
  const error = gauges.dial!.errorPsi ?? 0;
  if (standing === "replace")
    return no(
      "gauge-replace",
      `This dial reads ${formatFraction(Math.abs(error))} lb ${error > 0 ? "high" : "low"}. ${DIAL_REPLACED}`,
      ["Fit a new dial gauge and test it.", "Use a canner with a weight."],
    );
  if (hasWeight && standing !== "sound")
    return no("gauge-overdue", dialDoubt(standing), ["Go by the weight.", "Have the gauge tested first."]);
  if (!dialGoes)
    return no("gauge-overdue", dialDoubt(standing), [
      "Have the gauge tested; local extension offices do it.",
      "Use a canner with a weight.",
      "Or go ahead anyway and write why. The reason stays with the run.",
    ]);
  if (c.maxPsi != null && dialPsi >= c.maxPsi)
    return no(
      "over-limit",
      `This load needs ${dialPsi} lb, and this canner's own limit is ${formatFraction(c.maxPsi)} lb.`,
      ["Use another canner."],
    );
  const limit = settings.find((psi) => psi >= dialPsi) ?? null;
  if (hasWeight && limit === null)
    return no(
      "no-weight",
      `The dial has to show ${dialPsi} lb, and this canner's weight lets steam go before that.`,
      ["Get a heavier weight from the maker.", "Use another canner."],
    );
  const high = Math.max(0, error);
  const why = [`The dial column asks for ${dialPsi} lb.`];
  if (high > 0) why.push(readsHigh(error, dialPsi));
  if (error < 0)
    why.push(
      `The dial reads ${formatFraction(-error)} lb low. The target stays at ${dialPsi} lb on its face: never lower.`,
    );
  if (limit !== null)
    why.push(`The dial governs this run. Set the weight to ${limit} lb: it is only the upper limit.`);
  return {
    ok: true,
    governs: "dial",
    truePsi: dialPsi,
    facePsi: dialPsi + high,
    weightPsi: limit,
    dialReliable: true,
    why,
  };
}

/** The weight governs: its setting is the target, and a dial beside it is only observed. */
function byWeight(
  weight: number,
  weightedPsi: number,
  standing: DialStanding,
  dialGoes: boolean,
  error: number,
): PressureTarget {
  const why = [
    weight === weightedPsi
      ? `The weighted column asks for ${weightedPsi} lb.`
      : `The weighted column asks for ${weightedPsi} lb; ${weight} lb is the nearest this weight can be set, and more is allowed.`,
  ];
  const high = dialGoes ? Math.max(0, error) : 0;
  if (standing !== "none") {
    why.push(
      dialGoes
        ? "The weight governs this run; the dial is only watched."
        : `${dialDoubt(standing)} The weight governs.`,
    );
    if (high > 0) why.push(readsHigh(error, weight));
  }
  return {
    ok: true,
    governs: "weighted",
    truePsi: weight,
    facePsi: weight + high,
    weightPsi: weight,
    dialReliable: dialGoes,
    why,
  };
}

function noWeight(weightedPsi: number | null, hasWeight: boolean, maxPsi: number | null): NoTarget {
  if (weightedPsi === null)
    return no("no-gauge", "This process was given for a dial gauge, and this canner has none.", [
      "Use a canner with a dial gauge.",
      "Ask the office for the weighted pressure.",
    ]);
  if (!hasWeight)
    return no(
      "no-gauge",
      "This canner has neither a dial gauge nor a weight, so its pressure cannot be known.",
      ["Use another canner."],
    );
  if (maxPsi !== null && maxPsi <= weightedPsi)
    return no(
      "no-weight",
      `This load needs a ${weightedPsi} lb weight, and this canner's own limit is ${formatFraction(maxPsi)} lb.`,
      ["Use another canner."],
    );
  return no(
    "no-weight",
    `This altitude needs a ${weightedPsi} lb weight and this canner has none that heavy.`,
    [
      `Get the ${weightedPsi} lb weight from the maker.`,
      "Use another canner.",
      "Or choose the dial, if it was tested within a year and the weight can be set at or above its pressure.",
    ],
  );
}

function no(blockedBy: NoTarget["blockedBy"], reason: string, instead: string[]): NoTarget {
  return { ok: false, blockedBy, reason, instead };
}

function isOverdue(standing: DialStanding): boolean {
  return standing === "overdue" || standing === "untested";
}

/** USDA 2015, Guide 1, from memory; 2 lb low: common practice, no source. */
export const DIAL_REPLACED =
  "More than 1 lb high, or more than 2 lb low, a dial gauge is replaced, not corrected.";

function readsHigh(error: number, truePsi: number): string {
  return `The dial reads ${formatFraction(error)} lb high, so ${formatFraction(truePsi)} lb shows as ${formatFraction(truePsi + error)} lb on its face.`;
}

function dialDoubt(standing: DialStanding): string {
  if (standing === "untested")
    return "The dial gauge has never been tested, so its reading cannot be trusted.";
  if (standing === "overdue") return "The dial gauge was last tested more than 12 months ago.";
  return `The dial gauge must be replaced. ${DIAL_REPLACED}`;
}
