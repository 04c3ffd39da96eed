import { dataVersion, type Larder } from "#store/db";
import { changesAfter, lastChange } from "#store/history";
import type { RunRecord } from "#store/run";
import type { ChangeMade, Version } from "../../live/word";
import { doneWords } from "../../words/history";
import { PHASE_WORDS } from "../../words/run";

/** So many are remembered: whoever was away for longer is told only that there were more. */
const MOST = 24;

/** A count of before a restart is no count of now. */
const STARTED = Date.now().toString(36);

/**
 * What was done in a larder since the server was started, numbered: lines of its activity log, and stages of its runs,
 * which come with the clock too.
 */
export class ChangesMade {
  private n = 0;
  private readonly recent: ChangeMade[] = [];
  private lastLine: number;
  private seen = "";
  private readonly stages = new Map<string, string>();

  constructor(private readonly larder: Larder) {
    this.lastLine = lastChange(larder);
  }

  /** Returns the last of them, oldest first. */
  get last(): ChangeMade[] {
    return [...this.recent];
  }

  /**
   * Returns how far the changes are, with everything that is written down at this moment.
   *
   * @param runs those under way, as of now
   */
  upTo(runs: readonly RunRecord[]): Version {
    const seen = dataVersion(this.larder);
    if (seen !== this.seen) {
      this.seen = seen;
      for (const { id, by, action, code } of changesAfter(this.larder, this.lastLine, MOST)) {
        this.lastLine = id;
        const [area = ""] = action.split(".");
        this.add(area, `${by ?? "Patient Larder"} ${doneWords(action)}${code ? ` ${code}` : ""}`);
      }
    }
    for (const run of runs) {
      const stage = stageOf(run);
      if (this.stages.get(run.id) === stage) continue;
      // One that is seen for the first time was opened, which the activity log says.
      if (this.stages.has(run.id)) this.add("run", `${run.cannerName}: ${PHASE_WORDS[run.view.phase]}`);
      this.stages.set(run.id, stage);
    }
    return { of: STARTED, n: this.n };
  }

  /** Counts something that has no line in the activity log. */
  add(area: string, words: string): void {
    this.recent.push({ n: ++this.n, area, words });
    if (this.recent.length > MOST) this.recent.shift();
  }
}

/** What of a run matters to screens that do not draw it: it changes when a stage or an alarm does. */
const stageOf = ({ view }: RunRecord): string =>
  [view.phase, view.restarts, view.completedAt, view.alarm, view.answered, view.loudness].join(" ");
