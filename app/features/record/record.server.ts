import {
  MINUTE_MS,
  countOf,
  formatAltitude,
  formatDuration,
  formatMass,
  formatPressure,
  kPaFromPsi,
  type UnitSystem,
} from "#core/quantity";
import {
  OWN_DIAL,
  effectiveEvents,
  floorOn,
  minProcessKPa,
  standingOf,
  type RunEvent,
  type RunView,
  type RunPlan,
} from "#core/run";
import { getCanner } from "#store/equipment";
import { getRun, type RunRecord } from "#store/run";
import { headLong, headOf, headText, recordedKeys } from "#store/witness";
import { fillersWords, packWords } from "../../words/load";
import {
  minutesWords,
  servedMinutes,
  aimWords,
  deviationWords,
  eventWords,
  heardWords,
  lookedAt,
  standingWords,
  unobservedWords,
} from "../../words/run";
import { sourceWords } from "../../words/guide";
import { clockSeconds, clockTime, longDay, type Times, timesOf } from "../../words/time";
import type { Home } from "../../server/context";

/** One line of the record: what, and what of it. */
export interface RecordLine {
  label: string;
  text: string;
}

/** Everything a process record says, in the order it is read. */
export interface ProcessRecord {
  code: string;
  title: string;
  household: string;
  verdict: string;
  processed: boolean;
  parts: { title: string; lines: RecordLine[] }[];
  deviations: string[];
  /** everything people said, in order */
  events: { at: string; what: string; by: string; struck: boolean }[];
  /** what gauges sent, each gauge in one line */
  gauges: string[];
  trace: PressureTrace;
  history: HistoryCode | null;
}

/** What a record's history is known by on paper. */
export interface HistoryCode {
  /** for people, for example `R3T-7/41/7K3M9-2XQ4T-8HNWP-A6C2D` */
  text: string;
  /** the same with the whole hash, for the QR code */
  long: string;
  /** fingerprint of the key that signs this larder's history; null before its first backup */
  key: string | null;
}

/** The history code of a chain as it is now; null when nothing was written to it. @param chain id of a run, or `audit` */
export function historyCode({ larder }: Pick<Home, "larder">, chain: string): HistoryCode | null {
  const head = headOf(larder.sqlite, chain);
  const key = recordedKeys(larder.sqlite).at(-1) ?? null;
  return head && { text: headText(head), long: headLong(head), key };
}

/** Pressure over the run for drawing: instants in ms since 1970 UTC, true kPa, less what the dial is known to read high. */
export interface PressureTrace {
  points: { at: number; kPa: number }[];
  from: number;
  to: number;
  floorKPa: number;
  /** stretches at pressure, and whether the time was served */
  attempts: { from: number; to: number; served: boolean }[];
  /** where a stage began */
  marks: { at: number; name: string }[];
  times: Times;
  units: UnitSystem;
}

