import { openLarder } from "#store/db";
import { addCanner, recordGaugeCheck } from "#store/equipment";
import { addPerson } from "#store/household";
import { makePack } from "#store/pack";
import { openRun } from "#store/run";
import { kPaFromPsi } from "#core/quantity";
import { boarHouse } from "./house";

/** Two loads that stand in two canners, not lit yet: pints on a dial, held a pound over, and half-pints under a weight. */
export interface Evening {
  dial: string;
  weighted: string;
}

/** A household of two at 2,300 ft with two loaded canners. @param now ms since 1970 UTC */
export function fillEvening(folder: string, now: number): Evening {
  const larder = openLarder(folder, () => now);
  try {
    const house = { name: "Evening house", altitudeM: 701.04, gauge: "dial" as const };
    const { write, cut } = boarHouse(larder, house);
    addPerson(larder, write(), "Piet");
    const lot = cut("Shoulder", 14, 12);
    const canner = (name: string, quarts: number, hasDial: boolean) =>
      addCanner(larder, write(), {
        name,
        quarts,
        hasDial,
        weightPiecesPsi: hasDial ? [] : [5, 5, 5],
        safeMaxKPa: kPaFromPsi(20),
      }).id;
    const dial = canner("Big canner", 21, true);
    const weighted = canner("Small canner", 16, false);
    recordGaugeCheck(larder, write(), { cannerId: dial, at: now, errorKPa: 0, note: null });
    const load = (
      cannerId: string,
      container: "jar-pint" | "jar-half-pint",
      count: number,
      margin: number,
    ) => {
      const pack = makePack(larder, write(), {
        lotId: lot.id,
        massKg: count * (container === "jar-pint" ? 0.5 : 0.25),
        product: "red-meat-pieces",
        method: "raw",
        container,
        mouth: "regular",
        count,
        liquid: "none",
        saltTspEach: 0,
        reusedLids: false,
      });
      return openRun(larder, write(), {
        cannerId,
        packIds: [pack.id],
        signedReason: null,
        marginKPa: kPaFromPsi(margin),
      }).code;
    };
    return { dial: load(dial, "jar-pint", 5, 1), weighted: load(weighted, "jar-half-pint", 4, 0) };
  } finally {
    larder.close();
  }
}
