import { rmSync } from "node:fs";
import { openLarder } from "#store/db";
import { NO_MEASURES, addCanner, recordGaugeCheck } from "#store/equipment";
import { makePack } from "#store/pack";
import { containersOfRun } from "#store/rest";
import { openRun, tapRun, type Tap } from "#store/run";
import { addSupply } from "#store/supply";
import { STEADY_COURSE } from "#store/testing";
import { kPaFromPsi } from "#core/quantity";
import { v7 as uuid } from "uuid";
import { boarHouse } from "./house";
import { newFolder, startServer, type Running } from "./server";

/**
 * A household with eighteen pints of boar on the towel, their rest just over, lids out of two boxes; the last two were lifted
 * out first.
 * @param now ms since 1970 UTC
 * @returns codes of the jars, in the order they were lifted out
 */
export function fillRestHouse(folder: string, now: number): { run: string; codes: string[] } {
  const began = now - 15 * 3_600_000;
  let at = began;
  const larder = openLarder(folder, () => at);
  try {
    const { write, cut } = boarHouse(larder, { name: "Rest house", altitudeM: 152.4, gauge: "dial" });
    const lot = cut("Shoulder", 14, 12);
    const { id: cannerId } = addCanner(larder, write(), {
      name: "Big canner",
      quarts: 21,
      hasDial: true,
      weightPiecesPsi: [],
      safeMaxKPa: kPaFromPsi(20),
      measures: { ...NO_MEASURES, manual: { "jar-pint": 18 } },
    });
    recordGaugeCheck(larder, write(), { cannerId, at: began, errorKPa: 0, note: null });
    for (const [label, count] of [
      ["box 1", 12],
      ["box 2", 24],
    ] as const)
      addSupply(larder, write(), { kind: "lid", container: null, mouth: "regular", label, count });
    const pack = makePack(larder, write(), {
      lotId: lot.id,
      massKg: 9,
      product: "red-meat-pieces",
      method: "raw",
      container: "jar-pint",
      mouth: "regular",
      count: 18,
      liquid: "none",
      saltTspEach: 0.5,
      reusedLids: false,
    });
    const { id, code } = openRun(larder, write(), { cannerId, packIds: [pack.id], signedReason: null });
    const tap = (type: Tap["type"], more: Partial<Tap> = {}) =>
      tapRun(larder, id, { id: uuid(), type, by: "Oda", ...more });
    for (const [minute, type] of STEADY_COURSE) {
      at = began + minute * 60_000;
      tap(type);
    }
    const filled = containersOfRun(larder, id).map((c) => c.code);
    const codes = [filled[17]!, filled[16]!, ...filled.slice(0, 16)];
    for (const [i, container] of codes.entries()) {
      at += 15_000;
      tap("container-out", { container, siphoned: i === 4 ? "some" : "none" });
    }
    at += 15_000;
    tap("unloaded");
    return { run: code, codes };
  } finally {
    larder.close();
  }
}

/** A server of its own on that house, for as long as the work lasts. */
export async function withHouse(
  work: (server: Running, run: string, codes: string[]) => Promise<void>,
): Promise<void> {
  const folder = newFolder();
  const { run, codes } = fillRestHouse(folder, Date.now());
  const server = await startServer(folder);
  try {
    await work(server, run, codes);
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
