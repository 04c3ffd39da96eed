/** A larder of many seasons, for measuring: lots cut, a few each season still in the freezer, the rest packed away or eaten. */
import { v7 as uuid } from "uuid";
import { DAY_MS } from "#core/quantity";
import { openLarder } from "#store/db";
import { recordHarvest } from "#store/harvest";
import { setUpHousehold } from "#store/household";
import { cutLot, recordLotEvent } from "#store/lot";

const PER_SEASON = 200;
/** Lots still in hand at the end, whatever the number of seasons. */
const IN_HAND = 30;

/** Fills a folder with `seasons` of 200 lots each, ending now, of which the last 30 are still there. */
export function fillSeasons(folder: string, seasons: number, end: number): void {
  let now = end - seasons * 365 * DAY_MS;
  const larder = openLarder(folder, () => now);
  // A larder for measuring may lose its last writes; filling it should not take an hour.
  larder.sqlite.pragma("synchronous = OFF");
  const { personId } = setUpHousehold(
    larder,
    { key: uuid(), byId: null },
    { name: "Bench", altitudeM: 700, units: "us", zone: "UTC", gauge: "dial", personName: "Ada" },
  );
  const write = () => ({ key: uuid(), byId: personId });
  const total = seasons * PER_SEASON;
  let animal = "";
  for (let i = 0; i < total; i++) {
    now = Math.round(end - ((total - i) / PER_SEASON) * 365 * DAY_MS);
    if (i % 8 === 0)
      animal = recordHarvest(
        larder,
        write(),
        {
          species: (["wild-boar", "whitetail-deer", "elk"] as const)[(i / 8) % 3]!,
          takenOn: new Date(now).toISOString().slice(0, 10),
          place: null,
          tag: null,
          count: 1,
          weightKg: 60,
          weightKind: "dressed",
          note: null,
          holdFor: null,
        },
        new Date(now).toISOString().slice(0, 10),
      ).id;
    const lot = cutLot(
      larder,
      write(),
      {
        harvestId: animal,
        part: ["Shoulder", "Hind leg", "Neck", "Loin"][i % 4]!,
        form: i % 3 ? "pieces" : "ground",
        inKg: 6,
        outKg: 4 + (i % 5) / 4,
        trimKg: null,
        kept: i % 2 ? "freezer" : "fridge",
      },
      "us",
    );
    if (i < total - IN_HAND)
      recordLotEvent(larder, write(), lot.id, { kind: "eat", at: now, massKg: 4 + (i % 5) / 4, to: null });
  }
  larder.close();
}
