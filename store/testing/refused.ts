import { Refused } from "#store/db";

/** What was refused and why, by field. @throws Error when nothing was */
export function refusedFields(work: () => unknown): Record<string, string> {
  return caught(work).fields;
}

/** The sentence of a refusal. @throws Error when nothing was refused */
export function refusal(work: () => unknown): string {
  return caught(work).message;
}

function caught(work: () => unknown): Refused {
  try {
    work();
  } catch (error) {
    if (error instanceof Refused) return error;
    throw error;
  }
  throw new Error("it was not refused");
}
