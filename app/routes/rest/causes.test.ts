import { expect, test } from "vitest";
import { fillEstimate } from "#core/pack";
import { closeBench, fillOne, openBench } from "#store/filling";
import { packsWaiting } from "#store/pack";
import { checkSeal, containersOfRun } from "#store/rest";
import { addSupply } from "#store/supply";
import { openTestRun, runToTowel, testLarder } from "#store/testing";
import { sealCauses } from "./causes.server";
import { homeOf } from "../../server/testing";

test("a failed layer is found where a load was filled by its plan, and its place and lids are known too", () => {
  const t = testLarder();
  addSupply(t.larder, t.write(), {
    kind: "lid",
    container: null,
    mouth: "regular",
    label: "box 1",
    count: 40,
  });
  const { kgEach } = fillEstimate("red-meat-pieces", "raw", "jar-half-pint", [], "regular");
  const part = {
    lotId: t.lotId,
    product: "red-meat-pieces" as const,
    method: "raw" as const,
    container: "jar-half-pint" as const,
    mouth: "regular" as const,
    planned: 14,
    kgEach,
    liquid: "none" as const,
    saltTsp: 0,
    headspaceIn: 1,
    reusedLids: false,
    lidBoxId: null,
    additions: null,
    dish: null,
    reason: null,
    office: null,
  };
  const layer = { "jar-half-pint regular": 7 };
  const { id } = openBench(t.larder, t.write(), {
    cannerId: t.cannerId,
    parts: [part],
    layers: [layer, layer] as never,
  });
  for (let i = 0; i < 14; i++) fillOne(t.larder, t.write(), { benchId: id, part: 0, massKg: kgEach });
  closeBench(t.larder, t.write(), id);
  const run = openTestRun(t, [packsWaiting(t.larder)[0]!.id]);
  runToTowel(t, run.id);
  t.pass(12 * 60 + 1);
  const jars = containersOfRun(t.larder, run.id);
  const home = homeOf(t);
  // Before anything failed there is nothing to look for.
  checkSeal(t.larder, t.write(), jars[0]!.id, { lid: "down" });
  expect(sealCauses(home)).toEqual({ checked: 1, failed: 0, found: [] });
  for (const [i, j] of jars.slice(1).entries())
    checkSeal(t.larder, t.write(), j.id, { lid: i >= 6 && i < 11 ? "flexes" : "down" });
  const { checked, failed, found } = sealCauses(home);
  expect([checked, failed]).toEqual([14, 5]);
  const layers = found.find((c) => c.cause === "layer")!;
  expect(layers.groups.map((g) => [g.name, g.failed, g.all]).sort()).toEqual([
    ["layer 1 from the bottom", 0, 7],
    ["layer 2 from the bottom", 5, 7],
  ]);
  expect(layers.groups[0]!.p).toBeLessThan(0.03);
  expect(
    found
      .find((c) => c.cause === "place")!
      .groups.map((g) => g.name)
      .sort(),
  ).toEqual(["the middle", "the wall"]);
  // One box, one person, one canner: nothing to compare.
  expect(found.some((c) => c.cause === "lids" || c.cause === "person" || c.cause === "canner")).toBe(false);
});
