import { formatFraction } from "../quantity/index.ts";
import { COMMON_PRACTICE, type Source } from "./source.ts";
import { type GaugeKind } from "./pressure.ts";

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

/** A dial further off than this is replaced, not corrected. Some offices say 1 lb. */
export const GAUGE_REPLACE_PSI = 2;
export const GAUGE_REPLACE_SOURCE: Source = COMMON_PRACTICE;

export type DialStanding = "none" | "sound" | "overdue" | "untested" | "replace";

/** Whether the dial may be trusted at an instant. @param now ms since 1970 UTC */
export function dialStanding(gauges: CannerGauges, now: number): DialStanding {
  if (!gauges.dial) return "none";
  const { errorPsi, testedAt } = gauges.dial;
  if (errorPsi === null || testedAt === null) return "untested";
  if (Math.abs(errorPsi) > GAUGE_REPLACE_PSI) return "replace";
  return now > testDueAt(testedAt) ? "overdue" : "sound";
}

/** When the next gauge test is due: the same date a year on. @param testedAt ms since 1970 UTC */
export function testDueAt(testedAt: number): number {
  const due = new Date(testedAt);
  due.setUTCMonth(due.getUTCMonth() + GAUGE_TEST_MONTHS);
  return due.getTime();
}

/** Every pressure that can be set by stacking some of the pieces, psi, ascending. */
export function weightSettings(pieces: readonly number[]): number[] {
  const sums = new Set<number>();
  for (let pick = 1; pick < 1 << pieces.length; pick++) {
    sums.add(pieces.reduce((sum, psi, i) => (pick & (1 << i) ? sum + psi : sum), 0));
  }
  return [...sums].sort((a, b) => a - b);
}

/** The pressure to hold, and how it reads on this canner. */
export interface PressureTarget {
  ok: true;
  governs: GaugeKind;
  /** least true gauge pressure, psi */
  truePsi: number;
  /** what a dial must show for that, psi: true plus what it is known to read high; equal to true without a dial */
  facePsi: number;
  /** weight to put on, psi; null when the canner has none that governs or vents at its setting */
  weightPsi: number | null;
  /** why this number, in sentences */
  why: string[];
}

export interface NoTarget {
  ok: false;
  /** a signed reason may override only this one */
  blockedBy: "gauge-overdue" | "gauge-replace" | "no-weight" | "no-gauge";
  reason: string;
  instead: string[];
}

/**
 * Pressure target for a canner, from the table's two columns and what the canner has.
 *
 * A gauge that reads high needs its error added; one that reads low is never used to go lower. With a dial and a
 * weight either may govern, and the higher of the two targets is taken. Source of the columns: the process table;
 * of the replacing limit: common practice.
 * @param dialPsi the dial column, null when the table has none for the altitude
 * @param weightedPsi the weighted column, null when only a dial pressure is known
 * @param gauges what the canner has
 * @param now instant it is asked for, ms since 1970 UTC
 * @param signedOverdue a person has signed a reason for using a dial that is overdue or untested
 */
