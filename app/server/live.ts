import { eventsSince, activeRuns, packsToLoad, type RunRecord } from "#store/run";
import { servedMinutes } from "../words/run";
import { onChange, type Larder } from "#store/db";
import { packsWaiting } from "#store/pack";
import { pendingDispositions, restingRuns, undecided } from "#store/rest";
import { formatPressure } from "#core/quantity";
import type { RunEvent } from "#core/run";
import { getHousehold } from "#store/household";
import type { AlarmOfRun, Word } from "../live/word";
import { clockIsUnknown, clockNow, pace } from "./clock";
import { clocksOf } from "./clocks";
import type { Look } from "./look";
import { glance } from "./shell";

/** Words are at least so far apart, ms: a gauge that sends ten times a second is not passed on each time. */
const APART_MS = 200;
/** Clocks bring alarms by themselves: looked at so often, ms. */
const LOOK_MS = 1_000;
/** Even when nothing happens there is a word this often, ms, so that a dead line is noticed. */
const WORD_MS = 4_000;
/** What is not about runs is looked at again after so long, ms, or when somebody did something. */
const SLOW_MS = 30_000;
/** Lines at most: a browser has one. */
export const MOST_LINES = 60;

type Line = (word: Word) => void;

/** What every screen is told as it happens: one feed for each open larder, however many listen. */
class Feed {
  private readonly lines = new Set<Line>();
  private timer: NodeJS.Timeout | null = null;
  private soon: NodeJS.Timeout | null = null;
  private stopListening: (() => void) | null = null;
  private changes = 0;
  private told = new Map<string, number>();
  private spokenAt = 0;
  private signature = "";
  private slow: { at: number; changes: number; parts: Pick<Look, "open" | "owed" | "filledAt"> } | null =
    null;

  constructor(private readonly larder: Larder) {}

  /** Changes when something was done that pages show. */
  get version(): string {
    return `${STARTED} ${this.changes}`;
  }

  /** Opens a line; the first word comes at once. @returns how to close it; null when there are too many */
  open(line: Line): (() => void) | null {
    if (this.lines.size >= MOST_LINES) return null;
    if (this.lines.size === 0) this.begin();
    this.lines.add(line);
    line(this.word([]));
    return () => {
      this.lines.delete(line);
      if (this.lines.size === 0) this.end();
    };
  }

  private begin(): void {
    // What was done while nobody listened is not known to whoever begins to.
    this.changes++;
    this.told = new Map();
    for (const run of activeRuns(this.larder)) this.told.set(run.id, run.events.at(-1)?.seq ?? 0);
    this.timer = setInterval(() => this.look(), LOOK_MS);
    this.stopListening = onChange(this.larder, (change) => {
      if (change === "deed") this.changes++;
      this.soon ??= setTimeout(
        () => this.speak(),
        Math.max(0, APART_MS - (performance.now() - this.spokenAt)),
      );
    });
  }

  private end(): void {
    if (this.timer) clearInterval(this.timer);
    if (this.soon) clearTimeout(this.soon);
    this.timer = this.soon = null;
    this.stopListening?.();
    this.stopListening = null;
  }

  private look(): void {
    if (performance.now() - this.spokenAt > WORD_MS) return this.speak();
    const before = this.signature;
    this.signature = signatureOf(this.runs());
    if (before !== this.signature) {
      this.changes++;
      this.speak();
    }
  }

  private runs(): RunRecord[] {
    return activeRuns(this.larder);
  }

  private speak(): void {
    if (this.soon) clearTimeout(this.soon);
    this.soon = null;
    this.spokenAt = performance.now();
    let word: Word;
    try {
      const runs = this.runs();
      const signature = signatureOf(runs);
      if (signature !== this.signature) this.changes++;
      this.signature = signature;
      word = this.word(
        runs.flatMap((run) => {
          const before = this.told.get(run.id) ?? 0;
          const events = eventsSince(this.larder, run.id, before);
          if (events.length === 0) return [];
          this.told.set(run.id, events.at(-1)!.seq);
          return [{ code: run.code, before, events: few(events) }];
        }),
        runs,
      );
    } catch {
      // The larder is being closed: whoever listens asks again by itself.
      return;
    }
    for (const line of this.lines) line(word);
  }

  private word(events: Word["events"], runs = this.runs()): Word {
    const now = clockNow();
    const glances = runs.map(glance);
    const units = getHousehold(this.larder)?.units ?? "us";
    return {
      now,
      pace: pace(),
      clockUnknown: clockIsUnknown(),
      version: this.version,
      clocks: clocksOf(glances, { ...this.slowParts(runs), now }),
      alarms: glances.flatMap((g): AlarmOfRun[] => {
        const { alarm, alarmSince, answered, loudness } = g.view;
        if (!alarm) return [];
        return [
          {
            code: g.code,
            canner: g.canner,
            alarm,
            since: alarmSince!,
            answered,
            loudness,
            pressure: formatPressure(g.plan.floorKPa, units),
            minutes: servedMinutes(g.view, g.plan),
          },
        ];
      }),
      last: Object.fromEntries(runs.map((r) => [r.code, r.events.at(-1)?.seq ?? 0])),
      events,
    };
  }

  /** What changes only when somebody does something, or with the hours. */
  private slowParts(runs: RunRecord[]): Pick<Look, "open" | "owed" | "filledAt"> {
    const { slow, changes } = this;
    if (slow?.changes === changes && performance.now() - slow.at < SLOW_MS) return slow.parts;
    const unheated = packsToLoad(this.larder, packsWaiting(this.larder)).filter((p) => p.heatedAt === null);
    const parts = {
      open: undecided(this.larder, restingRuns(this.larder, runs)),
      owed: pendingDispositions(this.larder),
      filledAt: unheated.length > 0 ? Math.min(...unheated.map((p) => p.filledAt)) : null,
    };
    this.slow = { at: performance.now(), changes, parts };
    return parts;
  }
}

/** A version of before a restart is no version of now. */
const STARTED = Date.now().toString(36);
/** A burst of readings is fetched by whoever draws them; a word carries this many at most. */
const FEW = 200;
const few = (events: RunEvent[]) => (events.length > FEW ? [] : events);

/** What of the runs matters to screens that do not draw them: it changes when a stage or an alarm does. */
const signatureOf = (runs: readonly RunRecord[]): string =>
  runs
    .map(({ code, view }) =>
      [code, view.phase, view.restarts, view.completedAt, view.alarm, view.answered, view.loudness].join(" "),
    )
    .join(";");

const feeds = new WeakMap<Larder["sqlite"], Feed>();

/** The feed of an open larder. */
export function feedOf(larder: Larder): Feed {
  const feed = feeds.get(larder.sqlite) ?? new Feed(larder);
  feeds.set(larder.sqlite, feed);
  return feed;
}
