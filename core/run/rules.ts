/** Rules that are said in more than one place, each in one form. */

/** USDA 2015, Guide 1, from memory: ten minutes of steady steam without a break. */
export const VENT_FALTERS = "If the steam falters, the 10 minutes start over.";
