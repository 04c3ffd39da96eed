import { z } from "zod";
import { MOST_EXTRA_MINUTES } from "#core/run";

/** How far above the target a run may be held, lb, as chosen when it is loaded. */
export const MARGINS = ["0", "0.5", "1", "2"] as const;

const WHOLE = `Add from 0 to ${MOST_EXTRA_MINUTES} whole minutes.`;
/** Minutes that are added to the scheduled ones, as typed; none when the field is empty. */
export const extraMinutes = z.coerce
  .number(WHOLE)
  .int(WHOLE)
  .min(0, WHOLE)
  .max(MOST_EXTRA_MINUTES, WHOLE)
  .default(0);
