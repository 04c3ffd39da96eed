import type { RunEvent, RunEventType } from "../event.ts";

/** When the runs of these tests are opened, ms since 1970 UTC. */
export const T0 = Date.UTC(2026, 10, 20, 9);
const MIN = 60_000;
/** An instant by its minute from T0, ms since 1970 UTC. */
export const at = (minute: number): number => T0 + minute * MIN;

/** Something that is said at a minute from T0. */
export type Line = readonly [minute: number, type: RunEventType, more?: Partial<RunEvent>];

/** Events in the order they are told. */
export const tell = (lines: readonly Line[]): RunEvent[] =>
  lines.map(([m, type, more], i) => ({ id: `e${i}`, at: at(m), seq: i, type, ...more }));

// The course of a good run, each stage with all that came before it.
export const lit: Line[] = [[0, "heat-on"]];
export const steady: Line[] = [...lit, [12, "steam-steady"]];
export const weightOn: Line[] = [...steady, [22, "weight-on"]];
export const atPressure: Line[] = [...weightOn, [26, "at-target"]];
export const timeUp: Line[] = [
  ...atPressure,
  ...[36, 46, 56, 66, 76, 86, 96].map((m): Line => [m, "at-target"]),
];
export const cooling: Line[] = [...timeUp, [102, "heat-off"]];
export const signs: Line[] = [...cooling, [130, "pressure-zero"], [130, "lock-down"]];
export const settling: Line[] = [...signs, [131, "weight-off"]];
export const unloading: Line[] = [...settling, [142, "lid-off"]];
export const resting: Line[] = [...unloading, [143, "unloaded"]];
