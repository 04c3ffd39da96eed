import type { ScheduledProcess } from "./lookup.ts";
import { productName, type ProductKey } from "./table.ts";

/**
 * Returns why a process may not be used before the household accepted it, as a sentence; null when it may. Only common
 * practice needs to be accepted; an extension office's process is accepted by being entered with the office's name and
 * date.
 *
 * @param accepted rows of common practice the household has accepted
 */
export function whyNotAccepted(
  process: Pick<ScheduledProcess, "outcome" | "product" | "fromOffice">,
  accepted: readonly ProductKey[],
): string | null {
  if (process.outcome === "tested" || process.fromOffice || accepted.includes(process.product)) return null;
  return (
    `${productName(process.product)} is common practice: no published source stands behind its minutes. ` +
    "Someone in your household has to accept that first, once."
  );
}
