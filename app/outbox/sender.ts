import { clocksCompared, larderTime, settled } from "./device-clock";
import { alone, amend, entries, takeOff, wouldBeLost, type Entry } from "./entries";
import { listenersOf } from "./listeners";
import { lose } from "./reach";
import { watchUnsent } from "./unsent";

/** What the larder says of each tap of a delivery. */
interface TapAnswers {
  answers: { id: string; refused: string | null }[];
}

/** Tried again after so long, ms, and longer each time nothing came of it. */
const AGAIN_MS = [1_000, 2_000, 4_000, 8_000, 15_000];
const SILENT_MS = 15_000;
/** Taps in one delivery at most. */
const AT_ONCE = 100;
/** The larder failed on the same entry so often while it was well otherwise: it steps aside for those behind it. */
const FAILURES = 3;

/** What an answer means for what was sent. */
export type Outcome =
  | { kind: "taken" }
  /** this entry alone will never be taken as it is */
  | { kind: "refused"; why: string }
  /** nothing is wrong with it: later */
  | { kind: "not-now"; afterMs: number | null; signIn: boolean; failed: boolean };

/**
 * Reads an answer. A redirect is no acknowledgement: it leads to a page and says nothing of what was sent.
 * @param taken whether the larder says that it has written it down
 */
export function outcomeOf(status: number, taken: boolean, retryAfter: string | null, why: string): Outcome {
  if (status >= 200 && status < 300 && taken) return { kind: "taken" };
  const signIn = status === 401 || status === 0 || (status >= 300 && status < 400);
  if (signIn || status === 429 || status >= 500) {
    const seconds = Number(retryAfter);
    const afterMs = retryAfter !== null && Number.isFinite(seconds) ? seconds * 1000 : null;
    return { kind: "not-now", afterMs, signIn, failed: status >= 500 };
  }
  return { kind: "refused", why };
}

interface SenderState {
  /** the larder asks who this is before it takes anything */
  signIn: boolean;
}
let state: SenderState = { signIn: false };
const listeners = listenersOf();
export const senderState = (): SenderState => state;
/** Calls back when the larder asks who this is, or no longer does. @returns how to stop it */
export const onSender = listeners.add;
function set(next: SenderState): void {
  if (next.signIn === state.signIn) return;
  state = next;
  listeners.tell();
}

let timer: ReturnType<typeof setTimeout> | null = null;
let tries = 0;
let running: Promise<void> | null = null;
let again = false;

/** Sends what waits, in the order it was pressed, on one page of the browser at a time. */
export function deliver(): Promise<void> {
  again = true;
  running ??= (async () => {
    while (again) {
      again = false;
      const mine = await alone("larder-outbox", sendAll);
      // Another page is at it; should it die, this one tries again.
      if (!mine) later(AGAIN_MS[1]!);
    }
  })().finally(() => (running = null));
  return running;
}

function later(ms: number): void {
  if (timer) clearTimeout(timer);
  timer = setTimeout(() => void deliver(), ms);
}

const isWaiting = (e: Entry) => e.refused === null && e.heldUntil < Date.now();

async function sendAll(): Promise<void> {
  for (;;) {
    const all = await entries();
    const waiting = all.filter(isWaiting);
    // One that the larder fails on steps aside, so that it is seen whether it fails on all or on this one alone.
    const next = waiting.find((e) => e.failures < FAILURES) ?? waiting[0];
    if (!next) {
      set({ signIn: false });
      // One that a page is sending itself is looked at again when that page must be gone.
      const held = all.filter((e) => e.refused === null).map((e) => e.heldUntil);
      if (held.length > 0) later(Math.max(500, Math.min(...held) - Date.now() + 100));
      return;
    }
    if (!(await clocksCompared())) {
      lose();
      return later(AGAIN_MS[Math.min(tries++, AGAIN_MS.length - 1)]!);
    }
    const outcome = next.kind === "tap" ? await sendTaps(tapsWith(next, waiting)) : await sendForm(next);
    if (outcome.kind !== "not-now") {
      tries = 0;
      if (outcome.kind === "taken") await suspect(waiting.filter((e) => e.failures >= FAILURES));
      continue;
    }
    set({ signIn: outcome.signIn });
    if (outcome.failed) await failedOn(next);
    return later(outcome.afterMs ?? AGAIN_MS[Math.min(tries++, AGAIN_MS.length - 1)]!);
  }
}

/** Entries that failed while others went through: once more, and they wait for a person. */
const suspects = new Set<string>();

