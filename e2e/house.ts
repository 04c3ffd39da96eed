import { v7 as uuid } from "uuid";
import type { Larder } from "#store/db";
import { recordHarvest } from "#store/harvest";
import { setUpHousehold, type HouseholdInput } from "#store/household";
import { cutLot } from "#store/lot";

/** Oda's household, and a boar of hers to cut lots from. */
export function boarHouse(larder: Larder, house: Pick<HouseholdInput, "name" | "altitudeM" | "gauge">) {
  const nobody = { key: uuid(), byId: null };
  const { personId } = setUpHousehold(larder, nobody, {
    ...house,
    units: "us",
    zone: "UTC",
    personName: "Oda",
  });
  const write = () => ({ key: uuid(), byId: personId, byName: "Oda" });
  const today = new Date(larder.now()).toISOString().slice(0, 10);
  const boar = {
    species: "wild-boar",
    takenOn: today,
    place: null,
    tag: null,
    count: 1,
    weightKg: 60,
    weightKind: "dressed" as const,
    note: null,
    holdFor: null,
  };
  const { id: harvestId } = recordHarvest(larder, write(), boar, today);
  /** Cuts pieces off it into the fridge. */
  const cut = (part: string, inKg: number, outKg: number) =>
    cutLot(
      larder,
      write(),
      { harvestId, part, form: "pieces", inKg, outKg, trimKg: null, kept: "fridge" },
      "us",
    );
  return { write, cut };
}
