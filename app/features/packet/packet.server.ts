import { Refused } from "#store/db";
import { addDays } from "#core/calendar";
import { figureText } from "#core/guide";
import { countOf, formatAltitude, formatPressure, kPaFromPsi } from "#core/quantity";
import { containerName, productName } from "#core/schedule";
import { listOffices, rowStandings } from "#store/guide";
import { calendarOf } from "#store/household";
import {
  gaugeTestsIn,
  holdsIn,
  recallsIn,
  runsIn,
  sealerTestsIn,
  signedIn,
  type SealerTested,
  type Span,
} from "#store/packet";
import { getRecall, wordsOfRecall } from "#store/recall";
import { getRun } from "#store/run";
import { headsOf, headText, recordedKeys } from "#store/witness";
import { standingWords } from "../../words/guide";
import { filledLoadWords } from "../../words/load";
import { DOUBT_WORDS } from "../../words/recall";
import { clockTime, dayWords, longDay, timesOf, type Times } from "../../words/time";
import type { Home } from "../../server/context";
import { processRecord, type ProcessRecord } from "../record/record.server";

/** One table of the packet: on paper, and as a CSV file of that name. */
export interface PacketTable {
  key: string;
  title: string;
  columns: readonly string[];
  rows: readonly (readonly string[])[];
}

/** Everything a season's packet holds, in the order it is read. */
export interface Packet {
  household: string;
  /** `July 1, 2026 to November 28, 2026` */
  span: string;
  tables: PacketTable[];
  records: ProcessRecord[];
}

/** A packet is asked for by its first and last day, `2026-07-01`. */
export interface PacketAsked {
  from: string;
  to: string;
}

const MOST_YEARS = 10;

/**
 * Returns the span of a packet, from the beginning of its first day to the end of its last. Throws Refused when the days
 * are the wrong way round, or more than ten years apart.
 */
export function packetSpan({ larder }: Pick<Home, "larder">, { from, to }: PacketAsked): Span {
  if (to < from) throw new Refused({ to: "The last day comes before the first." });
  const most = `${Number(from.slice(0, 4)) + MOST_YEARS}${from.slice(4)}`;
  if (to >= most) throw new Refused({ to: `A packet covers at most ${MOST_YEARS} years. Make several.` });
  const calendar = calendarOf(larder);
  return { from: calendar.startOf(from), to: calendar.startOf(addDays(to, 1)) };
}

/** Blank is blank: nothing is put where nothing was recorded. */
const orBlank = (text: string | null | undefined) => text ?? "";

const KNOWN = { pin: "PIN", chosen: "only chosen by name" } as const;

/** Lets everybody else be heard: a packet is long work, and a canner does not wait for it. */
export const giveWay = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Returns a season's packet. Throws Refused as `packetSpan`. */
export async function packetOf(home: Home, asked: PacketAsked): Promise<Packet> {
  const { larder, household } = home;
  const span = packetSpan(home, asked);
  const times = timesOf(household);
  const records: ProcessRecord[] = [];
  for (const id of runsIn(larder, span)) {
    records.push(processRecord(home, id));
    await giveWay();
  }
  return {
    household: household.name,
    span: `${dayWords(asked.from, times)} to ${dayWords(asked.to, times)}`,
    tables: [
      runsTable(home, span, times),
      signedTable(home, span, times),
      gaugeTable(home, span, times),
      sealerTable(home, span, times),
      rowsTable(home, times),
      officesTable(home, times),
      holdsTable(home, span, times),
      recallsTable(home, span, times),
      headsTable(home),
    ],
    records,
  };
}

const at = (instant: number | null, times: Times) =>
  instant === null ? "" : `${longDay(instant, times)} ${clockTime(instant, times)}`;

function runsTable({ larder, household }: Home, span: Span, times: Times): PacketTable {
  return {
    key: "runs",
    title: "Canner runs",
    columns: ["Run", "Opened", "Canner", "Load", "Minutes", "Pressure", "Result", "Compared with a guide"],
    rows: runsIn(larder, span).map((id) => {
      const run = getRun(larder, id);
      const { outcome } = run.view;
      const confirmed = run.schedule.governing.each.filter((p) => p.confirmation).length;
      return [
        run.code,
        at(run.openedAt, times),
        run.cannerName,
        filledLoadWords(run.packs, run.plan.fillers),
        String(run.plan.minutes),
        formatPressure(run.plan.floorKPa, household.units),
        outcome === "processed" ? "processed" : outcome === "not-processed" ? "not processed" : "not over",
        `${confirmed} of ${countOf(run.schedule.governing.each.length, "pack")}`,
      ];
    }),
  };
}

function signedTable({ larder }: Home, span: Span, times: Times): PacketTable {
  return {
    key: "signed",
    title: "Deviations, and what went ahead anyway",
    columns: ["When", "Pack or run", "What", "Why", "Signed by", "Known by"],
    rows: signedIn(larder, span).map((s) => [
      at(s.at, times),
      s.code,
      s.what,
      orBlank(s.reason),
      orBlank(s.byName),
      s.known ? KNOWN[s.known] : "",
    ]),
  };
}

