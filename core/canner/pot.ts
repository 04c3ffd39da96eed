import { atmosphericPressurePa } from "../steam/index.ts";
import { outflow } from "./flow.ts";
import type { CannerSpec } from "./spec.ts";
import { waterAt } from "./water-table.ts";

/** Air: gas constant and heat at constant volume, J/(kg·K). */
const R_AIR = 287.05;
const CV_AIR = 718;
/** Band above its setting in which a dead weight goes from shut to fully lifted, Pa. */
const LIFT_PA = 2500;
/** A rocking weight lifts and falls back this far above its setting, Pa: it is made to hold at least what is written on it. */
const ROCK_PA = { lifts: 1800, falls: 700 };
/** Shorter than anything that happens in the pot, s. */
const TICK_S = 0.2;

/** What is done to the canner from outside. */
export interface Hands {
  /** 0 to 1 of full flame */
  flame: number;
  top: "vent-open" | "weight-on" | "lid-off";
  /** part of the flame's heat that wind takes away, 0 to 1; it cools the pot as well */
  gust: number;
}

/** A canner at an instant. */
export interface PotState {
  /** seconds since it was filled */
  s: number;
  /** liquid and steam */
  waterKg: number;
  airKg: number;
  /** of water, steam, air and metal, J; liquid at 0 °C is zero */
  energyJ: number;
  jarsC: number;
  tempC: number;
  liquidKg: number;
  gaugePa: number;
  /** mole fraction of air in the gas */
  airFraction: number;
  /** leaving by the vent or weight, kg/s */
  steamKgS: number;
  lifted: boolean;
  /** how often the weight lifted so far */
  jiggles: number;
  dry: boolean;
  books: Books;
}

/** What came and went since the start: the balances are checked against it. J and kg. */
interface Books {
  burnerJ: number;
  lossJ: number;
  jarsJ: number;
  carriedJ: number;
  waterOutKg: number;
  airOutKg: number;
  airInKg: number;
}

interface Inside {
  liquidKg: number;
  energyJ: number;
  steamPa: number;
  airPa: number;
  gasDensity: number;
  steamShare: number;
}

/** What masses at a temperature come to. */
function insideAt(spec: CannerSpec, waterKg: number, airKg: number, tempC: number): Inside {
  const w = waterAt(tempC);
  const liquidKg = Math.max(
    0,
    (waterKg - w.vapourDensity * spec.roomM3) / (1 - w.vapourDensity / w.liquidDensity),
  );
  const gasM3 = spec.roomM3 - liquidKg / w.liquidDensity;
  const vapourKg = waterKg - liquidKg;
  const airPa = (airKg * R_AIR * (tempC + 273.15)) / gasM3;
  const gasKg = vapourKg + airKg;
  return {
    liquidKg,
    energyJ:
      liquidKg * w.liquidEnergy + vapourKg * w.vapourEnergy + airKg * CV_AIR * tempC + spec.metalJK * tempC,
    steamPa: w.pressurePa,
    airPa,
    gasDensity: gasKg / gasM3,
    steamShare: gasKg > 0 ? vapourKg / gasKg : 1,
  };
}

/** The temperature at which these masses hold this energy, by secants from a guess. */
function tempOf(spec: CannerSpec, waterKg: number, airKg: number, energyJ: number, guess: number): number {
  let [t0, t1] = [guess, guess + 0.01];
  let e0 = insideAt(spec, waterKg, airKg, t0).energyJ - energyJ;
  for (let i = 0; i < 12; i++) {
    const e1 = insideAt(spec, waterKg, airKg, t1).energyJ - energyJ;
    if (Math.abs(e1) < 1e-4 || e1 === e0) break;
    [t0, t1, e0] = [t1, t1 - (e1 * (t1 - t0)) / (e1 - e0), e1];
  }
  return t1;
}

/**
 * Returns the state of a simulated canner at 0 s: just filled, lid on, vent open, and air filling what the steam
 * leaves.
 *
 * Source: Dalton's law, with steam from IAPWS (see `saturatedWater`) and air pressure from the U.S. Standard
 * Atmosphere 1976.
 */
export function newPot(spec: CannerSpec): PotState {
  const w = waterAt(spec.waterC);
  const gasM3 = spec.roomM3 - spec.waterKg / w.liquidDensity;
  // The lid goes on over water that steams already: air has what steam leaves of the pressure outside.
  const airPa = Math.max(0, atmosphericPressurePa(spec.altitudeM) - w.pressurePa);
  const airKg = (airPa * gasM3) / (R_AIR * (spec.waterC + 273.15));
  const inside = insideAt(spec, spec.waterKg, airKg, spec.waterC);
  return {
    s: 0,
    waterKg: spec.waterKg,
    airKg,
    energyJ: inside.energyJ,
    jarsC: spec.jarsC,
    tempC: spec.waterC,
    liquidKg: inside.liquidKg,
    gaugePa: 0,
    airFraction: 1 - inside.steamPa / (inside.steamPa + inside.airPa),
    steamKgS: 0,
    lifted: false,
    jiggles: 0,
    dry: false,
    books: { burnerJ: 0, lossJ: 0, jarsJ: 0, carriedJ: 0, waterOutKg: 0, airOutKg: 0, airInKg: 0 },
  };
}

