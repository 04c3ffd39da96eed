import { type SubmissionResult } from "@conform-to/react";

/**
 * The result of a page's last submission, when it was this form's: pages with several forms tell them apart by a
 * hidden `intent`. A form without one has `undefined`.
 */
export function resultOf(
  result: SubmissionResult | undefined,
  intent: string | undefined,
): SubmissionResult | undefined {
  return (result?.initialValue as { intent?: string } | undefined)?.intent === intent ? result : undefined;
}
