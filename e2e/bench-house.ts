import { v7 as uuid } from "uuid";
import { fillEstimate } from "#core/pack";
import { addTool } from "#store/check";
import { openLarder } from "#store/db";
import { addCanner } from "#store/equipment";
import { recordHarvest } from "#store/harvest";
import { setUpHousehold } from "#store/household";
import { cutLot } from "#store/lot";
import { addSupply } from "#store/supply";

/** A household at 500 ft with two lots of boar, a big canner with a weight, a sealer, and what goes with them. */
export function fillBenchHouse(folder: string, lotKg: [number, number]): void {
  const larder = openLarder(folder, () => Date.now());
  try {
    const { personId } = setUpHousehold(
      larder,
      { key: uuid(), byId: null },
      {
        name: "Bench house",
        altitudeM: 152.4,
        units: "us",
        zone: "UTC",
        gauge: "weighted",
        personName: "Oda",
      },
    );
    const write = () => ({ key: uuid(), byId: personId, byName: "Oda" });
    const today = new Date().toISOString().slice(0, 10);
    const harvest = recordHarvest(
      larder,
      write(),
      {
        species: "wild-boar",
        takenOn: today,
        place: null,
        tag: null,
        count: 1,
        weightKg: 60,
        weightKind: "dressed",
        note: null,
        holdFor: null,
      },
      today,
    );
    for (const [i, part] of (["Shoulder", "Neck"] as const).entries())
      cutLot(
        larder,
        write(),
        {
          harvestId: harvest.id,
          part,
          form: "pieces",
          inKg: lotKg[i]! * 1.2,
          outKg: lotKg[i]!,
          trimKg: null,
          kept: "fridge",
        },
        "us",
      );
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
