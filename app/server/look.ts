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
import type { Home } from "./context";

/** What stands where at the moment of a request. */
export interface Look {
  now: number;
  runs: RunRecord[];
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

const looks = new WeakMap<object, Look>();

/** Looks round once for a request: its page and the row of places above it are drawn from the same look. */
export function lookAround({ larder, context }: Home): Look {
  const before = looks.get(context);
  if (before) return before;
  const runs = activeRuns(larder);
  const resting = restingRuns(larder, runs);
  const look: Look = {
    now: larder.now(),
    runs,
    resting,
    open: undecided(larder, resting),
    owed: pendingDispositions(larder),
    lots: lotsInStock(larder),
    waiting: packsWaiting(larder),
    shelf: shelfGlance(larder, larder.now()),
    ready: toShelve(larder),
    cans: cansWaiting(larder),
    uncut: uncutHarvests(larder),
    filledAt: null,
  };
  const unheated = packsToLoad(larder, look.waiting).filter((p) => p.heatedAt === null);
  if (unheated.length > 0) look.filledAt = Math.min(...unheated.map((p) => p.filledAt));
  looks.set(context, look);
  return look;
}
