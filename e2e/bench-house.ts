import { fillEstimate } from "#core/pack";
import { addTool } from "#store/check";
import { openLarder } from "#store/db";
import { addCanner } from "#store/equipment";
import { addSupply } from "#store/supply";
import { boarHouse } from "./house";

/** A household at 500 ft with two lots of boar, a big canner with a weight, a sealer, and what goes with them. */
export function fillBenchHouse(folder: string, lotKg: [number, number]): void {
  const larder = openLarder(folder, () => Date.now());
  try {
    const house = { name: "Bench house", altitudeM: 152.4, gauge: "weighted" as const };
    const { write, cut } = boarHouse(larder, house);
    for (const [i, part] of (["Shoulder", "Neck"] as const).entries()) cut(part, lotKg[i]! * 1.2, lotKg[i]!);
    addCanner(larder, write(), {
      name: "Big canner",
      quarts: 21,
      hasDial: false,
      weightPiecesPsi: [5, 5, 5],
      safeMaxKPa: 138,
    });
    addTool(larder, write(), {
      kind: "sealer",
      name: "Hand sealer",
      powerW: null,
      lowestKPa: null,
      outdoors: null,
      induction: null,
      note: null,
    });
    const half = { container: "can-half-pound" as const, mouth: null };
    addSupply(larder, write(), { kind: "can", ...half, label: "maker’s lot 11", count: 60 });
    addSupply(larder, write(), { kind: "end", ...half, label: "ends, lot 7", count: 60 });
    addSupply(larder, write(), { kind: "lid", container: null, mouth: "regular", label: "box 3", count: 24 });
    addSupply(larder, write(), {
      kind: "jar",
      container: "jar-pint",
      mouth: "regular",
      label: "good",
      count: 24,
    });
  } finally {
    larder.close();
  }
}

/** What one container is expected to take before this household has packed any, kg. */
export const startKg = {
  can: fillEstimate("can-game", "hot", "can-half-pound").kgEach,
  rawPint: fillEstimate("red-meat-pieces", "raw", "jar-pint").kgEach,
  hotPint: fillEstimate("red-meat-pieces", "hot", "jar-pint").kgEach,
};
