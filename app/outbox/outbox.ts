import { openDB, type IDBPDatabase } from "idb";

/** Something said on a screen and not delivered yet. */
interface Kept {
  /** order in which things were said on this device */
  n?: number;
  /** where it goes */
  to: string;
  id: string;
  item: unknown;
}

/** What was said on a screen until the larder has it: kept in the browser, in order, through a reload and a power cut. */
export interface Outbox<T extends { id: string }> {
  /** safe once the promise is kept */
  keep(item: T): Promise<void>;
  /** everything not delivered yet, in the order it was said */
  waiting(): Promise<T[]>;
  /** the larder has these, or will never take them */
  done(ids: readonly string[]): Promise<void>;
}

let shelf: Promise<IDBPDatabase> | null = null;
const NAME = "kept";

function open(): Promise<IDBPDatabase> {
  shelf ??= openDB("patient-larder", 1, {
    upgrade(db) {
      const store = db.createObjectStore(NAME, { keyPath: "n", autoIncrement: true });
      store.createIndex("to", "to");
    },
  });
  return shelf;
}

/** The outbox for one address. Where the browser keeps nothing (a private window), it lasts as long as the page. */
export function openOutbox<T extends { id: string }>(to: string): Outbox<T> {
  const memory: Kept[] = [];
  const rows = async (): Promise<Kept[]> => {
    try {
      return [...((await (await open()).getAllFromIndex(NAME, "to", to)) as Kept[]), ...memory];
    } catch {
      return memory;
    }
  };
  return {
    async keep(item) {
      const kept: Kept = { to, id: item.id, item };
      try {
        await (await open()).add(NAME, kept);
      } catch {
        memory.push(kept);
      }
    },
    async waiting() {
      return (await rows()).map((k) => k.item as T);
    },
    async done(ids) {
      for (const kept of await rows()) {
        if (!ids.includes(kept.id)) continue;
        if (kept.n === undefined) memory.splice(memory.indexOf(kept), 1);
        else await (await open()).delete(NAME, kept.n);
      }
    },
  };
}
