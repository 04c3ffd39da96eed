import { expect, test } from "vitest";
import { AS_PUBLISHED } from "../schedule/index.ts";
import { beansRoom } from "./index.ts";

// USDA Complete Guide to Home Canning 2015, Guide 4, beans or peas, shelled, dried: pints 75, quarts 90 minutes. From memory.
test("dry beans fill a room only where the load lasts as long as they need", () => {
  const room = { "jar-pint regular": 2, "jar-quart wide": 1, "jar-half-pint regular": 0 };
  expect(beansRoom(room, 60, 700, AS_PUBLISHED)).toEqual({});
  expect(beansRoom(room, 74, 700, AS_PUBLISHED)).toEqual({});
  expect(beansRoom(room, 75, 700, AS_PUBLISHED)).toEqual({ "jar-pint regular": 2 });
  expect(beansRoom(room, 89, 700, AS_PUBLISHED)).toEqual({ "jar-pint regular": 2 });
  expect(beansRoom(room, 90, 700, AS_PUBLISHED)).toEqual({ "jar-pint regular": 2, "jar-quart wide": 1 });
});

test("cans, and jars without a time of their own, leave water alone", () => {
  expect(beansRoom({ "can-half-pound": 3, "jar-half-gallon wide": 1 }, 200, 100, AS_PUBLISHED)).toEqual({});
});
