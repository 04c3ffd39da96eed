import { describe, expect, test } from "vitest";
import { getPack } from "#store/pack";
import {
  finishDisposition,
  checkAllSealed,
  checkSeal,
  containersOfRun,
  dispose,
  pendingDispositions,
  reprocess,
  restingRuns,
  undecided,
} from "#store/rest";
import { getRun } from "#store/run";
import {
  lastNote,
  openTestRun,
  packPints,
  refusal,
  runToTowel,
  STEADY_COURSE,
  tap,
  testLarder,
} from "#store/testing";

/** Two pints on the towel, whose rest is over; or taken off the fire after half an hour. */
function onTowel({ minutes = 75, count = 2, rested = true } = {}) {
  const t = testLarder();
  const pack = packPints(t, count);
  const run = openTestRun(t, [pack.id]);
  runToTowel(t, run.id, minutes);
  if (rested) t.pass(12 * 60);
  const jars = containersOfRun(t.larder, run.id).map((c) => c.id);
  return {
    ...t,
    packId: pack.id,
    runId: run.id,
    jars,
    check: (i: number, lid: "down" | "flexes" = "down") => checkSeal(t.larder, t.write(), jars[i]!, { lid }),
    decide: (i: number, what: Parameters<typeof dispose>[3]) => dispose(t.larder, t.write(), jars[i]!, what),
    phase: () => getRun(t.larder, run.id).view.phase,
    open: () => undecided(t.larder).map((u) => [jars.indexOf(u.container.id), u.why]),
  };
}

describe("every lid of a load was pressed and is down", () => {
  const codesOf = (t: ReturnType<typeof onTowel>) => containersOfRun(t.larder, t.runId).map((c) => c.code);
  const all = (t: ReturnType<typeof onTowel>, codes: readonly string[]) =>
    checkAllSealed(t.larder, t.write(), getRun(t.larder, t.runId).code, codes);
  test("all of them at once, and the rest is over", () => {
    const t = onTowel({ count: 3 });
    t.check(1, "flexes");
    const [a, , c] = codesOf(t);
    expect(all(t, [c!, a!]).codes).toEqual([c, a]);
    expect(containersOfRun(t.larder, t.runId).map((x) => x.seal)).toEqual(["sealed", "failed", "sealed"]);
    expect(t.phase()).toBe("checked");
    expect(refusal(() => all(t, [a!, c!]))).toMatch(/already checked/);
  });
  test("never one that did not stand on the screen, none before the rest is over, none of a run cut short", () => {
    const t = onTowel({ count: 3 });
    const before = codesOf(t);
    expect(refusal(() => all(t, before.slice(1)))).toMatch(/another screen/);
    t.check(0, "flexes");
    expect(refusal(() => all(t, before))).toMatch(/another screen/);
    expect(containersOfRun(t.larder, t.runId).map((x) => x.seal)).toEqual(["failed", null, null]);
    for (const not of [onTowel({ rested: false }), onTowel({ minutes: 30 })])
      expect(refusal(() => all(not, codesOf(not)))).toMatch(/resting|not processed/);
  });
  test("what came out with half its liquid lost is checked by itself", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 2).id]);
    for (const [i, [minute, type]] of STEADY_COURSE.entries()) {
      t.pass(minute - (STEADY_COURSE[i - 1]?.[0] ?? 0));
      tap(t, run.id, type);
    }
    const [low, full] = containersOfRun(t.larder, run.id).map((c) => c.code);
    tap(t, run.id, "container-out", { container: low!, siphoned: "half" });
    tap(t, run.id, "container-out", { container: full!, siphoned: "none" });
    t.pass(3);
    tap(t, run.id, "unloaded");
    t.pass(12 * 60);
    expect(refusal(() => checkAllSealed(t.larder, t.write(), run.code, [low!, full!]))).toMatch(
      /another screen/,
    );
    checkAllSealed(t.larder, t.write(), run.code, [full!]);
    expect(containersOfRun(t.larder, run.id).map((c) => c.seal)).toEqual([null, "sealed"]);
  });
});

