/** Every container a schedule can be asked for. The half gallon is known only in order to be refused. */
export const CONTAINERS = [
  "jar-quarter-pint",
  "jar-half-pint",
  "jar-pint",
  "jar-pint-and-half",
  "jar-quart",
  "jar-half-gallon",
  "can-half-pound",
  "can-one-pound",
] as const;

export type ContainerKey = (typeof CONTAINERS)[number];
export type Mouth = "regular" | "wide";

/** Outside dimensions of one container as drawn and stacked. */
export interface ContainerShape {
  key: ContainerKey;
  /** jars only */
  mouth: Mouth | null;
  name: string;
  plural: string;
  /** volume it is sold by, ml */
  nominalMl: number;
  outsideDiameterMm: number;
  /** with lid or both ends on */
  heightMm: number;
  /** inside diameter of the mouth; null for cans */
  mouthInsideMm: number | null;
}

/**
 * Typical dimensions, from memory; households measure their own. In can codes the first digit is inches and the
 * rest sixteenths: 307 = 3 7/16 in, 200.25 = 2 in and a quarter of a sixteenth.
 */
export const SHAPES: readonly ContainerShape[] = [
  shape("jar-quarter-pint", "regular", "4-oz jar", "4-oz jars", 118, 70, 58, 60),
  shape("jar-half-pint", "regular", "half-pint", "half-pints", 237, 74, 98, 60),
  shape("jar-pint", "regular", "pint", "pints", 473, 82, 130, 60),
  shape("jar-pint", "wide", "wide-mouth pint", "wide-mouth pints", 473, 88, 121, 76),
  shape("jar-pint-and-half", "wide", "pint-and-a-half", "pint-and-a-halves", 710, 88, 173, 76),
  shape("jar-quart", "regular", "quart", "quarts", 946, 95, 175, 60),
  shape("jar-quart", "wide", "wide-mouth quart", "wide-mouth quarts", 946, 101, 170, 76),
  shape("can-half-pound", null, "half-pound can", "half-pound cans", 230, 87.3, 51.2, null),
  shape("can-one-pound", null, "one-pound can", "one-pound cans", 480, 77.8, 114.3, null),
];

function shape(
  key: ContainerKey,
  mouth: Mouth | null,
  name: string,
  plural: string,
  nominalMl: number,
  outsideDiameterMm: number,
  heightMm: number,
  mouthInsideMm: number | null,
): ContainerShape {
  return { key, mouth, name, plural, nominalMl, outsideDiameterMm, heightMm, mouthInsideMm };
}

/**
 * Returns the measures of a container, mm and ml. Typical, from memory.
 *
 * @param mouth of a jar; a regular one when left out or null
 * @throws RangeError for half-gallon jars, which have no tested process
 */
export function shapeOf(key: ContainerKey, mouth?: Mouth | null): ContainerShape {
  const found =
    SHAPES.find((s) => s.key === key && (!mouth || s.mouth === mouth)) ?? SHAPES.find((s) => s.key === key);
  if (!found) throw new RangeError(`${key} is not packed, so it has no shape`);
  return found;
}

/** Returns the name of one container, such as `pint`. */
export function containerName(key: ContainerKey): string {
  return key === "jar-half-gallon" ? "half-gallon jar" : shapeOf(key).name;
}

/** Returns whether a container is a metal can; otherwise it is a glass jar. */
export function isCan(key: ContainerKey): boolean {
  return key.startsWith("can-");
}
