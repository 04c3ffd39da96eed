import { expect, test } from "vitest";
import { householdMark, labelUrl } from "#core/code";
import { setAside } from "#store/recall";
import { checkSeal, containersOfRun } from "#store/rest";
import { addPlace, shelve, takeOff } from "#store/shelf";
import { openTestRun, packPints, runToTowel, testLarder } from "#store/testing";
import { scanned } from "./scanned.server";
import { homeOf } from "../../server/testing";

test("a label is told by whose it is, and by where its jar stands", () => {
  const t = testLarder();
  const run = openTestRun(t, [packPints(t, 4).id]);
  runToTowel(t, run.id);
  t.pass(13 * 60);
  const jars = containersOfRun(t.larder, run.id);
  const home = homeOf(t);
  const { household } = home;
  const [a, b, c] = jars.map((j) => j.code);
  const label = (code: string, mark = householdMark(household.createdAt)) => labelUrl("http://x", code, mark);
  expect(scanned(home, label(a!))).toMatchObject({
    takes: false,
    says: expect.stringMatching(/no sound, checked seal/),
  });
  for (const j of jars.slice(0, 3)) checkSeal(t.larder, t.write(), j.id, { lid: "down" });
  expect(scanned(home, a!).says).toBe("Sealed, and not on a shelf yet.");
  const { id } = addPlace(t.larder, t.write(), { room: "Cellar", name: "Top" });
  shelve(
    t.larder,
    t.write(),
    jars.slice(0, 3).map((j) => j.id),
    id,
  );
  expect(scanned(home, label(a!))).toMatchObject({
    takes: true,
    says: "On Cellar, Top.",
    place: "Cellar, Top",
  });
  // The very same code on a neighbour's label is not looked up.
  expect(scanned(home, label(a!, "zzzz"))).toMatchObject({ takes: false, code: null, container: null });
  takeOff(t.larder, t.write(), jars[1]!.id, "given", "Bram");
  expect(scanned(home, b!)).toMatchObject({ takes: false, says: "It was given away." });
  setAside(t.larder, t.write(), { containerId: jars[2]!.id, doubts: [], reason: "it hissed" });
  expect(scanned(home, c!.toLowerCase().replace("-", ""))).toMatchObject({
    takes: false,
    says: "Recalled: it hissed. Do not eat it.",
  });
  expect(scanned(home, run.code).says).toMatch(/is a run/);
  expect(scanned(home, "????").container).toBeNull();
});
