import { describe, expect, test } from "vitest";
import { whyNoGiftLabel, whyNotShelved, whyNotTaken, type ContainerOnTheWay } from "./index.ts";

const sound: ContainerOnTheWay = {
  code: "JR-5",
  seal: "sealed",
  disposition: null,
  moved: null,
  processed: true,
  holds: [],
  aside: null,
};

describe("a container on its way to a shelf", () => {
  test("goes there processed, sealed, free and not set aside", () => {
    expect(whyNotShelved(sound)).toBeNull();
    expect(whyNotShelved({ ...sound, moved: "shelved" })).toBeNull();
    expect(whyNotShelved({ ...sound, moved: "missing" })).toBeNull();
    // What stands there already may be moved to another shelf although it was set aside: it is not eaten.
    expect(whyNotShelved({ ...sound, moved: "shelved", aside: "a smell" })).toBeNull();
  });
  test.each<[Partial<ContainerOnTheWay>, RegExp]>([
    [{ seal: null }, /no checked seal/],
    [{ seal: "failed" }, /did not seal/],
    [{ processed: false }, /full time/],
    [{ holds: ["a test"] }, /on hold \(a test\)/],
    [{ aside: "a smell" }, /recalled \(a smell\)/],
    [{ disposition: "chill" }, /refrigerator/],
    [{ disposition: "freeze" }, /frozen/],
    [{ disposition: "repack" }, /reprocessed/],
    [{ disposition: "discard" }, /thrown out/],
    [{ disposition: "hold" }, /on hold/],
    [{ disposition: "shelve" }, /may be shelved/],
    [{ moved: "opened" }, /was opened.*put it back/],
    [{ moved: "given" }, /given away/],
    [{ moved: "discarded" }, /thrown out/],
  ])("stays off it with %j", (over, why) => expect(whyNotShelved({ ...sound, ...over })).toMatch(why));
});

describe("a container that leaves its shelf", () => {
  const there: ContainerOnTheWay = { ...sound, moved: "shelved" };
  test("is eaten or given away when it is free; thrown out always", () => {
    for (const as of ["opened", "given", "discarded"] as const) expect(whyNotTaken(there, as)).toBeNull();
    for (const over of [{ holds: ["a test"] }, { aside: "a smell" }]) {
      expect(whyNotTaken({ ...there, ...over }, "opened")).toMatch(/Do not eat it or give it away/);
      expect(whyNotTaken({ ...there, ...over }, "given")).toMatch(/Do not eat it or give it away/);
      expect(whyNotTaken({ ...there, ...over }, "discarded")).toBeNull();
    }
  });
  test("must stand on one", () => {
    expect(whyNotTaken(sound, "opened")).toMatch(/not on a shelf/);
    expect(whyNotTaken({ ...sound, moved: "opened" }, "opened")).toMatch(/was opened already/);
    expect(whyNotTaken({ ...sound, moved: "missing" }, "discarded")).toMatch(/not found.*already/);
  });
});

describe("a gift label", () => {
  test("goes on what may be eaten: sealed and checked, on a shelf, or just given away", () => {
    for (const moved of [null, "shelved", "given"] as const)
      expect(whyNoGiftLabel({ ...sound, moved })).toBeNull();
  });
  test.each<[Partial<ContainerOnTheWay>, RegExp]>([
    [{ holds: ["a test"] }, /on hold/],
    [{ aside: "a smell" }, /recalled/],
  ])("goes on nothing with %j, wherever it is", (over, why) => {
    for (const moved of [null, "shelved", "given"] as const)
      expect(whyNoGiftLabel({ ...sound, moved, ...over })).toMatch(why);
  });
  test.each<[Partial<ContainerOnTheWay>, RegExp]>([
    [{ seal: null }, /no checked seal/],
    [{ seal: "failed" }, /did not seal/],
    [{ processed: false }, /full time/],
    [{ disposition: "chill" }, /refrigerator/],
    [{ moved: "opened" }, /was opened/],
    [{ moved: "discarded" }, /was thrown out/],
    [{ moved: "missing" }, /was not found/],
  ])("goes on nothing with %j", (over, why) => expect(whyNoGiftLabel({ ...sound, ...over })).toMatch(why));
});
