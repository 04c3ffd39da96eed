import { asc, eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { checkItem, itemsOf, type Check, type CheckKey, type EquipmentKind } from "#core/check";
import { equipmentCheck, tool } from "../schema/index.ts";

export type Tool = typeof tool.$inferSelect;
export type ToolKind = Tool["kind"];

export interface CheckRecord extends Check {
  id: string;
  equipmentId: string | null;
  note: string | null;
  byName: string | null;
  runId: string | null;
}

const CHECKS = `
  select c.id, c.equipment_id as equipmentId, c.item, c.at, c.finding, c.note, c.run_id as runId, p.name as byName
  from equipment_check c left join person p on p.id = c.by_id`;

/** Returns the equipment checks of one piece of equipment, oldest first. */
export function checksOf(larder: Larder, equipmentId: string): CheckRecord[] {
  return larder.sqlite
    .prepare(`${CHECKS} where c.equipment_id = ? order by c.at, c.seq`)
    .all(equipmentId) as CheckRecord[];
}

/** Returns the equipment checks made before a run, in the order they were recorded. */
export function checksOfRun(larder: Larder, runId: string): CheckRecord[] {
  return larder.sqlite.prepare(`${CHECKS} where c.run_id = ? order by c.seq`).all(runId) as CheckRecord[];
}

/** Returns the tools of the household by their kind, in the order they were added. */
export function listTools(larder: Larder): Tool[] {
  return larder.db.select().from(tool).orderBy(asc(tool.kind), asc(tool.createdAt)).all();
}

/** Returns a tool. Throws Refused (404) when there is none of this id. */
export function getTool(larder: Larder, id: string): Tool {
  const row = larder.db.select().from(tool).where(eq(tool.id, id)).get();
  return row ?? refuse("That is not in the Shed.", 404);
}

export type ToolInput = Omit<Tool, "id" | "createdAt">;

/** Adds a burner, sealer or thermometer. Returns its id. Throws Refused at the field that is wrong. */
export function addTool(larder: Larder, write: Write, input: ToolInput): { id: string } {
  return once(larder, write, "tool.add", () => {
    if (larder.db.select().from(tool).where(eq(tool.name, input.name)).get())
      throw new Refused({ name: `There is already something called ${input.name}. Give this another name.` });
    const id = uuid();
    larder.db
      .insert(tool)
      .values({ ...input, id, createdAt: larder.now() })
      .run();
    return { result: { id }, note: { kind: "tool", id, detail: input } };
  });
}

export interface Finding {
  item: CheckKey;
  finding: "sound" | "bad";
  note: string | null;
}

/**
 * Records an equipment check of one item. Returns its id. Throws Refused when the item is not of this equipment.
 *
 * @param input its `kind` is what the equipment is
 */
export function recordCheck(
  larder: Larder,
  write: Write,
  input: Finding & { equipmentId: string; kind: EquipmentKind },
): { id: string } {
  return once(larder, write, "equipment.check", () => {
    if (!itemsOf(input.kind).some((i) => i.key === input.item))
      throw new Refused({
        item: `A ${input.kind} has no ${checkItem(input.item).name.toLowerCase()} to look at.`,
      });
    const id = appendCheck(larder, write, input.equipmentId, input, null);
    return { result: { id }, note: { kind: input.kind, id: input.equipmentId, detail: input } };
  });
}

/**
 * Adds one equipment check; call inside a write. Returns its id.
 *
 * @param equipmentId null for what is new with each load
 * @param runId null outside of a run
 */
export function appendCheck(
  larder: Larder,
  write: Write,
  equipmentId: string | null,
  { item, finding, note }: Finding,
  runId: string | null,
): string {
  const id = uuid();
  larder.db
    .insert(equipmentCheck)
    .values({ id, equipmentId, item, at: larder.now(), finding, note, byId: write.byId, runId })
    .run();
  return id;
}
