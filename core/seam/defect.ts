import type { SeamDimension } from "./dimension.ts";
import type { Out } from "./limits.ts";

/** What eye and fingertip find on a closed seam. */
export const DEFECTS = [
  "vee",
  "droop",
  "cutover",
  "bump",
  "skidder",
  "false-seam",
  "jumped",
  "crushed-lap",
] as const;
export type DefectKey = (typeof DEFECTS)[number];

export type SeamVerdict = "accept" | "redo" | "stop";

export interface Defect {
  key: DefectKey;
  name: string;
  /** what it feels and looks like */
  feel: string;
  /** what usually makes it, and where to look on the sealer */
  cause: string;
  /** the can is done again; or the sealer stops as well, since the next can would have it too */
  verdict: Exclude<SeamVerdict, "accept">;
  /** only on a can whose body has a side seam */
  sideSeam: boolean;
}

const defect = (
  key: DefectKey,
  name: string,
  feel: string,
  cause: string,
  verdict: Defect["verdict"],
  sideSeam = false,
): Defect => ({ key, name, feel, cause, verdict, sideSeam });

/** Terms as in 21 CFR 113.60(a)(1) where it has them (from memory); causes are common practice, no source. */
export const VISUAL_DEFECTS: readonly Defect[] = [
  defect(
    "vee",
    "Vee",
    "A sharp little V sticks out below the seam.",
    "Something lay in the seam, or the end’s curl was bent. Wipe the flange; look at the ends.",
    "redo",
  ),
  defect(
    "droop",
    "Droop",
    "The seam hangs smoothly below its line at one place.",
    "Meat, grease or too much compound in the seam; else the first roll is tight. Wipe the flange.",
    "redo",
  ),
  defect(
    "cutover",
    "Cutover (sharp)",
    "A sharp edge at the inside top of the seam that catches the nail; cut metal.",
    "A roll too tight against the chuck, or a worn or low chuck. Look at the first roll, then the second.",
    "stop",
  ),
  defect(
    "bump",
    "Bump",
    "One place stands out thicker than the rest.",
    "Food caught in the seam, or a bent flange.",
    "redo",
  ),
  defect(
    "skidder",
    "Skidder (deadhead)",
    "Part of the way round the seam is round and loose: not ironed flat.",
    "The can slipped on the chuck: base plate pressure too low, or grease on chuck or plate.",
    "stop",
  ),
  defect(
    "false-seam",
    "False seam",
    "The end is folded beside the body and not hooked into it; it may look whole from above.",
    "A bent flange or curl, or the end not seated before the first roll.",
    "stop",
  ),
  defect(
    "jumped",
    "Jumped seam",
    "The seam is loose just beside the side seam, where the roll jumped.",
    "Turned too fast over the lap, or a weak second roll spring.",
    "redo",
    true,
  ),
  defect(
    "crushed-lap",
    "Crushed lap",
    "The lap of the side seam is crushed and sharp under the double seam.",
    "The second roll too tight at the lap, or a thick side seam.",
    "redo",
    true,
  ),
];

/** Returns a seam defect by its key: name, sign, cause and cure. Common practice, no source. */
export const defectOf = (key: DefectKey): Defect => VISUAL_DEFECTS.find((d) => d.key === key)!;

/**
 * Returns what the defects found on a seam ask for: nothing found is accepted; one that the next can would have too
 * stops the sealer. Common practice, no source.
 */
export function verdictOf(found: readonly DefectKey[]): SeamVerdict {
  if (found.length === 0) return "accept";
  return found.some((k) => defectOf(k).verdict === "stop") ? "stop" : "redo";
}

/** What usually lies behind a figure beyond its limits, and which roll to look at. Common practice, no source. */
const CAUSES: Partial<Record<`${SeamDimension} ${Out}`, string>> = {
  "width low": "The second roll is usually too loose, or the first too tight.",
  "width high": "The second roll is usually too tight and irons the seam long, or the first too loose.",
  "thickness low":
    "The second roll is usually too tight. Let it out a little before it cuts through at the top.",
  "thickness high": "The second roll is usually too loose: bring it in by a little.",
  "countersink low": "The chuck is usually worn or too shallow, or the base plate presses too lightly.",
  "countersink high":
    "The base plate usually presses too hard, or the chuck sits too low. A deep countersink costs cover hook.",
  "bodyHook low": "The base plate usually presses too lightly, or the first roll is too tight.",
  "bodyHook high": "The base plate usually presses too hard, or the first roll is too loose.",
  "coverHook low": "The first roll is usually too loose, or worn. Bring it in a little.",
  "coverHook high": "The first roll is usually too tight. Let it out a little.",
  "overlap low":
    "One hook is short. The short hook says which: cover hook, first roll; body hook, base plate.",
  "overlapPercent low":
    "One hook is short for this seam’s width. Cover hook: first roll. Body hook: base plate.",
  "butting low":
    "The body hook does not reach far enough into the seam: usually too light a base plate, or the first roll too tight.",
  "tightness low": "The second roll is usually too loose to iron the wrinkles out of the cover hook.",
};

export const ADVICE_AFTER = "Change one thing, seam two empty cans, tear one down again.";

/**
 * Returns advice about one dimension outside its limits; null inside them. Common practice, no source.
 *
 * @param out whether it is above or below; null inside
 */
export function adviceFor(dimension: SeamDimension, out: Out | null): string | null {
  return out ? (CAUSES[`${dimension} ${out}`] ?? null) : null;
}

/**
 * Returns advice about all dimensions outside their limits; empty when all are inside. A hook that is named says more
 * than the overlap that follows from it. Common practice, no source.
 */
export function adviceOn(judged: readonly { dimension: SeamDimension; out: Out | null }[]): string[] {
  const hook = judged.some(
    (j) => j.out !== null && (j.dimension === "coverHook" || j.dimension === "bodyHook"),
  );
  const told = judged.flatMap((j) => {
    if (hook && (j.dimension === "overlap" || j.dimension === "overlapPercent" || j.dimension === "butting"))
      return [];
    return adviceFor(j.dimension, j.out) ?? [];
  });
  return [...new Set(told)];
}
