import { useCallback, useEffect, useRef, useState } from "react";
import { useFetchers, useLocation, useMatches, useNavigation, useRevalidator } from "react-router";
import { readsForChange } from "./keep-shown";
import type { ChangeMade, Version, Word } from "./word";

/** What a page says of itself in its `handle`, for the feed. */
export interface FollowHandle {
  /**
   * what it shows, by the first part of the actions in the activity log (`pack`, `lot`, `run`); without it every change
   * concerns the page; an empty list: none does, since the page is told by itself
   */
  shows?: readonly string[];
}

/**
 * Returns what was done since a page was read that concerns it, oldest first.
 *
 * @param read how far the changes were when the page was read
 * @param shows what the page shows; null: everything
 */
export function changesSince(
  word: Pick<Word, "version" | "changes">,
  read: Version,
  shows: readonly string[] | null,
): ChangeMade[] {
  // What a server counted that was stopped since is not on its successor's list: what is there is all later.
  const after = word.version.of === read.of ? read.n : 0;
  return word.changes.filter((c) => c.n > after && (shows === null || shows.includes(c.area)));
}

/** `Oda packed TUU-F`, or with how many more there were. */
export function changesWords(changes: readonly ChangeMade[]): string {
  const last = changes.at(-1)?.words ?? "";
  const more = changes.length - 1;
  return more > 0 ? `${last}, and ${more} more ${more === 1 ? "change" : "changes"}` : last;
}

/**
 * Keeps a page true to what is done elsewhere. A page that nobody has touched since it was opened is read again as soon
 * as the feed tells of something it shows. One that somebody works on is left alone.
 *
 * @param read how far the changes were when the page was read; null for whoever may not see any
 * @returns what the page does not show yet and will not show by itself, and how to show it
 */
export function useFollow(
  word: Word | null,
  read: Version | null,
): { unshown: readonly ChangeMade[]; show: () => void } {
  const matches = useMatches();
  const { key } = useLocation();
  const { revalidate, state } = useRevalidator();
  const navigation = useNavigation();
  const sending = useFetchers().some((f) => f.state !== "idle");
  const { touched, wasAnswered } = useTouched(key);
  const shows = (matches.at(-1)?.handle as FollowHandle | undefined)?.shows ?? null;
  const unshown = word && read ? changesSince(word, read, shows) : [];
  const behind = unshown.length > 0;
  const idle = state === "idle" && navigation.state === "idle" && !sending;
  const asked = useRef<Word | null>(null);
  useEffect(() => {
    if (!behind || touched || !idle) return;
    // Once for each word: what could not be read is asked for again when the feed is next heard, and not before.
    const look = () => {
      if (document.visibilityState !== "visible" || asked.current === word || wasAnswered()) return;
      asked.current = word;
      readsForChange();
      void revalidate();
    };
    look();
    document.addEventListener("visibilitychange", look);
    return () => document.removeEventListener("visibilitychange", look);
  }, [behind, word, touched, wasAnswered, idle, revalidate]);
  const show = () => {
    readsForChange();
    void revalidate();
  };
  return { unshown: touched && idle ? unshown : [], show };
}

/**
 * Whether somebody has typed or chosen something on the page since it was opened, or it shows what came of a form that was
 * sent. What is pressed and sent by itself (one lid after another) does not count: the page is read again after it.
 *
 * @param key of its place in the history
 */
function useTouched(key: string): { touched: boolean; wasAnswered: () => boolean } {
  const { pathname } = useLocation();
  const { formMethod, state } = useNavigation();
  const [touchedKey, setTouchedKey] = useState<string | null>(null);
  const [answeredKey, setAnsweredKey] = useState<string | null>(null);
  const sentOn = useRef<string | null>(null);
  // The page is drawn with an answer before it is known as answered. Whoever asks in between is told all the same.
  const answered = useRef<string | null>(null);
  const wasAnswered = useCallback(() => answered.current === key, [key]);
  useEffect(() => {
    if (state !== "idle") sentOn.current = formMethod && formMethod !== "GET" ? pathname : null;
    else if (sentOn.current !== null) {
      answered.current = sentOn.current === pathname ? key : null;
      setAnsweredKey(answered.current);
      sentOn.current = null;
    }
  }, [state, formMethod, pathname, key]);
  useEffect(() => {
    const touch = (e: Event) => {
      if (e.target instanceof Element && e.target.closest("main")) setTouchedKey(key);
    };
    const kinds = ["input", "change"] as const;
    for (const kind of kinds) document.addEventListener(kind, touch, { capture: true });
    return () => {
      for (const kind of kinds) document.removeEventListener(kind, touch, { capture: true });
    };
  }, [key]);
  return { touched: touchedKey === key || answeredKey === key, wasAnswered };
}
