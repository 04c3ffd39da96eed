import type { Composition } from "../species/index.ts";

type Part = keyof Composition;

/** Polynomials in °C: conductivity W/(m·K), density kg/m³, heat kJ/(kg·K). Choi & Okos 1986, from memory. */
const CHOI_OKOS: Record<Part, { k: number[]; rho: number[]; cp: number[] }> = {
  water: {
    k: [0.57109, 1.7625e-3, -6.7036e-6],
    rho: [997.18, 3.1439e-3, -3.7574e-3],
    cp: [4.1762, -9.0864e-5, 5.4731e-6],
  },
  protein: {
    k: [0.17881, 1.1958e-3, -2.7178e-6],
    rho: [1329.9, -0.5184],
    cp: [2.0082, 1.2089e-3, -1.3129e-6],
  },
  fat: {
    k: [0.18071, -2.7604e-4, -1.7749e-7],
    rho: [925.59, -0.41757],
    cp: [1.9842, 1.4733e-3, -4.8008e-6],
  },
  ash: {
    k: [0.32962, 1.4011e-3, -2.9069e-6],
    rho: [2423.8, -0.28063],
    cp: [1.0926, 1.8896e-3, -3.6817e-6],
  },
};
const PARTS = Object.keys(CHOI_OKOS) as Part[];

const at = (coefficients: readonly number[], t: number) =>
  coefficients.reduceRight((sum, c) => sum * t + c, 0);

/** Thermal properties of food at a temperature. */
export interface FoodHeat {
  /** W/(m·K) */
  conductivity: number;
  /** kg/m³ */
  density: number;
  /** J/(kg·K) */
  specificHeat: number;
  /** m²/s */
  diffusivity: number;
}

/**
 * Returns the thermal properties of food at a temperature from its composition, SI units: conductivity by volume
 * fraction, volumes added up, heat by mass.
 *
 * Source: Choi & Okos 1986 (also ASHRAE Refrigeration, thermal properties of foods), coefficients from memory.
 * @param parts percent by weight, each 0 to 100; what is missing to 100 counts as water
 * @param tempC −40 to 150 °C
 * @throws RangeError outside those ranges, or when nothing is named
 */
export function foodHeat(parts: Composition, tempC: number): FoodHeat {
  if (!(tempC >= -40 && tempC <= 150)) throw new RangeError(`food from −40 to 150 °C, got ${tempC}`);
  const known = PARTS.reduce((sum, p) => sum + parts[p], 0);
  if (PARTS.some((p) => !(parts[p] >= 0)) || !(known > 0) || known > 110)
    throw new RangeError("parts of food are percents of its weight");
  const mass = (p: Part) =>
    (parts[p] + (p === "water" ? Math.max(0, 100 - known) : 0)) / Math.max(100, known);
  const volumes = PARTS.map((p) => mass(p) / at(CHOI_OKOS[p].rho, tempC));
  const volume = volumes.reduce((a, b) => a + b, 0);
  const conductivity = PARTS.reduce(
    (sum, p, i) => sum + (volumes[i]! / volume) * at(CHOI_OKOS[p].k, tempC),
    0,
  );
  const specificHeat = PARTS.reduce((sum, p) => sum + mass(p) * at(CHOI_OKOS[p].cp, tempC), 0) * 1000;
  const density = 1 / volume;
  return { conductivity, density, specificHeat, diffusivity: conductivity / (density * specificHeat) };
}

/** How contents heat: packed solid by conduction alone; the rest by liquid that moves between pieces as well. */
export type Filling = "solid" | "raw-pieces" | "pieces-in-liquid" | "liquid";

/**
 * How much faster than by conduction the middle warms. Assumed from what moves in the jar, from memory, no source; the
 * reason why all that follows is used relatively and shown with a band.
 */
const FASTER: Record<Filling, number> = {
  solid: 1,
  "raw-pieces": 1.3,
  "pieces-in-liquid": 2.2,
  liquid: 8,
};

/**
 * Returns the thermal diffusivity that stands for a filling, m²/s, at 85 °C: that of the food by conduction, times a
 * factor for liquid that moves between pieces (assumed, no source).
 *
 * Source: Choi & Okos 1986 for the food, from memory.
 * @param parts percent by weight, each 0 to 100
 * @throws RangeError outside that range, or when nothing is named
 */
export function effectiveDiffusivity(parts: Composition, filling: Filling): number {
  return foodHeat(parts, MIDDLE_C).diffusivity * FASTER[filling];
}

/** Properties are taken here: between a warm start and the canner's steam, °C. */
const MIDDLE_C = 85;
