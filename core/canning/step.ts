/** Steps of one guided canning, in the order of the work. */
export const STEPS = [
  "jars",
  "lay-out",
  "check",
  "setup-test",
  "thaw",
  "cut",
  "cook",
  "fill",
  "exhaust",
  "load",
  "heat-up",
  "vent",
  "come-up",
  "hold",
  "cool",
  "wait",
  "unload",
  "rest",
  "seals",
  "mark",
  "shelve",
] as const;
export type StepKey = (typeof STEPS)[number];

/** Steps that leave no record of their own: a person says that they are done. */
export const SAID_STEPS = ["lay-out", "cut", "cook", "mark"] as const satisfies readonly StepKey[];
export type SaidStep = (typeof SAID_STEPS)[number];

/** Steps that happen on the burner, which the canner run itself follows. */
export const RUN_STEPS = [
  "heat-up",
  "vent",
  "come-up",
  "hold",
  "cool",
  "wait",
  "unload",
] as const satisfies readonly StepKey[];

/** One step as it stands. */
export interface Step {
  key: StepKey;
  state: "done" | "now" | "later";
  /** thaw and rest: nothing is to be done before this instant, ms since 1970 UTC; null otherwise */
  waitsUntil: number | null;
}
