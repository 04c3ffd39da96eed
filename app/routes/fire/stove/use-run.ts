import { href } from "react-router";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import {
  advance,
  effectiveEvents,
  newRunState,
  viewOf,
  whyNot,
  type RunEvent,
  type RunPlan,
  type RunView,
} from "#core/run";
import { deliver, entries, newEntry, onEntries, putDown, type Entry, type Press } from "../../../outbox";
import { onWord, useHeard } from "../../../live/feed";
import type { StripClock } from "#ui/strip";
import type { Word } from "../../../live/word";
import type { StoveTap } from "./tap";

/** Kept taps come after everything the larder has of the same instant. */
const LATE_SEQ = 1_000_000_000_000;

/** The larder's clock as it was last heard. */
export interface Heard {
  now: number;
  pace: number;
}

/** What somebody says at the stove; when is known from the press. */
export type Said = Omit<StoveTap, "id" | "at" | "by" | "uncertain">;

interface Started {
  id: string;
  code: string;
  me: string;
  canner: string;
  /** a tap in words, for whoever looks at what waits */
  wordsOf(tap: Said): string;
  events: readonly RunEvent[];
  clocks: readonly StripClock[];
  serverNow: number;
  pace: number;
}

/** What a stove screen knows of its run, and how it says something. */
export interface StoveRun {
  heard: Heard;
  events: RunEvent[];
  clocks: readonly StripClock[];
  /** the line to the larder is dead since then, by the machine's clock; null while it lives */
  deadSince: number | null;
  /** taps kept here and not delivered yet */
  waiting: number;
  /** says something: at once here, and delivered as soon as can be */
  send(said: Said, press: Press): void;
}

/**
 * The events of a run as this device knows them: what the larder has told, live, and what was said here and has not reached
 * it. Taps are kept in the browser first and delivered once and in order, whenever the larder can be reached.
 */
export function useRun(start: Started): StoveRun {
  const { code } = start;
  const [told, setTold] = useState<readonly RunEvent[]>(start.events);
  const [kept, setKept] = useState<readonly StoveTap[]>([]);
  const [heard, setHeard] = useState<Heard>({ now: start.serverNow, pace: start.pace });
  const [clocks, setClocks] = useState(start.clocks);
  const to = href("/fire/:code/taps", { code });

  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    let gone = false;
    // What was said here and is not with the larder yet: what a page before this one kept is shown as well.
    const look = async () => {
      const mine = (await entries()).filter((e) => e.kind === "tap" && e.path === to);
      if (gone) return;
      const there = mine.filter((e) => e.refused === null).map((e) => tapOf(e, start.me));
      const known = new Set(mine.map((e) => e.id));
      setWaiting(there.length);
      // What was taken stays until it is told, and what was just said may not be put down yet; what is refused goes.
      setKept((before) => [...there, ...before.filter((t) => !known.has(t.id))]);
    };
    void look();
    const stop = onEntries(() => void look());
    return () => {
      gone = true;
      stop();
    };
  }, [to, start.me]);

  const after = useRef(start.events.reduce((last, e) => Math.max(last, e.seq), 0));
  useEffect(() => {
    let asking = false;
    const take = (events: readonly RunEvent[]) => {
      if (events.length === 0) return;
      after.current = Math.max(after.current, events.at(-1)!.seq);
      setTold((before) => merged(before, events));
    };
    const hear = (word: Word) => {
      setHeard({ now: word.now, pace: word.pace });
      setClocks(word.clocks.filter((c) => c.id !== start.id));
      for (const fresh of word.events)
        if (fresh.code === code && fresh.before <= after.current) take(fresh.events);
      const last = word.last[code] ?? 0;
      if (last <= after.current || asking) return;
      // Something was missed: this page was deaf for a while, or a burst was too long for a word.
      asking = true;
      void fetch(`${href("/fire/:code/events", { code })}?after=${after.current}`)
        .then(async (answer) => take(((await answer.json()) as { events: RunEvent[] }).events))
        .catch(() => undefined)
        .finally(() => (asking = false));
    };
    const stop = onWord(hear);
    return stop;
  }, [code, start.id]);
  const { deafSince } = useHeard();

  const { me, canner, wordsOf } = start;
  const send = useCallback<StoveRun["send"]>(
    (said, press) => {
      const label = `${canner}: ${wordsOf(said)}`;
      const entry = newEntry({ kind: "tap", path: to, body: JSON.stringify(said), press, label });
      setKept((before) => [...before, tapOf(entry, me)]);
      void putDown(entry).then(deliver);
    },
    [to, me, canner, wordsOf],
  );
  const events = useMemo(() => merged(told, kept.map(asEvent)), [told, kept]);
  return { heard, events, clocks, deadSince: deafSince, waiting, send };
}

const tapOf = ({ id, body, press }: Entry, me: string): StoveTap => ({
  ...(JSON.parse(body) as Said),
  id,
  at: press.at,
  by: me,
});

const asEvent = (tap: StoveTap, i: number): RunEvent => ({ ...tap, seq: LATE_SEQ + i });

/** Both, each event once; what the larder told stands before what was only said here. */
function merged(a: readonly RunEvent[], b: readonly RunEvent[]): RunEvent[] {
  const byId = new Map(a.map((e) => [e.id, e]));
  for (const e of b) {
    const known = byId.get(e.id);
    if (!known || e.seq < known.seq) byId.set(e.id, e);
  }
  return [...byId.values()];
}

/** The run at an instant from its events. What does not change with the clock is worked out once. */
export function useRunView(
  plan: RunPlan,
  events: readonly RunEvent[],
  openedAt: number,
  now: number,
): RunView {
  const state = useMemo(
    () => advance(newRunState(openedAt), plan, effectiveEvents(events)),
    [plan, events, openedAt],
  );
  return viewOf(state, plan, now);
}

/** Why something may not be said now. The same rules stand before the larder. */
export function refusalOf(
  view: RunView,
  plan: RunPlan,
  tap: Pick<StoveTap, "type" | "weightKPa">,
): string | null {
  return whyNot(view, tap.type, plan, tap.weightKPa);
}
