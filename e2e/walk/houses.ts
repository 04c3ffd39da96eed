import { openLarder, type Larder } from "#store/db";
import { NO_MEASURES, addCanner, recordGaugeCheck } from "#store/equipment";
import { acceptRow } from "#store/household";
import { containersOfPack, makePack, type PackInput } from "#store/pack";
import { openRun } from "#store/run";
import { recordExhaust, recordSetUp } from "#store/seam";
import { addTool } from "#store/check";
import { addPlace } from "#store/shelf";
import { GOOD_SHEET } from "#store/testing";
import { kPaFromPsi } from "#core/quantity";
import { boarHouse } from "../house";

/** Where a walk begins: a household with something in hand, and the screens on which it goes on. */
export interface WalkHouse {
  name: string;
  screens: string[];
}

const HOUR = 3_600_000;

type House = ReturnType<typeof boarHouse>;

/** What stands in each: a true dial or one that reads 3 lb high, a weight, a manual that allows six. */
function furnish(larder: Larder, { write }: House, now: number): { good: string; weighted: string } {
  const canner = (name: string, hasDial: boolean, pieces: number[]) =>
    addCanner(larder, write(), {
      name,
      quarts: 21,
      hasDial,
      weightPiecesPsi: pieces,
      safeMaxKPa: kPaFromPsi(20),
      measures: { ...NO_MEASURES, manual: { "jar-pint": 6, "jar-half-pint": 6, "can-half-pound": 6 } },
    }).id;
  const good = canner("Good canner", true, []);
  const bad = canner("Old canner", true, []);
  const weighted = canner("Weight canner", false, [5, 5, 5]);
  recordGaugeCheck(larder, write(), { cannerId: good, at: now - HOUR, errorKPa: 0, note: null });
  recordGaugeCheck(larder, write(), { cannerId: bad, at: now - HOUR, errorKPa: kPaFromPsi(3), note: null });
  addPlace(larder, write(), { room: "Cellar", name: "Top" });
  return { good, weighted };
}

const PINTS: Omit<PackInput, "lotId" | "count" | "massKg"> = {
  product: "red-meat-pieces",
  method: "raw",
  container: "jar-pint",
  mouth: "regular",
  liquid: "none",
  saltTspEach: 0,
  reusedLids: false,
};

/** Fills a folder with the house a walk of this number begins in. @param now ms since 1970 UTC */
export function fillHouse(folder: string, walk: number, now: number): WalkHouse {
  // The house is furnished an hour before the walk begins.
  let at = now - HOUR;
  const larder = openLarder(folder, () => at);
  try {
    const house = boarHouse(larder, { name: "Walk house", altitudeM: 152.4, gauge: "dial" });
    const { write, cut } = house;
    const lot = cut("Shoulder", 14, 12);
    const { good, weighted } = furnish(larder, house, at);
    acceptRow(larder, write(), "can-game");
    const pack = (more: Partial<PackInput> & { count: number; massKg: number }) =>
      makePack(larder, write(), { ...PINTS, lotId: lot.id, ...more });
    at = now;
    if (walk % 3 === 0) {
      const cannerId = walk % 2 ? weighted : good;
      const run = openRun(larder, write(), {
        cannerId,
        packIds: [pack({ count: 2, massKg: 1 }).id],
        signedReason: null,
      });
      return { name: "stove", screens: [`/fire/${run.code}`, "/rest", "/larder"] };
    }
    if (walk % 3 === 1) {
      const { id: sealerId } = addTool(larder, write(), {
        kind: "sealer",
        name: "Hand sealer",
        powerW: null,
        lowestKPa: null,
        outdoors: null,
        induction: null,
        note: null,
      });
      recordSetUp(larder, write(), { sealerId, container: "can-half-pound", sheet: GOOD_SHEET });
      const cans = pack({
        count: 4,
        massKg: 0.74,
        product: "can-game",
        method: "hot",
        container: "can-half-pound",
        mouth: null,
        liquid: "broth",
        liquidName: "Beef broth",
      });
      const [first, second] = containersOfPack(larder, cans.id);
      for (const { id } of [first!, second!]) recordExhaust(larder, write(), id, 82);
      return { name: "cans", screens: ["/seam", "/fire", "/rest", "/larder"] };
    }
    pack({ count: 4, massKg: 2 });
    pack({ count: 4, massKg: 2 });
    const boar = larder.sqlite.prepare("select code from harvest").pluck().get() as string;
    return { name: "table", screens: [`/field/${boar}`, "/cold", "/pack", "/fire", "/table"] };
  } finally {
    larder.close();
  }
}
