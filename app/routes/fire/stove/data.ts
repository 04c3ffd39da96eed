import type { RunView } from "#core/run";
import type { stoveData } from "./stove.server";
import type { Said } from "./use-run";

/** What the stove screen is made from. */
export type StoveData = ReturnType<typeof stoveData>;

/** What each part of the stove screen is given. */
export interface Tools {
  data: StoveData;
  view: RunView;
  /** says something; false when the rules refuse it, which is then told */
  say(said: Said): boolean;
}