/** The process record of a run. */
export function processRecord({ larder, household }: Home, code: string): ProcessRecord {
  const run = getRun(larder, code);
  const { view, plan } = run;
  const times = timesOf(household, run.zone);
  const { units } = household;
  const canner = getCanner(larder, run.cannerId);
  const test = canner.checks.find((c) => c.at <= run.openedAt);
  const governing = run.schedule.governing;
  const at = (instant: number | null) => (instant === null ? "not recorded" : clockSeconds(instant, times));
  const effective = effectiveEvents(run.events);
  const first = (type: RunEvent["type"]) => effective.find((e) => e.type === type)?.at ?? null;
  const weightOn = first("weight-on");
  const start = view.attempts[0]?.startedAt ?? null;
  const served = view.attempts.at(-1);
  const notObserved = unobservedWords(served?.unobserved ?? [], times);
  const line = (label: string, text: string): RecordLine => ({ label, text });
  const dial = !canner.hasDial
    ? "No dial; the weight governs."
    : test
      ? `Dial tested ${longDay(test.at, times)}: ${
          test.errorKPa === 0
            ? "reads true"
            : `reads ${formatPressure(Math.abs(test.errorKPa), units)} ${test.errorKPa > 0 ? "high" : "low"}`
        }${floorOn(plan, OWN_DIAL) > minProcessKPa(plan) ? "; the chart shows the reading minus that" : ""}.`
      : "The dial's test is not recorded.";
  const people = [...new Set(run.events.flatMap((e) => (e.by ? [e.by] : [])))];
  return {
    code: run.code,
    title: `Process record ${run.code}`,
    household: household.name,
    verdict: verdictOf(view, plan),
    processed: view.outcome === "processed",
    parts: [
      {
        title: "Load",
        lines: [
          ...run.packs.map((p) =>
            line(
              `Pack ${p.code}`,
              `${packWords(p)}, ${p.method} pack, ${formatMass(p.massKg, units)}, from lot ${p.lots.map((l) => l.code).join(", ")}`,
            ),
          ),
          ...(plan.fillers?.length
            ? [line("Fills up the canner", `${fillersWords(plan.fillers)}, not stock`)]
            : []),
          ...governing.conditions
            .filter((c) => run.schedule.confirmed?.includes(c.key))
            .map((c) => line("Confirmed before lighting", c.confirm)),
          line(
            "Canner",
            `${run.cannerName}${run.cannerQuarts === null ? "" : `, ${run.cannerQuarts} quarts`}`,
          ),
        ],
      },
      {
        title: "Schedule",
        lines: [
          line("Time", `${minutesWords(plan, "minutes")} at pressure in one stretch`),
          line(
            "Pressure",
            `${formatPressure(plan.floorKPa, units)} or more on ${plan.governs === "dial" ? "this dial" : "the weight"} (${formatPressure(kPaFromPsi(governing.target.truePsi), units)} true), held at ${aimWords(plan, units)}`,
          ),
          line("Altitude", formatAltitude(run.schedule.altitudeM, units)),
          line(
            "Source",
            `${sourceWords(governing.each[governing.governedBy]!, times)} Tables ${run.schedule.edition}`,
          ),
        ],
      },
      {
        title: "Gauge and equipment",
        lines: [
          line("Gauge", dial),
          ...(served ? [line("Process time started by", instrumentsWords(run, served.seenBy, units))] : []),
          ...(run.gaugeSignedReason ? [line("Went ahead anyway", run.gaugeSignedReason)] : []),
          line("Looked at", lookedAt(run.checks)),
          ...(run.equipmentSignedReason ? [line("Went ahead anyway", run.equipmentSignedReason)] : []),
          line("Inside", view.confirmed.size?.text ?? "no one confirmed what was inside"),
        ],
      },
      {
        title: "Steps",
        lines: [
          line("Day", longDay(run.openedAt, times)),
          line("Burner lit", at(view.burnerLitAt)),
          line(
            "Vent",
            `steady from ${at(first("steam-steady"))}, full ${plan.ventMinutes} minutes at ${at(view.vent.doneAt)}, weight on ${at(weightOn)}`,
          ),
          line(
            "Come-up",
            start !== null && weightOn !== null && start >= weightOn
              ? formatDuration((start - weightOn) / 1000)
              : "not recorded",
          ),
          line("At pressure from", withHeard(at(served?.startedAt ?? null), served ?? {}, times)),
          line("Time was up", at(view.completedAt)),
          line("Started over", countOf(view.restarts, "time")),
          line("Checked while at pressure", looksWords(run)),
          ...(notObserved ? [line("Not checked", notObserved)] : []),
          line("Heat off", at(view.heatOffAt)),
          line("Pressure down", at(view.zeroAt)),
          line("Lock dropped", at(view.lockDownAt)),
          line("Weight off, lid off", `${at(view.weightOffAt)}, ${at(view.lidOffAt)}`),
          line("On the towel", at(view.unloadedAt)),
          ...siphoned(
            view,
            run.packs.reduce((n, p) => n + p.count, 0),
          ),
          line("By", people.length ? people.join(", ") : "not recorded"),
        ],
      },
    ],
    deviations: [
      ...view.deviations.map((d) => deviationWords(d, plan, units, times)),
      ...run.signedFor.map((d) => `Went ahead anyway: ${d.what}. ${d.reason ?? ""}`.trim()),
    ],
    events: [...run.events]
      .filter((e) => e.source === undefined)
      .sort((a, b) => a.at - b.at || a.seq - b.seq)
      .map((e) => ({
        at: clockSeconds(e.at, times),
        what: withHeard(eventWords(e, units), e, times),
        by: e.by ?? "",
        struck: run.events.some((c) => c.corrects === e.id),
      })),
    gauges: gaugeLines(run.events, units, times),
    trace: traceOf(run, units, times),
    history: historyCode({ larder }, run.id),
  };
}

/** Both instants, where something was heard later than it happened. */
function withHeard(text: string, e: Parameters<typeof heardWords>[0], times: Times): string {
  const heard = heardWords(e, times);
  return heard ? `${text} (${heard})` : text;
}

/** What was recorded of the process time, and no more than that. */
function verdictOf(view: RunView, plan: RunPlan): string {
  if (view.outcome === "not-processed")
    return `Not processed: the full ${plan.minutes} minutes at pressure were not reached.`;
  if (view.outcome !== "processed") return "Under way.";
  const over = view.restarts > 0 ? `, after the timer started over ${countOf(view.restarts, "time")}` : "";
  const unwatched = view.deviations.filter((d) => d.kind === "unwatched").length;
  return `The last ${servedMinutes(view, plan)} minutes in one stretch: no look was below the minimum pressure${over}.${
    unwatched > 0 ? ` ${countOf(unwatched, "time")} nobody looked for longer than the limit.` : ""
  }`;
}

