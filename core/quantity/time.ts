/** A minute in ms: instants and lengths of time are in ms throughout. */
export const MINUTE_MS = 60_000;

/** An hour in ms. */
export const HOUR_MS = 60 * MINUTE_MS;

/** 24 hours in ms. Twice a year a day of the calendar is longer or shorter: `core/calendar` knows those. */
export const DAY_MS = 24 * HOUR_MS;
