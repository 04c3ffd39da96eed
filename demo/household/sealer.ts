import { MINUTE_MS, mmFromIn } from "#core/quantity";
import {
  addCanReadings,
  cansWaiting,
  listSealers,
  recordExhaust,
  recordMeasured,
  recordSeam,
  recordSetUp,
} from "#store/seam";
import type { Teller } from "./teller.ts";

/** The sealer tested on empty cans: one taken apart, three places, lengths in thousandths of an inch. */
export function setUpSealer(t: Teller, at: number): void {
  t.goTo(at);
  const mm = (thou: number) => mmFromIn(thou / 1000);
  const place = (w: number, s: number, bh: number, ch: number, wrinklePercent: number) => ({
    width: mm(w),
    thickness: mm(s),
    countersink: mm(125),
    bodyHook: mm(bh),
    coverHook: mm(ch),
    overlap: null,
    wrinklePercent,
  });
  recordSetUp(t.larder, t.write(), {
    sealerId: listSealers(t.larder)[0]!.id,
    container: "can-half-pound",
    sheet: {
      method: "micrometer",
      endPlateMm: mm(9),
      bodyPlateMm: mm(8),
      positions: [
        place(115, 48.5, 80, 77, 15),
        place(116, 48.8, 81, 78, 20),
        place(114.5, 48.3, 79, 77.5, 15),
      ],
    },
  });
}

/** Cans in the bath, each with its probe, and closed as they come to temperature; the sixth seam droops. */
export function exhaustAndClose(t: Teller, filledAt: number, end: number): void {
  const sealerId = listSealers(t.larder)[0]!.id;
  for (const [i, can] of cansWaiting(t.larder).slice(0, 8).entries()) {
    const last = i < 6 ? 40 + i * 3 : 60;
    // Heat comes to the middle as in a cylinder: a lag, then a tenth of the way left every f minutes; the last two lag behind.
    const f = i < 6 ? 50 + i * 4 : 66 + i * 6;
    const readings = Array.from({ length: Math.floor(last / 6) }, (_, k) => last - 6 * k)
      .reverse()
      .map((minute) => ({
        id: `${i} ${minute}`,
        at: filledAt + minute * MINUTE_MS,
        tempC: Math.round(Math.max(6, 97 - 2.04 * 91 * 10 ** (-(minute + 14) / f)) * 10) / 10,
        probe: "Probe 1",
      }));
    t.goTo(Math.min(end, filledAt + last * MINUTE_MS));
    addCanReadings(t.larder, can.id, readings);
    if (i > 5) continue;
    t.goTo(filledAt + (last + 1) * MINUTE_MS);
    recordExhaust(t.larder, t.write(), can.id, 77.4 + i / 5);
    recordSeam(t.larder, t.write(), can.id, {
      defects: i === 5 ? [{ key: "droop", degrees: 120 }] : [],
    });
    if (i < 5)
      recordMeasured(t.larder, t.write(), {
        sealerId,
        containerId: can.id,
        outside: {
          thickness: 1.232 + [0.004, -0.006, 0.002, 0.008, -0.003][i]!,
          width: 2.92 + [0.01, -0.02, 0.015, 0, -0.01][i]!,
        },
      });
  }
}
