export type Caution =
  | "trichinella"
  | "prion"
  | "fish-advisory"
  | "lead-shot"
  | "halibut-bones"
  | "struvite"
  | "tularemia"
  | "fatty"
  | "histamine"
  | "tapeworm";

/** Cautions, shown where they bite. Common practice, no single published source. */
export const CAUTIONS: Record<Caution, string> = {
  trichinella: "May carry trichinella: give the full process as written, and never taste it undercooked.",
  prion:
    "Deer and their kin can carry prion disease: where testing is offered, hold the meat until the result.",
  "fish-advisory": "Look up the consumption advisory for the water it came from.",
  "lead-shot": "Trim wide of shot and bullet tracks.",
  "halibut-bones": "Goes in without bones and skin.",
  struvite: "Glass-like crystals may form in the jar; they are struvite and harmless.",
  tularemia: "Wear gloves when skinning; wild rabbits, hares and rodents can carry tularaemia.",
  fatty: "Trim the fat: melted, it climbs, gets under the lid and breaks the seal.",
  histamine: "Ice it at once: histamine forms in warm fish of this kind and no process takes it out.",
  tapeworm: "Wear gloves when gutting, and keep dogs from the offal.",
};

/** Cautions that put the animal on hold until something comes back, with the condition offered. */
export const HOLD_OFFERED: Partial<Record<Caution, string>> = {
  trichinella: "trichinella test result",
  prion: "prion test result",
};