function gaugeTable({ larder, household: { units } }: Home, span: Span, times: Times): PacketTable {
  const error = (kPa: number) =>
    kPa === 0 ? "true" : `${formatPressure(Math.abs(kPa), units)} ${kPa > 0 ? "high" : "low"}`;
  return {
    key: "gauge-tests",
    title: "Tests of dial gauges",
    columns: ["When", "Canner", "Reads", "Tested at", "Tested by", "Against", "Recorded by"],
    rows: gaugeTestsIn(larder, span).map((g) => [
      at(g.at, times),
      g.canner,
      error(g.errorKPa),
      g.atKPa === null ? "" : formatPressure(g.atKPa, units),
      orBlank(g.testedBy),
      orBlank(g.against),
      orBlank(g.byName),
    ]),
  };
}

function sealerWords({ event }: SealerTested): [what: string, size: string, against: string] {
  switch (event.kind) {
    case "set-up":
      return [
        `Setup test ${event.passed ? "passed" : "failed"}${event.sheet ? "" : ", by eye"}`,
        containerName(event.container),
        event.limits ? event.limits.source : "",
      ];
    case "measured":
      return ["Closed can measured", containerName(event.container), event.limits.source];
    case "jam":
      return ["Jam", "", ""];
    case "adjusted":
      return ["Adjusted", "", ""];
    case "stopped":
      return [`Stopped: ${event.reason}`, "", ""];
  }
}

function sealerTable({ larder }: Home, span: Span, times: Times): PacketTable {
  return {
    key: "sealer-tests",
    title: "Sealer: setup tests and measured cans",
    columns: ["When", "Sealer", "What", "Can", "Against the limits of", "Note", "By"],
    rows: sealerTestsIn(larder, span).map((s) => [
      at(s.at, times),
      s.sealer,
      ...sealerWords(s),
      orBlank(s.note),
      orBlank(s.byName),
    ]),
  };
}

/** How the rows stand now: a confirmation holds until the table or the guide changes. */
function rowsTable({ larder }: Home, times: Times): PacketTable {
  return {
    key: "table-rows",
    title: "Process tables compared with the household's own guide",
    columns: ["Row", "Now", "By", "On", "Guide", "Page", "Differs"],
    rows: rowStandings(larder).flatMap((s) =>
      s.current.map((c) => [
        productName(s.product),
        standingWords(s),
        c.byName,
        longDay(c.at, times),
        `${c.guide.title}, ${c.guide.edition}`,
        c.page,
        [...s.own, ...s.kept, ...s.open]
          .filter((d) => (c.typed[d.asked.key] ?? null) === d.theirs)
          .map(
            (d) => `${d.asked.label}: ${figureText(d.asked, d.theirs)}, table ${figureText(d.asked, d.ours)}`,
          )
          .join("; "),
      ]),
    ),
  };
}

function officesTable({ larder, household: { units } }: Home, times: Times): PacketTable {
  return {
    key: "office-schedules",
    title: "Schedules of extension offices",
    columns: ["Office", "Given on", "For", "Minutes", "Pressure", "Up to", "Used until", "Entered by"],
    rows: listOffices(larder).map((o) => [
      o.office,
      dayWords(o.givenOn, times),
      `${productName(o.product)}, ${o.method} pack, ${containerName(o.container)}`,
      String(o.minutes),
      `${formatPressure(kPaFromPsi(o.pressurePsi), units)} ${o.gauge}`,
      formatAltitude(o.altitudeM, units),
      o.over ? "not used any more" : dayWords(o.goodUntil, times),
      o.byName,
    ]),
  };
}

function holdsTable({ larder }: Home, span: Span, times: Times): PacketTable {
  return {
    key: "holds",
    title: "Holds, and how they were released",
    columns: ["Since", "Animal or lot", "Why", "By", "Released", "Released by", "Reason"],
    rows: holdsIn(larder, span).map((h) => [
      at(h.at, times),
      h.code,
      h.condition,
      orBlank(h.byName),
      at(h.releasedAt, times),
      orBlank(h.releasedBy),
      orBlank(h.reason),
    ]),
  };
}

function recallsTable({ larder }: Home, span: Span, times: Times): PacketTable {
  return {
    key: "recalls",
    title: "Recalls",
    columns: [
      "When",
      "Began with",
      "Why",
      "They share",
      "Set aside",
      "Still",
      "Released",
      "Told and answered",
    ],
    rows: recallsIn(larder, span).map((id) => {
      const r = getRecall(larder, id);
      return [
        at(r.at, times),
        r.code,
        r.reason,
        r.doubts.map((d) => DOUBT_WORDS[d].name.toLowerCase()).join(", "),
        String(r.count),
        String(r.still),
        r.lifts.map((l) => `${l.code ?? "all"}: ${l.reason} (${l.byName})`).join("; "),
        wordsOfRecall(larder, id)
          .map((w) => `${longDay(w.at, times)} ${w.recipient} ${w.kind}: ${w.words} (${w.byName})`)
          .join("; "),
      ];
    }),
  };
}

/** What the whole history is known by: somebody who holds this paper can tell later whether any of it was changed. */
function headsTable({ larder }: Home): PacketTable {
  const keys = recordedKeys(larder.sqlite);
  const log = headsOf(larder.sqlite).find((h) => h.chain === "audit");
  return {
    key: "history",
    title: "History code of the activity log",
    columns: ["Code", "Hash", "Signed by key"],
    rows: log ? [[headText(log), log.hash, orBlank(keys.at(-1))]] : [],
  };
}