/** How often somebody or something looked at the pressure in the stretch that counted, and the longest time between. */
function looksWords({ view, events, plan }: RunRecord): string {
  const last = view.attempts.at(-1);
  if (!last) return "never";
  const until = view.completedAt ?? last.endedAt ?? last.lastAtTarget;
  const seen = effectiveEvents(events).filter(
    (e) => LOOKS.has(e.type) && e.at >= last.startedAt && e.at <= until,
  );
  const looks = seen.map((e) => e.at);
  const sent = seen.filter((e) => e.source !== undefined).length;
  const read = seen.filter((e) => e.source === undefined && e.type === "reading").length;
  const kinds = [
    [read, "read off the dial"],
    [sent, "sent by a gauge"],
    [seen.length - read - sent, "without a figure"],
  ] as const;
  const how = kinds.flatMap(([n, what]) => (n > 0 ? [`${n.toLocaleString("en")} ${what}`] : [])).join(", ");
  const gaps = [...looks, until].map((at, i, all) => at - (i === 0 ? last.startedAt : all[i - 1]!));
  const longest = Math.max(0, ...gaps);
  const limit = longest > plan.unwatchedLimitS * 1000 ? ", longer than the limit" : "";
  return `${countOf(looks.length, "time")}${how && ` (${how})`}; longest time between looks ${formatDuration(longest / 1000)}${limit}`;
}

const LOOKS: ReadonlySet<RunEvent["type"]> = new Set([
  "reading",
  "at-target",
  "weight-rocking",
  "jiggles",
  "too-high",
]);

/** What was said of each container as it came out; those nobody said anything of are counted as such. */
function siphoned({ out }: RunView, count: number): RecordLine[] {
  if (out.length === 0) return [];
  const seen = out.filter((o) => o.siphoned !== null);
  const lost = seen.filter((o) => o.siphoned !== "none");
  const unseen = Math.max(0, count - seen.length);
  const text = [
    ...lost.map((o) => `${o.container} lost ${o.siphoned === "half" ? "half or more" : "some"}`),
    seen.length > lost.length ? `${seen.length - lost.length} of ${count} recorded as full` : "",
    unseen > 0 ? `${unseen} of ${count} not looked at` : "",
  ]
    .filter(Boolean)
    .join("; ");
  return [
    { label: "Out in this order", text: out.map((o) => o.container).join(" ") },
    { label: "Liquid", text },
  ];
}

/** `Probe 3: 7,214 readings from 14:02 to 16:20, lowest 12.1 lb at pressure.` */
function gaugeLines(events: readonly RunEvent[], units: UnitSystem, times: Times): string[] {
  const names = [...new Set(events.flatMap((e) => (e.source === undefined ? [] : [e.source])))];
  return names.map((name) => {
    const mine = events
      .filter((e) => e.source === name && e.gaugeKPa !== undefined)
      .sort((a, b) => a.at - b.at);
    if (mine.length === 0) return `${name}: no pressure.`;
    const high = Math.max(...mine.map((e) => e.gaugeKPa!));
    return `${name}: ${countOf(mine.length, "reading")} from ${clockTime(mine[0]!.at, times)} to ${clockTime(mine.at(-1)!.at, times)}, highest ${formatPressure(high, units)}.${doubted(mine)} Every one is in the trace and in the list of readings.`;
  });
}

/** Readings by a clock that is doubted, counted; nothing when there are none. */
function doubted(mine: readonly RunEvent[]): string {
  const n = mine.filter((e) => e.knownBy === "doubted").length;
  return n === 0
    ? ""
    : ` ${countOf(n, "reading")} came by a clock that is doubted and ${n === 1 ? "counts" : "count"} from when ${n === 1 ? "it" : "they"} arrived.`;
}

function traceOf(run: RunRecord, units: UnitSystem, times: Times): PressureTrace {
  const { view, plan } = run;
  const effective = effectiveEvents(run.events);
  const readings = effective.filter((e) => e.gaugeKPa !== undefined && e.type === "reading");
  const floorKPa = minProcessKPa(plan);
  const points = readings.map((e) => ({
    at: e.at,
    kPa: e.gaugeKPa! - (floorOn(plan, e.source ?? OWN_DIAL) - floorKPa),
  }));
  const to = view.lidOffAt ?? view.unloadedAt ?? effective.at(-1)?.at ?? run.openedAt;
  const mark = (at: number | null, name: string) => (at === null ? [] : [{ at, name }]);
  return {
    points,
    from: view.burnerLitAt ?? run.openedAt,
    to: Math.max(to, (view.burnerLitAt ?? run.openedAt) + MINUTE_MS),
    floorKPa,
    attempts: view.attempts.map((a) => ({
      from: a.startedAt,
      to: a.endedAt ?? view.completedAt ?? a.lastAtTarget,
      served: a.endedBy === undefined && view.completedAt !== null,
    })),
    marks: [
      ...mark(effective.find((e) => e.type === "steam-steady")?.at ?? null, "steam"),
      ...mark(effective.find((e) => e.type === "weight-on")?.at ?? null, "weight"),
      ...mark(view.heatOffAt, "heat off"),
      ...mark(view.zeroAt, "down"),
    ],
    times,
    units,
  };
}

/** `the dial (tested, reads true), Probe 3 (sends readings; …)` */
function instrumentsWords(run: RunRecord, names: readonly string[], units: UnitSystem): string {
  const { plan, view } = run;
  const words = names.map((name) => {
    const error = name === OWN_DIAL ? (plan.dial?.errorKPa ?? null) : null;
    return `${name} (${standingWords(standingOf(plan, view.aside, name), error, units)})`;
  });
  return words.join(", ");
}
