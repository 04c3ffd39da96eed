import { expect, test } from "vitest";
import { costOf } from "./index.ts";

// By hand: a 1.80 jar used 12 times, a 0.35 lid, 0.6 kWh at 0.30, no meat bought: 0.15 + 0.35 + 0.18.
test("a jar of game costs its share of the jar, its lid and its fuel", () => {
  const cost = costOf(
    { jar: 1.8, "jar-uses": 12, lid: 0.35, "energy-kwh": 0.3, "meat-kg": 0, "worth-kg": 18 },
    { can: false, energyKWh: 0.6, massKg: 0.5 },
  );
  expect(cost.total).toBeCloseTo(0.68, 12);
  expect(cost.missing).toEqual([]);
  expect(cost.worth).toBeCloseTo(9, 12);
});
test("a can has no lid or jar, and what nobody priced is named", () => {
  const cost = costOf({ can: 0.9 }, { can: true, energyKWh: 1, massKg: 0.3 });
  expect(cost.lines).toEqual([{ what: "can", amount: 0.9 }]);
  expect(cost.missing).toEqual(["energy-kwh", "meat-kg"]);
  expect(cost.worth).toBeNull();
});
