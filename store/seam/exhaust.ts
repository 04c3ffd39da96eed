import { v7 as uuid } from "uuid";
import { whyNotRead } from "#core/exhaust";
import { changed, once, refuseBeyondReach, Refused, type Larder, type Write } from "#store/db";
import { appendDeviation } from "#store/deviation";
import { canCheck } from "../schema/index.ts";
import { isFit, getOpenCan, type CanNow } from "./can.ts";

/** Readings by the field they are asked in. */
const FIELDS = { tempC: "temp", juiceC: "juice", at: "" } as const;

export interface ExhaustInput {
  tempC: number;
  /** of the juice beside it, °C, when it was read too */
  juiceC?: number | null;
  /** somebody looked: the tip is in the meat */
  confirmed?: boolean;
}

/**
 * Records the center temperature of an open can, °C. A seam checked before it does not count any more. Throws Refused
 * when the reading is impossible, or has to be confirmed.
 */
export function recordExhaust(
  larder: Larder,
  write: Write,
  containerId: string,
  input: number | ExhaustInput,
): void {
  once(larder, write, "can.exhaust", () => {
    const { tempC, juiceC = null, confirmed = false } = typeof input === "number" ? { tempC: input } : input;
    const now = larder.now();
    notClosed(getOpenCan(larder, containerId), now);
    const no = whyNotRead({ at: now, tempC, juiceC }, now);
    if (no) throw new Refused({ [FIELDS[no.of]]: no.message });
    larder.db
      .insert(canCheck)
      .values({
        id: uuid(),
        containerId,
        at: larder.now(),
        tempC,
        juiceC,
        confirmed: confirmed ? 1 : 0,
        byId: write.byId,
      })
      .run();
    return {
      result: null,
      note: { kind: "container", id: containerId, detail: { tempC, juiceC, confirmed } },
    };
  });
}

/** A closed can is warmed no more: its meat would have to go into a new one. @param at when it is said to have been read */
function notClosed(can: CanNow, at: number): void {
  if ((can.stage === "closed" || can.stage === "closed-cooled") && at > can.seam!.at)
    throw new Refused(
      { "": `${can.code} is closed. If its seam is bad after all, say so: its meat goes into a new can.` },
      409,
    );
}

/** Records that somebody looked and the last reading is the meat's. Throws Refused when there is none to confirm. */
export function confirmReading(larder: Larder, write: Write, containerId: string): void {
  once(larder, write, "can.confirm", () => {
    const can = getOpenCan(larder, containerId);
    const last = can.readings.at(-1);
    if (!last || can.stage !== "questioned")
      throw new Refused({ "": `Nothing was asked about ${can.code}.` }, 409);
    larder.db
      .insert(canCheck)
      .values({
        id: uuid(),
        containerId,
        at: last.at,
        tempC: last.tempC,
        juiceC: last.juiceC ?? null,
        confirmed: 1,
        byId: write.byId,
      })
      .run();
    return { result: null, note: { kind: "container", id: containerId, detail: { tempC: last.tempC } } };
  });
}

export interface CanProbeReading {
  /** made where the reading was taken; the same again is a duplicate */
  id: string;
  at: number;
  tempC: number;
  juiceC?: number | undefined;
  probe?: string | undefined;
}

/**
 * Adds probe readings of one can, all or none. Returns how many were added and how many were duplicates. Throws
 * Refused when one is impossible.
 */
export function addCanReadings(
  larder: Larder,
  containerId: string,
  readings: readonly CanProbeReading[],
): { accepted: number; duplicates: number } {
  refuseBeyondReach({ tap: "reading" });
  return larder.sqlite
    .transaction(() => {
      const can = getOpenCan(larder, containerId);
      // What was read before it was closed may come late; a probe in a closed can there is not.
      notClosed(can, Math.max(...readings.map((r) => r.at)));
      for (const [i, r] of readings.entries()) {
        const no = whyNotRead(r, larder.now());
        if (no) throw new Refused({ [`readings.${i}.${no.of}`]: no.message });
      }
      const insert = larder.sqlite.prepare(
        "insert into can_check (id, container_id, at, temp_c, juice_c, probe) values (?, ?, ?, ?, ?, ?) on conflict (id) do nothing",
      );
      let accepted = 0;
      for (const r of readings)
        accepted += insert.run(
          `${containerId} id ${r.id}`,
          containerId,
          r.at,
          r.tempC,
          r.juiceC ?? null,
          r.probe ?? "probe",
        ).changes;
      if (accepted > 0) changed(larder, "probe");
      return { accepted, duplicates: readings.length - accepted };
    })
    .immediate();
}

/** How a can stands that did not reach its temperature, or whose reading nobody vouches for. */
const NEVER_HOT: readonly CanNow["stage"][] = ["no-reading", "warming", "questioned"];

/**
 * Records that somebody signs for a can to go into a canner without its temperature or seam check; the reason stays
 * with it. Throws Refused when no reason is given or nobody is named.
 */
export function signForCan(larder: Larder, write: Write, containerId: string, reason: string): void {
  once(larder, write, "can.sign", () => {
    const can = getOpenCan(larder, containerId);
    if (isFit(can)) throw new Refused({ "": `${can.code} is hot and closed: nothing to sign for.` }, 409);
    const cold = NEVER_HOT.includes(can.stage);
    const lacks = cold ? "center temperature and accepted seam" : "accepted seam";
    appendDeviation(larder, write, {
      packCode: can.packCode,
      containerId,
      kind: "can-unfit",
      what: `into the canner without ${lacks}: not to the tested process`,
      reason,
    });
    return { result: null, note: { kind: "container", id: containerId, detail: { reason } } };
  });
}
