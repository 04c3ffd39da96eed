import { ftFromM, formatDecimal } from "../quantity/index.ts";
import { containerName, isCan, type ContainerKey } from "./container.ts";
import type { Confirmation, HouseholdRows } from "./household.ts";
import {
  canRowInForce,
  columnsInForce,
  jarRowInForce,
  type JarRowInForce,
  type RowInForce,
} from "./in-force.ts";
import { CAN_BAND, bandFor, type GaugeKind } from "./pressure.ts";
import { refusalFor } from "./refusal.ts";
import { conditionWith, type Condition } from "./rules.ts";
import { outcomeFor, type Source } from "./source.ts";
import { rowOf, type PackMethod, type ProductKey } from "./table.ts";

export interface ScheduleRequest {
  product: ProductKey;
  pack: PackMethod;
  container: ContainerKey;
  gauge: GaugeKind;
  /** metres above sea level */
  altitudeM: number;
  /** rows the household compared with its own guide; `AS_PUBLISHED` where there is no household */
  rows: HouseholdRows;
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
  /** that the row was compared with the household's own guide; left out when it was not */
  confirmation?: Confirmation;
  /** pressures of both gauges at this altitude, psi, where the household's guide has others than the tables */
  columns?: { dialPsi: number | null; weightedPsi: number | null };
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

/** A row that differs from the household's own guide is for nobody until they have decided. */
function whyStopped({ stopped }: RowInForce): NoSchedule | null {
  return stopped === null
    ? null
    : none(stopped, [
        "Decide it under Help, Compare the tables.",
        "Ask your local extension office.",
        "Freeze it.",
      ]);
}

/**
 * Returns the minutes a jar row holds for a container; null when it has no process for it. A smaller jar takes the
 * next larger tested size; a quart with a rule of its own lends its time to no other size.
 *
 * Source: USDA 2015, from memory, or the household's own guide where it was compared.
 */
export function jarMinutes(inForce: JarRowInForce, container: ContainerKey): number | null {
  const { row, halfPintMinutes, pintMinutes, quartMinutes } = inForce;
  if (row.not?.includes(container)) return null;
  switch (container) {
    case "jar-quarter-pint":
    case "jar-half-pint":
      return halfPintMinutes === "as-pint" ? pintMinutes : halfPintMinutes;
    case "jar-pint":
      return pintMinutes;
    case "jar-pint-and-half":
      return row.quartRule ? null : quartMinutes;
    case "jar-quart":
      return quartMinutes;
    default:
      return null;
  }
}

function forJar(request: ScheduleRequest): ScheduleAnswer {
  const inForce = jarRowInForce(request.product, request.rows);
  if (!inForce) {
    const inJars = request.product === "can-fish" ? "Fish" : "Red meat and game, pieces";
    return none("This row is for metal cans, and its times hold only in cans.", [
      `For jars ask for “${inJars}”.`,
      "Or choose a half-pound or one-pound can.",
    ]);
  }
  const { row } = inForce;
  const stopped = whyStopped(inForce);
  if (stopped) return stopped;
  if (!inForce.packs.includes(request.pack)) return wrongPack(row.name, inForce.packs, request.pack);
  const minutes = jarMinutes(inForce, request.container);
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
  const columns = columnsInForce(inForce, request.altitudeM);
  const pressurePsi = request.gauge === "dial" ? columns.dialPsi : columns.weightedPsi;
  if (pressurePsi === null) {
    const ft = formatDecimal(ftFromM(request.altitudeM), 0);
    return band.dialPsi === null
      ? none(`The table gives no dial-gauge pressure above 8,000 ft; this is ${ft} ft.`, [
          "Use a weighted gauge at 15 lb.",
          "Ask your local extension office.",
          "Freeze it.",
        ])
      : none(`Your copy of the guide gives no pressure for this gauge at ${ft} ft.`, [
          "Use the other kind of gauge.",
          "Ask your local extension office.",
        ]);
  }
  const small = request.container === "jar-quarter-pint" || request.container === "jar-half-pint";
  const conditions: Condition[] = [];
  if (row.ownRule) conditions.push(conditionWith(row.ownRule, inForce.figures));
  if (row.quartRule && request.container === "jar-quart")
    conditions.push(conditionWith(row.quartRule, inForce.figures));
  const notes = [...(row.notes ?? [])];
  if (request.container === "jar-pint-and-half") notes.push("A pint-and-a-half jar is processed as a quart.");
  if (request.container === "jar-quarter-pint") {
    notes.push("A 4-oz jar takes the half-pint's time.");
  }
  if (small && inForce.halfPintMinutes === "as-pint")
    notes.push("The time is the pint's, the next larger tested size.");
  if (small && row.halfPintNote) notes.push(row.halfPintNote);
  if (band.toFt === Infinity)
    notes.push("The weighted column of the table reads “above 1,000 ft” and has no upper end.");
  return {
    ...found(request, inForce, { minutes, pressurePsi }, conditions, [
      ...notes,
      "Salt is for flavor only and may be left out.",
      ...compareNote(request),
    ]),
    ...(columns.dialPsi !== band.dialPsi || columns.weightedPsi !== band.weightedPsi ? { columns } : {}),
  };
}

/** What every process that was found says of itself, whatever it is packed in. */
function found(
  { product, pack, container, gauge, rows }: ScheduleRequest,
  { headspaceIn, ventMinutes }: RowInForce,
  figures: { minutes: number; pressurePsi: number },
  conditions: Condition[],
  notes: string[],
): ScheduledProcess {
  const { source } = rowOf(product);
  const confirmation = rows[product]?.confirmation;
  return {
    outcome: outcomeFor(source),
    product,
    pack,
    container,
    minutes: figures.minutes,
    pressurePsi: figures.pressurePsi,
    gauge,
    headspaceIn,
    ventMinutes,
    conditions,
    notes,
    // What somebody read in a printed copy is not from memory any more.
    source: confirmation ? { ...source, fromMemory: false } : source,
    ...(confirmation ? { confirmation } : {}),
  };
}

/** What a row that nobody compared says of itself. */
function compareNote({ product, rows }: ScheduleRequest): string[] {
  if (rows[product]?.confirmation) return [];
  return [rowOf(product).source.fromMemory ? COMPARE : NO_SOURCE];
}

function forCan(request: ScheduleRequest): ScheduleAnswer {
  const inForce = canRowInForce(request.product, request.rows);
  if (!inForce) {
    return none(
      `There is no tested process for ${rowOf(request.product).name.toLowerCase()} in cans ` +
        "under this row. Cans have rows of their own, for fish and for game pieces only.",
      ["Put it in glass jars.", "For plain fish ask for “Fish in cans”, for game pieces “Game in cans”."],
    );
  }
  const { row } = inForce;
  const stopped = whyStopped(inForce);
  if (stopped) return stopped;
  if (!inForce.packs.includes(request.pack)) return wrongPack(row.name, inForce.packs, request.pack);
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
  const minutes = request.container === "can-half-pound" ? inForce.halfPoundMinutes : inForce.onePoundMinutes;
  const columns = columnsInForce(inForce, request.altitudeM);
  const pressurePsi = request.gauge === "dial" ? columns.dialPsi : columns.weightedPsi;
  if (minutes === null || pressurePsi === null)
    return none(`Your copy of the guide gives no ${minutes === null ? "time" : "pressure"} for this can.`, [
      "Put it in glass jars.",
      "Ask your local extension office.",
    ]);
  return {
    ...found(
      request,
      inForce,
      { minutes, pressurePsi },
      [conditionWith("exhaust")],
      [...(row.notes ?? []), ...compareNote(request), "Salt is for flavor only and may be left out."],
    ),
    ...(columns.dialPsi !== CAN_BAND.dialPsi || columns.weightedPsi !== CAN_BAND.weightedPsi
      ? { columns }
      : {}),
  };
}

function wrongPack(name: string, packs: readonly PackMethod[], pack: PackMethod): NoSchedule {
  const other = packs[0];
  if (!other) return none(`Your copy of the guide gives no pack for ${name.toLowerCase()}.`, ["Freeze it."]);
  const how = other === "hot" ? "hot pack: cook it first and pack it hot" : "raw pack";
  return none(`${name} has no tested ${pack} pack.`, [`Use the ${how}.`, "Freeze it."]);
}
