import { MINUTE_MS } from "#core/quantity";
import { heatingRateS } from "../heat/index.ts";
import { EXHAUST_TEMP_C, shapeOf, type ContainerKey } from "../schedule/index.ts";

/** One reading of a probe in an open can. */
export interface ProbeReading {
  /** ms since 1970 UTC */
  at: number;
  tempC: number;
  /** of the juice beside it, when somebody read that too, °C */
  juiceC?: number | null;
  /** somebody looked and said that the tip is in the meat */
  confirmed?: boolean;
}

/** Meat in simmering water is between these, °C. Common practice, no source. */
const COLDEST_C = -20;
const HOTTEST_C = 102;
/** Clocks of a probe and of the larder may differ by this, ms. Common practice, no source. */
const CLOCKS_MS = MINUTE_MS;

/**
 * Returns why a temperature cannot be that of meat, or of its juice, in simmering water, as a sentence; null when it
 * can be.
 *
 * @param c °C
 */
export function whyNotInWater(c: number): string | null {
  if (c > COLDEST_C && c < HOTTEST_C) return null;
  return `Meat in simmering water is between freezing and boiling.${c >= HOTTEST_C ? " Is this °F?" : ""} Read the probe again.`;
}

/**
 * Returns which part of a probe reading is impossible, and why, as a sentence; null when the reading is possible. It
 * may be from before the can was recorded as filled, since people fill first and write then.
 *
 * @param now ms since 1970 UTC; the reading may be a little ahead of it, as clocks are
 */
export function whyNotRead(
  { at, tempC, juiceC = null }: ProbeReading,
  now: number,
): { of: "at" | "tempC" | "juiceC"; message: string } | null {
  for (const [of, c] of [
    ["tempC", tempC],
    ["juiceC", juiceC],
  ] as const) {
    const message = c === null ? null : whyNotInWater(c);
    if (message) return { of, message };
  }
  if (at > now + CLOCKS_MS) return { of: "at", message: "That time is in the future." };
  return null;
}

/** Why a reading is not taken at its word. */
export type Doubt = "too-fast" | "as-the-juice";

/** Closer to the juice than this the tip is likely in it, °C. Common practice, no source. */
const JUICE_C = 0.6;
/** Thermal diffusivity of meat, m²/s, a high one. Typical, from memory. */
const DIFFUSIVITY = 1.5e-7;
/** Nothing heats faster than this in a can that stands half in simmering water, °C. */
const SIMMER_C = 98;
/** What two readings may differ by from the probe alone, °C. Common practice, no source. */
const SLACK_C = 3;
/** Raw meat goes in no warmer than this, °C. Common practice, no source. */
const RAW_C = 20;

/**
 * Returns how fast the center of a can packed solid can warm by conduction at most, °C a minute, ≥ 0, with simmering
 * water all round it.
 *
 * Source: Olson & Jackson 1942, from memory (see `heatingRateS`); the diffusivity of meat is typical, from memory.
 * @param tempC temperature at the center, °C
 * @throws RangeError for a container without measures
 */
export function fastestRise(container: ContainerKey, tempC: number): number {
  const shape = shapeOf(container);
  const a = shape.outsideDiameterMm / 2000;
  const b = shape.heightMm / 2000;
  const f = heatingRateS(a, b, DIFFUSIVITY) / 60;
  return (Math.LN10 / f) * Math.max(0, SIMMER_C - tempC);
}

/**
 * Returns why a probe reading has to be asked about: it rises faster than heat reaches the center, or it equals the
 * juice's. Null when it does not, and when someone has confirmed it. Limits are common practice, no source.
 *
 * @param before the can's reading before it; null for the first
 * @param filledAt when the can was filled, ms since 1970 UTC; null when not known
 * @param hot packed hot: liquid runs between loose pieces, so only the juice tells
 */
