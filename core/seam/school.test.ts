import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  LESSONS,
  exercise,
  judgePlaces,
  figuresOf,
  lessonVerdict,
  markAnswer,
  rightNames,
  nextLesson,
  scoreOf,
  sortOf,
  typicalLimits,
  type Exercise,
  type Lesson,
} from "./index.ts";

const outOf = (e: Extract<Exercise, { kind: "section" }>) => {
  const m = e.measures;
  const figures = figuresOf(
    {
      width: m.widthMm,
      thickness: m.thicknessMm,
      countersink: m.countersinkMm,
      bodyHook: m.bodyHookMm,
      coverHook: m.coverHookMm,
      overlap: null,
      wrinklePercent: m.wrinklePercent ?? null,
    },
    m,
  );
  return judgePlaces([figures], typicalLimits(m))
    .filter((j) => j.out !== null)
    .map((j) => `${j.dimension} ${j.out}`);
};
const made = (lesson: Lesson, seed: number) => exercise(lesson, seed);

describe("exercises are drawn from numbers that really have the fault", () => {
  const want: Partial<Record<Lesson, string>> = {
    "short-cover-hook": "coverHook low",
    "short-body-hook": "bodyHook low",
    "long-body-hook": "bodyHook high",
    loose: "thickness high",
    "too-tight": "thickness low",
    "no-overlap": "overlap low",
  };
  test.each(Object.entries(want))("%s: %s, whatever the seed", (lesson, fault) =>
    fc.assert(
      fc.property(fc.nat(1e6), (seed) => {
        const e = made(lesson as Lesson, seed);
        expect(e.kind === "section" && outOf(e)).toContain(fault);
      }),
    ),
  );
  test("a good seam is inside every limit, whatever the seed", () =>
    fc.assert(
      fc.property(fc.nat(1e6), (seed) => {
        const e = made("good-section", seed);
        expect(e.kind === "section" && outOf(e)).toEqual([]);
      }),
    ));
  const reach = (v: readonly number[]) => Math.max(...v.map(Math.abs));
  test("seen from outside, a good seam is even to a tenth of a millimetre and a bad one is not", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...LESSONS.filter((l) => sortOf(l) === "outside")),
        fc.nat(1e6),
        (lesson, seed) => {
          const e = made(lesson, seed);
          if (e.kind !== "outside") throw new Error("a defect seen from outside is drawn from outside");
          const worst = Math.max(reach(e.view.lower), reach(e.view.upper), reach(e.view.bulge));
          if (lesson === "good-outside") expect(worst).toBeLessThan(0.1);
          else expect(worst).toBeGreaterThan(0.3);
        },
      ),
    ));
  test("a vee is steep and a droop is not: that is how they are told apart", () => {
    const steepest = (l: Lesson, seed: number) => {
      const e = made(l, seed);
      const lower = e.kind === "outside" ? e.view.lower : [];
      return Math.max(...lower.slice(1).map((v, i) => Math.abs(v - lower[i]!) / 0.5));
    };
    for (let seed = 0; seed < 50; seed++) {
      expect(steepest("vee", seed)).toBeGreaterThan(0.4);
      expect(steepest("droop", seed)).toBeLessThan(0.3);
    }
  });
  test("a false seam begins and ends with a step and a droop does not, however large both are", () => {
    const steepest = (l: Lesson, seed: number) => {
      const e = made(l, seed);
      const lower = e.kind === "outside" ? e.view.lower : [];
      return Math.max(...lower.slice(1).map((v, i) => Math.abs(v - lower[i]!) / 0.5)) / reach(lower);
    };
    for (let seed = 0; seed < 50; seed++)
      expect(steepest("false-seam", seed)).toBeGreaterThan(3 * steepest("droop", seed));
  });
  test("hooks that do not meet are short hooks as well: each name that fits the measures is right", () => {
    for (let seed = 0; seed < 50; seed++) {
      const e = made("no-overlap", seed);
      expect(rightNames(e)).toEqual(expect.arrayContaining(["no-overlap", "short-cover-hook"]));
      expect(markAnswer(e, { named: "short-cover-hook", verdict: "stop" }).points).toBe(1);
      expect(rightNames(made("good-section", seed))).toEqual(["good-section"]);
    }
  });
  test("the right name with the wrong action gets half, a wrong name nothing", () => {
    const e = made("droop", 7);
    expect(markAnswer(e, { named: "droop", verdict: "redo" }).points).toBe(1);
    expect(markAnswer(e, { named: "droop", verdict: "accept" })).toEqual({
      nameFits: true,
      actionFits: false,
      points: 0.5,
    });
    expect(markAnswer(e, { named: "vee", verdict: "redo" }).points).toBe(0);
  });
  test("the right answer is always among four choices, once, all of the same sort of view", () =>
    fc.assert(
      fc.property(fc.constantFrom(...LESSONS), fc.nat(1e6), (lesson, seed) => {
        const { choices } = made(lesson, seed);
        expect(choices).toHaveLength(4);
        expect(new Set(choices).size).toBe(4);
        expect(choices).toContain(lesson);
        expect(choices.every((c) => sortOf(c) === sortOf(lesson))).toBe(true);
        expect(made(lesson, seed)).toEqual(made(lesson, seed));
      }),
    ));
});

describe("what is asked next", () => {
  test("what was missed comes back far more often than what is known, and never twice in a row", () => {
    const answers = LESSONS.map((lesson) => ({
      lesson,
      right: lesson !== "droop",
      points: lesson === "droop" ? 0 : 1,
    }));
    const asked = Array.from({ length: 2000 }, (_, seed) => nextLesson(answers, seed));
    const share = (l: Lesson) => asked.filter((a) => a === l).length;
    // weights: eight for the one missed against one for the fourteen others that may come
    expect(share("droop") / 2000).toBeGreaterThan(0.3);
    expect(share("droop") / share("vee")).toBeGreaterThan(4);
    expect(share(LESSONS.at(-1)!)).toBe(0);
  });
  test("a lesson counts as known after two right answers running, and no longer after a wrong one", () => {
    const known = (marks: boolean[]) =>
      scoreOf(marks.map((right) => ({ lesson: "vee" as const, right, points: right ? 1 : 0 }))).get("vee")!
        .known;
    expect(known([true])).toBe(false);
    expect(known([false, true, true])).toBe(true);
    expect(known([true, true, false])).toBe(false);
  });
  test("what is done follows from the fault", () => {
    expect(lessonVerdict("good-section")).toBe("accept");
    expect(lessonVerdict("short-cover-hook")).toBe("stop");
    expect(lessonVerdict("droop")).toBe("redo");
  });
});
