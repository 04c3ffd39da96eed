/**
 * Returns the heating rate f of a finite cylinder whose surface is at the canner's temperature, in seconds: the time
 * for the distance to that temperature to fall to a tenth, once the first terms of the series are alone.
 *
 * Source: Olson & Jackson 1942: f = 0.398 / [α (1/a² + 0.427/b²)], from memory.
 * @param radiusM m, > 0
 * @param halfHeightM m, > 0
 * @param diffusivity m²/s, > 0
 * @throws RangeError outside those ranges
 */
export function heatingRateS(radiusM: number, halfHeightM: number, diffusivity: number): number {
  if (!(radiusM > 0 && halfHeightM > 0 && diffusivity > 0))
    throw new RangeError("a cylinder's radius, height and diffusivity are above zero");
  return 0.398 / (diffusivity * (1 / radiusM ** 2 + 0.427 / halfHeightM ** 2));
}

/** For tests, which hold the program's own heating against the published solution: lag factor at the centre of a finite cylinder heated all round (Ball & Olson 1957, from memory). */
export const CENTRE_LAG = 2.04;
