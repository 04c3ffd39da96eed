import { inOrder, type RunEvent, type RunPlan } from "./event.ts";
import { advance, runAt, viewOf, type RunView } from "./fold.ts";
import { placeAmong } from "./place.ts";
import { copyOfState, newRunState, type RunState } from "./state.ts";

/** Events between two states that are remembered. */
const USUAL_STRIDE = 200;

/**
 * A run whose events come one after another, as `runAt` would see it. What was worked out is kept: an event costs what has
 * come since the last remembered state before it, and not the whole evening. One that comes late goes back as far as it
 * must; a correction, which may strike out anything, goes back to the beginning every time.
 */
export class FoldedRun {
  private readonly events: RunEvent[] = [];
  private readonly ids = new Map<string, RunEvent>();
  /** after none, one, two … strides of events in their order */
  private readonly states: RunState[];
  private plain = false;

  /** @param createdAt when the run was opened, ms since 1970 UTC @param stride events between two remembered states */
  constructor(
    private readonly plan: RunPlan,
    private readonly createdAt: number,
    private readonly stride = USUAL_STRIDE,
  ) {
    this.states = [newRunState(createdAt)];
  }

  /** How many events it has. */
  get size(): number {
    return this.events.length;
  }

  /** Takes events in, in any order. One that is known already is passed over. */
  add(events: readonly RunEvent[]): void {
    for (const event of events) {
      const known = this.ids.get(event.id);
      if (known && inOrder(known, event) === 0) continue;
      if (known || event.type === "correction") this.plain = true;
      this.ids.set(event.id, event);
      const place = this.placeOf(event);
      this.events.splice(place, 0, event);
      const sound = Math.floor(place / this.stride) + 1;
      if (this.states.length > sound) this.states.length = sound;
    }
  }

  /**
   * The run at an instant.
   * @param now ms since 1970 UTC; events after it do not count yet
   * @param more events that are looked at with the others and not taken in
   */
  at(now: number, more: readonly RunEvent[] = []): RunView {
    const last = Math.max(this.events.at(-1)?.at ?? -Infinity, ...more.map((e) => e.at));
    const strange =
      more.some((e) => e.type === "correction" || this.ids.has(e.id)) ||
      new Set(more.map((e) => e.id)).size < more.length;
    if (this.plain || strange || now < last)
      return runAt(this.plan, [...this.events, ...more], this.createdAt, now);
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
    const since = [...this.events.slice(strides * this.stride), ...more];
    if (more.length > 0) since.sort(inOrder);
    return viewOf(advance(copyOfState(this.states[strides]!), this.plan, since), this.plan, now);
  }

  /** Where an event belongs among those that are here. */
  private placeOf(event: RunEvent): number {
    return placeAmong(this.events, (e) => inOrder(e, event) <= 0);
  }
}
