import { useCallback, useLayoutEffect, useState } from "react";
import { keepOnTab, keptOnTab } from "./on-tab";

/**
 * State of a page that is kept on this tab through a reload and a look at other pages.
 *
 * @param key names what is begun; another one is another thing
 * @param first what it is when nothing was kept
 * @param fits whether what was kept still fits the page; what does not is forgotten
 * @returns the state, how to change it, and whether it was kept from before
 */
export function useDraft<T>(
  key: string,
  first: T,
  fits: (kept: T) => boolean = () => true,
): [T, (next: Partial<T>) => void, restored: boolean] {
  const [value, setValue] = useState(first);
  const [restored, setRestored] = useState(false);
  // Not as it begins: the page comes from the server first, which knows nothing of this tab.
  useLayoutEffect(() => {
    const was = keptOnTab<T>(key);
    if (!was || !fits(was)) return;
    setValue({ ...first, ...was });
    setRestored(true);
    // Only when something else is begun: `first` and `fits` are new with every drawing.
  }, [key]);
  const change = useCallback(
    (next: Partial<T>) =>
      setValue((now) => {
        const then = { ...now, ...next };
        keepOnTab(key, then);
        return then;
      }),
    [key],
  );
  return [value, change, restored];
}
