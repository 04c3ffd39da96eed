import { describe, expect, test } from "vitest";
import { drillScores, recordDrill, type DrillDone } from "#store/drill";
import { refusal, testLarder } from "#store/testing";

const upInTime: DrillDone = {
  drill: "low-flame",
  seed: 1,
  endS: 960,
  deeds: [{ s: 5, canner: 0, what: "flame", value: 0.28 }],
};

describe("drills", () => {
  test("are scored by going through them again, and the best is kept with how often", () => {
    const t = testLarder();
    const good = recordDrill(t.larder, t.write(), upInTime);
    const idle = recordDrill(t.larder, t.write(), { ...upInTime, deeds: [] });
    expect(good.score).toBeGreaterThan(idle.score);
    expect(good.marks.find((m) => m.what.startsWith("Turned the flame up"))).toMatchObject({
      got: 50,
      worth: 50,
    });
    expect(drillScores(t.larder, t.write().byId)).toEqual([
      { drill: "low-flame", times: 2, best: good.score, last: idle.score },
    ]);
  });
  test("the same form twice is one drill", () => {
    const t = testLarder();
    const write = t.write();
    expect(recordDrill(t.larder, write, upInTime)).toEqual(recordDrill(t.larder, write, upInTime));
    expect(drillScores(t.larder, write.byId)[0]!.times).toBe(1);
  });
  test("deeds that run backwards, or after the end, are refused; so is nobody", () => {
    const t = testLarder();
    const [deed] = upInTime.deeds;
    const backwards = [{ ...deed!, s: 50 }, deed!];
    expect(refusal(() => recordDrill(t.larder, t.write(), { ...upInTime, deeds: backwards }))).toMatch(
      /does not follow/,
    );
    expect(refusal(() => recordDrill(t.larder, t.write(), { ...upInTime, endS: 2 }))).toMatch(
      /does not follow/,
    );
    expect(refusal(() => recordDrill(t.larder, { ...t.write(), byId: null }, upInTime))).toMatch(
      /who you are/,
    );
    expect(drillScores(t.larder, t.write().byId)).toEqual([]);
  });
  test("a result is never changed later", () => {
    const t = testLarder();
    recordDrill(t.larder, t.write(), upInTime);
    expect(() => t.larder.sqlite.exec("update drill_result set score = 100")).toThrow(/append-only/);
  });
});
