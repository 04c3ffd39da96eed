import { GAUGE_TEST_MONTHS } from "../schedule/index.ts";

/** Kinds of equipment that have a card of their own. */
export const EQUIPMENT = ["canner", "burner", "sealer", "thermometer"] as const;
export type EquipmentKind = (typeof EQUIPMENT)[number];

export const CHECK_KEYS = [
  "gasket",
  "vent",
  "plug",
  "lock",
  "rack",
  "base",
  "weight",
  "dial",
  "water",
  "jar-rims",
  "jar-bodies",
  "bands",
  "lids",
  "can-flanges",
  "sealer-setup",
  "sealer-rolls",
  "probe",
  "flame",
  "hob",
  "shelter",
] as const;
export type CheckKey = (typeof CHECK_KEYS)[number];

export interface CheckItem {
  key: CheckKey;
  /** equipment whose card keeps it; null for what is new with each load */
  of: EquipmentKind | null;
  name: string;
  /** what to look for, with eye or finger */
  look: string;
  /** when it is not as it should be */
  otherwise: string;
  /** done at least this often even when nothing is canned, months; null for every load alone */
  months: number | null;
  /** a load may not be run while the last look was bad: no signature lifts it */
  stops: boolean;
}

/** Looked at on a card or before a load. Common practice after the canners' manuals, no source, but the dial's 12 months. */
export const CHECK_ITEMS: readonly CheckItem[] = [
  item(
    "gasket",
    "canner",
    "Gasket",
    "Supple all round: no nick, no crack, nothing hard. Run a finger along it.",
    "Fit a new one. A metal-to-metal rim has none: clean it and oil it thinly.",
    12,
    true,
  ),
  item(
    "vent",
    "canner",
    "Vent pipe",
    "Hold the lid to the light: daylight through the pipe.",
    "Clear it with a thin wire and rinse it.",
    null,
    true,
  ),
  item(
    "plug",
    "canner",
    "Pressure plug",
    "Seated straight, supple, not cracked.",
    "Fit a new one.",
    12,
    true,
  ),
  item(
    "lock",
    "canner",
    "Lid lock",
    "A canner's own lid with its safety mark: it turns to the arrows and the lock moves freely.",
    "Clean it. If it still sticks, it is not used.",
    null,
    true,
  ),
  item(
    "rack",
    "canner",
    "Rack",
    "In place, flat, nothing bent.",
    "Jars on bare metal break: find it or make do with another canner.",
    null,
    true,
  ),
  item(
    "base",
    "canner",
    "Base",
    "Stands flat on the hob and does not rock.",
    "A bowed base heats unevenly: use another canner.",
    12,
    true,
  ),
  item(
    "weight",
    "canner",
    "Weight",
    "The pieces this load needs are all there.",
    "Find the missing ring, or use another canner.",
    null,
    true,
  ),
  item(
    "dial",
    "canner",
    "Dial gauge",
    "At zero now, glass whole, tested within a year.",
    "Have it tested, or go by a weight.",
    GAUGE_TEST_MONTHS,
    false,
  ),
  item(
    "water",
    "canner",
    "Water",
    "As much as this canner's manual says, and as warm as what goes in.",
    "Measure it.",
    null,
    true,
  ),
  item(
    "jar-rims",
    null,
    "Jar rims",
    "A finger round each rim: no nick.",
    "Set that jar aside for dry goods.",
    null,
    true,
  ),
  item(
    "jar-bodies",
    null,
    "Jar bodies",
    "No crack, no chip, no scratch that catches a nail.",
    "Throw that jar out.",
    null,
    true,
  ),
  item("bands", null, "Bands", "Not rusty, not dented; they turn easily.", "Take another.", null, false),
  item(
    "lids",
    null,
    "Lids",
    "New, from the box named, compound whole.",
    "Take another box. A lid used before is recorded as a deviation.",
    null,
    false,
  ),
  item(
    "can-flanges",
    null,
    "Can flanges",
    "Round, not dented; the lids' compound whole and never washed.",
    "Throw that can out.",
    null,
    true,
  ),
  item(
    "sealer-setup",
    "sealer",
    "Sealer set-up",
    "An empty can seamed and looked at before the first: smooth all round, no vee, no sharp edge.",
    "Adjust the rolls and seam another empty can.",
    null,
    true,
  ),
  item(
    "sealer-rolls",
    "sealer",
    "Sealer rolls",
    "Turn freely, clean, not worn.",
    "Clean and oil them; measure a tear-down.",
    12,
    false,
  ),
  item(
    "probe",
    "thermometer",
    "Thermometer",
    "32 °F (0 °C) in ice water, within two degrees.",
    "Use another, or write down how far it is off.",
    12,
    false,
  ),
  item(
    "flame",
    "burner",
    "Flame",
    "Burns steady; fuel enough for heating up, the process, and one more start.",
    "Change the bottle before lighting.",
    null,
    false,
  ),
  item(
    "hob",
    "burner",
    "Hob and canner",
    "This burner can carry and heat this canner.",
    "Aluminum does not heat on induction: use gas or another canner.",
    null,
    true,
  ),
  item(
    "shelter",
    "burner",
    "Shelter",
    "Out of the wind, level, children and pets away.",
    "Move it, or put up a screen that leaves air to the flame.",
    null,
    false,
  ),
];

function item(
  key: CheckKey,
  of: EquipmentKind | null,
  name: string,
  look: string,
  otherwise: string,
  months: number | null,
  stops: boolean,
): CheckItem {
  return { key, of, name, look, otherwise, months, stops };
}

/** Returns what is looked at under a key, what to look for, and how often. Common practice, no source. */
export function checkItem(key: CheckKey): CheckItem {
  return CHECK_ITEMS.find((i) => i.key === key)!;
}

/** Returns what is checked on a kind of equipment, in the order it is met. Common practice, no source. */
export function itemsOf(kind: EquipmentKind): CheckItem[] {
  return CHECK_ITEMS.filter((i) => i.of === kind);
}
