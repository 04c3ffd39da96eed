import { formatDecimal, ftFromM } from "../quantity/index.ts";
import { isCan, type ContainerKey } from "./container.ts";
import { pressureTarget, type CannerGauges, type NoTarget, type PressureTarget } from "./gauge.ts";
import { scheduledProcess, type NoSchedule, type ScheduledProcess } from "./lookup.ts";
import { CAN_BAND, bandFor, type GaugeKind } from "./pressure.ts";
import type { HouseholdRows } from "./household.ts";
import { CONDITIONS, type Condition } from "./rules.ts";
import { DISH_PRODUCTS, productName, type PackMethod, type ProductKey } from "./table.ts";

/** Feet and meters of one altitude differ by rounding, m. */
const ALTITUDE_SLACK_M = 1;

export interface LoadPack {
  product: ProductKey;
  pack: PackMethod;
  container: ContainerKey;
  /** a schedule an extension office gave for it; stands in place of the table's row */
  given?: ScheduledProcess;
}

/**
 * Returns a filled pack as a load sees it: by its own row of the table, or by the extension office's schedule it was
 * filled by.
 */
export function loadPackOf(schedule: ScheduledProcess): LoadPack {
  const { product, pack, container, fromOffice } = schedule;
  return { product, pack, container, ...(fromOffice ? { given: schedule } : {}) };
}

export interface LoadCanner {
  gauges: CannerGauges;
  /** size it is sold by, quarts; null when not known */
  quarts: number | null;
  /** its own limit, psi; null or left out when not known */
  maxPsi?: number | null;
  /** the instrument a person chose on a canner with both; the weight governs when nobody chose */
  chosen?: GaugeKind | null;
}

/** Something no published process covers, which a person may sign for. It follows every container of the load. */
export interface LoadDeviation {
  key: "hot-dish-beside-raw";
  text: string;
}

/** The one process a whole load is held to. */
export interface GoverningSchedule {
  /** `common-practice` when any pack of the load rests on no published source */
  outcome: ScheduledProcess["outcome"];
  /** the longest time of the load */
  minutes: number;
  /** which pack's time that is; index into the packs asked for */
  governedBy: number;
  target: PressureTarget;
  ventMinutes: number;
  conditions: Condition[];
  /** each pack's own schedule, in the order asked for */
  each: ScheduledProcess[];
  /** what a person has to sign for before this load is run; usually empty */
  deviations: LoadDeviation[];
  why: string[];
}

/** A load that cannot be run. */
export interface NoGoverning extends NoSchedule {
  /** the pack it is about; null when it is the canner or the mixture */
  pack: number | null;
  /** set when the pressure cannot be trusted; a signed reason may lift only `gauge-overdue` */
  blockedBy?: NoTarget["blockedBy"];
}

/**
 * Returns the scheduled process of everything that goes through one canner together, or why there is none, with what
 * to do instead.
 *
 * The longest time governs, and every rule of every pack holds. Refused: an empty load; any pack with no tested
 * process; cans with jars; smoked fish beside anything preheated, or in a canner outside 16 to 22 quarts; a gauge that
 * cannot be trusted. Source: USDA 2015, from memory; rows of common practice say so.
 * @param altitudeM meters above sea level
 * @param now ms since 1970 UTC, for the gauge's test
 * @param rows rows the household compared with its own guide
 * @param signedOverdue somebody signed for using a dial that is overdue or untested
 */
export function governingSchedule(
  packs: readonly LoadPack[],
  canner: LoadCanner,
  altitudeM: number,
  now: number,
  rows: HouseholdRows,
  signedOverdue = false,
): GoverningSchedule | NoGoverning {
  if (packs.length === 0)
    return refuse(null, "Nothing is in this load yet.", ["Put at least one pack in it."]);
  const cans = packs.some((p) => isCan(p.container));
  if (cans && packs.some((p) => !isCan(p.container))) {
    return refuse(null, "Cans and jars may not share a run: there is no tested guidance for the mixture.", [
      "Run the cans as one load and the jars as another.",
    ]);
  }
  // Either column will do to learn the minutes; the pressure comes from both, below.
  const gauge = canner.gauges.weightPiecesPsi.length > 0 ? "weighted" : "dial";
  const each: ScheduledProcess[] = [];
  for (const [i, pack] of packs.entries()) {
    const answer = pack.given
      ? (whyNotGivenFor(pack.given, altitudeM) ?? pack.given)
      : scheduledProcess({ ...pack, gauge, altitudeM, rows });
    if (answer.outcome === "none") return { ...answer, pack: i };
    each.push(answer);
  }
  const conditions = uniqueConditions(each);
  // Each pack alone has its own water; both together need an order, too. Cans are hot when they are seamed.
  if (!cans && new Set(packs.map((p) => p.pack)).size > 1) conditions.push(CONDITIONS["raw-beside-hot"]);
  for (const condition of conditions) {
    const blocked = cannerRefusal(condition, canner);
    if (blocked) return blocked;
  }
  if (conditions.some((c) => c.coolWaterQuarts !== undefined) && packs.some((p) => p.pack === "hot")) {
    return refuse(
      null,
      "Smoked fish goes into cool water that is not preheated, so nothing packed hot may share its run.",
      ["Run the smoked fish as a load of its own."],
    );
  }
  const columns = columnsOf(each, cans ? CAN_BAND : bandFor(altitudeM));
  if (columns.dialPsi === null && columns.weightedPsi === null)
    return {
      ...refuse(null, "The pressures of these packs were given for different gauges.", [
        "Run them as two loads.",
      ]),
      blockedBy: "no-gauge",
    };
  const target = pressureTarget({
    ...columns,
    gauges: canner.gauges,
    maxPsi: canner.maxPsi ?? null,
    now,
    signedOverdue,
    chosen: canner.chosen ?? null,
  });
  if (!target.ok) return { ...refuse(null, target.reason, target.instead), blockedBy: target.blockedBy };
  const minutes = Math.max(...each.map((s) => s.minutes));
  const governedBy = each.findIndex((s) => s.minutes === minutes);
  const why = [...target.why];
  if (each.some((s) => s.minutes !== minutes)) {
    why.unshift(
      `Times differ in this load; the longest, ${formatDecimal(minutes)} minutes, governs all of it.`,
    );
  }
  return {
    outcome: each.every((s) => s.outcome === "tested") ? "tested" : "common-practice",
    minutes,
    governedBy,
    target,
    ventMinutes: Math.max(...each.map((s) => s.ventMinutes)),
    conditions,
    each,
    deviations: loadDeviations(packs),
    why,
  };
}

