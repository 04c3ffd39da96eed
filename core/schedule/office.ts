import { formatDecimal, ftFromM } from "../quantity/index.ts";
import { containerName, isCan, shapeOf, type ContainerKey } from "./container.ts";
import { AS_PUBLISHED } from "./household.ts";
import { jarMinutes, scheduledProcess, type NoSchedule, type ScheduledProcess } from "./lookup.ts";
import { jarRowInForce } from "./in-force.ts";
import { CAN_BAND, JAR_BANDS, bandFor, type GaugeKind } from "./pressure.ts";
import { CONDITIONS, VENT_MINUTES, conditionWith, type Condition } from "./rules.ts";
import { CAN_ROWS, JAR_ROWS, type PackMethod, type ProductKey } from "./table.ts";

/** A schedule that a local extension office gave this household, where the tables have none. */
export interface OfficeSchedule {
  product: ProductKey;
  /** the row's first when left out */
  pack?: PackMethod;
  container: ContainerKey;
  gauge: GaugeKind;
  altitudeM: number;
  minutes: number;
  pressurePsi: number;
  office: string;
  /** day it was given, YYYY-MM-DD */
  givenOn: string;
}

/** An office's schedule is asked for again after so many months. Common practice, no source. */
export const OFFICE_DUE_MONTHS = 12;

/** The last day an office's schedule is used on, YYYY-MM-DD: a year after it was given. */
export function officeGoodUntil(givenOn: string): string {
  const [year, month, day] = givenOn.split("-") as [string, string, string];
  // Given on February 29 it is good until March 1 of the next year.
  const at = new Date(Date.UTC(Number(year), Number(month) - 1 + OFFICE_DUE_MONTHS, Number(day)));
  return at.toISOString().slice(0, 10);
}

/** What an office's schedule may not fall below, where a row of the tables says so much. */
interface Floor {
  headspaceIn: number;
  pack: PackMethod;
  conditions: Condition[];
  minutes: number;
  psi: number;
  why: string;
}

/**
 * Returns an extension office's schedule where the tables have none, marked as theirs; or why it is refused: a table
 * row covers the request, it may never be canned so, or it is weaker than what the tables have nearest to it. Cans may
 * have one above 1,000 ft, jars in a size without a time, and for a dial gauge above 8,000 ft.
 *
 * @param given minutes, psi and altitude in m, as the office wrote them
 */
export function officeSchedule(given: OfficeSchedule): ScheduledProcess | NoSchedule {
  const floor = isCan(given.container) ? canFloor(given) : jarFloor(given);
  if ("outcome" in floor) return floor;
  if (!given.office.trim() || !/^\d{4}-\d{2}-\d{2}$/.test(given.givenOn)) {
    return no("Write down which office gave the schedule and on which day.");
  }
  if (!(given.minutes >= floor.minutes) || !(given.pressurePsi >= floor.psi)) return no(floor.why);
  return {
    outcome: "common-practice",
    product: given.product,
    pack: floor.pack,
    container: given.container,
    minutes: given.minutes,
    pressurePsi: given.pressurePsi,
    gauge: given.gauge,
    headspaceIn: floor.headspaceIn,
    ventMinutes: VENT_MINUTES,
    conditions: floor.conditions,
    notes: [`Given by ${given.office.trim()} on ${given.givenOn}; it is theirs, not from these tables.`],
    fromOffice: true,
    givenForM: given.altitudeM,
    source: {
      name: given.office.trim(),
      locator: `given to this household on ${given.givenOn}`,
      fromMemory: false,
    },
  };
}

function canFloor(given: OfficeSchedule): Floor | NoSchedule {
  const row = CAN_ROWS.find((r) => r.key === given.product);
  if (!row) return no("In cans, only fish and game pieces may take an extension office's schedule.");
  if (ftFromM(given.altitudeM) <= CAN_BAND.toFt) {
    return no("The tables cover cans up to 1,000 ft, and nothing may be typed over a covered product.");
  }
  const minutes = given.container === "can-half-pound" ? row.halfPoundMinutes : row.onePoundMinutes;
  const psi = given.gauge === "dial" ? CAN_BAND.dialPsi : CAN_BAND.weightedPsi;
  return {
    headspaceIn: row.headspaceIn,
    pack: row.packs[0]!,
    conditions: [CONDITIONS.exhaust],
    minutes,
    psi,
    why: `Higher up, a can never needs less than at sea level (${minutes} minutes at ${psi} lb). Ask the office again.`,
  };
}

/** Highest dial pressure that the tables have, psi. Source: USDA 2015, from memory. */
const HIGHEST_DIAL_PSI = Math.max(...JAR_BANDS.map((b) => b.dialPsi ?? 0));

function jarFloor(given: OfficeSchedule): Floor | NoSchedule {
  const row = JAR_ROWS.find((r) => r.key === given.product);
  if (!row) return no("This row is for metal cans. For jars choose the food's own row.");
  const pack = given.pack ?? row.packs[0]!;
  if (!row.packs.includes(pack))
    return no(`${row.name} has no tested ${pack} pack, and an office's schedule does not make it one.`);
  if (given.container === "jar-half-gallon" || row.not?.includes(given.container))
    return no(`${row.name} is never canned in a ${containerName(given.container)}.`);
  const { container, gauge, altitudeM } = given;
  const table = scheduledProcess({ product: row.key, pack, container, gauge, altitudeM, rows: AS_PUBLISHED });
  if (table.outcome !== "none")
    return no(
      `The tables cover this: ${formatDecimal(table.minutes)} minutes. Nothing may be typed over a covered product.`,
    );
  const inForce = jarRowInForce(row.key)!;
  const room = shapeOf(container).nominalMl;
  const upTo = (
    ["jar-quarter-pint", "jar-half-pint", "jar-pint", "jar-pint-and-half", "jar-quart"] as const
  ).filter((size) => shapeOf(size).nominalMl <= room);
  const minutes = Math.max(...upTo.map((size) => jarMinutes(inForce, size) ?? 0));
  const band = bandFor(altitudeM);
  const psi = gauge === "dial" ? (band.dialPsi ?? HIGHEST_DIAL_PSI) : band.weightedPsi;
  const large = container === "jar-quart";
  return {
    headspaceIn: row.headspaceIn,
    pack,
    conditions: [row.ownRule, large ? row.quartRule : undefined].flatMap((key) =>
      key ? [conditionWith(key)] : [],
    ),
    minutes,
    psi,
    why: `A larger jar or a higher kitchen never needs less than the tables' nearest (${minutes} minutes at ${psi} lb). Ask the office again.`,
  };
}

function no(reason: string): NoSchedule {
  return { outcome: "none", reason, instead: ["Ask your local extension office.", "Put it in glass jars."] };
}
