import { setPrices } from "#store/eating";
import { discardFromHarvest, setShares } from "#store/harvest";
import { brothFromBones, splitLot } from "#store/lot";
import { addStorageEntry, shelve } from "#store/shelf";
import { onBig, run, gaugedRun, wholeRun } from "./runs.ts";
import { gaugeTest, type Equipment } from "./shed.ts";
import { animal, lot, pack, check, type Teller } from "./teller.ts";

/**
 * A pronghorn: its haunch in quarts, its bones as broth, a share for a neighbor; what the rooms were like; the dial again.
 * Returns the lot of its trim, which is in the freezer.
 */
export function thisAutumn(t: Teller, equipment: Equipment): string {
  const trim = pronghorn(t, equipment);
  rooms(t);
  gaugeTest(t, equipment.big, 40, 1);
  return trim;
}

function pronghorn(t: Teller, { big, small, shelves }: Equipment): string {
  const { at } = t;
  t.as("Oda");
  const animalId = animal(t, at(55), {
    species: "pronghorn",
    place: "Long Flat",
    tag: "P-2071",
    weightKg: 31,
    weightKind: "dressed",
  });
  const haunch = lot(t, at(53), animalId, "Hind legs", 8.6, 6.4, { trimKg: 2.1 });
  const bones = lot(t, at(53), animalId, "Bones", 3.1, 2.8, { form: "bones" });
  t.goTo(at(52, 7));
  const broth = brothFromBones(t.larder, t.write(), { lotId: bones, bonesKg: 2.8, litres: 4.39 }).id;
  const haunchRun = gaugedRun(
    t,
    at(52),
    big,
    [
      pack(t, at(52, 9), haunch, 7, 6.4, {
        container: "jar-quart",
        mouth: "wide",
        method: "hot",
        liquid: "broth",
        liquidLotId: broth,
      }),
    ],
    { ...onBig, pints: 14, minutes: 90, gust: { minute: 38, minutes: 6, strength: 0.85 } },
  );
  const haunchSealed = check(t, at(51, 12), haunchRun);
  t.goTo(at(50));
  shelve(t.larder, t.write(), haunchSealed, shelves[1]!);
  const brothRun = run(
    t,
    at(52, 17),
    small,
    [
      pack(t, at(52, 16), broth, 6, 2.6, {
        product: "broth",
        method: "hot",
        liquid: "none",
        saltTspEach: 0,
      }),
    ],
    wholeRun(20, 15, 12),
  );
  const brothSealed = check(t, at(51, 15), brothRun);
  t.goTo(at(50));
  shelve(t.larder, t.write(), brothSealed, shelves[1]!);
  const trim = lot(t, at(53), animalId, "Neck and trim", 5.2, 4.1, { form: "ground", kept: "freezer" });
  t.goTo(at(53, 16));
  setShares(t.larder, t.write(), animalId, [{ who: "Bram", fraction: 0.25 }]);
  splitLot(t.larder, t.write(), { lotId: trim, massKg: 1.2, part: "Neck and trim", forWhom: "Bram" });
  discardFromHarvest(
    t.larder,
    t.write(),
    { harvestId: animalId, what: "Shot-through ribs", massKg: 2.3 },
    "us",
  );
  return trim;
}

/** How warm the rooms were, and what things cost. */
function rooms(t: Teller): void {
  const { at } = t;
  for (let days = 360; days > 1; days -= 20) {
    t.goTo(at(days));
    // The year's own to and fro, warmest about two thirds of the way through what is told.
    const season = Math.cos(((days - 110) / 365) * 2 * Math.PI);
    addStorageEntry(t.larder, t.write(), { room: "Cellar", tempC: 12.5 + 2.6 * season });
    addStorageEntry(t.larder, t.write(), { room: "Stair cupboard", tempC: 18.5 + 4.8 * season });
  }
  t.goTo(at(45));
  setPrices(t.larder, t.write(), {
    jar: 1.6,
    "jar-uses": 12,
    lid: 0.32,
    can: 0.85,
    "energy-kwh": 0.19,
    "meat-kg": 0,
    "worth-kg": 22,
  });
}