describe("a seal is looked at", () => {
  test("only of what was in a canner, is on the towel and has rested", () => {
    const t = testLarder();
    const pack = packPints(t, 1);
    const jar = t.larder.sqlite.prepare("select id from container").pluck().get() as string;
    expect(refusal(() => checkSeal(t.larder, t.write(), jar, { lid: "down" }))).toMatch(
      /not been in a canner/,
    );
    const run = openTestRun(t, [pack.id]);
    expect(restingRuns(t.larder)).toEqual([]);
    tap(t, run.id, "heat-on");
    expect(refusal(() => checkSeal(t.larder, t.write(), jar, { lid: "down" }))).toMatch(/was not processed/);
    // Its time was served, and it still stands in the canner.
    const cooling = testLarder();
    const hot = openTestRun(cooling, [packPints(cooling, 1).id]);
    tap(cooling, hot.id, "heat-on");
    for (const [wait, type] of [
      [12, "steam-steady"],
      [10, "weight-on"],
      [5, "at-target"],
      ...Array.from({ length: 8 }, () => [10, "at-target"] as const),
      [1, "heat-off"],
    ] as const) {
      cooling.pass(wait);
      tap(cooling, hot.id, type);
    }
    const inside = containersOfRun(cooling.larder, hot.id)[0]!.id;
    expect(refusal(() => checkSeal(cooling.larder, cooling.write(), inside, { lid: "down" }))).toMatch(
      /not on the towel/,
    );
    const early = onTowel({ rested: false });
    expect(refusal(() => early.check(0))).toMatch(/still resting/);
    early.pass(12 * 60 - 4);
    expect(refusal(() => early.check(0))).toMatch(/still resting/);
    early.pass(5);
    expect(early.check(0)).toEqual({ left: 1, finding: "sealed", why: "" });
  });
  test("one by one; the last one ends the rest, and one looked at again counts as it was seen last", () => {
    const t = onTowel();
    expect(restingRuns(t.larder).map((r) => r.run.id)).toEqual([t.runId]);
    expect(t.check(0, "flexes")).toMatchObject({ left: 1, finding: "failed" });
    expect(t.phase()).toBe("resting");
    expect(t.check(0)).toMatchObject({ left: 1, finding: "sealed" });
    expect(t.check(1)).toMatchObject({ left: 0 });
    expect(t.phase()).toBe("checked");
    expect(restingRuns(t.larder)).toEqual([]);
    const events = () => getRun(t.larder, t.runId).events.filter((e) => e.type === "checked").length;
    expect(events()).toBe(1);
    expect(t.check(1, "flexes")).toMatchObject({ left: 0, finding: "failed" });
    expect(events()).toBe(1);
  });
  test("not once something was decided, or done with it", () => {
    const t = onTowel();
    t.check(0, "flexes");
    t.decide(0, "chill");
    expect(refusal(() => t.check(0))).toMatch(/already been dealt with/);
    finishDisposition(t.larder, t.write(), t.jars[0]!, "opened");
    expect(refusal(() => t.check(0))).toMatch(/already been dealt with/);
  });
});

