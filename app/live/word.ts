import type { Alarm, RunEvent, RunView } from "#core/run";
import type { BenchPlace } from "#ui/bench";
import type { StripClock } from "#ui/strip";

/** What calls at a run. */
export interface AlarmOfRun {
  code: string;
  canner: string;
  alarm: Alarm;
  /** 0 for the most dangerous kind of alarm there is, and so on */
  order: number;
  /** since when, ms since 1970 UTC */
  since: number;
  answered: boolean;
  loudness: RunView["loudness"];
  /** least that has to be shown, in the household's unit */
  pressure: string;
  minutes: number;
}

/** How far the larder's changes were when something was read: of which start of the server, and how many since it. */
export interface Version {
  of: string;
  n: number;
}

/** Something that was done, for screens that do not show it yet. */
export interface ChangeMade {
  n: number;
  /** what it was about: the first part of the action's name in the activity log, such as `pack`; `run` for a stage */
  area: string;
  /** `Oda packed TUU-F` */
  words: string;
}

/** What every screen is told as it happens. */
export interface Word {
  /** the larder's clock, and how fast it runs */
  now: number;
  pace: number;
  /** after a power cut nobody can tell what time it is: nothing counts until somebody confirms it */
  clockUnknown: boolean;
  version: Version;
  /** which build of the pages is served now; null while they are developed */
  build: string | null;
  /** the last of what was done, oldest first */
  changes: ChangeMade[];
  /** the row of places, and every running clock, the most urgent first */
  places: BenchPlace[];
  clocks: StripClock[];
  alarms: AlarmOfRun[];
  /** `seq` of the last event of each run under way, by its code */
  last: Record<string, number>;
  /** events that are new since the last word, and the `seq` they come after; a burst is left out */
  events: { code: string; before: number; events: RunEvent[] }[];
}
