/** One step of throwing a doubtful container out safely. */
export interface DisposalStep {
  what: string;
  why: string;
}

/**
 * How a container in doubt is thrown out. `closed`: still sealed, swollen or not. `open`: unsealed, leaking or opened.
 * Source: USDA 2015, Guide 1 (identifying and handling spoiled canned food), from memory.
 */
export const DISPOSAL: Record<"closed" | "open", { steps: DisposalStep[]; source: string }> = {
  closed: {
    source: "USDA 2015, Guide 1, from memory",
    steps: [
      { what: "Do not open or taste it. Gloves on.", why: "The toxin has no smell and no taste." },
      {
        what: "Put the whole closed container into a strong bag, and close the bag.",
        why: "Keep it from leaking.",
      },
      {
        what: "Into the household waste, or buried in ground no animal digs up.",
        why: "Dogs and wild animals die of it too.",
      },
      { what: "Wash hands, and what it stood on, with soap.", why: "The outside may have leaked." },
    ],
  },
  open: {
    source: "USDA 2015, Guide 1, from memory",
    steps: [
      {
        what: "Gloves on. Do not taste. Keep children and animals away.",
        why: "The toxin has no smell and no taste.",
      },
      {
        what: "Lay container, lid and food on their side in a big pot, gently, and cover with water an inch over.",
        why: "Drops carry it around.",
      },
      {
        what: "Lid on the pot, bring to a boil, and boil 30 minutes.",
        why: "Boiling so long destroys the toxin.",
      },
      {
        what: "Cool it, and put container, lid and food into the waste.",
        why: "It is safe to handle now, and not to eat.",
      },
      {
        what: "Wipe surfaces with 1 part plain bleach to 5 parts water, leave it wet 30 minutes, then wash.",
        why: "Spills are as dangerous as the food.",
      },
      { what: "Throw away sponges, cloths and gloves, and wash hands.", why: "They hold what they wiped." },
    ],
  },
};

/**
 * Returns how a suspect container is thrown out: `closed`, in its bag and never opened, however it bulges; or `open`,
 * boiled first, when it leaks, came open or was opened.
 *
 * Source: USDA 2015, Guide 1 (spoiled canned food), from memory.
 * @param signs what was seen on it
 * @param opened it was opened, or found open
 */
export function disposalOf(signs: readonly string[], opened: boolean): "closed" | "open" {
  return opened || signs.some((s) => OPEN_SIGNS.includes(s)) ? "open" : "closed";
}

/** Signs of a container that is not closed any more. */
const OPEN_SIGNS = ["leak", "lid-loose", "spurt", "smell", "mould", "cloudy"];
