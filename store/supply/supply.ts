import { asc, eq, inArray, sql } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { kindKey, type KindKey } from "#core/capacity";
import { countOf } from "#core/quantity";
import { takeFrom, type Box } from "#core/supply";
import { isCan, shapeOf, type ContainerKey, type Mouth } from "#core/schedule";
import { supply, supplyChange } from "../schema/index.ts";

export type SupplyKind = "jar" | "lid" | "can" | "end";
export type SupplyWhy = (typeof supplyChange.$inferSelect)["why"];

export interface Supply {
  id: string;
  kind: SupplyKind;
  container: ContainerKey | null;
  mouth: Mouth | null;
  /** the box or the maker's lot, as it is called; jars: how worn they are */
  label: string;
  createdAt: number;
  left: number;
}

/** Returns everything counted in the Shed, the oldest of each kind first. */
export function listSupplies(larder: Larder): Supply[] {
  return larder.db.select().from(supply).orderBy(asc(supply.kind), asc(supply.createdAt)).all() as Supply[];
}

/** Empty boxes and stacks are dealt with while they are new; a household empties a thousand in its life. */
const EMPTY_IN_USE = 6;

/** Returns the supplies that are left, and of each kind the newest empty ones; the oldest of each kind first. */
export function suppliesInUse(larder: Larder): Supply[] {
  const empty = sql`row_number() over (partition by kind, container, mouth, left = 0 order by created_at desc, rowid desc)`;
  const ids = larder.db.all<{ id: string }>(
    sql`select id from (select id, left, ${empty} as nth from supply) where left > 0 or nth <= ${EMPTY_IN_USE}`,
  );
  const used = inArray(
    supply.id,
    ids.map((r) => r.id),
  );
  return larder.db
    .select()
    .from(supply)
    .where(used)
    .orderBy(asc(supply.kind), asc(supply.createdAt))
    .all() as Supply[];
}

const MOST_OF_ONE = 10_000;

export interface SupplyInput {
  kind: SupplyKind;
  container: ContainerKey | null;
  mouth: Mouth | null;
  label: string;
  count: number;
}

/**
 * Adds a stack of jars, a box of lids, or cans or ends of one lot; one that is there already is added to. Returns its
 * id. Throws Refused at the field that is wrong.
 */
export function addSupply(larder: Larder, write: Write, input: SupplyInput): { id: string } {
  return once(larder, write, "supply.add", () => {
    const { kind, label, count } = input;
    if (!(count >= 1 && count <= MOST_OF_ONE)) throw new Refused({ count: "Between 1 and 10,000 of them." });
    const can = kind === "can" || kind === "end";
    if (kind !== "lid" && (input.container === null || isCan(input.container) !== can))
      throw new Refused({ container: can ? "Say which can." : "Say which jar." });
    const container = kind === "lid" ? null : input.container;
    const mouth = can ? null : kind === "jar" ? shapeOf(container!, input.mouth).mouth : input.mouth;
    if (kind === "lid" && mouth === null) throw new Refused({ mouth: "Say for which mouth." });
    const known = listSupplies(larder).find(
      (s) => s.kind === kind && s.container === container && s.mouth === mouth && s.label === label,
    );
    if ((known?.left ?? 0) + count > MOST_OF_ONE)
      throw new Refused({ count: `There are ${known!.left} of it already; at most 10,000 of one kind.` });
    const id = known?.id ?? uuid();
    if (!known)
      larder.db.insert(supply).values({ id, kind, container, mouth, label, createdAt: larder.now() }).run();
    changeSupply(larder, write, id, count, "bought");
    return { result: { id }, note: { kind: "supply", id, detail: input } };
  });
}

/**
 * Adds one change of a supply's count; call inside a write. The database refuses a count below 0.
 *
 * @param packCode the pack it went into; null for none
 */
export function changeSupply(
  larder: Larder,
  write: Write,
  supplyId: string,
  delta: number,
  why: SupplyWhy,
  packCode: string | null = null,
): void {
  if (delta === 0) return;
  larder.db
    .insert(supplyChange)
    .values({ id: uuid(), supplyId, at: larder.now(), delta, why, packCode, byId: write.byId })
    .run();
}

/** Returns a supply. Throws Refused (404) when there is none of this id. */
export function getSupply(larder: Larder, id: string): Supply {
  const row = larder.db.select().from(supply).where(eq(supply.id, id)).get() as Supply | undefined;
  return row ?? refuse("That is not in the Shed.", 404);
}

/** Stores how many there are of a supply after a count or a breakage. Throws Refused when the count is impossible. */
export function recount(
  larder: Larder,
  write: Write,
  input: { supplyId: string; left: number; why: "counted" | "broken" | "bought" },
): void {
  once(larder, write, "supply.count", () => {
    const known = getSupply(larder, input.supplyId);
    if (!Number.isInteger(input.left) || input.left < 0)
      throw new Refused({ left: "A count is 0 or more: there cannot be fewer than none." });
    if (input.left > MOST_OF_ONE) throw new Refused({ left: "At most 10,000 of one kind." });
    changeSupply(larder, write, known.id, input.left - known.left, input.why);
    return { result: null, note: { kind: "supply", id: known.id, detail: input } };
  });
}

