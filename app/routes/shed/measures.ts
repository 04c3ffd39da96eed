import { z } from "zod";
import type { CONTAINERS, ContainerKey } from "#core/schedule";
import type { Writing } from "#core/quantity";
import type { CannerMeasures } from "#store/equipment";
import { Refused } from "#store/db";
import { quantity } from "../../server/form";

const whole = (what: string) => z.coerce.number(`${what}: a whole number.`).int(`${what}: a whole number.`);

/** What a household may measure of its canner or read in its manual. All of it may be left out. */
export const measureFields = (units: Writing) => ({
  inside: quantity("length", units, "The inside").optional(),
  height: quantity("length", units, "The height").optional(),
  racks: whole("Racks").optional(),
  water: quantity("volume", units, "The water").optional(),
  deep: quantity("length", units, "The depth").optional(),
  minLoad: whole("The least load").optional(),
  zeroMinutes: z.coerce.number("Minutes, as a number.").optional(),
  metal: z.enum(["aluminium", "steel"]).optional(),
  manualQuarts: whole("Quarts").optional(),
  manualPints: whole("Pints").optional(),
  manualHalfPints: whole("Half-pints").optional(),
});

interface Measured {
  inside?: number | undefined;
  height?: number | undefined;
  racks?: number | undefined;
  water?: number | undefined;
  deep?: number | undefined;
  minLoad?: number | undefined;
  zeroMinutes?: number | undefined;
  metal?: "aluminium" | "steel" | undefined;
  manualQuarts?: number | undefined;
  manualPints?: number | undefined;
  manualHalfPints?: number | undefined;
}

/** The measures as the store keeps them. Lengths were read to metres. */
export function measuresOf(v: Measured): CannerMeasures {
  const manual: Partial<Record<ContainerKey, number>> = {};
  const put = (key: (typeof CONTAINERS)[number], n: number | undefined) => {
    if (n !== undefined) manual[key] = n;
  };
  put("jar-quart", v.manualQuarts);
  put("jar-pint", v.manualPints);
  put("jar-half-pint", v.manualHalfPints);
  return {
    insideDiameterMm: v.inside === undefined ? null : v.inside * 1000,
    usableHeightMm: v.height === undefined ? null : v.height * 1000,
    racks: v.racks ?? null,
    rackHeightMm: null,
    waterLitres: v.water ?? null,
    waterDepthMm: v.deep === undefined ? null : v.deep * 1000,
    minLoad: v.minLoad ?? null,
    aluminium: v.metal === undefined ? null : v.metal === "aluminium" ? 1 : 0,
    manual: Object.keys(manual).length > 0 ? manual : null,
    depressuriseMin: v.zeroMinutes ?? null,
  };
}

/** Where the store's refusal of a measure belongs on the form. */
const MEASURE_FIELDS: Record<string, string> = {
  insideDiameterMm: "inside",
  usableHeightMm: "height",
  waterLitres: "water",
  waterDepthMm: "deep",
  depressuriseMin: "zeroMinutes",
  manual: "manualQuarts",
};

/** Does a write, and says what it refuses of the measures at the form's own fields. */
export function atFields<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    const named = Object.entries(error.fields).map(([f, words]) => [MEASURE_FIELDS[f] ?? f, words]);
    throw new Refused(Object.fromEntries(named) as Record<string, string>, error.status);
  }
}
