import { eq } from "drizzle-orm";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { SCALE_SLACK_KG } from "#core/lot";
import {
  deviationsOf,
  dishEstimate,
  fillEstimate,
  judgeFill,
  LIQUID_KG_L,
  type FillEstimate,
  type RestWay,
} from "#core/pack";
import { formatMass } from "#core/quantity";
import { isCan, shapeOf, type ScheduledProcess } from "#core/schedule";
import { getHousehold } from "#store/household";
import { getLot, recordLotEvent, type Lot, type LotDeed } from "#store/lot";
import {
  addMass,
  addedTo,
  appendPackDeviations,
  CONTAINER_KG,
  getPack,
  insertContainer,
  insertPack,
  isFromLot,
  liquidColumns,
  litresEach,
  permitPack,
  pourBroth,
  recordedFills,
  refuseRecorded,
  unpack,
} from "#store/pack";
import { changeSupply, takeForPack } from "#store/supply";
import { containerLid } from "../schema/index.ts";
import { askedOf, getOpenBench, storePart, partOf, type BenchPartNow } from "./load.ts";

/**
 * Returns what one container of a part is expected to take, kg, with its 90 % interval: from common practice, this
 * household's packs, and those weighed in this part.
 */
export function expectedFill(larder: Larder, part: BenchPartNow): FillEstimate {
  if (part.dish) return dishEstimate(part.kgEach);
  const weighed = part.containers.flatMap((c) => (c.massKg === null ? [] : [c.massKg]));
  const before = recordedFills(larder, part.product, part.method, part.container, part.pack?.id ?? null);
  const mean = weighed.length > 0 ? [weighed.reduce((a, b) => a + b, 0) / weighed.length] : [];
  return fillEstimate(part.product, part.method, part.container, [...mean, ...before], part.mouth);
}

export interface FillInput {
  benchId: string;
  part: number;
  /** as weighed, kg; null counts it at what is expected */
  massKg: number | null;
  /** somebody looked: an odd weight is so */
  confirmed?: boolean;
}

/**
 * Fills one more container of a part; the first creates its pack. Returns its id, code and number. Throws Refused at
 * the field that is wrong; a weight that is odd is asked about once, and a part-filled last container is refused.
 */
export function fillOne(
  larder: Larder,
  write: Write,
  input: FillInput,
): { id: string; code: string; number: number } {
  return once(larder, write, "bench.fill", () => {
    const home = getHousehold(larder)!;
    const now = getOpenBench(larder, input.benchId);
    const part = partOf(now, input.part);
    const lot = getLot(larder, part.lotId);
    const expected = expectedFill(larder, part);
    const from = foodOf(larder, part);
    const most = Math.min(...from.map((f) => f.lot.leftKg / f.share));
    const first = from.reduce((a, b) => (b.lot.leftKg / b.share < a.lot.leftKg / a.share ? b : a)).lot;
    const said = input.massKg ?? Math.min(expected.kgEach, most);
    if (!(said > 0))
      throw new Refused({
        weight: first.leftKg > 0 ? "Weight must be more than 0." : `Nothing is left of lot ${first.code}.`,
      });
    // Scales differ by a little: the last of a lot is what the books have of it, in the pack and in the container alike.
    const massKg = said > most && said <= most + SCALE_SLACK_KG ? most : said;
    // What was not weighed is not asked about: it is refused below when it would be part-filled.
    const sure = input.confirmed === true || input.massKg === null;
    const process = permit(larder, askedOf(part, 1, massKg, sure), lot, expected);
    const short = from.find((f) => massKg * f.share > f.lot.leftKg + 1e-9);
    if (short)
      throw new Refused({
        weight: `Lot ${short.lot.code} holds ${formatMass(short.lot.leftKg, home.units)} more, and this is ${formatMass(massKg * short.share, home.units)}. Weigh the lot again on its card if that is wrong.`,
      });
    const says = judgeFill(massKg, expected);
    const one = shapeOf(part.container, part.mouth).name;
    if (says === "part-filled" && input.massKg === null)
      throw new Refused({
        weight: `${formatMass(first.leftKg, home.units)} is left of lot ${first.code}, and a ${one} takes about ${formatMass(expected.kgEach, home.units)}. A part-filled ${isCan(part.container) ? "can" : "jar"} is not canned: say where the rest goes.`,
      });
    const packId = part.pack?.id ?? beginPack(larder, write, input.benchId, part, process);
    for (const { lot: of, share } of from)
      addMass(larder, packId, of.id, Math.min(massKg * share, of.leftKg));
    if (isFromLot(part)) pourBroth(larder, packId, part.liquidLotId, litresEach(larder, part));
    const known = getPack(larder, packId);
    const mouth = isCan(part.container) ? null : shapeOf(part.container, part.mouth).mouth;
    const [box] = takeForPack(
      larder,
      write,
      { code: known.code, container: part.container, mouth, count: 1 },
      part.lidBoxId,
      input.confirmed === true,
    );
    const number = (part.containers.at(-1)?.number ?? 0) + 1;
    const { id, code } = insertContainer(
      larder,
      { packId, number, massKg: input.massKg === null ? null : massKg, filledAt: larder.now() },
      box,
    );
    if (part.done) storePart(larder, now, part.index, { done: false });
    return { result: { id, code, number }, note: { kind: "container", id, detail: { ...input, packId } } };
  });
}

