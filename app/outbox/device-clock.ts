/** The wall clock and the steady clock of a device have parted when they differ by more than this, ms. */
const PARTED_MS = 2_000;
/** Compared with the larder's clock again after so long, ms. */
const STALE_MS = 30_000;
const SILENT_MS = 6_000;
/** A word is on its way for so long on a slow network and a busy device, ms; later than that it is asked about. */
const LATE_MS = 1_500;
/** By so much at the most a clock known only by words that came late may be wrong, ms; by more, the larder's was set. */
const OF_LATE_WORDS_MS = 30_000;

/** A comparison of the device's clocks with the larder's. */
interface Compared {
  larder: number;
  /** seconds of the larder's clock in one of the device's: 1 but in tests */
  pace: number;
  wall: number;
  steady: number;
}

let last: Compared | null = null;

/** Whether what is known of the larder's clock still tells anything: not when a clock of the device was set since. */
const tells = (known: Compared | null, pace: number): known is Compared =>
  known !== null && known.pace === pace && !haveParted(known);

/**
 * Fits the larder's clock between what it shows now at the least and at the most, and moves what was known of it no further
 * than it must: what comes over a network comes late, and something late must not set the clock back.
 */
function fit(least: number, most: number, pace: number): void {
  const larder = tells(last, pace) ? Math.min(Math.max(larderTime(), least), most) : (least + most) / 2;
  last = { larder, pace, wall: Date.now(), steady: performance.now() };
}

/** Keeps what the larder said its clock shows: that was on its way for a while, so the clock shows that or more. */
export function heardClock(now: number, pace: number): void {
  const known = tells(last, pace);
  // Later than anything is on its way: either it was kept up, or the clock was set back. It is asked there and back.
  if (known && larderTime() > now + LATE_MS * pace) return void compareClocks();
  fit(now, known ? Infinity : now, pace);
  if (!known) void compareClocks();
}

/** Whether the device slept or its clock was set since it was last compared: its steady clock stops in sleep on many. */
function haveParted({ wall, steady }: Pick<Compared, "wall" | "steady">): boolean {
  return Math.abs(Date.now() - wall - (performance.now() - steady)) > PARTED_MS;
}

/** The larder's clock at an instant of the device's wall clock, which goes on in sleep. Both ms since 1970 UTC. */
export function larderTime(wall = Date.now()): number {
  return last ? Math.round(last.larder + (wall - last.wall) * last.pace) : wall;
}

/** The larder's clock now, ms since 1970 UTC; null before it was ever compared. */
export const larderTimeOrNull = (): number | null => (last ? larderTime() : null);

/** When something was pressed. */
export interface Press {
  /** the larder's clock, as this device knows it, ms since 1970 UTC */
  at: number;
  /** the device's own wall clock, ms since 1970 UTC */
  wall: number;
  /** whether the clocks had been compared by then */
  known?: boolean;
  /** the device's steady clock, ms, and since when it counts, ms since 1970 UTC, which tells one page's from another's */
  steady?: { at: number; since: number };
}

/** Stamps a press at the press itself. */
export function pressed(): Press {
  const wall = Date.now();
  const steady = { at: performance.now(), since: performance.timeOrigin };
  return { at: larderTime(wall), wall, known: last !== null, steady };
}

let comparing: Promise<boolean> | null = null;

/** Compares the clocks with the larder's. @returns false when it cannot be reached */
function compareClocks(): Promise<boolean> {
  return (comparing ??= askClock().finally(() => (comparing = null)));
}

async function askClock(): Promise<boolean> {
  const began = performance.now();
  try {
    const answer = await fetch("/clock", { cache: "no-store", signal: AbortSignal.timeout(SILENT_MS) });
    if (!answer.ok) return false;
    const { now, pace } = (await answer.json()) as { now: number; pace: number };
    // The answer was given between then and now.
    fit(now, now + (performance.now() - began) * pace, pace);
    return true;
  } catch {
    return false;
  }
}

/** Compares them unless that was done just now and they go together since. */
export async function clocksCompared(): Promise<boolean> {
  const fresh = last !== null && !haveParted(last) && Date.now() - last.wall < STALE_MS;
  return fresh || compareClocks();
}

/**
 * The instant of a press, once the clocks were compared again: the same as before, or doubted, when the wall clock was set
 * in between and nobody can tell on which side of the press. While the device's two clocks went together since, one from
 * before the first comparison is known by it, and one that went by a word that came late is put right.
 */
export function settled({ at, wall, known = true, steady }: Press): { at: number; uncertain: boolean } {
  const now = larderTime(wall);
  const together = steady?.since === performance.timeOrigin && !haveParted({ wall, steady: steady.at });
  const moved = Math.abs(now - at) / Math.max(1, last?.pace ?? 1);
  const doubted = known ? moved > (together ? OF_LATE_WORDS_MS : PARTED_MS) : !together;
  return { at: now, uncertain: doubted || wall > Date.now() + PARTED_MS };
}
