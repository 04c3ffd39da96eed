/** The times of a run sheet as the page asks for them, in the order of the work. */
export const SHEET = [
  ["lit", "Lit"],
  ["steam", "Steam steady"],
  ["weightOn", "Weight on"],
  ["start", "At pressure"],
  ["off", "Heat off"],
  ["zero", "Gauge at zero"],
  ["lock", "Lock down"],
  ["weightOff", "Weight off"],
  ["lid", "Lid off"],
  ["out", "Jars on the towel"],
] as const;
