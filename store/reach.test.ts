import { randomUUID } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { expect, test } from "vitest";
import type { Reach } from "#core/guard";
import { listSessions, openSession, endSession, pairDevice } from "#store/access";
import { restoreBackup } from "#store/backup";
import { addProbeReadings } from "#store/cold";
import { onBehalfOf, Refused } from "#store/db";
import { addPerson, changeHousehold, getHousehold, letPerson, listPeople } from "#store/household";
import { takeReadings, tapRun } from "#store/run";
import { addCanReadings } from "#store/seam";
import { appendPackDeviations } from "#store/pack";
import { openTestRun, packPints, testLarder } from "#store/testing";

const by = <T>(person: Reach, device: Reach, work: () => T): T =>
  onBehalfOf({ device: "A screen", said: null, reach: { person, device } }, work);

function withRun() {
  const t = testLarder();
  const run = openTestRun(t, [packPints(t).id]);
  return { ...t, run };
}

test("a child taps at the stove, and neither gives a run up nor changes the household", () => {
  const t = withRun();
  const tap = (type: "heat-on" | "abort") => () => tapRun(t.larder, t.run.id, { id: randomUUID(), type });
  expect(by("tap", "all", tap("heat-on")).accepted).toBe(1);
  expect(() => by("tap", "all", tap("abort"))).toThrow(/You may look and tap/);
  const home = getHousehold(t.larder)!;
  expect(() =>
    by("tap", "all", () => changeHousehold(t.larder, t.write(), { ...home, name: "Mine" })),
  ).toThrow(Refused);
  expect(getHousehold(t.larder)!.name).toBe(home.name);
});

test("a child fills jars of what was begun, and does not go ahead anyway", () => {
  const t = testLarder();
  const anyway = [{ kind: "deviation" as const, key: "headspace" as const, text: "half an inch too full" }];
  const { code } = packPints(t);
  const sign = (found: typeof anyway) => () =>
    appendPackDeviations(t.larder, t.write(), code, found, "because", t.lotId);
  expect(() => by("tap", "all", sign([]))).not.toThrow();
  expect(() => by("tap", "all", sign(anyway))).toThrow(/You may look and tap/);
});

test("whoever may only look changes nothing, by no way in", () => {
  const t = withRun();
  const id = () => randomUUID();
  const tries: [string, () => unknown][] = [
    ["tap", () => tapRun(t.larder, t.run.id, { id: id(), type: "heat-on" })],
    [
      "reading",
      () => takeReadings(t.larder, t.run.id, [{ id: id(), at: t.larder.now(), gaugeKPa: 90, index: 0 }]),
    ],
    ["write", () => addPerson(t.larder, t.write(), "Eve")],
    ["sign out", () => endSession(t.larder, t.write(), "x")],
    ["a probe in meat", () => addProbeReadings(t.larder, t.harvestId, [])],
    ["a probe in a can", () => addCanReadings(t.larder, "any", [])],
  ];
  for (const [name, work] of tries) {
    expect(() => by("look", "all", work), name).toThrow(/You may look, and change nothing/);
    expect(() => by("all", "look", work), name).toThrow(/This device may only look/);
  }
  expect(listPeople(t.larder).some((p) => p.name === "Eve")).toBe(false);
});

test("nobody but who may do everything puts an older record in place", async () => {
  const t = testLarder();
  const told = { write: t.write(), reason: "to be rid of it" };
  const attempt = (reach: Reach) => by(reach, "all", () => restoreBackup(t.larder, "any.db", told));
  await expect(attempt("look")).rejects.toThrow(/You may look, and change nothing/);
  await expect(attempt("tap")).rejects.toThrow(/You may look and tap/);
  // Whoever may is told what is wrong with it instead.
  await expect(attempt("all")).rejects.not.toThrow(/You may/);
});

test("somebody stays who may do everything, and the history says who was let do what", () => {
  const t = testLarder();
  const [oda] = listPeople(t.larder);
  expect(oda!.may).toBe("all");
  expect(() => letPerson(t.larder, t.write(), oda!.id, "look")).toThrow(/only one who may do everything/);
  const { id } = addPerson(t.larder, t.write(), "Nell", "tap");
  letPerson(t.larder, t.write(), id, "look");
  expect(listPeople(t.larder).find((p) => p.id === id)!.may).toBe("look");
  expect(() => letPerson(t.larder, t.write(), "nobody", "look")).toThrow(Refused);
  const detail = t.larder.sqlite
    .prepare("select detail from audit where action = 'person.may' order by id desc limit 1")
    .pluck()
    .get() as string;
  expect(JSON.parse(detail)).toMatchObject({ name: "Nell", was: "tap", may: "look" });
});

test("a device keeps how far it may go as its key changes, and its end is written down", () => {
  const t = testLarder();
  pairDevice(t.larder, t.write(), "Tablet", "tap");
  openSession(t.larder, "Big screen");
  expect(listSessions(t.larder).map((s) => [s.device, s.may])).toEqual(
    expect.arrayContaining([
      ["Tablet", "tap"],
      ["Big screen", "all"],
    ]),
  );
  endSession(t.larder, t.write(), listSessions(t.larder).find((s) => s.device === "Tablet")!.id);
  expect(listSessions(t.larder).map((s) => s.device)).toEqual(["Big screen"]);
  const said = t.larder.sqlite.prepare("select count(*) from audit where action = 'access.sign-out'").pluck();
  expect(said.get()).toBe(1);
});

test("what a child may write is what the store writes: no name in the list leads nowhere", () => {
  const listed = /TAPS[^[]*\[([^\]]*)\]/.exec(readFileSync("core/guard/reach.ts", "utf8"))![1]!;
  const names = [...listed.matchAll(/"([a-z.-]+)"/g)].map(([, name]) => name!);
  expect(names.length).toBeGreaterThan(5);
  const written = (readdirSync("store", { recursive: true }) as string[])
    .filter((f) => f.endsWith(".ts") && !f.endsWith(".test.ts"))
    .map((f) => readFileSync(`store/${f}`, "utf8"))
    .join("\n");
  for (const name of names) expect(written, name).toContain(`"${name}"`);
});