export function doubtOf(
  reading: ProbeReading,
  before: Pick<ProbeReading, "at" | "tempC"> | null,
  container: ContainerKey,
  filledAt: number | null,
  hot: boolean,
): Doubt | null {
  if (reading.confirmed) return null;
  const { juiceC = null } = reading;
  // While all is still warming, meat in the middle is colder than what boils round it.
  if (juiceC !== null && Math.abs(reading.tempC - juiceC) < JUICE_C) return "as-the-juice";
  if (hot) return null;
  const from = before ?? (filledAt === null ? null : { at: filledAt, tempC: RAW_C });
  if (!from) return null;
  const minutes = Math.max(0, reading.at - from.at) / MINUTE_MS;
  const rise = reading.tempC - from.tempC;
  return rise > SLACK_C + fastestRise(container, from.tempC) * minutes ? "too-fast" : null;
}

/** An exhausted can is closed within this, min: afterwards it has cooled and drawn air. Common practice, no source. */
export const CLOSE_WITHIN_MIN = 10;
/** A closed can waits no longer than this for the canner, min, before it is said to have cooled. Common practice, no source. */
export const INTO_CANNER_WITHIN_MIN = 60;

export type CanStage =
  | "no-reading"
  | "warming"
  | "questioned"
  /** at temperature: close it now */
  | "hot"
  /** was at temperature and stood open too long */
  | "cooled"
  | "closed"
  /** closed, and waiting so long that it has cooled */
  | "closed-cooled"
  /** its seam was bad and nothing has been done about it yet */
  | "bad-seam"
  /** goes in without, somebody signed */
  | "signed";

/** What is known of a can on its way to the canner. */
export interface CanHistory {
  container: ContainerKey;
  hot: boolean;
  filledAt: number | null;
  /** in order */
  readings: readonly ProbeReading[];
  /** newest verdict on its seam and when */
  seam: { at: number; verdict: "accept" | "redo" } | null;
  signed: boolean;
}

export interface CanNowAt {
  stage: CanStage;
  tempC: number | null;
  doubt: Doubt | null;
  /** until when it has to be closed, ms; null unless it is hot */
  closeBy: number | null;
}

/**
 * Returns the stage of a can on its way to the canner at an instant, its last reading, °C or null, and until when it
 * has to be closed, ms since 1970 UTC, null unless it is hot.
 *
 * Source: exhausting to 170 °F at the center, USDA 2015, from memory; the waits after it are common practice, no
 * source.
 * @param now ms since 1970 UTC
 */
export function canAt(can: CanHistory, now: number): CanNowAt {
  const last = can.readings.at(-1) ?? null;
  const seam = can.seam && (!last || can.seam.at >= last.at) ? can.seam : null;
  const doubt = last && doubtOf(last, can.readings.at(-2) ?? null, can.container, can.filledAt, can.hot);
  const is = (stage: CanStage, closeBy: number | null = null): CanNowAt => ({
    stage,
    tempC: last?.tempC ?? null,
    doubt: stage === "questioned" ? doubt : null,
    closeBy,
  });
  if (can.signed) return is("signed");
  if (seam?.verdict === "redo") return is("bad-seam");
  if (!last) return is("no-reading");
  if (doubt) return is("questioned");
  if (last.tempC < EXHAUST_TEMP_C - 1e-6) return is("warming");
  // A good seam on a can that was not hot makes it no fitter, however it came to be closed.
  if (seam) return is(now - seam.at > INTO_CANNER_WITHIN_MIN * MINUTE_MS ? "closed-cooled" : "closed");
  const closeBy = last.at + CLOSE_WITHIN_MIN * MINUTE_MS;
  return now > closeBy ? is("cooled") : is("hot", closeBy);
}

/**
 * Returns whether a can in this stage may go into a canner: it was exhausted and its seam accepted, or someone signed
 * for it.
 */
export function isFitStage(s: CanStage): boolean {
  return s === "closed" || s === "closed-cooled" || s === "signed";
}
