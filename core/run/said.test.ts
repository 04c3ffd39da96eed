import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "../quantity/index.ts";
import {
  RUN_EVENT_TYPES,
  samplePlan,
  possibleNext,
  runAt,
  whyNot,
  type RunEvent,
  type RunEventType,
  type RunPhase,
} from "./index.ts";
import {
  T0,
  at,
  atPressure,
  cooling,
  lit,
  resting,
  settling,
  signs,
  steady,
  tell,
  timeUp,
  unloading,
  weightOn,
  type Line,
} from "./testing/course.ts";

// What each thing that can be said does in each stage of a run, and whether somebody at the stove may say it.

const plan = samplePlan({
  floorKPa: kPaFromPsi(12),
  weightKPa: kPaFromPsi(15),
  dial: { standing: "tested", errorKPa: 0 },
});

const see = (lines: Line[], minute: number) => runAt(plan, tell(lines), T0, at(minute));

const LOOKS = "at-target weight-rocking jiggles reading too-high";
const FALLS = "below-target weight-quiet";
const OFF = "cooling, ended-early, not-processed";
const GIVEN_UP = "aborted, aborted, not-processed";

interface Stage {
  name: string;
  lines: Line[];
  minute: number;
  phase: RunPhase;
  /** what somebody at the stove may say, besides what may always be said */
  may: string;
  /** refused with a reason of its own */
  not?: Partial<Record<RunEventType, RegExp>>;
  /** what changes the phase or the outcome, or stays with the run; anything else changes nothing of them */
  does?: Partial<Record<RunEventType, string>>;
}

const STAGES: Stage[] = [
  {
    name: "before the burner is lit",
    lines: [],
    minute: 1,
    phase: "warming",
    may: "heat-on steam-steady reading abort",
    does: { "steam-steady": "venting", "heat-off": OFF, abort: GIVEN_UP },
  },
  {
    name: "lit",
    lines: lit,
    minute: 5,
    phase: "warming",
    may: "steam-steady heat-off reading abort",
    does: { "steam-steady": "venting", "heat-off": OFF, abort: GIVEN_UP },
  },
  {
    name: "steam lost",
    lines: [...steady, [15, "steam-faltered"]],
    minute: 16,
    phase: "venting",
    may: "steam-steady heat-off reading abort",
    not: { "weight-on": /^Steam is not steady\. If the steam is not steady, the 10 minutes start over\.$/ },
    does: { "weight-on": "venting, weight-on-early", "heat-off": OFF, abort: GIVEN_UP },
  },
  {
    name: "venting",
    lines: steady,
    minute: 17,
    phase: "venting",
    may: "steam-faltered heat-off reading abort",
    not: { "weight-on": /^Not yet: 5 min of steady steam to go/ },
    does: { "weight-on": "venting, weight-on-early", "heat-off": OFF, abort: GIVEN_UP },
  },
  {
    name: "vented",
    lines: steady,
    minute: 22.5,
    phase: "venting",
    may: "weight-on heat-off reading abort",
    does: {
      "weight-off": "venting, out-of-place",
      "weight-on": "pressurising",
      "heat-off": OFF,
      abort: GIVEN_UP,
    },
  },
  {
    name: "coming up",
    lines: weightOn,
    minute: 24,
    phase: "pressurising",
    may: `${LOOKS} ${FALLS} heat-off abort`,
    does: {
      reading: "processing",
      "at-target": "processing",
      "weight-rocking": "processing",
      jiggles: "processing",
      "too-high": "processing, over-pressure",
      "heat-off": OFF,
      abort: GIVEN_UP,
    },
  },
  {
    name: "at pressure",
    lines: atPressure,
    minute: 30,
    phase: "processing",
    may: `${LOOKS} ${FALLS} heat-off abort`,
    does: {
      "below-target": "pressurising, below-target",
      "too-high": "processing, over-pressure",
      "heat-off": OFF,
      abort: GIVEN_UP,
      // The dial alone saw the time begin.
      "gauge-aside": "pressurising, gauge-aside",
    },
  },
  {
    name: "time up",
    lines: timeUp,
    minute: 101.5,
    phase: "processing",
    may: `${LOOKS} heat-off abort`,
    does: { "too-high": "processing, over-pressure", "heat-off": "cooling", abort: GIVEN_UP },
  },
  {
    name: "cooling",
    lines: cooling,
    minute: 110,
    phase: "cooling",
    may: "pressure-zero lock-down reading abort",
    not: { "weight-off": /^Leave the weight on until the gauge reads zero and the lock has dropped\.$/ },
    does: { "weight-off": "settling, weight-off-early", abort: GIVEN_UP },
  },
  {
    name: "cooling with the lock down",
    lines: [...cooling, [120, "lock-down"]],
    minute: 121,
    phase: "cooling",
    may: "pressure-zero lock-down reading abort",
    not: { "weight-off": /^Leave the weight on until the gauge reads zero\.$/ },
    does: { "weight-off": "settling, weight-off-early", abort: GIVEN_UP },
  },
  {
    name: "cooling with the gauge at zero",
    lines: [...cooling, [120, "pressure-zero"]],
    minute: 121,
    phase: "cooling",
    may: "pressure-zero lock-down reading abort",
    not: { "weight-off": /^Leave the weight on until the lock has dropped\.$/ },
    does: { "weight-off": "settling, weight-off-early", abort: GIVEN_UP },
  },
  {
    name: "off early",
    lines: [...atPressure, [40, "heat-off"]],
    minute: 45,
    phase: "cooling",
    may: "pressure-zero lock-down heat-on reading abort",
    not: { "weight-off": /^Leave the weight on/ },
    does: {
      "heat-on": "warming, under-way",
      "weight-off": "settling, weight-off-early",
      abort: "aborted, aborted",
    },
  },
  {
    name: "zero and lock",
    lines: signs,
    minute: 130.5,
    phase: "cooling",
    may: "weight-off pressure-zero lock-down reading abort",
    does: { "weight-off": "settling", abort: GIVEN_UP },
  },
  {
    name: "weight off",
    lines: settling,
    minute: 135,
    phase: "settling",
    may: "reading abort",
    not: { "lid-off": /^Leave the lid for 6 min more\.$/ },
    does: { "lid-off": "unloading, lid-off-early", abort: GIVEN_UP },
  },
  {
    name: "ten minutes with the weight off",
    lines: settling,
    minute: 141,
    phase: "settling",
    may: "lid-off reading abort",
    does: { "lid-off": "unloading", abort: GIVEN_UP },
  },
  {
    name: "unloading",
    lines: unloading,
    minute: 142.5,
    phase: "unloading",
    may: "container-out unloaded reading abort",
    does: { unloaded: "resting", abort: GIVEN_UP },
  },
  {
    name: "resting",
    lines: resting,
    minute: 200,
    phase: "resting",
    may: "container-out reading",
    not: { checked: /^They rest 11 h 3 min more/, abort: /^This run is over and cannot be stopped/ },
    does: { checked: "checked" },
  },
  {
    name: "rested",
    lines: resting,
    minute: 143 + 720,
    phase: "resting",
    may: "checked container-out reading",
    not: { abort: /^This run is over and cannot be stopped/ },
    does: { checked: "checked" },
  },
  {
    name: "checked",
    lines: [...resting, [870, "checked"]],
    minute: 871,
    phase: "checked",
    may: "",
    not: { abort: /^This run is over and cannot be stopped/, reading: /^This run is over\.$/ },
  },
  {
    name: "stopped",
    lines: [...atPressure, [30, "abort"]],
    minute: 31,
    phase: "aborted",
    may: "",
    not: { abort: /^This run is over and cannot be stopped/, reading: /^This run is over\.$/ },
  },
];

