import type { Sort } from "./container";
import { hasDial, type RunPlan, type RunView } from "#core/run";
import { formatPressure, type UnitSystem } from "#core/quantity";
import { CHILLED_TIME, DECIDE_TIME, WARM_TIME } from "./safety";

/** What a stage looks and sounds like when it goes well. */
export interface StageSigns {
  see: string;
  hear: string;
}

/** Signs of each stage, to go by without a gauge in sight. Common practice, no source. */
export function stageSigns(
  view: RunView,
  plan: RunPlan,
  units: UnitSystem,
  sort: Sort = "both",
): StageSigns | null {
  const weighted = plan.governs === "weighted";
  switch (view.phase) {
    case "warming":
      return { see: "A little steam from the vent, then a stream.", hear: "Water beginning to roll." };
    case "venting":
      return {
        see: "A white column a hand's length above the vent, the same all the time.",
        hear: "A steady hiss. Spitting is water, not steam: turn it down a little.",
      };
    case "pressurising":
      return weighted
        ? { see: "The weight shakes, then rocks.", hear: "Quiet first, then a rattle that keeps on." }
        : {
            see: `The needle climbs past ${formatPressure(plan.floorKPa, units)}.`,
            hear: "Quiet. A hiss means the lid or the petcock leaks.",
          };
    case "processing":
      return weighted
        ? {
            see: "The weight rocks gently, a few times a minute.",
            hear: "A rattle that keeps on. Silence is below target.",
          }
        : {
            see: "The needle stands still. Turn the flame in small steps and wait.",
            hear: "Next to nothing. Wind at the burner is what you do not hear.",
          };
    case "cooling":
      return {
        see: hasDial(plan)
          ? "The needle sinks by itself; then the lock drops into its hole."
          : "The weight stops rocking, and the lock drops into its hole.",
        hear: "Metal ticking. Nothing else is done to it: no water, no draft.",
      };
    case "settling":
      return { see: "No steam where the weight was.", hear: "Nothing." };
    case "unloading":
      return {
        see:
          sort === "cans"
            ? "Ends bulge while they are hot and draw in as they cool."
            : "Liquid still boiling in the jars is as it should be.",
        hear: sort === "cans" ? "Ends snapping in, one by one." : "Lids snapping down, one by one.",
      };
    default:
      return null;
  }
}

/** What may be done with a load that was not processed, the best first. */
export function unprocessedWords(sort: Sort): string[] {
  const again = {
    jars: "new lids, hot jars, the full time.",
    cans: "new cans, exhausted and seamed again, the whole time.",
    both: "new lids or new cans, the whole time.",
  };
  return [
    `Within ${DECIDE_TIME}, reprocess it from the beginning: ${again[sort]}`,
    `Put it in the refrigerator now and eat it within ${CHILLED_TIME}, cooked through.`,
    sort === "cans"
      ? "Freeze it: open the cans and move the food to freezer boxes."
      : "Freeze it: jars need more headspace than they have, so move it to freezer boxes.",
    `If it was warm for more than ${WARM_TIME} and nobody will cook it now, throw it out.`,
  ];
}
