import { describe, expect, test } from "vitest";
import { CONTAINERS, SHAPES, containerName, isCan, shapeOf } from "./container.ts";

describe("the shape of a container", () => {
  test("is its own for each mouth it is made with", () => {
    for (const shape of SHAPES) expect(shapeOf(shape.key, shape.mouth)).toBe(shape);
  });
  test("has the regular mouth when none is named, and the only mouth it is made with when another is", () => {
    for (const key of ["jar-pint", "jar-quart"] as const)
      for (const mouth of [undefined, null]) expect(shapeOf(key, mouth).mouth).toBe("regular");
    expect(shapeOf("jar-half-pint", "wide")).toMatchObject({ key: "jar-half-pint", mouth: "regular" });
    expect(shapeOf("jar-pint-and-half", "regular")).toMatchObject({
      key: "jar-pint-and-half",
      mouth: "wide",
    });
    expect(shapeOf("can-one-pound", "wide")).toMatchObject({ key: "can-one-pound", mouth: null });
  });
  test("is there for everything but half gallons, which are only named", () => {
    expect(() => shapeOf("jar-half-gallon")).toThrow(RangeError);
    expect(() => shapeOf("jar-half-gallon")).toThrow(/jar-half-gallon is not packed/);
    expect(containerName("jar-half-gallon")).toBe("half-gallon jar");
    for (const key of CONTAINERS.filter((k) => k !== "jar-half-gallon")) {
      expect(shapeOf(key).key).toBe(key);
      expect(containerName(key)).toBe(shapeOf(key).name);
      expect(isCan(key)).toBe(shapeOf(key).mouth === null);
    }
  });
});
