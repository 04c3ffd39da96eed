import type { Stage } from "#core/day";
import { VENT_TIME, WAIT_TIME } from "./safety";

/** What each stretch of the day is called. */
export const STAGE_WORDS: Record<Stage, string> = {
  pack: "Pack",
  load: "Load and light",
  heatUp: "Heat up",
  vent: "Vent",
  comeUp: "To pressure",
  process: "Process",
  coolDown: "Cool down",
  settle: `Wait ${WAIT_TIME}`,
  unload: "Unload",
};

/** What to do when a stretch begins; null where nobody has to do anything. */
export const STAGE_DEEDS: Partial<Record<Stage, string>> = {
  pack: "Fill, remove air, wipe, put lids on",
  load: "Load the canner and light it",
  vent: `Steam is steady: ${VENT_TIME} by the clock`,
  comeUp: "Put the weight on, bring it to pressure",
  process: "Start the time. Stay by it.",
  coolDown: "Turn the heat off. Leave it alone.",
  settle: "At zero and lock down: take the weight off",
  unload: "Open the lid away from you. Set jars on a towel.",
};
