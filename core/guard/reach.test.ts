import { expect, test } from "vitest";
import { RUN_EVENT_TYPES } from "../run/index.ts";
import { lesserReach, REACHES, whyBeyondReach, type Attempt, type Reach } from "./reach.ts";

const may = (person: Reach, device: Reach, attempt: Attempt) =>
  whyBeyondReach({ person, device }, attempt) === null;
const override: Attempt = { action: "hold.release" };
const towel: Attempt = { action: "seal.check" };

test("who may do everything does, who may tap taps, who may look changes nothing", () => {
  expect(["all", "tap", "look"].map((r) => may(r as Reach, "all", override))).toEqual([true, false, false]);
  expect(["all", "tap", "look"].map((r) => may(r as Reach, "all", towel))).toEqual([true, true, false]);
});

test("what is shown of it is what is asked", () => {
  for (const person of REACHES)
    for (const device of REACHES)
      for (const attempt of [override, towel])
        expect(may(lesserReach({ person, device }), "all", attempt)).toBe(may(person, device, attempt));
});

test("the lesser of person and device holds, and the sentence says whose it is", () => {
  for (const person of REACHES)
    for (const device of REACHES)
      for (const attempt of [override, towel])
        expect(may(person, device, attempt)).toBe(may(person, "all", attempt) && may("all", device, attempt));
  expect(whyBeyondReach({ person: "all", device: "tap" }, override)).toMatch(/^This device/);
  expect(whyBeyondReach({ person: "tap", device: "all" }, override)).toMatch(/^You/);
});

test("a child at the stove taps what is seen, and neither corrects nor gives up a run", () => {
  const taps = RUN_EVENT_TYPES.filter((tap) => may("tap", "all", { tap }));
  for (const tap of ["heat-on", "weight-rocking", "reading", "silence", "lid-off"] as const)
    expect(taps).toContain(tap);
  for (const tap of ["correction", "abort", "handover", "confirmed"] as const)
    expect(taps).not.toContain(tap);
  expect(RUN_EVENT_TYPES.filter((tap) => may("look", "all", { tap }))).toEqual([]);
});

test("what is not known is for those who may do everything", () => {
  expect(may("tap", "all", { action: "something.new" })).toBe(false);
  expect(may("all", "all", { action: "something.new" })).toBe(true);
});