/**
 * Fills every container of a part that is still planned, each counted at what is expected. Returns how many were filled.
 * Throws Refused, and fills none, when the food does not reach for all of them.
 */
export function fillRest(larder: Larder, write: Write, benchId: string, index: number): number {
  return once(larder, write, "bench.fill-rest", () => {
    const { planned, containers } = partOf(getOpenBench(larder, benchId), index);
    const count = planned - containers.length;
    if (count < 1) refuse("All of them are filled.", 409);
    for (let i = 0; i < count; i++) fillOne(larder, write, { benchId, part: index, massKg: null });
    return { result: count, note: { kind: "bench", id: benchId, detail: { part: index, count } } };
  });
}

/** Asks the guards, and says what they refuse where the bench has it: a weight at its field, all else about the whole. */
function permit(...asked: Parameters<typeof permitPack>): ScheduledProcess {
  try {
    return permitPack(...asked);
  } catch (error) {
    if (!(error instanceof Refused) || "confirm" in error.fields) throw error;
    throw new Refused({ ["massKg" in error.fields ? "weight" : ""]: error.message }, error.status);
  }
}

/** The pack of a part, with what it does otherwise than the table signed into the record. */
function beginPack(
  larder: Larder,
  write: Write,
  benchId: string,
  part: BenchPartNow,
  schedule: ScheduledProcess,
): string {
  const { id, code } = insertPack(larder, write, {
    product: part.product,
    method: part.method,
    container: part.container,
    mouth: part.mouth,
    ...liquidColumns(larder, part),
    saltTspEach: part.saltTsp,
    schedule,
    reusedLids: part.reusedLids ? 1 : 0,
    additions: part.additions,
    dish: part.dish ?? null,
    headspaceIn: part.headspaceIn === schedule.headspaceIn ? null : part.headspaceIn,
    benchId,
    benchPart: part.index,
  });
  const added = addedTo(part.product, part.additions);
  const found = deviationsOf(part, part.method, schedule.headspaceIn, added);
  appendPackDeviations(larder, write, code, found, part.reason, part.lotId);
  return id;
}

/** The lots whose food goes into each container of a part, and which part of it comes from each, adding up to 1. */
export function foodOf(larder: Larder, part: BenchPartNow): { lot: Lot; share: number }[] {
  const others = (part.also ?? []).map((a) => ({
    lot: getLot(larder, a.lotId),
    share: a.kgEach / part.kgEach,
  }));
  const share = 1 - others.reduce((sum, o) => sum + o.share, 0);
  return [{ lot: getLot(larder, part.lotId), share }, ...others];
}

/**
 * Undoes the newest container of a part: its meat goes back to the lot, its lid to the box. Throws Refused when there
 * is none.
 */
