import { L_PER_QT } from "#core/quantity";
import type { ContainerKey } from "../schedule/index.ts";

/** A canner by its plain size: where the form starts from until the household measures its own. Typical, from memory. */
export interface CannerPreset {
  key: string;
  name: string;
  quarts: number;
  insideDiameterMm: number;
  usableHeightMm: number;
  racks: number;
  rackHeightMm: number;
  waterLitres: number;
  /** fewest containers a load may have */
  minLoad: number;
  safeMaxKPa: number;
  depressuriseMin: number;
  manual: Partial<Record<ContainerKey, number>>;
}

const LIMIT_KPA = 137.9;

const preset = (
  quarts: number,
  racks: number,
  insideDiameterMm: number,
  usableHeightMm: number,
  depressuriseMin: number,
  minLoad: number,
): CannerPreset => ({
  key: `${quarts}-quart`,
  name: `${quarts}-quart, ${racks === 1 ? "one rack" : "two racks"}`,
  quarts,
  insideDiameterMm,
  usableHeightMm,
  racks,
  rackHeightMm: 5,
  waterLitres: Math.round(3 * L_PER_QT * 10) / 10,
  minLoad,
  safeMaxKPa: LIMIT_KPA,
  depressuriseMin,
  manual: {},
});

/** Heights follow from the size and the diameter: quarts are the pot's volume. */
export const CANNER_PRESETS: readonly CannerPreset[] = [
  preset(10, 1, 255, 185, 30, 1),
  preset(16, 1, 311, 200, 35, 2),
  preset(21, 2, 311, 262, 45, 2),
  preset(23, 2, 311, 287, 45, 2),
  preset(30, 2, 330, 332, 55, 4),
  preset(41, 2, 387, 330, 60, 4),
];

/**
 * Returns the typical canner nearest to a size, mm, litres and kPa. From memory.
 *
 * @param quarts size a canner is sold by, quarts, > 0
 */
export function presetFor(quarts: number): CannerPreset {
  return CANNER_PRESETS.reduce((a, b) => (Math.abs(b.quarts - quarts) < Math.abs(a.quarts - quarts) ? b : a));
}
