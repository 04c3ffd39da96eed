/** The page of help that tells what is checked. */
export const CHECKS_TITLE = "What this program checks, and what it cannot";

/** What no program can know, in the order of the work. Written for this product. */
export const CANNOT: readonly string[] = [
  "It goes by what you write. A weight, a time or a temperature nobody recorded is not checked, and a wrong one is checked as if it were right.",
  "It does not see into the canner. It knows the pressure at each look, by you or by a gauge that sends, and not between two looks.",
  "It does not smell, taste or see food. Whether an animal was sound and whether a jar smells as it should is for you to say.",
  "It does not find disease or toxin. A test result comes from a laboratory; here a lot waits until somebody enters it.",
  "It cannot test your gauge or measure your seam. It judges the figures you enter.",
  "Many figures here are from memory of what was published, and say so. Compare them with your own printed copy before you rely on them.",
  "Anyone who can write to the larder's file can change it. A change made past this program is noticed when the history is checked, and is not prevented.",
  "It is not a food inspector, a doctor or a laboratory. When in doubt, throw it out, and ask your extension office.",
];
