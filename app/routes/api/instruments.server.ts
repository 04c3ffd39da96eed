/** What stands on the bench and can speak for itself: it shows a figure, and a person takes it. */
export const INSTRUMENTS = ["scale", "gauge"] as const;
export type Instrument = (typeof INSTRUMENTS)[number];

export interface Shown {
  kg: number | null;
  mm: number | null;
  /** ms since 1970 UTC */
  at: number;
}

/** A figure older than this is not offered any more, ms: by then something else lies on the scale. */
export const SHOWN_FOR_MS = 30_000;

// Only for as long as the server runs: nothing here is a record until a person takes it.
const latest = new Map<Instrument, Shown>();

export function show(name: Instrument, shown: Shown): void {
  latest.set(name, shown);
}

/** What an instrument showed in the last half minute; null when it has been silent. */
export function shownBy(name: Instrument, now: number): Shown | null {
  const shown = latest.get(name);
  return shown && now - shown.at <= SHOWN_FOR_MS ? shown : null;
}
