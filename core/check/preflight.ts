import { formatFraction, formatVolume, type UnitSystem } from "../quantity/index.ts";
import { isCan, type ContainerKey, type GoverningSchedule } from "../schedule/index.ts";
import { checkItem, type CheckItem, type CheckKey, type EquipmentKind } from "./item.ts";

/** The load and what it is to be run on. */
export interface PreflightCase {
  containers: readonly ContainerKey[];
  governing: GoverningSchedule;
  canner: {
    name: string;
    hasDial: boolean;
    hasWeight: boolean;
    racks: number | null;
    /** its manual's water, litres; null when nobody wrote it down */
    waterLitres: number | null;
    aluminium: boolean | null;
  };
  burner: { name: string; induction: boolean; outdoors: boolean } | null;
  /** a bottom layer and one above it */
  layers: number;
  /** lid boxes to take from, as they are called */
  lidBoxes: readonly string[];
  units: UnitSystem;
}

/** An item with what this load wants of it, and what is known to be wrong. */
type Line = readonly [item: CheckKey, wants?: string | null, wrong?: string | null];

/** One line to tap through, with what this load in particular wants. */
export interface PreflightItem extends CheckItem {
  /** what it must be for this load; null when the look says it all */
  wants: string | null;
  /** known to be wrong before anybody looks, and why */
  wrong: string | null;
}

/**
 * Returns why a canner does not get hot on a burner, as a sentence; null when it does, or when the canner's metal is
 * not known. Asked by the equipment check and by the run.
 */
export function whyNotHeated(
  canner: { name: string; aluminium: boolean | null },
  burner: { name: string; induction: boolean },
): string | null {
  if (!burner.induction || !canner.aluminium) return null;
  return `${canner.name} is aluminum and ${burner.name} is an induction hob: it will not heat.`;
}

/**
 * Returns what is looked at before this load, in the order it is met: canner, lid, containers, burner. The sealer is
 * asked about for cans only, the dial where there is one, the shelter where the burner is outdoors or not named.
 *
 * Common practice after the canners' manuals, no source.
 */
export function preflight(c: PreflightCase): PreflightItem[] {
  const cans = c.containers.some(isCan);
  const { target, conditions } = c.governing;
  const cool = conditions.find((x) => x.coolWaterQuarts !== undefined);
  const pounds = `${formatFraction(target.facePsi, 1)} lb`;
  const lines: Line[] = [
    [
      "water",
      cool
        ? `${cool.coolWaterQuarts} quarts of cool tap water, measured, not preheated`
        : c.canner.waterLitres === null
          ? null
          : formatVolume(c.canner.waterLitres, c.units),
    ],
    [
      "rack",
      c.layers > 1 ? `${c.layers} of them, one under each layer` : null,
      c.canner.racks !== null && c.layers > c.canner.racks && !cans
        ? `This load stands in ${c.layers} layers and ${c.canner.name} has ${c.canner.racks === 1 ? "one rack" : `${c.canner.racks} racks`}.`
        : null,
    ],
    ["gasket"],
    ["vent"],
    ["plug"],
    ["lock"],
    ...(c.canner.hasWeight && target.weightPsi !== null
      ? ([["weight", `set to ${target.weightPsi} lb: every piece of it on`]] satisfies Line[])
      : []),
    ...(c.canner.hasDial ? ([["dial", `will stand at ${pounds} on this face`]] satisfies Line[]) : []),
    ...(cans
      ? ([
          ["can-flanges"],
          ["sealer-setup"],
          ["probe", "170 °F (77 °C) at every can’s center"],
        ] satisfies Line[])
      : ([
          ["jar-rims"],
          ["jar-bodies"],
          ["bands"],
          ["lids", c.lidBoxes.length > 0 ? `from ${c.lidBoxes.join(" and ")}` : null],
        ] satisfies Line[])),
    ["base"],
    [
      "hob",
      c.burner ? `${c.canner.name} on ${c.burner.name}` : null,
      c.burner && whyNotHeated(c.canner, c.burner),
    ],
    ["flame"],
    ...(c.burner === null || c.burner.outdoors ? ([["shelter"]] satisfies Line[]) : []),
  ];
  return lines.map(([key, wants = null, wrong = null]) => ({ ...checkItem(key), wants, wrong }));
}

/** Returns which equipment's card keeps the finding of an item; null for what is new with each load. */
export function cardOf(key: CheckKey): EquipmentKind | null {
  return checkItem(key).of;
}
