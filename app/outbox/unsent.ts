import { entries, onEntries, onPutDown } from "./entries";

/**
 * Counts what was pressed on this device and is not with the larder, from the press itself on. A listing that began
 * before a press was put down does not know of it: a press counts until a listing that began afterwards has found it or
 * found it gone.
 * @param tell called with the count whenever it may have changed; at once on a press
 * @returns how to stop it
 */
export function watchUnsent(tell: (n: number) => void): () => void {
  /** Pressed, and in no listing yet; true once it is put down. */
  const fresh = new Map<string, boolean>();
  let listed = new Set<string>();
  let newest = 0;
  const say = () => tell(new Set([...listed, ...fresh.keys()]).size);

  const list = async () => {
    const mine = ++newest;
    const put = [...fresh].filter(([, down]) => down).map(([id]) => id);
    const all = await entries();
    if (mine !== newest) return;
    for (const id of put) fresh.delete(id);
    listed = new Set(all.filter((e) => e.refused === null).map((e) => e.id));
    say();
  };
  const stopPresses = onPutDown((id, down) => {
    fresh.set(id, down);
    say();
  });
  const stopEntries = onEntries(() => void list());
  void list();
  return () => {
    stopPresses();
    stopEntries();
  };
}
