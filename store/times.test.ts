import { v7 as uuid } from "uuid";
import { expect, test } from "vitest";
import { onBehalfOf, openLarder, Refused } from "#store/db";
import { verifyLarder } from "#store/history";
import { changeHousehold } from "#store/household";
import { LISTS, takeList } from "#store/lists";
import { getLot, recordLotEvent, splitLot } from "#store/lot";
import { getPack } from "#store/pack";
import { getRun, tapRun, takeReadings } from "#store/run";
import { openTestRun, packPints, runToTowel, testLarder } from "./testing/larder.ts";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

test("a household that moves up keeps its old runs and packs as they were, and its new ones ask for more", () => {
  const t = testLarder();
  const old = packPints(t, 4);
  const packed = getPack(t.larder, old.id).schedule;
  const run = openTestRun(t, [old.id]);
  runToTowel(t, run.id);
  const before = getRun(t.larder, run.id);
  changeHousehold(t.larder, t.write(), { altitudeM: 2100 });
  const after = getRun(t.larder, run.id);
  expect(after.schedule).toEqual(before.schedule);
  expect(after.plan).toEqual(before.plan);
  expect(after.schedule.altitudeM).toBeCloseTo(701.04);
  expect(after.view.outcome).toBe("processed");
  expect(getPack(t.larder, old.id).schedule).toEqual(packed);
  t.pass(13 * 60);
  const next = openTestRun(t, [packPints(t, 4).id]);
  // USDA guide 5, dial gauge: 12 lb from 2,001 to 4,000 ft, 14 lb from 6,001 to 8,000 ft (2,100 m is 6,890 ft). From memory.
  expect(getRun(t.larder, next.id).schedule.governing.target.facePsi).toBe(14);
});

test("two devices that take from one lot at once: what is there goes once, and the second is told", () => {
  const t = testLarder();
  const left = getLot(t.larder, t.lotId).leftKg;
  const split = (kg: number) =>
    splitLot(t.larder, t.write(), { lotId: t.lotId, massKg: kg, part: "Half", forWhom: null });
  split(left * 0.7);
  expect(() => split(left * 0.7)).toThrow(Refused);
  expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(left * 0.3, 6);
  // One freezes it, the other, whose page still shows it in the fridge, freezes it too: it is frozen once.
  const freeze = () =>
    recordLotEvent(t.larder, t.write(), t.lotId, { kind: "freeze", at: t.larder.now(), place: null });
  freeze();
  expect(freeze).toThrow(Refused);
  expect(getLot(t.larder, t.lotId).kept).toBe("freezer");
});

test("the same form sent by two devices with one key is one deed", () => {
  const t = testLarder();
  const write = t.write();
  const split = () => splitLot(t.larder, write, { lotId: t.lotId, massKg: 1, part: "Once", forWhom: null });
  expect(split()).toEqual(split());
  expect(t.larder.sqlite.prepare("select count(*) from lot where part = 'Once'").pluck().get()).toBe(1);
});

test("the same key with other values is refused with both, and the first stands", () => {
  const t = testLarder();
  const write = t.write();
  const split = (massKg: number, payload: string) =>
    onBehalfOf({ device: null, said: null, payload }, () =>
      splitLot(t.larder, write, { lotId: t.lotId, massKg, part: "Once", forWhom: null }),
    );
  const first = split(1, "one kilogram");
  expect(split(1, "one kilogram")).toEqual(first);
  expect(() => split(2, "two kilograms")).toThrow(
    expect.objectContaining({
      status: 409,
      fields: {
        "": expect.stringMatching(
          /lot\.split, .* UTC\) with other values, and that stands\..*was not recorded/,
        ) as unknown,
      },
    }),
  );
  expect(t.larder.sqlite.prepare("select count(*) from lot where part = 'Once'").pluck().get()).toBe(1);
});

test("a clock that jumps back changes no finish, and what it would date before its run is refused until it is set", () => {
  let now = Date.UTC(2026, 10, 20, 9);
  const t = testLarder(mkdtempSync(join(tmpdir(), "larder-clock-")));
  const run = openTestRun(t, [packPints(t).id]);
  t.larder.close();
  const larder = openLarder(t.larder.folder, () => now);
  const say = (type: Parameters<typeof tapRun>[2]["type"], minutes: number) => {
    now += minutes * 60_000;
    tapRun(larder, run.id, { id: uuid(), type, by: "Ada" });
  };
  say("heat-on", 1);
  say("steam-steady", 10);
  say("weight-on", 11);
  say("at-target", 5);
  const { finishAt } = getRun(larder, run.id).view;
  expect(finishAt).toBe(now + 75 * 60_000);
  // The machine takes its clock back by two hours, to before the run was opened.
  now -= 2 * 3_600_000;
  expect(getRun(larder, run.id).view.finishAt).toBe(finishAt);
  expect(getRun(larder, run.id).view.outcome).not.toBe("processed");
  expect(() => tapRun(larder, run.id, { id: uuid(), type: "at-target", by: "Ada" })).toThrow(
    /has jumped back/,
  );
  const gauge = takeReadings(larder, run.id, [
    { index: 0, id: uuid(), at: now + 2 * 3_600_000, gaugeKPa: 95 },
  ]);
  expect(gauge.refused[0]!.reason).toMatch(/in the future/);
  // Set right, it goes on where it was.
  now += 2 * 3_600_000 + 10 * 60_000;
  tapRun(larder, run.id, { id: uuid(), type: "at-target", by: "Ada" });
  expect(getRun(larder, run.id).view.finishAt).toBe(finishAt);
  expect(verifyLarder(larder).broken).toEqual([]);
  larder.close();
});

test("a leap day is a day in a leap year and in no other", async () => {
  const t = testLarder();
  const animals = LISTS.find((l) => l.key === "animals")!;
  const on = async (day: string) =>
    (
      await takeList(
        t.larder,
        t.write(),
        animals,
        `species,taken on,weight kg,weighed\nElk,${day},100,live\n`,
      )
    )[0]!;
  expect((await on("2024-02-29")).what).toBe("new");
  expect(await on("2025-02-29")).toMatchObject({
    what: "refused",
    sentence: "taken on: “2025-02-29” is no day like 2026-11-20.",
  });
});
