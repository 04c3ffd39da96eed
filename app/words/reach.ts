import type { Reach } from "#core/guard";

/** How far somebody may go, as it is chosen and shown. */
export const MAY_WORDS: Record<Reach, string> = {
  all: "do everything",
  tap: "look and tap",
  look: "only look",
};

/** As the choices of a list. */
export const MAY_CHOICES = (Object.keys(MAY_WORDS) as Reach[]).map((value) => ({
  value,
  label: MAY_WORDS[value],
}));
