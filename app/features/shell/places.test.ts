import { describe, expect, test } from "vitest";
import { checkSeal, containersOfRun, dispose, undecided } from "#store/rest";
import { addPlace, shelve, toShelve } from "#store/shelf";
import { findCode } from "#store/trace";
import { openTestRun, packPints, runToTowel, tap, testLarder, type TestLarder } from "#store/testing";
import { clocksOf } from "./clocks.server";
import { snapshot } from "./snapshot.server";
import { benchOf, runGlances } from "./places.server";
import { storyOf } from "../genealogy/genealogy.server";
import { homeOf } from "../../server/testing";

const bench = (t: TestLarder) => {
  const h = homeOf(t);
  return Object.fromEntries(benchOf(snapshot(h), runGlances(snapshot(h)), "us").map((p) => [p.key, p]));
};
const clocks = (t: TestLarder) => {
  const h = homeOf(t);
  return clocksOf(runGlances(snapshot(h)), snapshot(h));
};

describe("the row of places tells what stands there", () => {
  test("from an animal and a lot to jars on the shelf", () => {
    const t = testLarder();
    expect(bench(t)).toMatchObject({
      cold: { what: "20 lb, 1 lot" },
      pack: { what: "nothing filled" },
      fire: { what: "cold" },
      rest: { what: "none cooling" },
    });
    const run = openTestRun(t, [packPints(t, 3).id]);
    expect(bench(t).fire).toMatchObject({ what: "warming", steaming: false, amount: 1 });
    tap(t, run.id, "heat-on");
    tap(t, run.id, "steam-steady");
    expect(bench(t).fire).toMatchObject({ what: "venting", steaming: true });
    tap(t, run.id, "abort");
    expect(bench(t).rest).toMatchObject({ what: "3 to decide", standing: [{ state: "failed" }] });
    for (const u of undecided(t.larder)) dispose(t.larder, t.write(), u.container.id, "freeze");
    const again = openTestRun(t, [packPints(t, 2).id]);
    runToTowel(t, again.id);
    expect(bench(t).rest).toMatchObject({
      what: "2 on the towel",
      standing: [{ state: "resting" }, { state: "resting" }],
    });
    t.pass(721);
    for (const c of containersOfRun(t.larder, again.id)) checkSeal(t.larder, t.write(), c.id, "sealed");
    expect(bench(t).larder).toMatchObject({ what: "2 to shelve" });
    const shelf = addPlace(t.larder, t.write(), { room: "Cellar", name: "Top" }).id;
    shelve(
      t.larder,
      t.write(),
      toShelve(t.larder).map((c) => c.id),
      shelf,
    );
    expect(bench(t).larder).toMatchObject({
      what: "2 on the shelf",
      standing: [{ state: "sealed" }, { state: "sealed" }],
    });
  });
});

describe("the strip shows every clock, and what it counts", () => {
  test("through a whole run", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 2).id]);
    expect(clocks(t)).toMatchObject([{ label: "Big canner", until: null, after: "not lit", alarm: false }]);
    tap(t, run.id, "heat-on");
    tap(t, run.id, "steam-steady");
    expect(clocks(t)).toMatchObject([{ until: t.larder.now() + 600_000, after: "of venting left" }]);
    t.pass(10);
    expect(clocks(t)).toMatchObject([{ until: null, after: "vented: weight on now" }]);
    tap(t, run.id, "weight-on");
    tap(t, run.id, "at-target");
    expect(clocks(t)).toMatchObject([{ until: t.larder.now() + 75 * 60_000, after: "left at pressure" }]);
    tap(t, run.id, "below-target");
    expect(clocks(t)).toMatchObject([{ until: null, after: "below target: bring it back", alarm: true }]);
    tap(t, run.id, "at-target");
    t.pass(20);
    expect(clocks(t)).toMatchObject([{ alarm: true }]); // nobody has looked for 20 minutes
    t.pass(55);
    expect(clocks(t)).toMatchObject([{ until: null, after: "done: heat off now" }]);
  });
  test("a failed seal has a clock until its 24 hours are over", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 1).id]);
    runToTowel(t, run.id);
    t.pass(721);
    checkSeal(t.larder, t.write(), containersOfRun(t.larder, run.id)[0]!.id, "failed");
    expect(clocks(t)).toMatchObject([{ label: "Failed seal", after: "left to decide" }]);
    t.pass(24 * 60);
    expect(clocks(t)).toEqual([]);
  });
});

describe("the story of a jar", () => {
  test("names the animal, lot, schedule with source, run, and everything that departed from the schedule", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 1).id]);
    for (const [wait, type] of [
      [0, "heat-on"],
      [1, "steam-steady"],
      [10, "weight-on"],
      [4, "at-target"],
      [40, "below-target"],
      [2, "at-target"],
      [76, "heat-off"],
      [40, "pressure-zero"],
      [0, "lock-down"],
      [0, "weight-off"],
      [10, "lid-off"],
      [1, "unloaded"],
    ] as const) {
      t.pass(wait);
      tap(t, run.id, type);
    }
    t.pass(721);
    const [jar] = containersOfRun(t.larder, run.id);
    checkSeal(t.larder, t.write(), jar!.id, "sealed");
    const found = findCode(t.larder, jar!.code);
    if (!found.found) throw new Error(found.message);
    const story = storyOf(homeOf(t), found);
    expect(story.chapters.map((c) => c.kind)).toEqual(["harvest", "lot", "pack", "run", "seal"]);
    const told = story.chapters.map((c) => [c.title, ...c.lines, ...c.care].join(" ")).join("\n");
    expect(told).toContain("Wild boar taken");
    expect(told).toContain("Shoulder cut to cubes off the bone");
    expect(told).toContain("Schedule: 75 minutes. USDA Complete Guide");
    expect(told).toContain("75 minutes at 12 lb or more, Ada at the stove");
    expect(told).toContain("so the full 75 minutes started over");
    expect(told).toContain("not observed for 40 min");
    expect(story.container!.where).toBe("sealed, not shelved yet");
    expect(Object.values(story.trace.nodes.find((n) => n.code === jar!.code)!.harvests)).toEqual([1]);
  });
});

test("the most urgent clock stands first: what is to be done now before what runs, and that by its instant", () => {
  const owed = [
    { code: "A", disposition: "chill", dispositionDue: 9_000 },
    { code: "B", disposition: "repack", dispositionDue: 4_000 },
  ] as never[];
  const at = (now: number) =>
    clocksOf([], { now, owed, open: [{ decideBy: 6_000 }] as never[], filledAt: null }).map((c) => c.label);
  expect(at(1_000)).toEqual(["Reprocess", "Failed seal", "In the refrigerator"]);
  // One whose time is over is the first of all.
  expect(
    clocksOf([], { now: 5_000, owed, open: [{ decideBy: 6_000 }] as never[], filledAt: null })[0],
  ).toMatchObject({
    label: "Reprocess",
    alarm: true,
    until: null,
  });
});
