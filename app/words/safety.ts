/**
 * The safety figures as words, and the sentences that several screens, papers and pages of help share. Each figure stands
 * once, in core with its source; a test finds one that is typed again.
 */
import { FILLED_WAIT_MINUTES, WARM_MINUTES } from "#core/lot";
import { CHILLED_DAYS, FAILED_SEAL_HOURS } from "#core/rest";
import { TIMES_AROUND, VENT_MINUTES } from "#core/schedule";
import { boilMinutes } from "#core/shelf";

/** Steady steam before the weight goes on. */
export const VENT_TIME = `${VENT_MINUTES} minutes`;
/** With the weight off, before the lid. */
export const WAIT_TIME = `${TIMES_AROUND.settle.low} minutes`;
/** On the towel, at least. */
export const REST_TIME = `${TIMES_AROUND.rest.low} hours`;
/** For everything that is done with a failed seal. */
export const DECIDE_TIME = `${FAILED_SEAL_HOURS} hours`;
/** In the refrigerator, once it did not seal. */
export const CHILLED_TIME = `${CHILLED_DAYS} days`;
/** Filled jars before the burner. */
export const FILLED_TIME = `${FILLED_WAIT_MINUTES / 60} hours`;
/** Before it is eaten, at the least. */
export const BOIL_TIME = `${boilMinutes(0)} minutes`;
/** Cooked or cut meat out of the cold. */
export const WARM_TIME = `${WARM_MINUTES / 60} hours`;

export const OPEN_LID_LATER = `Wait ${WAIT_TIME} before you open the lid.`;
export const DECIDE_EACH = `Refrigerate, freeze or reprocess each one within ${DECIDE_TIME}, or throw it out.`;
export const REPROCESS = `reprocess within ${DECIDE_TIME} with new lids, for the full time`;
export const REFRIGERATE = `refrigerate it at once and eat it within ${CHILLED_TIME}`;
export const TOO_LATE_TO_DECIDE = `The ${DECIDE_TIME} are over.`;
