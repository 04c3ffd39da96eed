import { eventsSince, activeRuns, type RunRecord } from "#store/run";
import { servedMinutes } from "../../words/run";
import { onBehalfOf, onChange, type Larder } from "#store/db";
import { formatPressure } from "#core/quantity";
import { ALARMS, type RunEvent } from "#core/run";
import { getHousehold } from "#store/household";
import type { AlarmOfRun, Version, Word } from "../../live/word";
import { ChangesMade } from "./changes.server";
import { buildNow } from "../../server/served";
import { clockIsUnknown, clockNow, pace } from "../../server/clock";
import { clocksOf } from "./clocks.server";
import { benchOf, runGlances } from "./places.server";
import { snapshotOf, type Snapshot } from "./snapshot.server";

/** Words are at least so far apart, ms: a gauge that sends ten times a second is not passed on each time. */
const APART_MS = 200;
/** Clocks bring alarms by themselves: looked at so often, ms. */
const LOOK_MS = 1_000;
/** Even when nothing happens there is a word this often, ms, so that a dead line is noticed. */
const WORD_MS = 4_000;
/** Lines at most: a browser has one. */
export const MOST_LINES = 60;

type Line = (word: Word) => void;

/** What every screen is told as it happens: one feed for each open larder, however many listen. */
class Feed {
  private readonly lines = new Set<Line>();
  private timer: NodeJS.Timeout | null = null;
  private soon: NodeJS.Timeout | null = null;
  private readonly changes: ChangesMade;
  private told = new Map<string, number>();
  private spokenAt = 0;
  private spoken = 0;

  constructor(private readonly larder: Larder) {
    this.changes = new ChangesMade(larder);
    // Counted whether or not somebody listens: a page may have been read before its line was open.
    onChange(larder, (changes) => {
      if (changes.has("probe")) this.changes.add("can", "New temperatures were recorded");
      if (changes.has("event")) this.changes.add("event", "Something was recorded at a canner");
      if (this.lines.size === 0) return;
      this.soon ??= setTimeout(
        () => this.speak(),
        Math.max(0, APART_MS - (performance.now() - this.spokenAt)),
      );
    });
  }

  /** Returns how far the changes are. @param runs those under way, as of now */
  version(runs: readonly RunRecord[] = activeRuns(this.larder)): Version {
    return this.changes.upTo(runs);
  }

  /** Opens a line; the first word comes at once. @returns how to close it; null when there are too many */
  open(line: Line): (() => void) | null {
    if (this.lines.size >= MOST_LINES) return null;
    if (this.lines.size === 0) this.begin();
    this.lines.add(line);
    line(this.word([], snapshotOf(this.larder)));
    return () => {
      this.lines.delete(line);
      if (this.lines.size === 0) this.end();
    };
  }

  private begin(): void {
    this.told = new Map();
    for (const run of activeRuns(this.larder)) this.told.set(run.id, run.events.at(-1)?.seq ?? 0);
    this.timer = setInterval(() => this.look(), LOOK_MS);
  }

  private end(): void {
    if (this.timer) clearInterval(this.timer);
    if (this.soon) clearTimeout(this.soon);
    this.timer = this.soon = null;
  }

  /** Speaks when the clock brought something, or nothing was said for a while. */
  private look(): void {
    // The larder was closed, for another to take its place.
    if (!this.larder.sqlite.open) return this.end();
    if (performance.now() - this.spokenAt > WORD_MS || this.version().n !== this.spoken) this.speak();
  }

  /** A timer that was set while a request was answered is no part of it: what is told is of now, and by nobody. */
  private speak(): void {
    onBehalfOf({ device: null, said: null }, () => this.speakNow());
  }

  private speakNow(): void {
    if (this.soon) clearTimeout(this.soon);
    this.soon = null;
    this.spokenAt = performance.now();
    let word: Word;
    try {
      const now = snapshotOf(this.larder);
      word = this.word(
        now.runs.flatMap((run) => {
          const before = this.told.get(run.id) ?? 0;
          const events = eventsSince(this.larder, run.id, before);
          if (events.length === 0) return [];
          this.told.set(run.id, events.at(-1)!.seq);
          return [{ code: run.code, before, events: few(events) }];
        }),
        now,
      );
    } catch {
      // The larder is being closed: whoever listens asks again by itself.
      return;
    }
    this.spoken = word.version.n;
    for (const line of this.lines) line(word);
  }

  private word(events: Word["events"], snapshot: Snapshot): Word {
    const { runs } = snapshot;
    const glances = runGlances(snapshot);
    const units = getHousehold(this.larder)?.units ?? "us";
    return {
      now: clockNow(),
      pace: pace(),
      clockUnknown: clockIsUnknown(),
      version: this.version(runs),
      build: buildNow(),
      changes: this.changes.last,
      places: benchOf(snapshot, glances, units),
      clocks: clocksOf(glances, snapshot),
      alarms: glances.flatMap((g): AlarmOfRun[] => {
        const { alarm, alarmSince, answered, loudness } = g.view;
        if (!alarm) return [];
        return [
          {
            code: g.code,
            canner: g.canner,
            alarm,
            order: ALARMS.indexOf(alarm),
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
}

/** A burst of readings is fetched by whoever draws them; a word carries this many at most. */
const FEW = 200;
const few = (events: RunEvent[]) => (events.length > FEW ? [] : events);

const feeds = new WeakMap<Larder["sqlite"], Feed>();

/** The feed of an open larder. */
export function feedOf(larder: Larder): Feed {
  const feed = feeds.get(larder.sqlite) ?? new Feed(larder);
  feeds.set(larder.sqlite, feed);
  return feed;
}
