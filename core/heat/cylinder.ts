import bessel from "bessel";

/** A finite cylinder heated all round: its size, what it is made of and what resists at its skin. */
export interface HeatedCylinder {
  radiusM: number;
  halfHeightM: number;
  /** m²/s */
  diffusivity: number;
  /** conductivity of the contents divided by the film coefficient outside, m; 0 for a skin at the canner's temperature */
  skinM: number;
}

const { besselj } = bessel;
/** Terms of each series. The first few matter; many are needed only in the first seconds. */
const TERMS = 60;

interface Term {
  root: number;
  /** weight at the centre */
  weight: number;
}

/** Halves an interval until the sign changes at one point. */
function rootIn(f: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  const rising = f(high) > f(low);
  for (let i = 0; i < 80; i++) {
    const mid = (low + high) / 2;
    if (f(mid) > 0 === rising) high = mid;
    else low = mid;
  }
  return (low + high) / 2;
}

/** Roots of ζ tan ζ = Bi and the weights of a slab's series at its middle. */
function slabTerms(biot: number): Term[] {
  return Array.from({ length: TERMS }, (_, n) => {
    const root =
      biot === Infinity
        ? (n + 0.5) * Math.PI
        : rootIn((z) => z * Math.sin(z) - biot * Math.cos(z), n * Math.PI + 1e-12, (n + 0.5) * Math.PI);
    return { root, weight: (4 * Math.sin(root)) / (2 * root + Math.sin(2 * root)) };
  });
}

/** Zeros of J0, by McMahon's expansion (Abramowitz & Stegun 9.5.12, from memory) made exact by halving. */
function zeroOf(order: 0 | 1, n: number): number {
  if (order === 1 && n === 0) return 0;
  const guess = order === 0 ? (n + 0.75) * Math.PI : (n + 0.25) * Math.PI;
  return rootIn((x) => besselj(x, order), guess - 0.6, guess + 0.6);
}

/** Roots of ζ J1(ζ) = Bi J0(ζ) and the weights of an infinite cylinder's series on its axis. */
function rodTerms(biot: number): Term[] {
  return Array.from({ length: TERMS }, (_, n) => {
    const end = zeroOf(0, n);
    const root =
      biot === Infinity
        ? end
        : rootIn((z) => z * besselj(z, 1) - biot * besselj(z, 0), zeroOf(1, n) + 1e-12, end);
    const [j0, j1] = [besselj(root, 0), besselj(root, 1)];
    return { root, weight: (2 * j1) / (root * (j0 * j0 + j1 * j1)) };
  });
}

const sum = (terms: readonly Term[], fourier: number) =>
  terms.reduce((s, { root, weight }) => s + weight * Math.exp(-root * root * fourier), 0);

/**
 * Returns a function of the seconds, > 0, since the surroundings of a finite cylinder changed in one step. It gives
 * how far the center still is from the new temperature, as a fraction of the step: 1 at first, 0 in the end. An oracle
 * for tests.
 *
 * Source: Carslaw & Jaeger, Conduction of Heat in Solids; Newman's product rule (1936); from memory.
 * @param body radius and half height, m, > 0; diffusivity, m²/s, > 0
 * @throws RangeError outside those ranges
 */
export function centreAfterStep(body: HeatedCylinder): (seconds: number) => number {
  const { radiusM: a, halfHeightM: b, diffusivity } = body;
  if (!(a > 0 && b > 0 && diffusivity > 0 && body.skinM >= 0))
    throw new RangeError("a heated cylinder has a size and a diffusivity above zero");
  const slab = slabTerms(b / body.skinM);
  const rod = rodTerms(a / body.skinM);
  return (seconds) =>
    Math.min(1, sum(slab, (diffusivity * seconds) / (b * b)) * sum(rod, (diffusivity * seconds) / (a * a)));
}
