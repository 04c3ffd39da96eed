import { href } from "react-router";
import { useSyncExternalStore } from "react";
import { deliver, heardClock, listenersOf } from "../outbox";
import type { Word } from "./word";

/** No word for so long, and the line counts as dead, ms. */
const SILENT_MS = 10_000;
/** Whoever holds the line says so at least this often; after three times as long another page opens one. ms. */
const HOLD_MS = 2_000;
const HOLDER = "larder-line";
const TAB = Math.random().toString(36).slice(2);

interface Holder {
  tab: string;
  at: number;
}

/** What this page last heard, by whichever page of the browser holds the line. */
export interface Heard {
  word: Word | null;
  /** nothing was heard since then, by the wall clock, ms; null while words come */
  deafSince: number | null;
}
let heard: Heard = { word: null, deafSince: null };
let heardAt = Date.now();
const listeners = listenersOf();
const words = listenersOf<[Word]>();
let channel: BroadcastChannel | null = null;
let line: EventSource | null = null;

function set(next: Heard): void {
  heard = next;
  listeners.tell();
}

/**
 * A word whose unchanged parts are the very objects of the word before: what draws them has nothing to draw again.
 * Words come every few seconds, and mostly only the time in them is new.
 */
export function withPartsOf(word: Word, before: Word | null): Word {
  if (!before) return word;
  const kept = { ...word };
  const keep = <K extends "places" | "clocks" | "alarms" | "changes">(part: K) => {
    if (JSON.stringify(word[part]) === JSON.stringify(before[part])) kept[part] = before[part];
  };
  for (const part of ["places", "clocks", "alarms", "changes"] as const) keep(part);
  return kept;
}

function hear(said: Word): void {
  const word = withPartsOf(said, heard.word);
  heardAt = Date.now();
  heardClock(word.now, word.pace);
  const wasDeaf = heard.deafSince !== null || heard.word === null;
  set({ word, deafSince: null });
  words.tell(word);
  if (wasDeaf) void deliver();
}

function holder(): Holder | null {
  try {
    return JSON.parse(localStorage.getItem(HOLDER) ?? "null") as Holder | null;
  } catch {
    return null;
  }
}
function hold(): void {
  try {
    localStorage.setItem(HOLDER, JSON.stringify({ tab: TAB, at: Date.now() } satisfies Holder));
  } catch {
    // A browser that keeps nothing: each page has a line of its own.
  }
}

function openLine(): void {
  line?.close();
  hold();
  line = new EventSource(href("/live"));
  line.onmessage = (message: MessageEvent<string>) => {
    const word = JSON.parse(message.data) as Word;
    hear(word);
    channel?.postMessage(word);
  };
}
function closeLine(): void {
  line?.close();
  line = null;
}

/** One page of a browser holds the line and passes on what it hears; another takes it over when that one dies or sleeps. */
function keepLine(): void {
  const now = Date.now();
  const there = holder();
  const mine = there?.tab === TAB;
  if (mine || !there || now - there.at > 3 * HOLD_MS || there.at > now + HOLD_MS) {
    if (!line || line.readyState === EventSource.CLOSED || now - heardAt > SILENT_MS) {
      // A line can die without a word (the device slept, the router went): then it is opened again.
      if (line) heardAt = now - SILENT_MS / 2;
      openLine();
    } else hold();
  } else if (line) closeLine();
  if (now - heardAt > SILENT_MS / 2 && line?.readyState !== EventSource.OPEN && heard.deafSince === null)
    set({ ...heard, deafSince: heardAt });
  if (now - heardAt > SILENT_MS && heard.deafSince === null) set({ ...heard, deafSince: heardAt });
}

let started = false;

/** Listens from now on, for as long as the page is open. */
export function startListening(): void {
  if (started) return;
  started = true;
  if (typeof BroadcastChannel !== "undefined") {
    channel = new BroadcastChannel("larder-live");
    channel.onmessage = (message: MessageEvent<Word | "hello">) => {
      // A page that was just opened asks what was last said.
      if (message.data !== "hello") hear(message.data);
      else if (line && heard.word) channel?.postMessage({ ...heard.word, events: [] } satisfies Word);
    };
    channel.postMessage("hello");
  }
  keepLine();
  setInterval(keepLine, HOLD_MS / 2);
  document.addEventListener("visibilitychange", () => {
    if (document.visibilityState === "visible") keepLine();
  });
  addEventListener("pagehide", () => {
    if (!line) return;
    closeLine();
    try {
      localStorage.removeItem(HOLDER);
    } catch {
      // As above.
    }
  });
  addEventListener("pageshow", keepLine);
}

/** Calls back with each word as it is heard. @returns how to stop it */
export const onWord = words.add;

const NOTHING: Heard = { word: null, deafSince: null };

/** What this page last heard. */
export function useHeard(): Heard {
  return useSyncExternalStore(
    listeners.add,
    () => heard,
    () => NOTHING,
  );
}
