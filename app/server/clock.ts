/**
 * The server's clock. With LARDER_TEST_CLOCK=1 it can be moved, so that tests let hours pass; otherwise it is the
 * machine's and nothing can touch it.
 */
export const clockIsMovable = process.env.LARDER_TEST_CLOCK === "1";

let offsetMs = 0;

/** Now, ms since 1970 UTC. */
export function now(): number {
  return Date.now() + offsetMs;
}

/** Moves the clock on. @throws Error unless the server was started for tests */
export function moveClock(ms: number): number {
  if (!clockIsMovable)
    throw new Error("the clock moves only when the server is started with LARDER_TEST_CLOCK=1");
  offsetMs += ms;
  return now();
}
