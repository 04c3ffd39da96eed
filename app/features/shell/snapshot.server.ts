import { uncutHarvests } from "#store/harvest";
import { activeRuns, packsToLoad, type RunRecord } from "#store/run";
import {
  pendingDispositions,
  restingRuns,
  undecided,
  type Promised,
  type Resting,
  type Undecided,
} from "#store/rest";
import { shelfGlance, toShelve, type ShelfGlance, type Shelved } from "#store/shelf";
import { cansWaiting, type CanNow } from "#store/seam";
import { lotsInStock, type Lot } from "#store/lot";
import { packsWaiting, type Pack } from "#store/pack";
import { dataVersion, memoize, type Larder } from "#store/db";
import type { Home } from "../../server/context";

/** What stands where at the moment of a request. */
export interface Snapshot extends Standing {
  now: number;
  runs: RunRecord[];
}

/** What changes only when something is written down, or with the hours. */
interface Standing {
  resting: Resting[];
  open: Undecided[];
  /** chilled, or waiting to be packed anew, soonest first */
  owed: Promised[];
  lots: Lot[];
  waiting: Pack[];
  shelf: ShelfGlance;
  ready: Shelved[];
  /** cans not in a canner yet */
  cans: CanNow[];
  /** animals and catches nobody has begun to cut */
  uncut: number;
  /** when the first container was filled that still waits for heat, ms; null when none does */
  filledAt: number | null;
}

/** What goes by the hour (days that are over, best-by) is at most so old, ms. */
const HOUR_OLD_MS = 30_000;

/**
 * Returns what stands where now. Runs are as of this moment; the rest is read again when anything was written down since
 * it was last asked for, and at least every 30 seconds of the larder's clock.
 */
export function snapshotOf(larder: Larder): Snapshot {
  const now = larder.now();
  const runs = activeRuns(larder);
  const stamp = `${dataVersion(larder)} ${Math.floor(now / HOUR_OLD_MS)}`;
  return { ...memoize(larder, "snapshot", stamp, () => standing(larder, runs, now)), now, runs };
}

function standing(larder: Larder, runs: RunRecord[], now: number): Standing {
  const resting = restingRuns(larder, runs);
  const waiting = packsWaiting(larder);
  const unheated = packsToLoad(larder, waiting).filter((p) => p.heatedAt === null);
  return {
    resting,
    open: undecided(larder, resting),
    owed: pendingDispositions(larder),
    lots: lotsInStock(larder),
    waiting,
    shelf: shelfGlance(larder, now),
    ready: toShelve(larder),
    cans: cansWaiting(larder),
    uncut: uncutHarvests(larder),
    filledAt: unheated.length > 0 ? Math.min(...unheated.map((p) => p.filledAt)) : null,
  };
}

const byRequest = new WeakMap<object, Snapshot>();

/** Returns the snapshot of a request: the same one for its page and everything around it. */
export function snapshot({ larder, context }: Pick<Home, "larder" | "context">): Snapshot {
  const before = byRequest.get(context);
  if (before) return before;
  const taken = snapshotOf(larder);
  byRequest.set(context, taken);
  return taken;
}
