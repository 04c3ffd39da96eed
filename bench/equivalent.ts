/**
 * Changes of the code that no test can notice, because nothing comes of them, each with the proof. `mutate` counts them apart.
 * A line is named by its text, so that it is found wherever it has moved to, and no longer once it reads otherwise.
 */
export interface Equivalent {
  file: string;
  /** part of the line that is changed, as it stands in the file */
  line: string;
  /** what it is changed into: how that begins */
  into: string;
  proof: string;
}

export const EQUIVALENT: readonly Equivalent[] = [];