/** How open the top is, m², with the weight's own mind. */
function holeOf(spec: CannerSpec, before: PotState, top: Hands["top"]): { areaM2: number; lifted: boolean } {
  if (top === "lid-off") return { areaM2: spec.ventM2 * 100, lifted: false };
  if (top === "vent-open") return { areaM2: spec.ventM2 + spec.leakM2, lifted: false };
  if (spec.weightPa === null) return { areaM2: spec.leakM2, lifted: false };
  const over = before.gaugePa - spec.weightPa;
  if (spec.rocks) {
    const lifted = over > (before.lifted ? ROCK_PA.falls : ROCK_PA.lifts);
    return { areaM2: spec.leakM2 + (lifted ? spec.ventM2 : 0), lifted };
  }
  const part = Math.min(1, Math.max(0, over / LIFT_PA));
  return { areaM2: spec.leakM2 + part * spec.ventM2, lifted: part > 0 };
}

/**
 * A canner a tick later. Water, steam, air and metal share one temperature; the jars follow slower. Heat comes from the
 * flame and goes to the air around, to the jars and away with the steam; mass and energy are kept in books.
 */
function tick(spec: CannerSpec, p: PotState, hands: Hands, seconds = TICK_S): PotState {
  const outsidePa = atmosphericPressurePa(spec.altitudeM);
  const now = insideAt(spec, p.waterKg, p.airKg, p.tempC);
  const w = waterAt(p.tempC);
  const insidePa = now.steamPa + now.airPa;
  const { areaM2, lifted } = holeOf(spec, p, hands.top);
  const gas = p.dry ? 0 : outflow(areaM2, insidePa, outsidePa, now.gasDensity);
  const airOut = Math.min(p.airKg / seconds, gas * (1 - now.steamShare) * spec.mixing);
  const steamOut = gas - airOut;
  // A canner that cools with its vent open draws air in again.
  const airIn =
    hands.top === "weight-on"
      ? 0
      : Math.min(
          0.001,
          outflow(areaM2, outsidePa, insidePa, outsidePa / (R_AIR * (spec.ambientC + 273.15))) || 0,
        );
  const flameW = p.dry ? 0 : spec.burnerW * spec.reaches * hands.flame * (1 - hands.gust);
  const lossW = spec.lossWK * (1 + 1.5 * hands.gust) * (p.tempC - spec.ambientC);
  const jarsW = (spec.jarsJK / spec.jarsTauS) * (p.tempC - p.jarsC);
  const carriedW =
    steamOut * w.vapourEnthalpy +
    airOut * (CV_AIR + R_AIR) * p.tempC -
    airIn * (CV_AIR + R_AIR) * spec.ambientC;
  const waterKg = p.waterKg - steamOut * seconds;
  const airKg = p.airKg + (airIn - airOut) * seconds;
  const energyJ = p.energyJ + (flameW - lossW - jarsW - carriedW) * seconds;
  const tempC = tempOf(spec, waterKg, airKg, energyJ, p.tempC);
  const after = insideAt(spec, waterKg, airKg, tempC);
  return {
    s: p.s + seconds,
    waterKg,
    airKg,
    energyJ,
    jarsC: p.jarsC + (jarsW * seconds) / spec.jarsJK,
    tempC,
    liquidKg: after.liquidKg,
    gaugePa: after.steamPa + after.airPa - outsidePa,
    airFraction: after.airPa / (after.steamPa + after.airPa),
    steamKgS: steamOut,
    lifted,
    jiggles: p.jiggles + (lifted && !p.lifted ? 1 : 0),
    dry: p.dry || after.liquidKg < 0.05,
    books: {
      burnerJ: p.books.burnerJ + flameW * seconds,
      lossJ: p.books.lossJ + lossW * seconds,
      jarsJ: p.books.jarsJ + jarsW * seconds,
      carriedJ: p.books.carriedJ + carriedW * seconds,
      waterOutKg: p.books.waterOutKg + steamOut * seconds,
      airOutKg: p.books.airOutKg + airOut * seconds,
      airInKg: p.books.airInKg + airIn * seconds,
    },
  };
}

/**
 * Returns the state of a simulated canner some seconds later, with flame and vent unchanged. Mass and energy are
 * conserved; `books` holds the sums.
 *
 * @param p state before; not changed
 * @param hands flame, 0 to 1, gust, 0 to 1, and what is on the vent
 * @param seconds ≥ 0; steps are at most a fifth of a second
 */
export function advancePot(spec: CannerSpec, p: PotState, hands: Hands, seconds: number): PotState {
  let state = p;
  for (let left = seconds; left > 1e-9; left -= TICK_S)
    state = tick(spec, state, hands, Math.min(TICK_S, left));
  return state;
}
