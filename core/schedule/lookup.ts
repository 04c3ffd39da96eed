import { ftFromM, formatDecimal } from "../quantity/index.ts";
import { containerName, isCan, type ContainerKey } from "./container.ts";
import { CAN_BAND, bandFor, type GaugeKind } from "./pressure.ts";
import { refusalFor } from "./refusal.ts";
import { CONDITIONS, VENT_MINUTES, type Condition } from "./rules.ts";
import { outcomeFor, type Source } from "./source.ts";
import { CAN_ROWS, JAR_ROWS, type CanRow, type JarRow, type PackMethod, type ProductKey } from "./table.ts";

export interface ScheduleRequest {
  product: ProductKey;
  pack: PackMethod;
  container: ContainerKey;
  gauge: GaugeKind;
  /** metres above sea level */
  altitudeM: number;
}

/** A process found in the tables, or given by an extension office. */
export interface ScheduledProcess {
  /** `tested`: a published source stands behind it. `common-practice`: none does, and a person has to accept that. */
  outcome: "tested" | "common-practice";
  product: ProductKey;
  pack: PackMethod;
  container: ContainerKey;
  /** minutes at pressure, never to be spliced or shortened */
  minutes: number;
  /** least pressure on an accurate gauge, psi */
  pressurePsi: number;
  gauge: GaugeKind;
  headspaceIn: number;
  ventMinutes: number;
  conditions: Condition[];
  notes: string[];
  source: Source;
  /** keys of conditions a person confirmed as it was filled; left out when none was asked */
  confirmed?: string[];
  /** given to this household by an extension office; not from the tables */
  fromOffice?: true;
  /** altitude the office gave it for, m; left out when it is not from one, or not known */
  givenForM?: number;
}

/** No tested process: why, and the nearest safe choices. */
export interface NoSchedule {
  outcome: "none";
  reason: string;
  instead: string[];
}

export type ScheduleAnswer = ScheduledProcess | NoSchedule;

const NO_SOURCE =
  "Common practice, with no published source: ask your local extension office before relying on it.";
const COMPARE =
  "Written down from memory: compare with your own printed guide or local extension office before relying on it.";

/**
 * Returns the scheduled process for one product, pack, container, gauge and altitude, or why there is none, with the
 * nearest safe choices.
 *
 * Never interpolated, scaled or invented: a time is returned only when a row of the table holds it. The altitude
 * decides the pressure and nothing else. Source: named in each answer: USDA 2015, from memory, or common practice
 * without a source.
 */
export function scheduledProcess(request: ScheduleRequest): ScheduleAnswer {
  if (request.container === "jar-half-gallon") {
    const refusal = refusalFor("half-gallon")!;
    return none(refusal.reason, [...refusal.instead]);
  }
  return isCan(request.container) ? forCan(request) : forJar(request);
}

function none(reason: string, instead: string[]): NoSchedule {
  return { outcome: "none", reason, instead };
}

/**
 * Returns the minutes a jar row holds for a container; null when it has no process for it. A smaller jar takes the
 * next larger tested size; a quart with a rule of its own lends its time to no other size.
 *
 * Source: USDA 2015, from memory.
 */
export function jarMinutes(row: JarRow, container: ContainerKey): number | null {
  if (row.not?.includes(container)) return null;
  switch (container) {
    case "jar-quarter-pint":
    case "jar-half-pint":
      return row.halfPintMinutes === "as-pint" ? row.pintMinutes : row.halfPintMinutes;
    case "jar-pint":
      return row.pintMinutes;
    case "jar-pint-and-half":
      return row.quartRule ? null : row.quartMinutes;
    case "jar-quart":
      return row.quartMinutes;
    default:
      return null;
  }
}

