import { kPaFromPsi } from "../quantity/index.ts";
import { dialStanding, type CannerGauges } from "../schedule/index.ts";
import type { RunPlan } from "./event.ts";

/**
 * Returns the canner's own dial as a run records it: how it was tested, and its error, kPa, null when it was never
 * tested.
 *
 * @param reliable it was tested in time, or somebody signed for using it
 * @param now ms since 1970 UTC
 */
export function dialInRun(
  gauges: CannerGauges,
  reliable: boolean,
  now: number,
): NonNullable<RunPlan["dial"]> {
  const standing = dialStanding(gauges, now);
  const errorPsi = gauges.dial?.errorPsi ?? null;
  return {
    standing: standing === "sound" ? "tested" : reliable && standing !== "none" ? "signed" : standing,
    errorKPa: errorPsi === null ? null : kPaFromPsi(errorPsi),
  };
}
