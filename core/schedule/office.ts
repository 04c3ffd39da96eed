import { ftFromM } from "../quantity/index.ts";
import { isCan, type ContainerKey } from "./container.ts";
import type { NoSchedule, ScheduledProcess } from "./lookup.ts";
import { CAN_BAND, type GaugeKind } from "./pressure.ts";
import { CONDITIONS, VENT_MINUTES } from "./rules.ts";
import { CAN_ROWS, type ProductKey } from "./table.ts";

/** A schedule for cans that a local extension office gave this household. */
export interface OfficeSchedule {
  product: ProductKey;
  container: ContainerKey;
  gauge: GaugeKind;
  altitudeM: number;
  minutes: number;
  pressurePsi: number;
  office: string;
  /** day it was given, YYYY-MM-DD */
  givenOn: string;
}

/**
 * Returns an extension office's schedule for cans above 1,000 ft, where the tables have none, marked as theirs; or why
 * it is refused: a table row covers the request, it is not for cans, or it is weaker than the row for sea level.
 *
 * @param given minutes, psi and altitude in m, as the office wrote them
 */
export function officeSchedule(given: OfficeSchedule): ScheduledProcess | NoSchedule {
  const row = CAN_ROWS.find((r) => r.key === given.product);
  if (!row || !isCan(given.container)) {
    return no("Only fish or game in cans may take an extension office's schedule; jars have a tested row.");
  }
  if (ftFromM(given.altitudeM) <= CAN_BAND.toFt) {
    return no("The tables cover cans up to 1,000 ft, and nothing may be typed over a covered product.");
  }
  if (!given.office.trim() || !/^\d{4}-\d{2}-\d{2}$/.test(given.givenOn)) {
    return no("Write down which office gave the schedule and on which day.");
  }
  const leastMinutes = given.container === "can-half-pound" ? row.halfPoundMinutes : row.onePoundMinutes;
  const leastPsi = given.gauge === "dial" ? CAN_BAND.dialPsi : CAN_BAND.weightedPsi;
  if (!(given.minutes >= leastMinutes) || !(given.pressurePsi >= leastPsi)) {
    return no(
      `Higher up, a can never needs less than at sea level (${leastMinutes} minutes at ${leastPsi} lb). Ask the office again.`,
    );
  }
  return {
    outcome: "common-practice",
    product: given.product,
    pack: row.packs[0]!,
    container: given.container,
    minutes: given.minutes,
    pressurePsi: given.pressurePsi,
    gauge: given.gauge,
    headspaceIn: row.headspaceIn,
    ventMinutes: VENT_MINUTES,
    conditions: [CONDITIONS.exhaust],
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

function no(reason: string): NoSchedule {
  return { outcome: "none", reason, instead: ["Ask your local extension office.", "Put it in glass jars."] };
}