function forJar(request: ScheduleRequest): ScheduleAnswer {
  const row = JAR_ROWS.find((r) => r.key === request.product);
  if (!row) {
    const inJars = request.product === "can-fish" ? "Fish" : "Red meat and game, pieces";
    return none("This row is for metal cans, and its times hold only in cans.", [
      `For jars ask for “${inJars}”.`,
      "Or choose a half-pound or one-pound can.",
    ]);
  }
  if (!row.packs.includes(request.pack)) return wrongPack(row, request.pack);
  const minutes = jarMinutes(row, request.container);
  if (minutes === null) {
    return none(
      `There is no tested process for ${row.name.toLowerCase()} in a ${containerName(request.container)}.` +
        (row.quartRule && request.container === "jar-pint-and-half"
          ? " The quart has a rule of its own, which is not for this jar."
          : ""),
      ["Use pints or half-pints.", "Freeze it."],
    );
  }
  const band = bandFor(request.altitudeM);
  const pressurePsi = request.gauge === "dial" ? band.dialPsi : band.weightedPsi;
  if (pressurePsi === null) {
    return none(
      `The table gives no dial-gauge pressure above 8,000 ft; this is ${formatDecimal(ftFromM(request.altitudeM), 0)} ft.`,
      ["Use a weighted gauge at 15 lb.", "Ask your local extension office.", "Freeze it."],
    );
  }
  const small = request.container === "jar-quarter-pint" || request.container === "jar-half-pint";
  const conditions: Condition[] = [];
  if (row.ownRule) conditions.push(CONDITIONS[row.ownRule]);
  if (row.quartRule && request.container === "jar-quart") conditions.push(CONDITIONS[row.quartRule]);
  const notes = [...(row.notes ?? [])];
  if (request.container === "jar-pint-and-half") notes.push("A pint-and-a-half jar is processed as a quart.");
  if (request.container === "jar-quarter-pint") {
    notes.push("A 4-oz jar takes the half-pint's time.");
  }
  if (small && row.halfPintMinutes === "as-pint")
    notes.push("The time is the pint's, the next larger tested size.");
  if (small && row.halfPintNote) notes.push(row.halfPintNote);
  if (band.toFt === Infinity)
    notes.push("The weighted column of the table reads “above 1,000 ft” and has no upper end.");
  notes.push("Salt is for flavor only and may be left out.");
  notes.push(row.source.fromMemory ? COMPARE : NO_SOURCE);
  return {
    outcome: outcomeFor(row.source),
    product: row.key,
    pack: request.pack,
    container: request.container,
    minutes,
    pressurePsi,
    gauge: request.gauge,
    headspaceIn: row.headspaceIn,
    ventMinutes: VENT_MINUTES,
    conditions,
    notes,
    source: row.source,
  };
}

function forCan(request: ScheduleRequest): ScheduleAnswer {
  const row = CAN_ROWS.find((r) => r.key === request.product);
  if (!row) {
    return none(
      `There is no tested process for ${JAR_ROWS.find((r) => r.key === request.product)!.name.toLowerCase()} in cans ` +
        "under this row. Cans have rows of their own, for fish and for game pieces only.",
      ["Put it in glass jars.", "For plain fish ask for “Fish in cans”, for game pieces “Game in cans”."],
    );
  }
  if (!row.packs.includes(request.pack)) return wrongPack(row, request.pack);
  const ft = ftFromM(request.altitudeM);
  if (ft > CAN_BAND.toFt) {
    return none(
      `There is no altitude row for cans: nothing is known above 1,000 ft, and this is ${formatDecimal(ft, 0)} ft.`,
      [
        "Ask your local extension office; a schedule they give you can be entered with their name and its date.",
        "Put it in glass jars, which have a row for this altitude.",
      ],
    );
  }
  return {
    outcome: outcomeFor(row.source),
    product: row.key,
    pack: request.pack,
    container: request.container,
    minutes: request.container === "can-half-pound" ? row.halfPoundMinutes : row.onePoundMinutes,
    pressurePsi: request.gauge === "dial" ? CAN_BAND.dialPsi : CAN_BAND.weightedPsi,
    gauge: request.gauge,
    headspaceIn: row.headspaceIn,
    ventMinutes: VENT_MINUTES,
    conditions: [CONDITIONS.exhaust],
    notes: [...(row.notes ?? []), NO_SOURCE, "Salt is for flavor only and may be left out."],
    source: row.source,
  };
}

function wrongPack(row: JarRow | CanRow, pack: PackMethod): NoSchedule {
  const other = row.packs[0]!;
  const how = other === "hot" ? "hot pack: cook it first and pack it hot" : "raw pack";
  return none(`${row.name} has no tested ${pack} pack.`, [`Use the ${how}.`, "Freeze it."]);
}
