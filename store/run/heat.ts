import type { Larder } from "#store/db";
import { coolDownMinutes } from "#core/agenda";
import { effectiveDiffusivity, type Filling, type Heated, type Kitchen } from "#core/heat";
import { profileOf } from "#core/pack";
import { kPaFromPsi, mmFromIn } from "#core/quantity";
import { shapeOf, type ContainerKey, type Mouth, type ProductKey } from "#core/schedule";
import { speciesByKey, type Composition } from "#core/species";
import { getTool } from "#store/check";
import { getCanner } from "#store/equipment";
import type { Pack } from "#store/pack";
import { getRun, type RunRecord } from "./run.ts";

/** Power of a burner nobody wrote down, W. Typical, from memory. */
const PLAIN_BURNER_W = 3500;

/** Returns the power of a run's burner, W: as recorded, or that of a common one (no source). */
export const burnerPowerW = (larder: Larder, { burnerId }: Pick<RunRecord, "burnerId">): number =>
  (burnerId ? getTool(larder, burnerId).powerW : null) ?? PLAIN_BURNER_W;

/** What a run was done on, as far as heat and water are concerned. */
export interface HeatKitchen {
  kitchen: Kitchen;
  water: { litres: number; burnerW: number };
  weightPiecesPsi: readonly number[];
}

/** Returns what a run was done on: altitude in m, errors and pressures in kPa, water in L, power in W. */
export function heatKitchen(larder: Larder, run: RunRecord): HeatKitchen {
  const canner = getCanner(larder, run.cannerId);
  const { target } = run.schedule.governing;
  return {
    kitchen: {
      altitudeM: run.schedule.altitudeM,
      faceErrorKPa: kPaFromPsi(target.facePsi - target.truePsi),
      rockingKPa: target.weightPsi === null ? null : kPaFromPsi(target.weightPsi),
      coolMinutes: coolDownMinutes(canner.quarts),
    },
    water: {
      litres: canner.pot.waterLitres,
      burnerW: burnerPowerW(larder, run),
    },
    weightPiecesPsi: canner.weightPieces,
  };
}

/** Contents when the burner is lit, °C: raw packs from a cool room, hot packs hot. Common practice, no source. */
const START_C = { raw: 10, hot: 75 } as const;
/** Conductivity of the contents over what glass (3 mm, 1 W/(m·K)) or a can's wall lets through, m. From memory. */
const GLASS_SKIN_M = 0.5 / 300;
const CAN_SKIN_M = 0.5 / 4000;
/** Meat of nothing in particular, percent. From memory. */
const PLAIN_FOOD: Composition = { water: 73, protein: 22, fat: 4, ash: 1 };

function fillingOf({ product, method }: Pack): Filling {
  if (product === "broth") return "liquid";
  if (product === "red-meat-ground" || product === "can-game" || product === "can-fish") return "solid";
  return method === "hot" ? "pieces-in-liquid" : "raw-pieces";
}

/** One kind of container of a load as heat finds it. */
export interface HeatedPack {
  code: string;
  container: ContainerKey;
  mouth: Mouth | null;
  filling: Filling;
  product: ProductKey;
  dish: string | null;
  species: string[];
  heated: Heated;
}

/** Returns the packs of a run with what is needed to compute their heating. */
export function heatedPacks(r: RunRecord): HeatedPack[] {
  return r.packs.map((p) => {
    const shape = shapeOf(p.container, p.mouth);
    const { depthMm, steps } = profileOf(shape);
    const headspaceMm = mmFromIn(p.schedule.headspaceIn ?? 1);
    const parts = speciesByKey(p.species[0] ?? "")?.composition ?? PLAIN_FOOD;
    const filling = fillingOf(p);
    return {
      code: p.code,
      container: p.container,
      mouth: p.mouth,
      filling,
      product: p.product,
      dish: p.dish,
      species: p.species,
      heated: {
        body: {
          radiusM: steps.at(-1)!.radiusMm / 1000,
          halfHeightM: Math.max(10, depthMm - headspaceMm) / 2000,
          diffusivity: effectiveDiffusivity(parts, filling),
          skinM: shape.mouthInsideMm === null ? CAN_SKIN_M : GLASS_SKIN_M,
        },
        startC: START_C[p.method],
      },
    };
  });
}

/**
 * Returns a run with what its heat panel is computed from. Throws Refused (404) when there is none of this id or code.
 */
export function heatOf(larder: Larder, idOrCode: string) {
  const record = getRun(larder, idOrCode);
  return { run: record, ...heatKitchen(larder, record), packs: heatedPacks(record) };
}
