/** Lengths read at each place of a seam, in the order of a tear-down sheet. */
export const PLACE_LENGTHS = [
  "width",
  "thickness",
  "countersink",
  "bodyHook",
  "coverHook",
  "overlap",
] as const;

/** What is measured on a seam or follows from it. */
export const DIMENSIONS = [...PLACE_LENGTHS, "overlapPercent", "butting", "tightness"] as const;
export type SeamDimension = (typeof DIMENSIONS)[number];

export const DIMENSION_NAMES: Record<SeamDimension, string> = {
  width: "Seam width (length)",
  thickness: "Seam thickness",
  countersink: "Countersink",
  bodyHook: "Body hook",
  coverHook: "Cover hook",
  overlap: "Overlap",
  overlapPercent: "Overlap",
  butting: "Body hook butting",
  tightness: "Tightness",
};

/** Returns whether a dimension is in percent; the others are in mm. */
export const isPercent = (d: SeamDimension): d is "overlapPercent" | "butting" | "tightness" =>
  d === "overlapPercent" || d === "butting" || d === "tightness";

/** Lengths that are read off a gauge, a micrometer or a projector. */
export const LENGTHS = [...PLACE_LENGTHS, "endPlate", "bodyPlate"] as const;
export type SeamLength = (typeof LENGTHS)[number];

export const LENGTH_NAMES: Record<SeamLength, string> = {
  ...DIMENSION_NAMES,
  width: "Seam width",
  endPlate: "End plate",
  bodyPlate: "Body plate",
};

/**
 * How the inside of a seam is seen. With a micrometer the seam is stripped and each hook measured; a projector (or seam
 * scope) shows a sawn section. By eye alone the hooks are not seen at all.
 */
export const METHODS = ["micrometer", "projector", "eye"] as const;
export type SeamMethod = (typeof METHODS)[number];

/**
 * The measurements each way has to give and those it may. Source: 21 CFR 113.60(a)(1)(i), from memory. That text asks a
 * projector for two places away from the side seam and a micrometer for three about 120° apart; here it is three for both.
 */
export const MEASURED_BY: Record<
  Exclude<SeamMethod, "eye">,
  { required: readonly SeamDimension[]; optional: readonly SeamDimension[] }
> = {
  micrometer: {
    required: ["coverHook", "bodyHook", "width", "tightness", "thickness"],
    optional: ["overlap", "countersink"],
  },
  projector: {
    required: ["bodyHook", "overlap", "tightness", "thickness"],
    optional: ["width", "coverHook", "countersink"],
  },
};

/** Places round the can at which a seam is measured, about 120° apart and away from a side seam. */
export const POSITIONS = 3;
