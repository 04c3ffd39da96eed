/** Steps of the work, in the order people do them. */
export const STAGES = [
  "harvest",
  "cold",
  "cutting",
  "planning",
  "packing",
  "exhausting",
  "seaming",
  "equipment",
  "heat-up",
  "venting",
  "come-up",
  "processing",
  "cool-down",
  "unloading",
  "rest",
  "storing",
  "opening",
  "recall",
  "records",
] as const;
export type Stage = (typeof STAGES)[number];

/** What could come of it: food that makes ill or kills, somebody hurt, food lost for nothing, or a record that is not true. */
export const HARMS = ["unsafe food", "injury", "lost food", "false record"] as const;
export type Harm = (typeof HARMS)[number];

/** Who or what could bring it about. */
export const ACTORS = ["a person", "an instrument", "a second device", "a clock", "another program"] as const;
export type Actor = (typeof ACTORS)[number];

/** 3: can kill or maim. 2: makes ill, or loses a day's food. 1: costs time or a detail of the record. */
export type Severity = 1 | 2 | 3;

/** One way this program could lead to harm, and what stands in its way. */
export interface Hazard {
  stage: Stage;
  cause: string;
  actor: Actor;
  harm: Harm;
  severity: Severity;
  /** the one guard, as `file#function` */
  guard: string;
  /** what the person sees */
  sees: string;
  /** tests that fail when the guard is taken away, as `file: title`, the title as it stands in the file */
  tests: readonly string[];
}

/** A row of the log as it is written: what does not change from row to row of a stage is given once. */
export type Row = readonly [
  cause: string,
  actor: Actor,
  harm: Harm,
  severity: Severity,
  guard: string,
  sees: string,
  ...tests: string[],
];

/** Returns the rows of one stage of the work as hazards, in the order given. */
export function hazardsOf(stage: Stage, rows: readonly Row[]): Hazard[] {
  return rows.map(([cause, actor, harm, severity, guard, sees, ...tests]) => ({
    stage,
    cause,
    actor,
    harm,
    severity,
    guard,
    sees,
    tests,
  }));
}
