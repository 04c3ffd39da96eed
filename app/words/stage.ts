import { type RunPlan, type RunView } from "#core/run";
import { formatPressure, type UnitSystem } from "#core/quantity";

/** What a stage looks and sounds like when it goes well. */
export interface StageSigns {
  see: string;
  hear: string;
}

/** Signs of each stage, to go by without a gauge in sight. Common practice, no source. */
export function stageSigns(view: RunView, plan: RunPlan, units: UnitSystem): StageSigns | null {
  const weighted = plan.governs === "weighted";
  switch (view.phase) {
    case "warming":
      return { see: "Wisps from the vent, then a stream.", hear: "Water beginning to roll." };
    case "venting":
      return {
        see: "A white funnel a hand's length above the vent, the same all the time.",
        hear: "A steady hiss. Spitting is water, not steam: turn it down a little.",
      };
    case "pressurising":
      return weighted
        ? { see: "The weight trembles, then rocks.", hear: "Quiet first, then a rattle that keeps on." }
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
        see: "The needle sinks by itself; then the lock drops into its hole.",
        hear: "Metal ticking. Nothing else is done to it: no water, no draught.",
      };
    case "settling":
      return { see: "No steam where the weight was.", hear: "Nothing." };
    case "unloading":
      return {
        see: "Liquid still boiling in the jars is as it should be.",
        hear: "Lids going in, one by one.",
      };
    default:
      return null;
  }
}

/** What may be done with a load that was not processed, the best first. */
export const UNPROCESSED = [
  "Within 24 hours, process it again from the beginning: new lids, hot jars, the whole time. Cans are opened, exhausted and closed anew.",
  "Put it in the refrigerator now and eat it within 3 days, cooked through.",
  "Freeze it: jars need more headspace than they have, so move it to freezer boxes.",
  "Stood warm for more than two hours and nobody will cook it now: throw it out.",
] as const;
