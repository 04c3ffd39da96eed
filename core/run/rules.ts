import { VENT_MINUTES } from "../schedule/index.ts";

/** Rules that are said in more than one place, each in one form. */

/** USDA 2015, Guide 1, from memory: ten minutes of steady steam without a break. */
export const VENT_FALTERS = `If the steam is not steady, the ${VENT_MINUTES} minutes start over.`;