/** Raw jars want warm water and dishes, which are published hot only, want hot: no published process has both in one canner. */
function loadDeviations(packs: readonly LoadPack[]): LoadDeviation[] {
  const dish = packs.find((p) => DISH_PRODUCTS.includes(p.product));
  if (!dish || !packs.some((p) => p.pack === "raw")) return [];
  return [
    {
      key: "hot-dish-beside-raw",
      text:
        `${productName(dish.product)} beside raw-packed jars: no published process has both in one canner. ` +
        "Put the hot jars in last and light the burner at once.",
    },
  ];
}

interface Columns {
  dialPsi: number | null;
  weightedPsi: number | null;
}

/**
 * What each gauge has to show for all of the load, psi: the highest that any pack asks for. A row of the tables stands for
 * both gauges, an office's schedule only for its own; null where a pack has no figure for that gauge.
 */
function columnsOf(each: readonly ScheduledProcess[], band: Columns): Columns {
  const highest = (gauge: GaugeKind, inTable: number | null) =>
    each
      .map((s) => {
        if (s.fromOffice) return s.gauge === gauge ? s.pressurePsi : null;
        if (!s.columns) return inTable;
        return gauge === "dial" ? s.columns.dialPsi : s.columns.weightedPsi;
      })
      .reduce((a, b) => (a === null || b === null ? null : Math.max(a, b)));
  return { dialPsi: highest("dial", band.dialPsi), weightedPsi: highest("weighted", band.weightedPsi) };
}

/**
 * Returns why an extension office's schedule may not be used at an altitude: it holds for the altitude it was given
 * for, and higher up its pressure is too low. Null when it may be used.
 *
 * @param altitudeM meters above sea level
 */
export function whyNotGivenFor(given: ScheduledProcess, altitudeM: number): NoSchedule | null {
  const { givenForM, source } = given;
  const instead = ["Ask the office for this kitchen's altitude."];
  if (givenForM === undefined)
    return {
      outcome: "none",
      reason: `The schedule of ${source.name} does not say for which altitude it was given.`,
      instead,
    };
  if (altitudeM <= givenForM + ALTITUDE_SLACK_M) return null;
  const ft = (m: number) => formatDecimal(Math.round(ftFromM(m)), 0);
  return {
    outcome: "none",
    reason: `The schedule of ${source.name} was given for ${ft(givenForM)} ft, and this kitchen is at ${ft(altitudeM)} ft.`,
    instead,
  };
}

function refuse(pack: number | null, reason: string, instead: string[]): NoGoverning {
  return { outcome: "none", pack, reason, instead };
}

function uniqueConditions(each: ScheduledProcess[]): Condition[] {
  const byKey = new Map(each.flatMap((s) => s.conditions).map((c) => [c.key, c]));
  return [...byKey.values()];
}

function cannerRefusal(condition: Condition, canner: LoadCanner): NoGoverning | null {
  if (!condition.cannerQuarts) return null;
  const [low, high] = condition.cannerQuarts;
  if (canner.quarts === null) {
    return refuse(
      null,
      `Smoked fish needs a ${low}- to ${high}-quart canner, and this canner's size is not recorded.`,
      ["Enter the canner's size in the Shed."],
    );
  }
  if (canner.quarts < low || canner.quarts > high) {
    return refuse(
      null,
      `Smoked fish is tested only in a ${low}- to ${high}-quart canner; this one holds ${canner.quarts} quarts.`,
      [`Use a ${low}- to ${high}-quart canner.`, "Freeze it."],
    );
  }
  return null;
}
