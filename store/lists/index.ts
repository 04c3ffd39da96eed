import { animals } from "./animals.ts";
import { jars } from "./jars.ts";
import type { List } from "./list.ts";
import { RECORDS } from "./records.ts";
import { rooms, shelves, supplies } from "./shed.ts";

/** Every list that leaves as CSV; those with `take` come in as well. */
export const LISTS: readonly List[] = [animals, jars, supplies, shelves, rooms, ...RECORDS];

export { LIST_LIMIT_BYTES, listCsv, previewList, takeList, type Told } from "./take.ts";
export { type List } from "./list.ts";
