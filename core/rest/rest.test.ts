import { describe, expect, test } from "vitest";
import {
  DISPOSAL,
  disposalOf,
  causesOf,
  choicesForFailed,
  decideBy,
  dispositionDeadline,
  sealVerdict,
  unloadingOrder,
  type CheckedSeal,
  type SealLook,
} from "./index.ts";

const HEAT_OFF = Date.UTC(2026, 10, 20, 15, 41);
const HOUR = 3_600_000;

// USDA 2015, Guide 1, from memory: reprocess within 24 hours; common practice: eaten in 3 to 4 days when chilled.
test("a failed seal may be chilled, frozen or repacked for 24 hours, then only thrown out", () => {
  expect(decideBy(HEAT_OFF)).toBe(HEAT_OFF + 24 * HOUR);
  expect(choicesForFailed(HEAT_OFF, HEAT_OFF + 24 * HOUR)).toEqual(["chill", "freeze", "repack", "discard"]);
  expect(choicesForFailed(HEAT_OFF, HEAT_OFF + 24 * HOUR + 1)).toEqual(["discard"]);
});
test("chilled is eaten within 3 days; a repack is due within the same 24 hours; the rest has no clock", () => {
  const decided = HEAT_OFF + 13 * HOUR;
  expect(dispositionDeadline("chill", decided, HEAT_OFF)).toBe(decided + 72 * HOUR);
  expect(dispositionDeadline("repack", decided, HEAT_OFF)).toBe(HEAT_OFF + 24 * HOUR);
  expect(dispositionDeadline("freeze", decided, HEAT_OFF)).toBeNull();
});

describe("what a look at a rested container comes to", () => {
  // USDA 2015, Guide 1, from memory: down and still is sealed; half covered and cans: common practice, no source.
  test.each<[SealLook, "sealed" | "failed", RegExp]>([
    [{ lid: "down" }, "sealed", /^$/],
    [{ lid: "down", level: "half" }, "sealed", /^$/],
    [{ lid: "down", looseBand: true }, "sealed", /^$/],
    [{ lid: "flexes" }, "failed", /gives/],
    [{ lid: "down", level: "low" }, "failed", /half or more of its liquid/],
    [{ ends: "drawn-in", seam: "dry" }, "sealed", /^$/],
    [{ ends: "flat", seam: "dry" }, "failed", /not drawn in/],
    [{ ends: "bulged" }, "failed", /pushed out/],
    [{ ends: "drawn-in", seam: "damp" }, "failed", /not dry/],
    [{ ends: "drawn-in", seam: "rough" }, "failed", /not smooth/],
  ])("%j is %s", (look, finding, why) => {
    expect(sealVerdict(look).finding).toBe(finding);
    expect(sealVerdict(look).why).toMatch(why);
  });
  test("a raw pack that never covered itself is not judged by its level; a lid that flexes fails all the same", () => {
    expect(sealVerdict({ lid: "down", level: "low" }, false).finding).toBe("sealed");
    expect(sealVerdict({ lid: "flexes", level: "full" }, false).finding).toBe("failed");
  });
  test("they stand in the order they were lifted out; what nobody named comes after", () => {
    const jars = ["A", "B", "C", "D"].map((code) => ({ code }));
    const order = unloadingOrder(jars, [{ container: "C" }, { container: "A" }]).map((c) => c.code);
    expect(order).toEqual(["C", "A", "B", "D"]);
  });
});

describe("causes", () => {
  const seal = (finding: "sealed" | "failed", over: Partial<CheckedSeal> = {}): CheckedSeal => ({
    finding,
    layer: null,
    place: null,
    lids: null,
    person: null,
    canner: null,
    sealer: null,
    ...over,
  });
  test("a bad lid box is found although two people and two canners share it", () => {
    const checked = Array.from({ length: 80 }, (_, i) =>
      seal(i % 4 === 0 && i % 3 === 0 ? "failed" : "sealed", {
        lids: i % 4 === 0 ? "box 2" : "box 1",
        person: i % 2 ? "Oda" : "Piet",
        canner: i < 40 ? "big" : "small",
      }),
    );
    const [first] = causesOf(checked);
    expect(first).toMatchObject({ cause: "lids" });
    expect(first!.groups[0]).toMatchObject({ name: "box 2", failed: 7, all: 20, says: "clear" });
    expect(first!.groups[0]!.others).toEqual({ failed: 0, all: 60 });
  });
  test("the most unlikely kind comes first, whatever order they are looked at in", () => {
    const checked = Array.from({ length: 80 }, (_, i) =>
      seal(i % 4 === 0 && i % 3 === 0 ? "failed" : "sealed", {
        lids: i % 2 ? "box 1" : i % 6 ? "box 2" : null,
        sealer: i % 4 === 0 ? "new" : "old",
      }),
    );
    const found = causesOf(checked);
    expect(found.map((f) => f.cause)).toEqual(["sealer", "lids"]);
    expect(found[1]!.groups.map((g) => g.name).sort()).toEqual(["box 1", "box 2"]);
  });
  test("every group of every kind counts as one look", () => {
    // 4 of 9 against 3 of 60: clear by itself, a hint among twelve.
    const failed = (i: number) => (i < 9 ? i < 4 : i < 12);
    const checked = Array.from({ length: 69 }, (_, i) =>
      seal(failed(i) ? "failed" : "sealed", { sealer: i < 9 ? "new" : "old" }),
    );
    const half = (i: number) => (i % 2 ? "one" : "other");
    const more = checked.map((c, i) => ({
      ...c,
      layer: half(i),
      place: half(i),
      lids: half(i),
      person: half(i),
      canner: half(i),
    }));
    const says = (all: CheckedSeal[]) =>
      causesOf(all)
        .find((f) => f.cause === "sealer")!
        .groups.find((g) => g.name === "new")!.says;
    expect([says(checked), says(more)]).toEqual(["clear", "hint"]);
  });
  test("a kind with one group, or none known, is not looked at", () =>
    expect(causesOf([seal("failed", { lids: "box 1" }), seal("sealed", { lids: "box 1" })])).toEqual([]));
});

// USDA 2015, Guide 1, from memory.
test("a closed container is never opened to be thrown out, whatever it looks like; one that leaks is boiled", () => {
  for (const signs of [[], ["bulge"], ["rust"], ["bulge", "rust"]])
    expect(disposalOf(signs, false)).toBe("closed");
  for (const sign of ["leak", "lid-loose", "spurt", "smell", "mould", "cloudy"])
    expect(disposalOf(["bulge", sign], false)).toBe("open");
  expect(disposalOf([], true)).toBe("open");
});

// USDA 2015, Guide 1, from memory.
test("what leaks is boiled 30 minutes before it goes; what is closed is never opened", () => {
  expect(DISPOSAL.open.steps.some((s) => /boil 30 minutes/.test(s.what))).toBe(true);
  expect(DISPOSAL.closed.steps[0]!.what).toMatch(/Do not open or taste/);
  for (const { steps } of [DISPOSAL.open, DISPOSAL.closed])
    for (const step of steps) expect([step.what, step.why].every((s) => s.endsWith("."))).toBe(true);
});
