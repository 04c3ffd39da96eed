import { useEffect } from "react";
import { useFetchers, useNavigation, useRevalidator } from "react-router";
import { reach } from "../outbox";
import { handsOn, watchHands } from "./hands";
import { lookBegins } from "./keep-shown";
import type { Word } from "./word";

/** Tried again so often while somebody is at the page, ms. */
const AGAIN_MS = 400;

/**
 * Loads again when something was done that this page does not show yet, also when it comes back into view; not while
 * somebody is at it.
 * @param shown what the page shows: version of what it was made from, and when, ms since 1970 UTC by the larder's clock
 */
export function useLoadAgain(word: Word | null, shown: { version: string; at: number }): void {
  const { revalidate, state } = useRevalidator();
  const navigation = useNavigation();
  const busy = useFetchers().some((f) => f.state !== "idle") || navigation.state !== "idle";
  const behind = word !== null && word.version !== shown.version && word.now > shown.at;
  useEffect(watchHands, []);
  useEffect(() => {
    // What is being sent loads the page again by itself. Another load in between would take its place: the answer to what
    // was pressed would be dropped, and the page would show what was before it.
    if (!behind || busy || state !== "idle") return;
    let asking = false;
    let over = false;
    const ready = () => !over && document.visibilityState === "visible" && !handsOn();
    const look = async () => {
      if (asking || !ready()) return;
      // A load that finds no larder would take the page away: that it is there is asked first.
      asking = true;
      const well = await reach();
      asking = false;
      if (!well || !ready()) return;
      lookBegins();
      void revalidate();
    };
    const lookNow = () => void look();
    lookNow();
    const timer = setInterval(lookNow, AGAIN_MS);
    document.addEventListener("visibilitychange", lookNow);
    return () => {
      over = true;
      clearInterval(timer);
      document.removeEventListener("visibilitychange", lookNow);
    };
  }, [behind, busy, state, revalidate]);
}
