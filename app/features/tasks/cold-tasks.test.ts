import { describe, expect, test } from "vitest";
import { lotsInStock, recordLotEvent } from "#store/lot";
import { testLarder, TEST_START } from "#store/testing";
import { coldTasks } from "./cold-tasks.server";

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

describe("what the cold asks for today", () => {
  test("nothing of a lot in the fridge, nor of one just frozen", () => {
    const t = testLarder();
    expect(
      coldTasks(lotsInStock(t.larder), t.larder.now(), { zone: "UTC", dates: "metric", hours: 24 }),
    ).toEqual([]);
    recordLotEvent(t.larder, t.write(), t.lotId, { kind: "freeze", at: t.larder.now(), place: null });
    expect(
      coldTasks(lotsInStock(t.larder), t.larder.now(), { zone: "UTC", dates: "metric", hours: 24 }),
    ).toEqual([]);
  });
  test("a lot that nears its year, then one past it", () => {
    const t = testLarder();
    recordLotEvent(t.larder, t.write(), t.lotId, { kind: "freeze", at: TEST_START, place: null });
    const ask = (days: number) =>
      coldTasks(lotsInStock(t.larder), TEST_START + days * DAY, {
        zone: "UTC",
        dates: "metric",
        hours: 24,
      })[0]?.why;
    expect(ask(200)).toBeUndefined();
    expect(ask(330)).toBe("10 months in the freezer, soon a year.");
    expect(ask(400)).toBe("1 year 1 month in the freezer, past its year.");
  });
  test("a planned thaw in time, then that it should be thawed", () => {
    const t = testLarder();
    recordLotEvent(t.larder, t.write(), t.lotId, { kind: "freeze", at: TEST_START, place: null });
    recordLotEvent(t.larder, t.write(), t.lotId, {
      kind: "thaw-plan",
      at: TEST_START,
      method: "fridge",
      thickM: 0.05,
      startAt: TEST_START + 72 * HOUR,
      readyAt: TEST_START + 100 * HOUR,
    });
    const tasks = (hours: number) =>
      coldTasks(lotsInStock(t.larder), TEST_START + hours * HOUR, {
        zone: "UTC",
        dates: "metric",
        hours: 24,
      });
    expect(tasks(10)).toEqual([]);
    expect(tasks(40)[0]).toMatchObject({ title: expect.stringMatching(/^Take out shoulder of wild boar/) });
    t.pass(72 * 60);
    recordLotEvent(t.larder, t.write(), t.lotId, {
      kind: "thaw-start",
      at: t.larder.now(),
      method: "fridge",
      thickM: 0.05,
      readyAt: TEST_START + 100 * HOUR,
    });
    expect(tasks(80)[0]!.title).toMatch(/^Thawing: shoulder/);
    expect(tasks(101)[0]!.title).toMatch(/^Feel the middle of shoulder/);
  });
});
