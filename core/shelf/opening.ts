/** What tells that a container is spoiled, in the order it can be seen. */
export const OPENING_SIGNS = [
  "bulge",
  "leak",
  "rust",
  "lid-loose",
  "spurt",
  "smell",
  "mould",
  "cloudy",
] as const;
export type OpeningSign = (typeof OPENING_SIGNS)[number];

export interface SignFacts {
  key: OpeningSign;
  /** before it is opened, or as it is */
  when: "closed" | "open";
  sound: string;
  bad: string;
  /** how it is said of a can, where that is another thing; null where a can has no such thing */
  ofCan?: { sound: string; bad: string } | null;
}

/** Source: USDA 2015, Guide 1 (identifying and handling spoiled canned food), from memory; rust: common practice, no source. */
export const SIGNS: readonly SignFacts[] = [
  {
    key: "bulge",
    when: "closed",
    sound: "The lid lies flat or drawn in",
    bad: "It bulges",
    ofCan: { sound: "Both ends lie flat or drawn in", bad: "It bulges" },
  },
  { key: "leak", when: "closed", sound: "Dry all round, no trace of dried food", bad: "It leaks, or did" },
  {
    key: "rust",
    when: "closed",
    sound: "No rust and no dent on lid or rim",
    bad: "Rust or a dent there",
    ofCan: { sound: "No rust, and no dent on a seam", bad: "Rust or a dent there" },
  },
  {
    key: "lid-loose",
    when: "closed",
    sound: "The lid holds when it is pulled",
    bad: "The lid came off by itself",
    ofCan: null,
  },
  { key: "spurt", when: "open", sound: "Air went in as it opened", bad: "Liquid or gas spurted out" },
  { key: "smell", when: "open", sound: "It smells of meat or fish as it should", bad: "It smells off" },
  {
    key: "mould",
    when: "open",
    sound: "No mold, no film",
    bad: "Mold, on food or under the lid",
    ofCan: { sound: "No mold, no film", bad: "Mold, on food or under the end" },
  },
  {
    key: "cloudy",
    when: "open",
    sound: "The liquid is as clear as it was",
    bad: "Cloudy, bubbling or slimy",
  },
];

/**
 * Returns the signs of spoilage to look for on a can or on a jar, each in its own words. Source: USDA 2015, Guide 1,
 * from memory.
 */
export function signsOf(can: boolean): SignFacts[] {
  if (!can) return [...SIGNS];
  return SIGNS.flatMap((s) => (s.ofCan === null ? [] : [{ ...s, ...s.ofCan }]));
}
