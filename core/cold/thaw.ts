import { KG_PER_LB } from "#core/quantity";
/** Ways to thaw that keep the surface cold enough. */
export const THAW_METHODS = ["fridge", "cold-water", "running-water"] as const;
export type ThawMethod = (typeof THAW_METHODS)[number];

/** What surrounds the bag: its temperature, °C, and how well heat gets in, W/(m²·K). From memory; both vary by a factor of two. */
const AROUND: Record<ThawMethod, { name: string; tempC: number; film: number }> = {
  fridge: { name: "in the fridge", tempC: 3, film: 12 },
  "cold-water": { name: "in cold water, changed every 30 minutes", tempC: 8, film: 100 },
  "running-water": { name: "under cold running water", tempC: 12, film: 250 },
};

/** Returns the name of a thawing method, as it reads in a sentence. */
export function thawMethodName(method: ThawMethod): string {
  return AROUND[method].name;
}

/** A slab, long cylinder or sphere being frozen or thawed, all SI. */
export interface PlankCase {
  /** kg/m³ */
  density: number;
  /** J/kg given off or taken up */
  latentHeat: number;
  /** conductivity of the layer the heat goes through (frozen when freezing, thawed when thawing), W/(m·K) */
  conductivity: number;
  /** W/(m²·K) */
  film: number;
  /** thickness of a slab, diameter of a cylinder or sphere, m */
  sizeM: number;
  /** °C at which it begins to freeze */
  freezingC: number;
  /** °C around it */
  aroundC: number;
  shape: "slab" | "cylinder" | "sphere";
}

/** Plank's shape factors P and R. */
const SHAPES = { slab: [1 / 2, 1 / 8], cylinder: [1 / 4, 1 / 16], sphere: [1 / 6, 1 / 24] } as const;

/**
 * Returns the time to freeze or thaw by Plank's equation, in seconds. It leaves out the heat above and below the
 * freezing point, so the true time is longer.
 *
 * Source: Plank 1913, as in Singh & Heldman, Introduction to Food Engineering, ch. 7: t = ρ·L / |T_f − T_∞| · (P·a/h +
 * R·a²/k).
 * @param c SI units; sizes, film and conductivity > 0
 * @throws RangeError outside those ranges, or when the surroundings are at the freezing point
 */
export function plankSeconds(c: PlankCase): number {
  const drive = Math.abs(c.freezingC - c.aroundC);
  if (!(drive > 0) || !(c.sizeM > 0) || !(c.film > 0) || !(c.conductivity > 0))
    throw new RangeError("Plank's equation needs sizes above 0 and surroundings off the freezing point");
  const [p, r] = SHAPES[c.shape];
  return (
    ((c.density * c.latentHeat) / drive) * ((p * c.sizeM) / c.film + (r * c.sizeM ** 2) / c.conductivity)
  );
}

export interface ThawEstimate {
  method: ThawMethod;
  /** hours by the weight rule */
  byWeightHours: number;
  /** hours by thickness (Plank, slab, with the heat up from −18 °C added) */
  byThicknessHours: number;
  /** the longer of the two: what to plan by */
  hours: number;
  /** where it comes from, a sentence */
  from: string;
}

/** Heat of fusion of water, kJ/kg, and specific heat of frozen meat, kJ/(kg·K). Standard values, from memory. */
const FUSION = 333.5;
const FROZEN_HEAT = 1.9;
const FREEZER_C = -18;
const FREEZING_C = -1.5;

/**
 * Returns an estimate of the hours a bag of meat takes to thaw: the longer of a rule by weight and one by thickness.
 *
 * By weight: USDA FSIS consumer advice, from memory; in the refrigerator a day for each 4½ lb, at least a day, in cold
 * water half an hour a pound. By thickness: Plank's equation for a slab warmed from both faces, plus the heat up from
 * −18 °C.
 * @param massKg kg, > 0
 * @param thickM thickness of the bag, m, > 0
 * @param waterPercent water in the meat, percent, 0 to 100
 * @throws RangeError when weight or thickness is not above 0
 */
export function thawEstimate(
  method: ThawMethod,
  massKg: number,
  thickM: number,
  waterPercent = 73,
): ThawEstimate {
  if (!(massKg > 0) || !(thickM > 0)) throw new RangeError("a bag has a weight and a thickness above 0");
  const pounds = massKg / KG_PER_LB;
  const byWeightHours = method === "fridge" ? 24 * Math.max(1, pounds / 4.5) : pounds / 2;
  const { tempC, film } = AROUND[method];
  const heat = (FUSION * waterPercent) / 100 + FROZEN_HEAT * (FREEZING_C - FREEZER_C);
  const byThicknessHours =
    plankSeconds({
      density: 1050,
      latentHeat: heat * 1000,
      conductivity: 0.48,
      film,
      sizeM: thickM,
      freezingC: FREEZING_C,
      aroundC: tempC,
      shape: "slab",
    }) / 3600;
  return {
    method,
    byWeightHours,
    byThicknessHours,
    hours: Math.max(byWeightHours, byThicknessHours),
    from: "An estimate: the longer of the weight rule (USDA consumer advice, from memory) and Plank’s equation for a bag this thick. Feel the middle before you pack.",
  };
}
