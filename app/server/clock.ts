import { scopeNow } from "#store/db";

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
  const machine = Date.now();
  return Math.round(since + (machine - since) * factor + offsetMs);
}

/** How fast the clock runs: 1, unless a test made it faster. Screens tick at the same pace. */
export function pace(): number {
  return factor;
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
