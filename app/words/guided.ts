import type { StepKey } from "#core/canning";
import { pieceOf } from "#core/pack";
import { formatLength, formatTemperature, mmFromIn, type UnitSystem } from "#core/quantity";
import { EXHAUST_TEMP_C, type ContainerKey, type ProductKey } from "#core/schedule";
import { REST_TIME, VENT_TIME, WAIT_TIME } from "./safety";

/** What the words of a step depend on. */
export interface GuidedLoad {
  cans: boolean;
  /** what is packed, and in which containers; empty before it is chosen */
  parts: readonly {
    product: ProductKey;
    container: ContainerKey;
    method: "raw" | "hot";
    dish: string | null;
    headspaceIn: number;
  }[];
  units: UnitSystem;
  /** some of it is poultry, rabbit or another bird */
  bird: boolean;
  /** some of it is fish */
  fish: boolean;
  /** `75 min`, `12 lb`; null before the load is chosen */
  minutes: string | null;
  pressure: string | null;
  /** pressure on the dial is read; else the weight is heard */
  dial: boolean;
}

/** One step as it is told. Common practice after the published guides, no source of its own, where no figure is given. */
export interface StepWords {
  /** verb and object */
  title: string;
  what: string;
  /** the one figure that matters; null where there is none, or it is counted on the screen */
  figure: string | null;
  why: string;
  /** the common mistake */
  mistake: string;
}

/** Names of the steps in the list of all of them. */
export const STEP_NAMES: Record<StepKey, string> = {
  jars: "Choose jars or cans",
  "lay-out": "Lay everything out",
  check: "Check the equipment",
  "setup-test": "Test the sealer",
  thaw: "Thaw",
  cut: "Trim and cut",
  cook: "Cook",
  fill: "Fill",
  exhaust: "Exhaust and seam",
  load: "Load the canner",
  "heat-up": "Heat up",
  vent: "Vent",
  "come-up": "Come up to pressure",
  hold: "Hold the pressure",
  cool: "Cool down",
  wait: "Wait with the weight off",
  unload: "Unload",
  rest: "Rest",
  seals: "Check the seals",
  mark: "Mark",
  shelve: "Shelve",
};

