import { MINUTE_MS } from "#core/quantity";

/** Wall and steady clock may differ by this much from one look to the next, ms: clocks are nudged, and nobody minds. */
const NUDGE_MS = 2_000;
/** After a restart the wall clock may differ by this much from what has passed, ms. */
const RESTART_MS = MINUTE_MS;

/** The clocks of a machine. */
export interface MachineClocks {
  /** ms since 1970 UTC; somebody may set it */
  wall(): number;
  /** ms since the machine was started, sleep included; nobody can set it */
  uptime(): number;
  /** another one after each start of the machine */
  boot(): string;
}

/** What is remembered of a clock for the next start of the program. */
export interface RememberedClock {
  larder: number;
  uptime: number;
  boot: string;
}

/** What a clock that was started again is to be held for. `unknown`: nobody can tell what time it is. */
export type ClockStart = "known" | "unknown";

/**
 * A clock that goes by what has passed and not by what the wall clock is set to: a step of the wall clock, forward or back,
 * makes no time pass and none undone. Small nudges forward are followed.
 */
export class SteadyClock {
  private base: number;
  private at: number;
  private stepMs = 0;
  /** Whether what it shows may be relied on. */
  readonly start: ClockStart;

  /**
   * @param remembered the clock as it was last seen, before the program ended; null when it was never
   * @param counting whether something counts on it that was begun before
   */
  constructor(
    private readonly machine: MachineClocks,
    remembered: RememberedClock | null,
    counting: boolean,
    private readonly stepped: (ms: number) => void = () => undefined,
  ) {
    const wall = machine.wall();
    this.at = machine.uptime();
    this.base = wall;
    this.start = "known";
    if (!remembered) return;
    const same = remembered.boot === machine.boot() && this.at >= remembered.uptime;
    // The machine went on while the program did not: what has passed is known whatever the wall clock shows.
    const passed = same ? remembered.larder + (this.at - remembered.uptime) : null;
    if (passed !== null && Math.abs(wall - passed) <= RESTART_MS) return;
    if (passed !== null) this.base = passed;
    // Without power a machine may not know for how long it was off; it was not off for less than nothing.
    else this.base = Math.max(wall, remembered.larder);
    if (counting || wall < remembered.larder - NUDGE_MS) this.start = "unknown";
  }

  /** What the larder's clock shows, ms since 1970 UTC. It never goes back. */
  now(): number {
    const up = this.machine.uptime();
    this.base += Math.max(0, up - this.at);
    this.at = up;
    const apart = this.machine.wall() - this.base;
    if (apart > 0 && apart <= NUDGE_MS) this.base += apart;
    else if (Math.abs(apart - this.stepMs) > NUDGE_MS) {
      this.stepMs = Math.abs(apart) > NUDGE_MS ? apart : 0;
      if (this.stepMs !== 0) this.stepped(this.stepMs);
    }
    return Math.round(this.base);
  }

  /** How far the wall clock stands from this one, ms; 0 while they go together. */
  apartMs(): number {
    this.now();
    return Math.round(this.stepMs);
  }

  /** Goes by another instant from now on: by the wall clock again, or by what somebody says it is. */
  setTo(instant: number): void {
    this.base = instant;
    this.at = this.machine.uptime();
    const apart = this.machine.wall() - instant;
    this.stepMs = Math.abs(apart) > NUDGE_MS ? apart : 0;
  }

  /** What to remember of it. */
  remember(): RememberedClock {
    return { larder: this.now(), uptime: this.at, boot: this.machine.boot() };
  }
}
