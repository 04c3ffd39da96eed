import { describe, expect, test } from "vitest";
import { holdLot, recordHarvest } from "#store/harvest";
import { checkSeal, containersOfRun, dispose } from "#store/rest";
import { openTestRun, packPints, runToTowel, testLarder, type TestLarder } from "#store/testing";
import { homeOf } from "../../server/testing";
import { snapshot } from "../shell/snapshot.server";
import { clocksOf } from "../shell/clocks.server";
import { tasksOf } from "./tasks.server";

const titles = (t: TestLarder) => tasksOf(homeOf(t)).map((x) => `${x.danger}: ${x.title}`);

describe("what Today asks for, by danger", () => {
  test("a jar past its days in the refrigerator does not vanish: it is thrown out, here and in the strip", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 2).id]);
    runToTowel(t, run.id);
    t.pass(12 * 60 + 1);
    const [jar] = containersOfRun(t.larder, run.id);
    checkSeal(t.larder, t.write(), jar!.id, { lid: "flexes" });
    dispose(t.larder, t.write(), jar!.id, "chill");
    const strip = () => clocksOf([], snapshot(homeOf(t))).find((c) => c.id === "chill");
    expect(titles(t)).toContainEqual(`deadline: Eat 1 pint ${jar!.code} from the refrigerator`);
    expect(strip()).toMatchObject({ alarm: false, after: "to be eaten" });
    t.pass(3 * 24 * 60 + 1);
    expect(titles(t)).toContain(`unsafe: Throw out ${jar!.code} from the refrigerator`);
    expect(strip()).toMatchObject({
      alarm: true,
      until: null,
      after: `${jar!.code}: too late, throw it out`,
    });
  });
  test("filled jars that wait have two hours, and then are no work like any other", () => {
    const t = testLarder();
    expect(titles(t).join()).not.toMatch(/burner/i);
    packPints(t);
    expect(titles(t)[0]).toBe("deadline: Light the burner for the filled jars");
    expect(clocksOf([], snapshot(homeOf(t))).find((c) => c.id === "filled")).toMatchObject({
      alarm: false,
    });
    t.pass(121);
    expect(titles(t)[0]).toBe("unsafe: Filled jars have waited over 2 hours");
    expect(clocksOf([], snapshot(homeOf(t))).find((c) => c.id === "filled")).toMatchObject({ alarm: true });
  });
  test("meat near the end of its days is to be canned or frozen; past it, not canned and not suggested", () => {
    const t = testLarder();
    expect(titles(t).join()).not.toMatch(/Can or freeze/);
    t.pass(24 * 60 + 1);
    expect(titles(t)[0]).toMatch(/^deadline: Can or freeze shoulder of wild boar/);
    t.pass(24 * 60);
    expect(titles(t)[0]).toMatch(/^unsafe: Do not can shoulder of wild boar/);
    expect(titles(t).join()).not.toMatch(/work: Pack/);
  });
  test("an animal nobody cut is to be cut; before there is one, it is to be written down", () => {
    const t = testLarder(":memory:", false);
    const all = titles(t);
    const cut = (n: string) => `work: Cut the ${n}`;
    expect(all).not.toContain(cut("animal or catch"));
    const animal = {
      species: "pronghorn",
      takenOn: "2026-11-01",
      count: 1,
      place: null,
      tag: null,
      weightKg: null,
      weightKind: null,
      note: null,
      holdFor: null,
    };
    const another = () => recordHarvest(t.larder, t.write(), animal, "2026-11-01");
    another();
    expect(titles(t)).toContain(cut("animal or catch"));
    another();
    expect(titles(t)).toContain(cut("2 animals or catches"));
  });
  test("a hold stands before what is only work", () => {
    const t = testLarder();
    holdLot(t.larder, t.write(), t.lotId, "a test result");
    expect(titles(t)[0]).toBe("hold: 1 lot on hold: do not use");
  });
});
