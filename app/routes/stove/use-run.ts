import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { v7 as uuid } from "uuid";
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
import { openOutbox } from "../../outbox";
import { type StripClock } from "#ui/strip";
import type { LiveWord } from "./live";
import { type DeliveryAnswer, type StoveTap } from "./tap";

/** Tried again this often while the larder cannot be reached, ms. */
const AGAIN_MS = 2_000;
/** No word for so long, and the line counts as dead, ms. */
const SILENT_MS = 10_000;
/** Kept taps come after everything the larder has of the same instant. */
const LATE_SEQ = 1_000_000_000_000;

/** Taps in one delivery at most. */
const AT_ONCE = 200;

/** The larder's clock as it was last heard. */
export interface Heard {
  now: number;
  pace: number;
}

interface Started {
  code: string;
  me: string;
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
  /** a tap the larder would not take when it heard of it, in its words */
  notTaken: string | null;
  /** says something: at once here, and delivered as soon as can be */
  send(tap: Omit<StoveTap, "id" | "at" | "by"> & { at: number }): void;
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
  const [deadSince, setDeadSince] = useState<number | null>(null);
  const [notTaken, setNotTaken] = useState<string | null>(null);
  const outbox = useMemo(() => openOutbox<StoveTap>(`/fire/${code}/taps`), [code]);
  const busy = useRef(false);
  /** said while a delivery is on its way */
  const more = useRef(false);

  /** One delivery: what is kept, in its order. @returns whether there may be more */
  const deliverSome = useCallback(async (): Promise<boolean> => {
    const taps = (await outbox.waiting()).slice(0, AT_ONCE);
    // What a page before this one kept is shown as well; what was just said may not be on the shelf yet.
    setKept((before) => [...taps.filter((t) => !before.some((k) => k.id === t.id)), ...before]);
    if (taps.length === 0) return false;
    const answer = await fetch(`/fire/${code}/taps`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ taps }),
      signal: AbortSignal.timeout(SILENT_MS),
    });
    if (answer.status >= 500) throw new TypeError("the larder is in trouble");
    const answers = answer.ok
      ? ((await answer.json()) as DeliveryAnswer).answers
      : // Whatever they are, they will never be taken: said, and not tried for ever.
        taps.map(({ id }) => ({ id, refused: `This could not be taken (${answer.status}).` }));
    const refused = answers.flatMap((a) => (a.refused === null ? [] : [a.refused]));
    if (refused.length) setNotTaken([...new Set(refused)].join(" "));
    const taken = taps.filter((t) => answers.some((a) => a.id === t.id && a.refused === null));
    setTold((before) => merged(before, taken.map(asEvent)));
    await outbox.done(answers.map((a) => a.id));
    setKept((before) => before.filter((k) => !answers.some((a) => a.id === k.id)));
    return true;
  }, [code, outbox]);

  const deliver = useCallback(async () => {
    more.current = true;
    if (busy.current) return;
    busy.current = true;
    try {
      while (more.current) {
        more.current = false;
        while (await deliverSome());
      }
    } catch {
      setDeadSince((s) => s ?? Date.now());
    } finally {
      busy.current = false;
    }
  }, [deliverSome]);

  useEffect(() => {
    void deliver();
    const timer = setInterval(() => void deliver(), AGAIN_MS);
    const online = () => void deliver();
    addEventListener("online", online);
    return () => {
      clearInterval(timer);
      removeEventListener("online", online);
    };
  }, [deliver]);

  const after = useRef(start.events.reduce((last, e) => Math.max(last, e.seq), 0));
  useEffect(() => {
    let line: EventSource | null = null;
    let heardAt = performance.now();
    const listen = () => {
      line?.close();
      heardAt = performance.now();
      line = new EventSource(`/fire/${code}/live?after=${after.current}`);
      line.onmessage = (message: MessageEvent<string>) => {
        const word = JSON.parse(message.data) as LiveWord;
        heardAt = performance.now();
        setDeadSince(null);
        setHeard({ now: word.now, pace: word.pace });
        if (word.clocks) setClocks(word.clocks);
        if (word.events.length) {
          after.current = word.events.at(-1)!.seq;
          setTold((before) => merged(before, word.events));
        }
        void deliver();
      };
      line.onerror = () => setDeadSince((s) => s ?? Date.now());
    };
    listen();
    // A line can die without a word (the machine slept, the router went): then it is opened anew.
    const watch = setInterval(() => {
      if (line?.readyState === EventSource.CLOSED || performance.now() - heardAt > SILENT_MS) {
        setDeadSince((s) => s ?? Date.now());
        listen();
      }
    }, AGAIN_MS);
    return () => {
      clearInterval(watch);
      line?.close();
    };
  }, [code, deliver]);

  const send = useCallback<StoveRun["send"]>(
    (said) => {
      const tap: StoveTap = { ...said, at: Math.round(said.at), id: uuid(), by: start.me };
      setNotTaken(null);
      setKept((before) => [...before, tap]);
      void outbox.keep(tap).then(deliver);
    },
    [deliver, outbox, start.me],
  );
  const events = useMemo(() => merged(told, kept.map(asEvent)), [told, kept]);
  return { heard, events, clocks, deadSince, waiting: kept.length, notTaken, send };
}

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
