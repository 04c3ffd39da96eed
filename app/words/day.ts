import type { Stage } from "#core/day";

/** What each stretch of the day is called. */
export const STAGE_WORDS: Record<Stage, string> = {
  pack: "Pack",
  load: "Load and light",
  heatUp: "Heat up",
  vent: "Vent",
  comeUp: "To pressure",
  process: "Process",
  coolDown: "Cool by itself",
  settle: "Weight off, wait",
  unload: "Unload",
};

/** What to do when a stretch begins; null where nobody has to do anything. */
export const STAGE_DEEDS: Partial<Record<Stage, string>> = {
  pack: "Fill, work out the air, wipe, lid",
  load: "Load the canner and light it",
  vent: "Steam is steady: ten minutes by the clock",
  comeUp: "Weight on, bring it to pressure",
  process: "Start the time; stay by it",
  coolDown: "Heat off; leave it alone",
  settle: "Gauge at zero and lock down: weight off",
  unload: "Lid off away from you; jars on the towel",
};