/** Returns what a step says: what to do, the figure that matters, why, and the common mistake. */
export function stepWords(key: StepKey, load: GuidedLoad): StepWords {
  const { cans, units, parts, minutes, pressure } = load;
  const jars = cans ? "cans" : "jars";
  const spaces = [...new Set(parts.map((p) => p.headspaceIn))];
  const goal = formatTemperature(EXHAUST_TEMP_C, units);
  switch (key) {
    case "jars":
      return {
        title: STEP_NAMES.jars,
        what: "Choose the size, how many, and the canner. The process follows from it.",
        figure: null,
        why: "The size of the jar decides how long the heat takes to reach its center.",
        mistake: "Using the time of a smaller jar for a larger one.",
      };
    case "lay-out":
      return {
        title: "Lay everything out",
        what: "Have all of this within reach before you begin.",
        figure: null,
        why: `Filled ${jars} should not wait while someone looks for a lid.`,
        mistake: cans ? "Washing can ends: it harms the seal." : "Old lids, or lids of another size.",
      };
    case "check":
      return {
        title: "Check the equipment",
        what: "Look at each part and say what you found.",
        figure: null,
        why: "A leak or a blocked vent is easy to fix now, while it is cold.",
        mistake: "A dial gauge that nobody tested this year.",
      };
    case "setup-test":
      return {
        title: "Test the sealer on an empty can",
        what: "Seam an empty can, cut it open and measure. Do it for each size of can you use.",
        figure: null,
        why: "A bad seam is found before any can is hot.",
        mistake: "Testing one size of can and then sealing another.",
      };
    case "thaw":
      return {
        title: "Thaw the food",
        what: "Thaw it in the refrigerator, or in cold water on the day.",
        figure: null,
        why: "Heat takes too long to reach the center of frozen food.",
        mistake: "Thawing on the counter: the outside gets warm while the middle is frozen.",
      };
    case "cut":
      return {
        title: "Trim and cut",
        what: `${load.fish ? "Take off the head and tail." : "Trim off fat and tough parts."} Cut it into ${piecesWords(parts, units)}.`,
        figure: parts.some((p) => pieceOf(p.product, p.container).edgeMm !== null)
          ? formatLength(mmFromIn(1) / 1000, units)
          : null,
        why: "Fat climbs up and keeps lids from sealing. Even pieces heat alike.",
        mistake: "Large and small pieces in one jar.",
      };
    case "cook":
      return parts.some((p) => p.dish !== null)
        ? {
            title: "Cook the dish",
            what: "Cook it by the recipe and keep it boiling hot. Thicken it only when you eat it.",
            figure: null,
            why: "Flour, rice and noodles keep the heat from reaching the center.",
            mistake: "Letting it cool before it goes into jars.",
          }
        : {
            title: "Cook it part way",
            what: load.bird
              ? "Boil, steam or bake it until it is about two thirds done."
              : load.fish
                ? "Heat it through and keep it hot."
                : "Brown, stew or roast it until it is rare.",
            figure: null,
            why: "It shrinks now, so the jars stay full.",
            mistake: "Letting it cool before it goes into jars.",
          };
    case "fill":
      return {
        title: cans ? "Fill the cans" : "Fill the jars",
        what: cans
          ? "Fill each can to the headspace and leave it open."
          : "Fill each jar to the headspace, wipe the rim, put the lid on.",
        figure: spaces.length === 1 ? formatLength(mmFromIn(spaces[0]!) / 1000, units) : null,
        why: "Food that is too high boils out under the lid. Too low leaves air inside.",
        mistake: "A last one that is only part full: eat, chill or freeze it.",
      };
    case "exhaust":
      return {
        title: "Heat each can, then close it",
        what: `Heat the open cans in simmering water until the meat’s center is at ${goal}. Then seam each one.`,
        figure: goal,
        why: "Heat drives the air out. As the can cools, its ends are drawn in.",
        mistake: "Measuring the juice. It is hotter than the meat.",
      };
    case "load":
      return {
        title: "Load the canner",
        what: `Water and rack first, then the ${jars}, upright and apart.`,
        figure: null,
        why: "Too little water boils away before the time is up.",
        mistake: cans ? "Cans that cooled off before they go in." : "Cold jars into hot water: glass breaks.",
      };
    case "heat-up":
      return {
        title: "Lock the lid and light the burner",
        what: "Leave the weight off or the petcock open. Turn the heat to high.",
        figure: null,
        why: "Steam has to push all the air out of the canner.",
        mistake: "Putting the weight on now.",
      };
    case "vent":
      return {
        title: "Let it vent",
        what: `Steam has to stream without a break for ${VENT_TIME}.`,
        figure: VENT_TIME,
        why: "Air inside is cooler than steam at the same pressure. The food would stay unsafe.",
        mistake: "Starting the clock at the first steam you see.",
      };
    case "come-up":
      return {
        title: "Bring it to pressure",
        what: `Put the weight on or close the petcock. Wait for ${pressure ?? "the pressure"}.`,
        figure: pressure,
        why: "The time counts only at this pressure or above.",
        mistake: "Starting the time when the weight goes on.",
      };
    case "hold":
      return {
        title: "Hold the pressure",
        what: `Keep it at ${pressure ?? "the pressure"} or a little above for ${minutes ?? "the whole time"}.`,
        figure: minutes,
        why: "Below it the food is not safe. Then the whole time starts over.",
        mistake: "Turning the flame down too far at once.",
      };
    case "cool":
      return {
        title: "Turn the heat off and leave it alone",
        what: `Wait until ${load.dial ? "the gauge is at zero" : "no steam comes when you nudge the weight"} and the lock has dropped.`,
        figure: null,
        why: `Cooling it faster pulls the liquid out of the ${jars}.`,
        mistake: "Water on the lid, moving it, or lifting the weight early.",
      };
    case "wait":
      return {
        title: "Take the weight off and wait",
        what: `Wait ${WAIT_TIME} before you open the lid. Open it away from your face.`,
        figure: WAIT_TIME,
        why: `The food still boils inside. A pause keeps the liquid in the ${jars}.`,
        mistake: "Opening the lid toward yourself.",
      };
    case "unload":
      return {
        title: `Lift the ${jars} out`,
        what: cans
          ? "Lift each can out and cool it as the guide says."
          : "Straight up, onto a towel, apart, out of drafts.",
        figure: null,
        why: cans ? "Their ends draw in as they cool." : "Tilting runs food under a lid that is still soft.",
        mistake: cans ? "Hot cans close together: they cool too slowly." : "Tightening the bands now.",
      };
    case "rest":
      return {
        title: "Leave them alone",
        what: `Do not touch them for ${REST_TIME}.`,
        figure: REST_TIME,
        why: "Lids seal as the food cools.",
        mistake: "Pressing a lid early: it can stay down without a seal.",
      };
    case "seals":
      return {
        title: cans ? "Look at each can" : "Press each lid",
        what: cans
          ? "Both ends drawn in, seams smooth and dry."
          : "Band off. Press the middle: down and still means sealed.",
        figure: null,
        why: "One that did not seal spoils, and may not look like it.",
        mistake: "Shelving one that you are not sure of.",
      };
    case "mark":
      return {
        title: `Wash and mark the ${jars}`,
        what: cans ? "Write this on each can." : "Bands off, wash off grease, dry. Write this on each lid.",
        figure: null,
        why: "In a year nobody remembers what is in it, or how it was processed.",
        mistake: cans ? "A mark that rubs off." : "Leaving the bands on: they hide a lid that came loose.",
      };
    case "shelve":
      return {
        title: `Put the ${jars} on a shelf`,
        what: "Cool, dry, dark, and never where it freezes.",
        figure: null,
        why: "Heat spoils the food. Frost can break a seal.",
        mistake: "A shelf beside the stove or a pipe.",
      };
  }
}

/** `cubes of about 1 in`, as the parts of a load want them. */
function piecesWords(parts: GuidedLoad["parts"], units: UnitSystem): string {
  const words = parts.map((p) =>
    pieceOf(p.product, p.container).edgeMm !== null
      ? `pieces of about ${formatLength(mmFromIn(1) / 1000, units)}`
      : pieceOf(p.product, p.container).words,
  );
  return [...new Set(words)].join("; ");
}
