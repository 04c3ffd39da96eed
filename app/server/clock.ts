import { readFileSync } from "node:fs";
import { uptime } from "node:os";
import { join } from "node:path";
import { MINUTE_MS } from "#core/quantity";
import { scopeNow, writeWhole, type Larder } from "#store/db";
import { activeRuns, isClockUnknown, isInCanner, noteClock } from "#store/run";
import { SteadyClock, type MachineClocks, type RememberedClock } from "./steady-clock";

/**
 * The server's clock. With LARDER_TEST_CLOCK=1 it can be moved and made to run faster, so that tests and the simulated
 * canner let hours pass; otherwise it is the machine's and nothing can touch it.
 */
export const clockIsMovable = process.env.LARDER_TEST_CLOCK === "1";

/** `machine,larder,pace`: at that instant of the machine's clock it was that instant here, and our seconds pass so fast. */
const [machineAt = Date.now(), larderAt = machineAt, paceAt = 1] =
  (clockIsMovable && process.env.LARDER_TEST_CLOCK_AT?.split(",").map(Number)) || [];

let since = machineAt;
let offsetMs = larderAt - machineAt;
let factor = paceAt;

/** Now, ms since 1970 UTC; for what was said on a screen that could not reach the larder then, the instant it was said. */
export function now(): number {
  return scopeNow().said?.at ?? clockNow();
}

/** Now by the clock itself, whatever is being told of. */
export function clockNow(): number {
  if (steady) return steady.now();
  const machine = Date.now();
  return Math.round(since + (machine - since) * factor + offsetMs);
}

/** How fast the clock runs: 1, unless a test made it faster. Screens tick at the same pace. */
export function pace(): number {
  return factor;
}

/** On a busy machine something is on its way for so long at most, ms: times as many as the clock is faster. */
const WAY_MS = 10_000;

/**
 * What a sender's clock shows as it sends. Where a test lets the clock run faster, the time on the way is no fault of the
 * sender's clock, and is taken out.
 */
export function shownBySender(sentAt: number): number {
  const now = clockNow();
  return factor !== 1 && Math.abs(now - sentAt) <= WAY_MS * factor ? now : sentAt;
}

/** Moves the clock on, and from now on lets it run at another pace. @throws Error unless the server was started for tests */
export function moveClock(ms: number, newPace = factor): number {
  if (!clockIsMovable)
    throw new Error("the clock moves only when the server is started with LARDER_TEST_CLOCK=1");
  const before = clockNow();
  since = Date.now();
  offsetMs = before - since + ms;
  factor = newPace;
  return clockNow();
}

/** The larder's own clock once it is open; before that, and in tests, the machine's. */
let steady: SteadyClock | null = null;
let unknown = false;

/** A start of the machine has a name of its own on Linux; elsewhere an uptime that has shrunk tells. */
function bootName(): string {
  try {
    return readFileSync("/proc/sys/kernel/random/boot_id", "utf8").trim();
  } catch {
    return "";
  }
}
const machine: MachineClocks = { wall: Date.now, uptime: () => uptime() * 1000, boot: bootName };

const CLOCK_FILE = "clock.json";
/** Remembered so often, ms: after a power cut so much is not known of the time before it. */
const REMEMBER_MS = 10_000;

function remembered(folder: string): RememberedClock | null {
  try {
    return JSON.parse(readFileSync(join(folder, CLOCK_FILE), "utf8")) as RememberedClock;
  } catch {
    return null;
  }
}

/**
 * From now on the larder goes by a steady clock: nobody makes time pass by setting the machine's. Every run under way is
 * told when that was set, and when nobody can tell the time after a power cut. @returns how to stop it
 */
export function startClock(larder: Larder): () => void {
  if (clockIsMovable) return () => undefined;
  const runs = activeRuns(larder);
  const counting = runs.some((r) => isInCanner(r.view) && r.view.burnerLitAt !== null);
  // Told afterwards: the clock may be asked in the middle of a write.
  const stepped = (ms: number) => void setImmediate(() => noteClock(larder, "clock-step", ms));
  const clock = new SteadyClock(machine, remembered(larder.folder), counting, stepped);
  steady = clock;
  unknown = isClockUnknown(larder);
  if (clock.start === "unknown" && !unknown) {
    noteClock(larder, "clock-unknown");
    unknown = isClockUnknown(larder);
  }
  const remember = () => {
    // With nothing in a canner, nothing is made longer or shorter by going by the machine's clock again.
    if (clock.apartMs() !== 0 && !activeRuns(larder).some((r) => isInCanner(r.view))) clock.setTo(Date.now());
    writeWhole(join(larder.folder, CLOCK_FILE), JSON.stringify(clock.remember()));
  };
  const timer = setInterval(() => {
    try {
      remember();
    } catch {
      // A full disk, or a larder that is being closed: it is remembered the next time.
    }
  }, REMEMBER_MS);
  timer.unref();
  return () => {
    clearInterval(timer);
    steady = null;
  };
}

/** Whether nobody can tell what time it is, so that nothing counts. */
export const clockIsUnknown = (): boolean => unknown;

/** A screen's clock that is this near confirms the larder's, ms. */
const CONFIRMS_MS = MINUTE_MS;

/**
 * Confirms what time it is, by a screen's clock or by a person's word.
 * @param is what the screen shows, ms since 1970 UTC
 * @param byHand a person says so; otherwise it has to agree with the larder's clock
 * @returns false when that does not settle it
 */
export function confirmClock(larder: Larder, is: number, byHand: boolean): boolean {
  if (!unknown) return true;
  const now = clockNow();
  const agrees = Math.abs(is - now) <= CONFIRMS_MS;
  // Nothing was written down after it happened: the time is not before what is there already.
  if (!agrees && (!byHand || is < now - CONFIRMS_MS)) return false;
  if (!agrees) steady?.setTo(is);
  noteClock(larder, "clock-known");
  unknown = false;
  return true;
}
