/**
 * Returns why food may not be given away yet: nobody is named who could be told if it is recalled; null when somebody is.
 *
 * Common practice, no source.
 */
export function whyNotGiven(to: string | null): string | null {
  return to?.trim() ? null : "Who has it now? Write a name, so that you can tell them of a recall.";
}
