import fc from "fast-check";
import { expect, test } from "vitest";
import { DANGERS, byDanger, type Waiting } from "./index.ts";

test("what could be eaten or handled comes first, then holds, then what has an hour, and work last", () => {
  const things: (Waiting & { name: string })[] = [
    { name: "shelve", danger: "work", at: null },
    { name: "hold", danger: "hold", at: null },
    { name: "seam by 5", danger: "deadline", at: 5 },
    { name: "recall", danger: "unsafe", at: null },
    { name: "burner by 3", danger: "deadline", at: 3 },
    { name: "throw out since 1", danger: "unsafe", at: 1 },
    { name: "label", danger: "work", at: null },
  ];
  expect(byDanger(things).map((t) => t.name)).toEqual([
    "throw out since 1",
    "recall",
    "hold",
    "burner by 3",
    "seam by 5",
    "shelve",
    "label",
  ]);
});

test("nothing less dangerous ever stands before what is more, and nothing is lost", () =>
  fc.assert(
    fc.property(
      fc.array(fc.record({ danger: fc.constantFrom(...DANGERS), at: fc.option(fc.nat(20)), id: fc.uuid() })),
      (things) => {
        const ordered = byDanger(things);
        expect(ordered.map((t) => t.id).sort()).toEqual(things.map((t) => t.id).sort());
        for (const [i, t] of ordered.entries()) {
          const next = ordered[i + 1];
          if (!next) continue;
          const rank = (x: Waiting) => DANGERS.indexOf(x.danger);
          expect(rank(t)).toBeLessThanOrEqual(rank(next));
          if (rank(t) === rank(next)) expect(t.at ?? Infinity).toBeLessThanOrEqual(next.at ?? Infinity);
        }
      },
    ),
  ));
