import { asCounted, compareEvents, type RunEvent, type RunPlan } from "./event.ts";
import { advance, runAt, viewOf, type RunView } from "./fold.ts";
import { insertionIndex } from "./insertion.ts";
import { copyOfState, newRunState, type RunState } from "./state.ts";

/** Events between two states that are remembered. */
const USUAL_STRIDE = 200;
/** Events at the end that a state is remembered before as well: readings of several gauges overtake each other by a few. */
const OVERTAKEN = 16;

/**
 * A run whose events come one after another, as `runAt` would see it. What was worked out is kept: an event costs what has
 * come since the last remembered state before it, and not the whole evening. One that comes late, or strikes out another,
 * goes back as far as it must; a correction of a correction goes back to the beginning every time.
 */
export class FoldedRun {
  /** everything that counts, in its order */
  private readonly events: RunEvent[] = [];
  /** everything that came, by its id */
  private readonly ids = new Map<string, RunEvent>();
  /** ids that a correction strikes out */
  private readonly struck = new Set<string>();
  /** after none, one, two … strides of events in their order */
  private readonly states: RunState[];
  /** the state before the last few events, which is gone on from as long as nothing comes earlier */
  private newest: { events: number; state: RunState } | null = null;
  private plain = false;
  /** instant of the latest event that came, corrections included */
  private latestAt = -Infinity;
  /** How many events were taken in, those that were known already included. */
  taken = 0;

  /** @param createdAt when the run was opened, ms since 1970 UTC @param stride events between two remembered states */
  constructor(
    private readonly plan: RunPlan,
    private readonly createdAt: number,
    private readonly stride = USUAL_STRIDE,
  ) {
    this.states = [newRunState(createdAt)];
  }

  /** How many different events it has. */
  get size(): number {
    return this.ids.size;
  }

  /** Takes events in, in any order. One that is known already is passed over. */
  add(events: readonly RunEvent[]): void {
    for (const event of events.map(asCounted)) {
      this.taken++;
      const known = this.ids.get(event.id);
      // Under one id the first by the clock counts.
      if (known && compareEvents(known, event) <= 0) continue;
      if (known) this.plain = true;
      this.ids.set(event.id, event);
      this.latestAt = Math.max(this.latestAt, event.at);
      if (event.type === "correction") this.strike(event);
      else if (!this.struck.has(event.id)) this.put(event);
    }
  }

  private strike(correction: RunEvent): void {
    const id = correction.corrects;
    if (id === undefined) return;
    const meant = this.ids.get(id);
    // Which of two corrections holds depends on both: that is rare, and is worked out from the beginning.
    if (
      this.struck.has(correction.id) ||
      meant?.type === "correction" ||
      (meant && compareEvents(meant, correction) > 0)
    )
      this.plain = true;
    this.struck.add(id);
    const place = meant ? this.events.indexOf(meant) : -1;
    if (place < 0) return;
    this.events.splice(place, 1);
    this.forgetFrom(place);
  }

  private put(event: RunEvent): void {
    const place = this.placeOf(event);
    this.events.splice(place, 0, event);
    this.forgetFrom(place);
  }

  /** States that were remembered after a place are not to be gone by any more. */
  private forgetFrom(place: number): void {
    const sound = Math.floor(place / this.stride) + 1;
    if (this.states.length > sound) this.states.length = sound;
    if (this.newest && this.newest.events > place) this.newest = null;
  }

  /**
   * The run at an instant.
   * @param now ms since 1970 UTC; events after it do not count yet
   * @param others events that are looked at with the others and not taken in
   */
  at(now: number, others: readonly RunEvent[] = []): RunView {
    const more = others.map(asCounted);
    const last = Math.max(this.latestAt, ...more.map((e) => e.at));
    const strange =
      more.some((e) => e.type === "correction" || this.ids.has(e.id) || this.struck.has(e.id)) ||
      new Set(more.map((e) => e.id)).size < more.length;
    if (this.plain || strange || now < last)
      return runAt(this.plan, [...this.ids.values(), ...more], this.createdAt, now);
    const place = more.reduce((least, e) => Math.min(least, this.placeOf(e)), this.events.length);
    const strides = Math.floor(place / this.stride);
    for (let n = this.states.length; n <= strides; n++)
      this.states.push(
        advance(
          copyOfState(this.states[n - 1]!),
          this.plan,
          this.events.slice((n - 1) * this.stride, n * this.stride),
        ),
      );
    const stride = { events: strides * this.stride, state: this.states[strides]! };
    const { newest } = this;
    const from = newest && newest.events <= place && newest.events > stride.events ? newest : stride;
    const upTo = Math.max(from.events, place - OVERTAKEN);
    const state = advance(copyOfState(from.state), this.plan, this.events.slice(from.events, upTo));
    this.newest = { events: upTo, state };
    const since = [...this.events.slice(upTo), ...more];
    if (more.length > 0) since.sort(compareEvents);
    return viewOf(advance(copyOfState(state), this.plan, since), this.plan, now);
  }

  /** Where an event belongs among those that are here. */
  private placeOf(event: RunEvent): number {
    return insertionIndex(this.events, (e) => compareEvents(e, event) <= 0);
  }
}
