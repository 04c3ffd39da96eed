import { desc, eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, Refused, refuse, type Larder, type Write } from "#store/db";
import { appendCheck, listTools, type Tool } from "#store/check";
import type { ContainerKey } from "#core/schedule";
import {
  DIMENSION_NAMES,
  adviceOn,
  judgeSheet,
  limitsFrom,
  outsideBeyond,
  passes,
  sealerStanding,
  sheetProblems,
  type Judged,
  type OutsideMeasures,
  type Plates,
  type Range,
  type SealerEvent,
  type SealerStanding,
  type SeamDimension,
  type SeamLimits,
  type SeamSheet,
} from "#core/seam";
import { sealerEvent, seamLimit } from "../schema/index.ts";
import { getOpenCan } from "./can.ts";

/** Returns the can sealers of the household. */
export function listSealers(larder: Larder): Tool[] {
  return listTools(larder).filter((t) => t.kind === "sealer");
}

/**
 * Returns the sealer a screen begins with: the one asked for, or else the one used last; null when there is none.
 *
 * @param sealers all there are
 */
export function sealerFor(
  larder: Larder,
  asked: string | null,
  sealers: readonly Tool[] = listSealers(larder),
): Tool | null {
  const used = larder.sqlite
    .prepare(
      `select sealer_id from (select sealer_id, at from sealer_event union all select sealer_id, at from can_check)
       where sealer_id is not null order by at desc limit 1`,
    )
    .pluck()
    .get() as string | undefined;
  return sealers.find((s) => s.id === asked) ?? sealers.find((s) => s.id === used) ?? sealers[0] ?? null;
}

export interface SealerRecord {
  id: string;
  at: number;
  event: SealerEvent;
  note: string | null;
  byName: string | null;
}

/** Returns what happened to a sealer, oldest first. */
export function sealerRecords(larder: Larder, sealerId: string): SealerRecord[] {
  const rows = larder.sqlite
    .prepare(
      `select e.id, e.at, e.event, e.note, p.name as byName from sealer_event e left join person p on p.id = e.by_id
       where e.sealer_id = ? order by e.seq`,
    )
    .all(sealerId) as (Omit<SealerRecord, "event"> & { event: string })[];
  return rows.map((r) => ({ ...r, event: JSON.parse(r.event) as SealerEvent }));
}

/** Returns whether a sealer may close cans of a size now, and why not. */
export function standingOf(larder: Larder, sealerId: string, container: ContainerKey): SealerStanding {
  return sealerStanding(
    sealerRecords(larder, sealerId).map((r) => r.event),
    container,
    larder.now(),
  );
}

/** Adds an event of a sealer; call inside a write. Throws Refused (404) when there is none of this id. */
export function appendSealerEvent(
  larder: Larder,
  write: Write,
  sealerId: string,
  input: { event: SealerEvent; containerId: string | null; note: string | null },
): void {
  if (!listSealers(larder).some((s) => s.id === sealerId)) refuse("There is no such sealer.", 404);
  larder.db
    .insert(sealerEvent)
    .values({
      id: uuid(),
      sealerId,
      at: input.event.at,
      kind: input.event.kind,
      event: input.event,
      containerId: input.containerId,
      note: input.note,
      byId: write.byId,
    })
    .run();
}

/** Returns the maker's seam limits for a size of can, mm and percent; null when none are entered. */
export function ownLimits(
  larder: Larder,
  container: ContainerKey,
): { ranges: Partial<Record<SeamDimension, Range>>; source: string; at: number } | null {
  const row = larder.db
    .select()
    .from(seamLimit)
    .where(eq(seamLimit.container, container))
    .orderBy(desc(seamLimit.seq))
    .get();
  return row ? { ranges: row.ranges, source: row.source, at: row.at } : null;
}

/** Returns the limits that seams of a size of can are judged by: the maker's, else typical ones; mm and percent. */
export function limitsOf(larder: Larder, container: ContainerKey, plates: Plates): SeamLimits {
  return limitsFrom(ownLimits(larder, container), plates);
}

/**
 * Stores the maker's seam limits for a size of can, which count from now on. Throws Refused at the range that is
 * wrong.
 */
export function setLimits(
  larder: Larder,
  write: Write,
  input: { container: ContainerKey; source: string; ranges: Partial<Record<SeamDimension, Range>> },
): void {
  once(larder, write, "seam.limits", () => {
    const crossed = (Object.entries(input.ranges) as [SeamDimension, Range][]).filter(
      ([, { low, high }]) => low !== null && high !== null && low >= high,
    );
    if (crossed.length > 0)
      throw new Refused(
        Object.fromEntries(
          crossed.map(([d]) => [
            `${d}Low`,
            `${DIMENSION_NAMES[d]}: the lower limit lies below the upper one.`,
          ]),
        ),
      );
    larder.db
      .insert(seamLimit)
      .values({ id: uuid(), ...input, at: larder.now(), byId: write.byId })
      .run();
    return { result: null, note: { kind: "seam-limit", id: input.container, detail: input } };
  });
}

export interface SetUpInput {
  sealerId: string;
  container: ContainerKey;
  /** null for a test by eye alone, which wants a signed reason */
  sheet: SeamSheet | null;
  /** by eye: whether the empty cans looked and felt right */
  looksGood?: boolean;
  reason?: string | null;
}