export function takeOut(larder: Larder, write: Write, benchId: string, index: number): void {
  once(larder, write, "bench.take-out", () => {
    const part = partOf(getOpenBench(larder, benchId), index);
    const last = part.containers.at(-1) ?? refuse("Nothing of this part is filled yet.", 409);
    const packId = part.pack!.id;
    refuseRecorded(larder, [last.id]);
    if (part.containers.length === 1) {
      unpack(larder, write, packId);
    } else {
      const each = kgOf(larder, last.id);
      const from = foodOf(larder, part);
      giveOneBack(larder, write, last.id, part.pack!.code, part);
      larder.sqlite.prepare("delete from container where id = ?").run(last.id);
      for (const { lot, share } of from) addMass(larder, packId, lot.id, -each * share);
      // Each was poured the same.
      if (isFromLot(part)) {
        const kg = part.pack!.lots.find((l) => l.asLiquid && l.id === part.liquidLotId)?.massKg ?? 0;
        pourBroth(larder, packId, part.liquidLotId, -kg / part.pack!.count / LIQUID_KG_L);
      }
    }
    return {
      result: null,
      note: { kind: "container", id: last.id, detail: { code: last.code, taken: "out" } },
    };
  });
}

/** Food in a container, kg, as weighed or its share of its pack. */
function kgOf(larder: Larder, containerId: string): number {
  return larder.sqlite
    .prepare(`select ${CONTAINER_KG} from container c where c.id = ?`)
    .pluck()
    .get(containerId) as number;
}

/** The lid of a container goes back to its box, the jar to its stack. */
function giveOneBack(
  larder: Larder,
  write: Write,
  containerId: string,
  packCode: string,
  part: BenchPartNow,
): void {
  const row = larder.db.select().from(containerLid).where(eq(containerLid.containerId, containerId)).get();
  if (row) {
    changeSupply(larder, write, row.supplyId, 1, "unpacked", packCode);
    larder.db.delete(containerLid).where(eq(containerLid.containerId, containerId)).run();
  }
  const stack = larder.sqlite
    .prepare(
      `select x.supply_id as id from supply_change x join supply s on s.id = x.supply_id
       where x.pack_code = ? and x.why = 'packed' and s.kind in ('jar', 'can') and s.container = ? order by x.seq desc limit 1`,
    )
    .get(packCode, part.container) as { id: string } | undefined;
  if (stack) changeSupply(larder, write, stack.id, 1, "unpacked", packCode);
}

export interface EndInput {
  benchId: string;
  part: number;
  way: RestWay;
  /** meat of the part-filled last one, kg; null when nobody weighed it */
  restKg: number | null;
}

/**
 * Ends a part that has fewer containers than planned, and records where the rest of the meat goes. Meat that was
 * counted and not weighed is corrected by what is really left. Throws Refused when the part is ended already.
 */
export function endPart(larder: Larder, write: Write, input: EndInput): void {
  once(larder, write, "bench.end-part", () => {
    const home = getHousehold(larder)!;
    const now = getOpenBench(larder, input.benchId);
    const part = partOf(now, input.part);
    const at = larder.now();
    let left = getLot(larder, part.lotId).leftKg;
    const restKg = input.way === "none" ? 0 : input.restKg;
    if (restKg !== null && restKg < 0) throw new Refused({ restKg: "A weight is zero or more." });
    const unweighed = part.containers.length > 0 && part.containers.every((c) => c.massKg === null);
    if (restKg !== null && Math.abs(restKg - left) > SCALE_SLACK_KG) {
      if (unweighed) {
        const packed = part.pack!.massKg + left - restKg;
        if (!(packed > 0))
          throw new Refused({
            restKg: `Lot ${part.pack!.lots[0]!.code} never held that much: ${formatMass(part.pack!.massKg + left, home.units)} in all.`,
          });
        addMass(larder, part.pack!.id, part.lotId, left - restKg);
        left = restKg;
      } else if (restKg > 0) {
        event(larder, write, part.lotId, { kind: "weigh", at, afterKg: restKg });
        left = restKg;
      } else if (left > SCALE_SLACK_KG)
        throw new Refused({
          restKg: `Calculated: ${formatMass(left, home.units)} of the lot is still there. Weigh what is left, or say where it goes.`,
        });
    }
    if (left > 1e-6) {
      if (input.way === "freezer") event(larder, write, part.lotId, { kind: "freeze", at, place: null });
      if (input.way === "eat") event(larder, write, part.lotId, { kind: "eat", at, massKg: left, to: null });
    }
    storePart(larder, now, part.index, { done: true });
    return { result: null, note: { kind: "bench", id: input.benchId, detail: input } };
  });
}

/** Something happens to the lot now, in the same write. */
function event(larder: Larder, write: Write, lotId: string, deed: LotDeed): void {
  recordLotEvent(larder, write, lotId, deed);
}
