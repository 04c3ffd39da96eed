import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { v7 as uuid } from "uuid";
import { pressed, type Press } from "./device-clock";
import { listenersOf } from "./listeners";

/** One thing that was pressed and that the larder does not have for certain yet. */
export interface Entry {
  /** order in which things were pressed on this device */
  n?: number;
  id: string;
  kind: "tap" | "form";
  /** address it is posted to */
  path: string;
  /** a tap without its instant, or a form as it is posted */
  body: string;
  press: Press;
  /** in words, for whoever looks at what waits: what and of what */
  label: string;
  /** a page is sending it itself until then, by the device's wall clock, ms; others leave it alone */
  heldUntil: number;
  /** why the larder would not take it; null while it waits */
  refused: string | null;
  /** how often the larder failed on it while it was well otherwise */
  failures: number;
}

/** An entry as it begins: nothing was tried with it yet. */
export function newEntry(said: Pick<Entry, "kind" | "path" | "body" | "label"> & { press?: Press }): Entry {
  return { id: uuid(), press: pressed(), heldUntil: 0, refused: null, failures: 0, ...said };
}

interface Shape extends DBSchema {
  entry: { key: number; value: Entry; indexes: { id: string } };
  /** for browsers without locks: the tab that sends, and until when */
  lease: { key: string; value: { name: string; tab: string; until: number } };
}

let opened: Promise<IDBPDatabase<Shape>> | null = null;
function open(): Promise<IDBPDatabase<Shape>> {
  opened ??= openDB<Shape>("larder-outbox", 1, {
    upgrade(db) {
      db.createObjectStore("entry", { keyPath: "n", autoIncrement: true }).createIndex("id", "id");
      db.createObjectStore("lease", { keyPath: "name" });
    },
    // Another tab has a newer program: it must not wait for this one.
    blocking(_current, _blocked, event) {
      (event.target as IDBDatabase).close();
      opened = null;
    },
    // The browser closed it, for want of room or memory: what is pressed next opens it anew.
    terminated: () => (opened = null),
  }).catch((error: unknown) => {
    opened = null;
    throw error;
  });
  return opened;
}

/** Where the browser keeps nothing (a private window, a full disk), entries last as long as the page. */
const memory: Entry[] = [];

let trial: Promise<boolean> | null = null;
/** Whether the browser keeps anything beyond this page: it is tried, once. */
export function canKeep(): Promise<boolean> {
  return (trial ??= (async () => {
    try {
      const store = (await open()).transaction("lease", "readwrite").store;
      await store.put({ name: "trial", tab: TAB, until: 0 });
      await store.delete("trial");
      return true;
    } catch {
      return false;
    }
  })());
}

/** Whether something waits that would go with this page: the browser would not keep it. */
export const wouldBeLost = (): boolean => memory.some((e) => e.refused === null);
const listeners = listenersOf();
const channel = typeof BroadcastChannel === "undefined" ? null : new BroadcastChannel("larder-outbox");
channel?.addEventListener("message", () => listeners.tell());

function changed(): void {
  listeners.tell();
  channel?.postMessage("changed");
}

/** Calls back whenever entries changed, on this page or another. @returns how to stop it */
export const onEntries = listeners.add;

/** Everything there is, in the order it was pressed. */
export async function entries(): Promise<Entry[]> {
  try {
    return [...(await (await open()).getAll("entry")), ...memory];
  } catch {
    return [...memory];
  }
}

const presses = listenersOf<[id: string, down: boolean]>();
/** Calls back when an entry of this page is about to be put down, and when it is. @returns how to stop it */
export const onPutDown = presses.add;

async function keep(entry: Entry): Promise<void> {
  await (await open()).add("entry", entry);
}

/** Puts an entry down. It is safe once the promise is kept: before anything is sent, and before the page changes. */
export async function putDown(entry: Entry): Promise<void> {
  presses.tell(entry.id, false);
  try {
    // Once more where it fails: the browser may have closed the database while the page slept.
    await keep(entry).catch(() => keep(entry));
  } catch {
    memory.push(entry);
  }
  presses.tell(entry.id, true);
  changed();
}

/** Changes an entry where it stands. Nothing happens when it is gone. */
export async function amend(id: string, change: Partial<Entry>): Promise<void> {
  const there = memory.find((e) => e.id === id);
  if (there) Object.assign(there, change);
  else {
    const store = (await open()).transaction("entry", "readwrite").store;
    const cursor = await store.index("id").openCursor(id);
    if (cursor) await cursor.update({ ...cursor.value, ...change });
  }
  changed();
}

/** Takes entries off: the larder has them, or a person discarded them. */
export async function takeOff(ids: readonly string[]): Promise<void> {
  for (let i = memory.length - 1; i >= 0; i--) if (ids.includes(memory[i]!.id)) memory.splice(i, 1);
  try {
    const store = (await open()).transaction("entry", "readwrite").store;
    for (const id of ids) {
      const key = await store.index("id").getKey(id);
      if (key !== undefined) await store.delete(key);
    }
  } catch {
    // Nothing is kept in this browser but what was in memory.
  }
  changed();
}

const LEASE_MS = 8_000;
const TAB = Math.random().toString(36).slice(2);

/**
 * Does something on one page of the browser at a time. Where there are no locks (plain http on the home network), a lease
 * in the same database does: it runs out by itself when its page dies.
 * @returns false when another page is at it
 */
export async function alone(name: string, work: () => Promise<void>): Promise<boolean> {
  if (typeof navigator !== "undefined" && "locks" in navigator)
    return navigator.locks.request(name, { ifAvailable: true }, async (lock) => {
      if (lock) await work();
      return lock !== null;
    });
  const lease = async (until: number) => {
    const store = (await open()).transaction("lease", "readwrite").store;
    const there = await store.get(name);
    if (there && there.tab !== TAB && there.until > Date.now()) return false;
    await store.put({ name, tab: TAB, until });
    return true;
  };
  try {
    if (!(await lease(Date.now() + LEASE_MS))) return false;
    const renew = setInterval(() => void lease(Date.now() + LEASE_MS), LEASE_MS / 3);
    try {
      await work();
    } finally {
      clearInterval(renew);
      await lease(0);
    }
  } catch {
    await work();
  }
  return true;
}
