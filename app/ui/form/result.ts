import type { SubmissionResult } from "@conform-to/react";

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

/** What was typed, where it is one of what can be chosen: a form that comes back may hold anything. */
export function among<T extends string>(typed: unknown, choices: readonly T[]): T | undefined {
  return choices.find((c) => c === typed);
}

/** Everything that was said of a submission, at its fields or as a whole, in one line; empty when nothing was. */
export function problemOf(result: Pick<SubmissionResult, "error"> | null | undefined): string {
  return Object.values(result?.error ?? {})
    .flatMap((messages) => messages ?? [])
    .join(" ");
}