export interface SetUpResult {
  passed: boolean;
  /** dimension by dimension; empty for a test by eye */
  judged: Judged[];
  advice: string[];
}

/**
 * Records a setup test on empty cans. By figures it passes when all are inside the limits; by eye, on the tester's
 * signature. Returns whether it passed, and why not. Throws Refused at the figure that is impossible.
 */
export function recordSetUp(larder: Larder, write: Write, input: SetUpInput): SetUpResult {
  return once(larder, write, "sealer.set-up", () => {
    const { sheet, container } = input;
    if (!sheet) {
      const reason = input.reason?.trim();
      if (!reason) throw new Refused({ reason: "Say why the cans were not taken apart and measured." });
      if (!write.byId) throw new Refused({ reason: "Choose who you are first." });
      if (standingOf(larder, input.sealerId, container).needsFigures)
        throw new Refused(
          {
            reason:
              "Figures have stopped this sealer, so a look does not release it. Take an empty can apart and measure it.",
          },
          409,
        );
    }
    const problems = sheet ? sheetProblems(sheet) : [];
    if (problems.length > 0)
      throw new Refused(Object.fromEntries(problems.reverse().map((p) => [p.field, p.message])));
    const limits = sheet ? limitsOf(larder, container, sheet) : null;
    const judged = sheet && limits ? judgeSheet(sheet, limits) : [];
    const passed = sheet ? passes(judged) : input.looksGood === true;
    appendSealerEvent(larder, write, input.sealerId, {
      containerId: null,
      note: input.reason?.trim() || null,
      event: { kind: "set-up", at: larder.now(), container, sheet, limits, passed },
    });
    // The card in the Shed and the equipment check before a load go by the same test.
    appendCheck(
      larder,
      write,
      input.sealerId,
      {
        item: "sealer-setup",
        finding: passed ? "sound" : "bad",
        note: sheet ? `by ${sheet.method}` : "by eye",
      },
      null,
    );
    const advice = adviceOn(judged);
    return {
      result: { passed, judged, advice },
      note: { kind: "sealer", id: input.sealerId, detail: { ...input, passed } },
    };
  });
}

/**
 * Records what was measured on a closed can from outside, mm. Returns whether the sealer may go on, and why not.
 * Throws Refused at the figure that is impossible.
 */
export function recordMeasured(
  larder: Larder,
  write: Write,
  input: { sealerId: string; containerId: string; outside: OutsideMeasures },
): Pick<SealerStanding, "state" | "why"> {
  return once(larder, write, "sealer.measured", () => {
    const can = getOpenCan(larder, input.containerId);
    if (Object.values(input.outside).every((v) => v === undefined))
      throw new Refused({ thickness: "Measure the thickness or the width of the closed seam." });
    const plates = lastPlates(larder, input.sealerId, can.kind);
    if (!plates)
      throw new Refused(
        {
          "": "A can is judged by the plates of the last tear-down, and there is none for this size. Do a setup test with figures first.",
        },
        409,
      );
    appendSealerEvent(larder, write, input.sealerId, {
      containerId: can.id,
      note: null,
      event: {
        kind: "measured",
        at: larder.now(),
        container: can.kind,
        outside: input.outside,
        limits: limitsOf(larder, can.kind, plates),
      },
    });
    // The answer is kept with the write's key: the sentence is enough, the whole chart would be kept again with every can.
    const { state, why } = standingOf(larder, input.sealerId, can.kind);
    return {
      result: { state, why },
      note: { kind: "sealer", id: input.sealerId, detail: input },
    };
  });
}

/**
 * Returns which measure of a closed can would be beyond its limits, as a sentence, before anything is stored; null
 * when none would, or it cannot be judged.
 */
export function wouldBeBeyond(
  larder: Larder,
  sealerId: string,
  container: ContainerKey,
  outside: OutsideMeasures,
): string | null {
  const plates = lastPlates(larder, sealerId, container);
  return plates && outsideBeyond(outside, limitsOf(larder, container, plates));
}

/**
 * Returns the plate thicknesses of the last teardown on a sealer, mm, of a size or of any; null when there is none.
 */
export function lastPlates(larder: Larder, sealerId: string, container: ContainerKey | null): Plates | null {
  const row = larder.sqlite
    .prepare(
      `select event ->> '$.sheet.endPlateMm' as endPlateMm, event ->> '$.sheet.bodyPlateMm' as bodyPlateMm from sealer_event
       where sealer_id = @sealerId and kind = 'set-up' and event ->> '$.sheet.method' is not null
         and (@container is null or event ->> '$.container' = @container) order by seq desc limit 1`,
    )
    .get({ sealerId, container }) as Plates | undefined;
  return row ?? null;
}

/** Records a jam or an adjustment of a sealer, which needs a setup test before the next can. */
export function recordTrouble(
  larder: Larder,
  write: Write,
  input: { sealerId: string; kind: "jam" | "adjusted"; note: string | null },
): void {
  once(larder, write, `sealer.${input.kind}`, () => {
    appendSealerEvent(larder, write, input.sealerId, {
      containerId: null,
      note: input.note?.trim() || null,
      event: { kind: input.kind, at: larder.now() },
    });
    return { result: null, note: { kind: "sealer", id: input.sealerId, detail: input } };
  });
}
