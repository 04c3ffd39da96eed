import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { mFromFt } from "../quantity/index.ts";
import {
  AS_PUBLISHED,
  governingSchedule,
  type ContainerKey,
  type GoverningSchedule,
  type LoadPack,
} from "../schedule/index.ts";
import {
  CHECK_ITEMS,
  CHECK_KEYS,
  blocks,
  preflight,
  standingOf,
  standings,
  type Check,
  type PreflightCase,
} from "./index.ts";

const NOW = Date.UTC(2026, 10, 23, 10);
const DAY = 86_400_000;

const govern = (packs: LoadPack[], ft = 500): GoverningSchedule => {
  const answer = governingSchedule(
    packs,
    { gauges: { dial: { errorPsi: 1, testedAt: NOW - DAY }, weightPiecesPsi: [5, 5, 5] }, quarts: 16 },
    mFromFt(ft),
    NOW,
    AS_PUBLISHED,
  );
  if (answer.outcome === "none") throw new Error(answer.reason);
  return answer;
};

const caseOf = (container: ContainerKey, more: Partial<PreflightCase> = {}): PreflightCase => ({
  containers: [container],
  governing: govern([
    container.startsWith("can")
      ? { product: "can-fish", pack: "raw", container }
      : { product: "red-meat-pieces", pack: "raw", container },
  ]),
  canner: { name: "Big canner", hasDial: true, hasWeight: true, racks: 1, waterLitres: 2.8, aluminium: true },
  burner: { name: "Kitchen hob", induction: false, outdoors: false },
  layers: 1,
  lidBoxes: ["box 3"],
  units: "us",
  ...more,
});
const keys = (c: PreflightCase) => preflight(c).map((i) => i.key);

describe("the list is made from the load at hand", () => {
  test("jars ask about rims and lids, cans about the sealer, neither about the other", () => {
    expect(keys(caseOf("jar-pint"))).toEqual(
      expect.arrayContaining(["jar-rims", "jar-bodies", "bands", "lids"]),
    );
    expect(keys(caseOf("jar-pint"))).not.toContain("sealer-setup");
    expect(keys(caseOf("can-half-pound"))).toEqual(
      expect.arrayContaining(["sealer-setup", "can-flanges", "probe"]),
    );
    expect(keys(caseOf("can-half-pound"))).not.toContain("lids");
  });
  test("the weight and the dial are asked about where there is one, with what they must show", () => {
    const items = preflight(
      caseOf("jar-pint", {
        governing: govern([{ product: "fish", pack: "raw", container: "jar-pint" }], 3200),
      }),
    );
    expect(items.find((i) => i.key === "weight")!.wants).toContain("15 lb");
    expect(items.find((i) => i.key === "dial")!.wants).toContain("16 lb");
    const bare = caseOf("jar-pint");
    expect(keys({ ...bare, canner: { ...bare.canner, hasDial: false } })).not.toContain("dial");
  });
  test("aluminium on induction is wrong before anybody looks", () => {
    const on = (induction: boolean) =>
      preflight(caseOf("jar-pint", { burner: { name: "Hob", induction, outdoors: false } })).find(
        (i) => i.key === "hob",
      )!;
    expect(on(true).wrong).toContain("will not heat");
    expect(on(false).wrong).toBeNull();
  });
  test("two layers on one rack are wrong; cans stand on one another", () => {
    const rack = (c: PreflightCase) => preflight(c).find((i) => i.key === "rack")!;
    expect(rack(caseOf("jar-pint", { layers: 2 })).wrong).toContain("one rack");
    expect(rack(caseOf("can-half-pound", { layers: 3 })).wrong).toBeNull();
  });
  test("smoked fish wants four quarts of cool water whatever the manual says", () => {
    const smoked = caseOf("jar-pint", {
      governing: govern([{ product: "fish-smoked", pack: "raw", container: "jar-pint" }]),
    });
    expect(preflight(smoked).find((i) => i.key === "water")!.wants).toContain("4 quarts of cool");
  });
  test("wind is asked about outdoors, or when nobody said where", () => {
    expect(keys(caseOf("jar-pint"))).not.toContain("shelter");
    expect(keys(caseOf("jar-pint", { burner: null }))).toContain("shelter");
  });
});

describe("how a check stands", () => {
  const look = (item: Check["item"], days: number, finding: Check["finding"] = "sound"): Check => ({
    item,
    at: NOW - days * DAY,
    finding,
  });
  test("a gasket looked at 13 months ago is overdue, one of 11 months is sound, a vent never falls due", () => {
    expect(standingOf("gasket", [look("gasket", 396)], NOW).state).toBe("overdue");
    expect(standingOf("gasket", [look("gasket", 335)], NOW).state).toBe("sound");
    expect(standingOf("vent", [look("vent", 900)], NOW)).toMatchObject({ state: "sound", dueAt: null });
    expect(standingOf("plug", [], NOW).state).toBe("never");
  });
  test("the last look counts, in whatever order they came", () =>
    fc.assert(
      fc.property(fc.shuffledSubarray([1, 20, 300]), (order) => {
        const checks = [...order, 0].map((d) => look("gasket", d, d === 0 ? "bad" : "sound"));
        expect(standingOf("gasket", checks, NOW).state).toBe("bad");
      }),
    ));
  test("a bad gasket stops a load; an overdue one and a bad band want a signature", () => {
    const all = standings("canner", [look("gasket", 1, "bad"), look("plug", 500)], NOW);
    expect(blocks(all).stops.map((s) => s.item.key)).toEqual(["gasket"]);
    expect(blocks(all).signs.map((s) => s.item.key)).toEqual(["plug"]);
    expect(blocks([standingOf("bands", [look("bands", 1, "bad")], NOW)]).stops).toEqual([]);
  });
  test("the end of a month stays in its month: 31 August and a year, 29 February and a year", () => {
    const at = Date.UTC(2024, 1, 29);
    expect(standingOf("gasket", [{ item: "gasket", at, finding: "sound" }], at).dueAt).toBe(
      Date.UTC(2025, 1, 28),
    );
  });
  test("each item is named once and says what to do otherwise", () => {
    expect(CHECK_ITEMS.map((i) => i.key)).toEqual([...CHECK_KEYS]);
    for (const i of CHECK_ITEMS) expect(i.otherwise.length).toBeGreaterThan(5);
  });
});
