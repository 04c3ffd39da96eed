import type { Alarm, RunEvent, RunView } from "#core/run";
import type { StripClock } from "#ui/strip";

/** What calls at a run. */
export interface AlarmOfRun {
  code: string;
  canner: string;
  alarm: Alarm;
  /** since when, ms since 1970 UTC */
  since: number;
  answered: boolean;
  loudness: RunView["loudness"];
  /** least that has to be shown, in the household's unit */
  pressure: string;
  minutes: number;
}

/** What every screen is told as it happens. */
export interface Word {
  /** the larder's clock, and how fast it runs */
  now: number;
  pace: number;
  /** after a power cut nobody can tell what time it is: nothing counts until somebody confirms it */
  clockUnknown: boolean;
  /** changes when something did that pages show */
  version: string;
  clocks: StripClock[];
  alarms: AlarmOfRun[];
  /** `seq` of the last event of each run under way, by its code */
  last: Record<string, number>;
  /** events that are new since the last word, and the `seq` they come after; a burst is left out */
  events: { code: string; before: number; events: RunEvent[] }[];
}
