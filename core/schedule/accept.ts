import { type ScheduledProcess } from "./lookup.ts";
import { productName, type ProductKey } from "./table.ts";

/**
 * Why a process may not be used before a person of the household has accepted it; null when it may. A tested process needs
 * no acceptance. An extension office's is accepted by being entered with the office's name and its date.
 * @param accepted rows of common practice the household has accepted, each once
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