describe("what is decided", () => {
  test("about failed seals only, within the hours from when the heat went off", () => {
    const t = onTowel();
    t.check(0, "flexes");
    t.check(1);
    expect(t.open()).toEqual([[0, "failed"]]);
    expect(refusal(() => t.decide(1, "discard"))).toMatch(/nothing to decide/);
    const heatOff = getRun(t.larder, t.runId).view.heatOffAt!;
    expect(undecided(t.larder)[0]).toMatchObject({ decideBy: heatOff + 24 * 3_600_000 });
    expect(t.decide(0, "repack").dueAt).toBe(heatOff + 24 * 3_600_000);
  });
  test("about each of a load taken off too early, once; the last one ends its rest, and only that", () => {
    const t = onTowel({ minutes: 30 });
    expect(getRun(t.larder, t.runId).view.outcome).toBe("not-processed");
    const both = [
      [0, "not-processed"],
      [1, "not-processed"],
    ];
    expect(t.open().sort()).toEqual(both);
    expect(refusal(() => t.check(0))).toMatch(/was not processed, so its seal means nothing/);
    t.decide(0, "chill");
    expect(t.open()).toEqual([both[1]]);
    expect(t.phase()).toBe("resting");
    // What is in the refrigerator may be decided about again, as what it was.
    t.decide(0, "freeze");
    t.decide(1, "discard");
    expect(t.phase()).toBe("checked");
  });
  test("about a load that was given up: not processed, and nothing more happens to its run", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 1).id]);
    for (const type of ["heat-on", "abort"] as const) tap(t, run.id, type, { text: "the burner broke" });
    const [jar] = containersOfRun(t.larder, run.id);
    expect(undecided(t.larder).map((u) => u.why)).toEqual(["not-processed"]);
    dispose(t.larder, t.write(), jar!.id, "chill");
    expect(getRun(t.larder, run.id).events.map((e) => e.type)).toEqual(["heat-on", "abort"]);
  });
  test("a hot pack that lost half of its liquid has not sealed, also one filled with its own broth", () => {
    const t = onTowel();
    t.larder.sqlite.prepare("update pack set method = 'hot', liquid = 'none'").run();
    const low = checkSeal(t.larder, t.write(), t.jars[0]!, { lid: "down", level: "low" });
    expect(low.finding).toBe("failed");
  });
  test("a decided jar among others of a good load does not end their rest", () => {
    const t = onTowel();
    t.check(0, "flexes");
    t.decide(0, "discard");
    expect(t.phase()).toBe("resting");
    expect(t.check(1)).toMatchObject({ left: 0 });
  });
  test("anew about what is chilled or waits to be packed anew, each by itself, and not once its meat is elsewhere", () => {
    const t = onTowel({ count: 3 });
    for (const i of [0, 1, 2]) t.check(i, "flexes");
    t.decide(0, "chill");
    t.decide(1, "repack");
    expect(refusal(() => t.decide(1, "shelve"))).toMatch(
      /did not seal or was not processed\. Refrigerate, freeze, reprocess or throw it out/,
    );
    t.decide(1, "freeze");
    const made = reprocess(t.larder, t.write(), t.jars[2]!);
    expect(refusal(() => t.decide(2, "chill"))).toMatch(/nothing to decide/);
    expect(pendingDispositions(t.larder).map((p) => [t.jars.indexOf(p.id), p.repackedIn])).toEqual(
      expect.arrayContaining([
        [0, null],
        [2, made.packCode],
      ]),
    );
    t.pass(24 * 60);
    expect(refusal(() => t.decide(0, "freeze"))).toMatch(/24 hours for that are over/);
    expect(t.decide(0, "discard")).toEqual({ dueAt: null });
  });
  test("eaten is only what is in the refrigerator or the freezer, and once", () => {
    const t = onTowel();
    for (const i of [0, 1]) t.check(i, "flexes");
    const eat = (i: number) => finishDisposition(t.larder, t.write(), t.jars[i]!, "opened");
    expect(refusal(() => eat(0))).toMatch(/not waiting in the fridge or freezer/);
    t.decide(0, "freeze");
    t.decide(1, "discard");
    eat(0);
    expect(refusal(() => eat(0))).toMatch(/not waiting/);
    expect(refusal(() => eat(1))).toMatch(/not waiting/);
  });
});

test("packed anew: decided at once where nobody had, numbered on in its new pack", () => {
  const t = onTowel({ count: 3 });
  for (const i of [0, 1, 2]) t.check(i, "flexes");
  const first = reprocess(t.larder, t.write(), t.jars[0]!);
  t.decide(1, "repack");
  const second = reprocess(t.larder, t.write(), t.jars[1]!);
  expect(second.packId).toBe(first.packId);
  expect(
    t.larder.sqlite
      .prepare("select number from container where pack_id = ? order by number")
      .pluck()
      .all(first.packId),
  ).toEqual([1, 2]);
  expect(t.larder.sqlite.prepare("select count(*) from disposition").pluck().get()).toBe(2);
  expect(refusal(() => reprocess(t.larder, t.write(), t.jars[0]!))).toMatch(/in another pack already/);
  expect(getPack(t.larder, first.packId).count).toBe(2);
});

test("what was looked at, decided, packed anew and eaten stands in the history with what was said", () => {
  const t = onTowel({ count: 3 });
  t.check(0, "flexes");
  expect(lastNote(t)).toMatchObject({ action: "seal.check", finding: "failed", seen: { lid: "flexes" } });
  t.decide(0, "freeze");
  expect(lastNote(t)).toMatchObject({ action: "container.dispose", what: "freeze" });
  finishDisposition(t.larder, t.write(), t.jars[0]!, "opened");
  expect(lastNote(t)).toMatchObject({ action: "container.ate", what: "opened" });
  t.check(1, "flexes");
  const { packCode, code } = reprocess(t.larder, t.write(), t.jars[1]!);
  expect(lastNote(t)).toMatchObject({ action: "container.repack", repackedIn: packCode, as: code });
});

test("a jar that had failed is decided about once, also when its load turns out not to have had its time", () => {
  const t = onTowel();
  t.check(0, "flexes");
  const start = getRun(t.larder, t.runId).events.find((e) => e.type === "at-target")!;
  tap(t, t.runId, "correction", { corrects: start.id });
  expect(getRun(t.larder, t.runId).view.outcome).toBe("not-processed");
  expect(t.open().sort()).toEqual([
    [0, "failed"],
    [1, "not-processed"],
  ]);
});