const boxOf = (s: Supply): Box => ({ id: s.id, label: s.label, left: s.left, since: s.createdAt });

/** Returns the boxes of lids of a mouth, or of ends of a can, to take from. */
export function boxesFor(supplies: readonly Supply[], container: ContainerKey, mouth: Mouth | null): Box[] {
  const can = isCan(container);
  return supplies
    .filter((s) =>
      can ? s.kind === "end" && s.container === container : s.kind === "lid" && s.mouth === mouth,
    )
    .map(boxOf);
}

/** Returns the stacks of jars or cans of one kind to take from. */
export function stacksFor(supplies: readonly Supply[], container: ContainerKey, mouth: Mouth | null): Box[] {
  return supplies
    .filter((s) => (s.kind === "jar" || s.kind === "can") && s.container === container && s.mouth === mouth)
    .map(boxOf);
}

/** Returns how many there are of everything a plan needs; null where that kind was never counted. */
export function countedStock(supplies: readonly Supply[], kinds: readonly KindKey[]) {
  const sum = (of: (s: Supply) => boolean) => {
    const found = supplies.filter(of);
    return found.length === 0 ? null : found.reduce((n, s) => n + s.left, 0);
  };
  const isOf = (kind: KindKey) => (s: Supply) =>
    s.container !== null && kindKey(s.container, s.mouth) === kind;
  return {
    containers: Object.fromEntries(kinds.map((k) => [k, sum((s) => s.kind !== "end" && isOf(k)(s))])),
    ends: Object.fromEntries(kinds.map((k) => [k, sum((s) => s.kind === "end" && isOf(k)(s))])),
    lids: {
      regular: sum((s) => s.kind === "lid" && s.mouth === "regular"),
      wide: sum((s) => s.kind === "lid" && s.mouth === "wide"),
    },
  };
}

/**
 * Takes the jars or cans and the lids or ends of a pack, oldest first; call inside a write. Returns, for each
 * container in order, the box its lid came from, or null where none is counted. Throws Refused, as a question, where
 * fewer were counted than are filled; once somebody says that there are more, the difference is recorded as counted.
 *
 * @param boxId the box to take from first; null for the oldest
 * @param sure somebody looked: there are more than were counted
 */
export function takeForPack(
  larder: Larder,
  write: Write,
  pack: { code: string; container: ContainerKey; mouth: Mouth | null; count: number },
  boxId: string | null,
  sure: boolean,
): (string | null)[] {
  const supplies = listSupplies(larder);
  const stacks = stacksFor(supplies, pack.container, pack.mouth);
  const can = isCan(pack.container);
  const take = (from: Box[], what: string) => takeAll(larder, write, from, pack, what, sure);
  take(stacks, can ? "can" : "jar");
  const boxes = boxesFor(supplies, pack.container, pack.mouth).map((b) =>
    b.id === boxId ? { ...b, since: -Infinity } : b,
  );
  return take(boxes, can ? "end" : "lid");
}

/**
 * Takes new lids or ends for containers that only fill up a canner, oldest first; call inside a write. Nothing is taken
 * where none is counted. Throws Refused, as a question, where fewer were counted.
 *
 * @param to the run they go into, by its code
 * @param sure somebody looked: there are more than were counted
 */
export function takeLids(
  larder: Larder,
  write: Write,
  to: { code: string; container: ContainerKey; mouth: Mouth | null; count: number },
  sure: boolean,
): void {
  const boxes = boxesFor(listSupplies(larder), to.container, to.mouth);
  takeAll(larder, write, boxes, to, isCan(to.container) ? "end" : "lid", sure);
}

/** Gives back what a run took that was never lit; call inside a write. */
export function giveBack(larder: Larder, write: Write, code: string): void {
  const taken = larder.sqlite
    .prepare(
      `select supply_id as id, -sum(delta) as n from supply_change where pack_code = ? and why in ('packed', 'unpacked')
       group by supply_id having n > 0`,
    )
    .all(code) as { id: string; n: number }[];
  for (const { id, n } of taken) changeSupply(larder, write, id, n, "unpacked", code);
}

function takeAll(
  larder: Larder,
  write: Write,
  boxes: Box[],
  { count, code }: { count: number; code: string },
  what: string,
  sure: boolean,
): (string | null)[] {
  if (boxes.length === 0) return Array.from({ length: count }, () => null);
  const { taken, missing } = takeFrom(boxes, count);
  const from = taken.flatMap((t) => Array.from({ length: t.count }, () => t.box.id));
  const last = taken.at(-1)?.box ?? [...boxes].sort((a, b) => b.since - a.since)[0]!;
  if (missing > 0 && !sure)
    throw new Refused({
      confirm: `By your count ${countOf(count - missing, `${what} is`, `${what}s are`)} left, and this takes ${count}. Count them again: are there more?`,
    });
  if (missing > 0) changeSupply(larder, write, last.id, missing, "counted", code);
  for (let i = 0; i < missing; i++) from.push(last.id);
  for (const id of new Set(from))
    changeSupply(larder, write, id, -from.filter((x) => x === id).length, "packed", code);
  return from;
}