/** Others go through again: what failed before is tried once more while the larder is well. */
async function suspect(failing: readonly Entry[]): Promise<void> {
  for (const e of failing) {
    suspects.add(e.id);
    await amend(e.id, { failures: FAILURES - 1 });
  }
}

async function failedOn(entry: Entry): Promise<void> {
  const parked = suspects.delete(entry.id);
  await amend(entry.id, {
    failures: entry.failures + 1,
    refused: parked ? "Patient Larder fails on this entry. Everything else was sent." : null,
  });
}

/** A tap and those pressed right after it at the same run. */
function tapsWith(first: Entry, waiting: readonly Entry[]): Entry[] {
  // One that the larder failed on goes alone, so that it takes no neighbours along.
  if (first.failures > 0) return [first];
  const behind = waiting.slice(waiting.indexOf(first));
  const end = behind.findIndex((e) => e.kind !== "tap" || e.path !== first.path || e.failures > 0);
  return behind.slice(0, Math.min(AT_ONCE, end < 0 ? behind.length : end));
}

const NO_ANSWER: Outcome = { kind: "not-now", afterMs: null, signIn: false, failed: false };

async function post(path: string, init: RequestInit): Promise<Response | null> {
  try {
    return await fetch(path, {
      ...init,
      method: "POST",
      redirect: "manual",
      signal: AbortSignal.timeout(SILENT_MS),
    });
  } catch {
    lose();
    return null;
  }
}

async function sendTaps(sent: readonly Entry[]): Promise<Outcome> {
  const taps = sent.map((e) => {
    const { at, uncertain } = settled(e.press);
    const tap = { ...(JSON.parse(e.body) as object), id: e.id, at };
    return uncertain ? { ...tap, uncertain } : tap;
  });
  const answer = await post(sent[0]!.path, {
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ taps, sentAt: larderTime() }),
  });
  if (!answer) return NO_ANSWER;
  if (answer.ok) {
    const { answers } = (await answer.json()) as TapAnswers;
    const taken = answers.filter((a) => a.refused === null).map((a) => a.id);
    for (const a of answers) if (a.refused !== null) await amend(a.id, { refused: a.refused });
    await takeOff(taken);
    return { kind: "taken" };
  }
  const outcome = outcomeOf(answer.status, false, answer.headers.get("Retry-After"), await whyOf(answer));
  if (outcome.kind !== "refused") return outcome;
  // One of them cannot be read: each is sent by itself, so that only that one is refused.
  if (sent.length === 1) await amend(sent[0]!.id, { refused: outcome.why });
  else
    for (const one of sent) {
      const each = await sendTaps([one]);
      if (each.kind === "not-now") return each;
    }
  return outcome;
}

async function sendForm(entry: Entry): Promise<Outcome> {
  const { at, uncertain } = settled(entry.press);
  // By a clock that is doubted nothing happened before it is heard of.
  const ago = uncertain ? 0 : Math.max(0, Math.round(larderTime() - at));
  const answer = await post(entry.path, {
    headers: {
      "Content-Type": "application/x-www-form-urlencoded",
      "Larder-Said-Ago": String(ago),
    },
    body: entry.body,
  });
  if (!answer) return NO_ANSWER;
  const taken = answer.headers.get("Larder-Taken") !== null;
  const outcome = outcomeOf(answer.status, taken, answer.headers.get("Retry-After"), await whyOf(answer));
  if (outcome.kind === "taken") await takeOff([entry.id]);
  else if (outcome.kind === "refused") await amend(entry.id, { refused: outcome.why });
  return outcome;
}

/** Why the larder would not take something, in its words. */
async function whyOf(answer: Response): Promise<string> {
  const said = answer.headers.get("Larder-Problem");
  if (said) return decodeURIComponent(said);
  const type = answer.headers.get("Content-Type") ?? "";
  if (type.includes("problem+json")) {
    const { title, errors = [] } = (await answer.json()) as { title: string; errors?: { message: string }[] };
    return [...new Set([title, ...errors.map((e) => e.message)])].join(" ");
  }
  return `This could not be taken (${answer.status}).`;
}

/** Sends by itself from now on: at once, when the network comes back, when the page wakes. Once for each page. */
export function startSending(): void {
  void deliver();
  addEventListener("online", () => void deliver());
  document.addEventListener("visibilitychange", () => {
    if (document.visibilityState === "visible") void deliver();
  });
  // What this browser cannot keep goes with the page: it asks whether to stay.
  addEventListener("beforeunload", (leaving) => {
    if (wouldBeLost()) leaving.preventDefault();
  });
  watchUnsent((n) => (document.documentElement.dataset.unsent = n > 0 ? String(n) : ""));
}
