import { v7 as uuid } from "uuid";

/** A list that was looked at and not yet taken in. */
interface Arrived {
  key: string;
  text: string;
}

/** Kept while somebody reads what its rows would do: a handful, the oldest give way. */
const MOST = 12;
const waiting = new Map<string, Arrived>();

/** Keeps a list's text until it is taken in. @returns by which it is known */
export function keepList(key: string, text: string): string {
  const id = uuid();
  waiting.set(id, { key, text });
  for (const old of [...waiting.keys()].slice(0, Math.max(0, waiting.size - MOST))) waiting.delete(old);
  return id;
}

/** Text of a list that was looked at; null when it is not kept any more. */
export function keptList(id: string, key: string): string | null {
  const found = waiting.get(id);
  return found?.key === key ? found.text : null;
}
