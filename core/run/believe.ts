import { MINUTE_MS, kPaFromPsi } from "../quantity/index.ts";

/** Highest gauge reading anyone could see on a canner that still stands, kPa (30 lb). Common practice, no source. */
export const BELIEVABLE_KPA = kPaFromPsi(30);
/** A sensor at rest may read this much under nothing, kPa (½ lb); less is written down as nothing. */
const BELOW_NOTHING_KPA = kPaFromPsi(0.5);
/** A clock may run ahead of ours by this much, ms. More is an event from the future. */
export const CLOCK_SLACK_MS = 120_000;

/** Pressure a canner can gain in a minute, kPa (10 lb), with what a sticky needle may jump, kPa. A small one with little water gains half of it. */
const RISE_KPA_MIN = kPaFromPsi(10);
const JUMP_KPA = kPaFromPsi(1.5);
/** Looked back over this long, and not over less: two readings a second apart tell no rate. ms. */
export const BELIEF_MS = MINUTE_MS;
const LEAST_MS = 15_000;

/** A figure a gauge sent. Instants in ms since 1970 UTC. */
export interface SentFigure {
  at: number;
  gaugeKPa: number;
}

/**
 * Returns why a figure cannot be what this canner shows, as a sentence; null when it can be. A figure that is only low
 * is always believed, which is the safe side. Limits are common practice, no source.
 *
 * @param figure kPa, and its instant
 * @param before figures of the same gauge, in order of time
 */
export function whyNotBelieved(figure: SentFigure, before: readonly SentFigure[]): string | null {
  if (!Number.isFinite(figure.gaugeKPa)) return "This is not a number.";
  if (figure.gaugeKPa < -BELOW_NOTHING_KPA) return "A gauge does not read below zero.";
  if (figure.gaugeKPa > BELIEVABLE_KPA) return "No canner stands so much. Is the unit right?";
  const since = before.filter((b) => figure.at - b.at >= LEAST_MS && figure.at - b.at <= BELIEF_MS);
  for (const b of since) {
    const most = b.gaugeKPa + JUMP_KPA + (RISE_KPA_MIN * (figure.at - b.at)) / MINUTE_MS;
    if (figure.gaugeKPa > most)
      return "This rises faster than a canner can. Is the unit right, and is it the same gauge?";
  }
  return null;
}