export function pressureTarget(
  dialPsi: number | null,
  weightedPsi: number | null,
  gauges: CannerGauges,
  now: number,
  signedOverdue = false,
): PressureTarget | NoTarget {
  const standing = dialStanding(gauges, now);
  const error = gauges.dial?.errorPsi ?? 0;
  const high = Math.max(0, error);
  const settings = weightSettings(gauges.weightPiecesPsi);
  const weight = weightedPsi === null ? null : (settings.find((psi) => psi >= weightedPsi) ?? null);
  const dialUsable = dialPsi !== null && (standing === "sound" || (signedOverdue && isOverdue(standing)));
  if (weight !== null && weightedPsi !== null) {
    return withWeight({
      dialPsi: dialUsable ? dialPsi : null,
      weightedPsi,
      weight,
      settings,
      standing,
      error,
    });
  }
  if (standing === "none") {
    if (weightedPsi === null) {
      return {
        ok: false,
        blockedBy: "no-gauge",
        reason: "This schedule was given for a dial gauge, and this canner has none.",
        instead: ["Use a canner with a dial gauge.", "Ask the office for the weighted pressure."],
      };
    }
    if (gauges.weightPiecesPsi.length > 0) {
      return {
        ok: false,
        blockedBy: "no-weight",
        reason: `This altitude needs a ${weightedPsi} lb weight and this canner has none that heavy.`,
        instead: [`Get the ${weightedPsi} lb weight from the maker.`, "Use another canner."],
      };
    }
    return {
      ok: false,
      blockedBy: "no-gauge",
      reason: "This canner has neither a dial gauge nor a weight, so its pressure cannot be known.",
      instead: ["Use another canner."],
    };
  }
  if (dialPsi === null) {
    return {
      ok: false,
      blockedBy: "no-gauge",
      reason: "There is no dial-gauge pressure for this load at this altitude.",
      instead: [`Use a weighted gauge at ${weightedPsi} lb.`, "Ask your local extension office."],
    };
  }
  if (standing === "replace") {
    return {
      ok: false,
      blockedBy: "gauge-replace",
      reason: `This dial reads ${formatFraction(Math.abs(error))} lb ${error > 0 ? "high" : "low"}. Off by more than ${GAUGE_REPLACE_PSI} lb it is replaced, not corrected.`,
      instead: ["Fit a new dial gauge and test it.", "Use a canner with a weight."],
    };
  }
  if (!dialUsable) {
    return {
      ok: false,
      blockedBy: "gauge-overdue",
      reason: dialDoubt(standing),
      instead: [
        "Have the gauge tested; local extension offices do it.",
        "Use a canner with a weight.",
        "Or sign a reason for going ahead, which stays with the run.",
      ],
    };
  }
  const why = [`The dial column asks for ${dialPsi} lb.`];
  if (high > 0) why.push(readsHigh(error, dialPsi));
  if (error < 0)
    why.push(
      `The dial reads ${formatFraction(-error)} lb low. The target stays at ${dialPsi} lb on its face: never lower.`,
    );
  return { ok: true, governs: "dial", truePsi: dialPsi, facePsi: dialPsi + high, weightPsi: null, why };
}

interface WeightCase {
  /** the dial column, when the dial may be trusted */
  dialPsi: number | null;
  weightedPsi: number;
  /** least setting that meets the weighted column */
  weight: number;
  settings: number[];
  standing: DialStanding;
  error: number;
}

/** A canner with a weight heavy enough: the weight governs, unless the dial column is higher and can be held. */
function withWeight({ dialPsi, weightedPsi, weight, settings, standing, error }: WeightCase): PressureTarget {
  const why = [
    weight === weightedPsi
      ? `The weighted column asks for ${weightedPsi} lb.`
      : `The weighted column asks for ${weightedPsi} lb; ${weight} lb is the nearest this weight can be set, and more is allowed.`,
  ];
  if (standing === "none") {
    return { ok: true, governs: "weighted", truePsi: weight, facePsi: weight, weightPsi: weight, why };
  }
  const heavier = dialPsi === null ? null : (settings.find((psi) => psi >= dialPsi) ?? null);
  const dialGoverns = dialPsi !== null && dialPsi > weight && heavier !== null;
  const truePsi = dialGoverns ? dialPsi : weight;
  if (dialPsi === null) why.push(dialDoubt(standing));
  else if (dialPsi > weight && !dialGoverns) {
    why.push(
      `The dial column asks for ${dialPsi} lb, but this weight lets steam go at ${weight} lb: go by its rocking.`,
    );
  } else {
    why.push(
      `The dial column asks for ${dialPsi} lb. Either may govern, so the higher is held: ${truePsi} lb.`,
    );
  }
  const high = standing === "replace" ? 0 : Math.max(0, error);
  if (high > 0) why.push(readsHigh(error, truePsi));
  return {
    ok: true,
    governs: dialGoverns ? "dial" : "weighted",
    truePsi,
    facePsi: truePsi + high,
    weightPsi: dialGoverns ? heavier : weight,
    why,
  };
}

function isOverdue(standing: DialStanding): boolean {
  return standing === "overdue" || standing === "untested";
}

function readsHigh(error: number, truePsi: number): string {
  return `The dial reads ${formatFraction(error)} lb high, so ${formatFraction(truePsi)} lb shows as ${formatFraction(truePsi + error)} lb on its face.`;
}

function dialDoubt(standing: DialStanding): string {
  if (standing === "untested")
    return "The dial gauge has never been tested, so its reading cannot be trusted.";
  if (standing === "overdue") return "The dial gauge was last tested more than 12 months ago.";
  if (standing === "replace")
    return "The dial gauge is off by more than 2 lb: go by the weight and replace the dial.";
  return "The table gives no dial-gauge pressure above 8,000 ft: go by the weight.";
}
