import fc from "fast-check";
import { expect, test } from "vitest";
import { EXHAUST_TEMP_C } from "#core/schedule";
import { Refused } from "#store/db";
import { addCanner } from "#store/equipment";
import { changeHousehold } from "#store/household";
import { openRun } from "#store/run";
import {
  addCanReadings,
  cansWaiting,
  confirmReading,
  recordExhaust,
  recordSeam,
  recordSetUp,
  recordTrouble,
  signForCan,
} from "#store/seam";
import { GOOD_SHEET, packPints, readySealer, testLarder } from "#store/testing";

/** What a household may do with its cans, in any order. */
const deed = fc.oneof(
  fc.record({ do: fc.constant("read" as const), can: fc.nat(3), tempC: fc.integer({ min: 72, max: 90 }) }),
  fc.record({ do: fc.constant("probe" as const), can: fc.nat(3), tempC: fc.integer({ min: 72, max: 90 }) }),
  fc.record({ do: fc.constant("confirm" as const), can: fc.nat(3) }),
  fc.record({ do: fc.constant("good" as const), can: fc.nat(3) }),
  fc.record({
    do: fc.constant("bad" as const),
    can: fc.nat(3),
    key: fc.constantFrom("vee" as const, "droop" as const, "skidder" as const),
  }),
  fc.record({ do: fc.constant("sign" as const), can: fc.nat(3) }),
  fc.record({ do: fc.constant("jam" as const) }),
  fc.record({ do: fc.constant("set-up" as const), good: fc.boolean() }),
  fc.record({ do: fc.constant("wait" as const), minutes: fc.integer({ min: 1, max: 15 }) }),
  fc.record({ do: fc.constant("load" as const) }),
);

/** Every can of a run, straight from the tables and not by the rules under test: hot, then accepted, or signed for. */
const UNEARNED = `
  select c.code from container c join pack k on k.id = c.pack_id
  where k.run_id is not null and c.emptied_at is null
    and not exists (select 1 from deviation d where d.container_id = c.id and d.kind = 'can-unfit' and d.reason is not null and d.by_id is not null)
    and not exists (
      select 1 from can_check t join can_check v on v.container_id = t.container_id and v.seq > t.seq
      where t.container_id = c.id and t.temp_c >= ? and v.verdict = 'accept'
        and not exists (select 1 from can_check x where x.container_id = c.id and x.temp_c is not null and x.seq > t.seq and x.seq < v.seq and x.temp_c < ?))`;

test("no order of deeds brings a can into a canner without its temperature and an accepted seam, unless somebody signed", () => {
  let loads = 0;
  fc.assert(
    fc.property(fc.array(deed, { minLength: 15, maxLength: 50 }), (deeds) => {
      const t = testLarder();
      changeHousehold(t.larder, t.write(), { altitudeM: 152.4 });
      const sealerId = readySealer(t);
      const pack = packPints(t, 1, {
        product: "can-game",
        method: "hot",
        container: "can-half-pound",
        mouth: null,
        liquid: "water",
      });
      const canner = addCanner(t.larder, t.write(), {
        name: "Weighted",
        quarts: 21,
        hasDial: false,
        weightPiecesPsi: [5, 5, 5],
        safeMaxKPa: 138,
      });
      const short = { ...GOOD_SHEET, positions: GOOD_SHEET.positions.map((p) => ({ ...p, coverHook: 1.5 })) };
      let serial = 0;
      for (const d of deeds) {
        const cans = cansWaiting(t.larder);
        const can = "can" in d ? cans[d.can % Math.max(1, cans.length)] : undefined;
        try {
          switch (d.do) {
            case "read":
              if (can) recordExhaust(t.larder, t.write(), can.id, d.tempC);
              break;
            case "probe":
              if (can)
                addCanReadings(t.larder, can.id, [
                  {
                    id: String(++serial),
                    at: t.larder.now(),
                    tempC: d.tempC,
                    juiceC: d.tempC + (serial % 3),
                  },
                ]);
              break;
            case "confirm":
              if (can) confirmReading(t.larder, t.write(), can.id);
              break;
            case "good":
              if (can) recordSeam(t.larder, t.write(), can.id, { defects: [] });
              break;
            case "bad":
              if (can) recordSeam(t.larder, t.write(), can.id, { defects: [{ key: d.key, degrees: 0 }] });
              break;
            case "sign":
              if (can && serial % 4 === 3) signForCan(t.larder, t.write(), can.id, "the probe broke");
              serial += 1;
              break;
            case "jam":
              recordTrouble(t.larder, t.write(), { sealerId, kind: "jam", note: null });
              break;
            case "set-up":
              recordSetUp(t.larder, t.write(), {
                sealerId,
                container: "can-half-pound",
                sheet: d.good ? GOOD_SHEET : short,
              });
              break;
            case "wait":
              t.pass(d.minutes);
              break;
            case "load":
              openRun(t.larder, t.write(), { cannerId: canner.id, packIds: [pack.id], signedReason: null });
              loads += 1;
              break;
          }
        } catch (error) {
          if (!(error instanceof Refused)) throw error;
        }
        expect(t.larder.sqlite.prepare(UNEARNED).all(EXHAUST_TEMP_C - 1e-6, EXHAUST_TEMP_C - 1e-6)).toEqual(
          [],
        );
      }
      t.larder.close();
    }),
    { numRuns: 60, seed: 20261123 },
  );
  // The check has met loads that went in, or it would have seen nothing.
  expect(loads).toBeGreaterThan(5);
});