/** May be said of any run at any time. */
const ALWAYS: RunEventType[] = ["note", "handover", "confirmed", "silence", "gauge-aside"];
/** A look that comes when there is nothing to look for. */
const NO_LOOK: RunEventType[] = [
  "at-target",
  "below-target",
  "weight-rocking",
  "weight-quiet",
  "jiggles",
  "reading",
];
/** Said at the wrong time it tells nothing new: nothing is written down of it. */
const SILENT: Partial<Record<RunPhase, RunEventType[]>> = {
  warming: [...NO_LOOK, "heat-on"],
  // A weight that went on too early comes off again, and steam is said twice.
  venting: [...NO_LOOK, "steam-steady", "steam-faltered", "weight-off"],
  pressurising: [...NO_LOOK, "weight-on"],
  processing: [...NO_LOOK, "weight-on"],
  cooling: NO_LOOK,
  settling: NO_LOOK,
  unloading: NO_LOOK,
  resting: NO_LOOK,
};

/** Not said by anybody: the larder notes them of its own clock. */
const OF_THE_CLOCK: RunEventType[] = ["clock-step", "clock-unknown", "clock-known"];
const TYPES = RUN_EVENT_TYPES.filter((t) => t !== "correction");

/** What the event carries, where it has to carry something. */
const MORE: Partial<Record<RunEventType, Partial<RunEvent>>> = {
  reading: { gaugeKPa: kPaFromPsi(13) },
  jiggles: { perMinute: 3 },
};

describe.each(STAGES)("$name", ({ lines, minute, phase, may, not = {}, does = {} }) => {
  const before = see(lines, minute);
  test("is where the run stands", () => expect(before.phase).toBe(phase));
  test.each(TYPES)("%s", (type) => {
    const allowed = ALWAYS.includes(type) || may.split(" ").includes(type);
    const no = whyNot(before, type, plan);
    if (allowed) expect(no).toBeNull();
    else expect(no).toMatch(not[type] ?? /^That does not fit: the run is [a-z ]+\.$/);

    const after = see([...lines, [minute, type, MORE[type]]], minute);
    const stays = after.deviations.slice(before.deviations.length).map((d) => d.kind);
    const said = does[type]?.split(", ");
    if (said) {
      expect(after.phase).toBe(said[0]);
      const rest = [...stays, ...(after.outcome === before.outcome ? [] : [after.outcome])];
      expect(rest).toEqual(said.slice(1));
      return;
    }
    expect(after).toMatchObject({ phase, outcome: before.outcome, completedAt: before.completedAt });
    const over = phase === "checked" || phase === "aborted";
    if (type === "gauge-aside") expect(stays).toEqual([over ? "out-of-place" : "gauge-aside"]);
    else if (type === "too-high") expect(stays).toEqual([over ? "out-of-place" : "over-pressure"]);
    else if (type === "clock-step" || type === "clock-unknown") expect(stays).toEqual([type]);
    else if (ALWAYS.includes(type) || allowed || OF_THE_CLOCK.includes(type)) expect(stays).toEqual([]);
    else expect(stays).toEqual(over || !SILENT[phase]?.includes(type) ? ["out-of-place"] : []);
  });
  test("offers nothing that may not be said, but for the clocks that still run", () => {
    const waits: RunEventType[] = ["lid-off", "checked"];
    for (const type of possibleNext(before))
      if (!waits.includes(type)) expect(whyNot(before, type, plan), type).toBeNull();
  });
});
