import { v7 as uuid } from "uuid";
import { memoize, once, Refused, scopeNow, type Larder, type Write } from "#store/db";
import {
  compareRow,
  householdRow,
  rowStanding,
  type Comparison,
  type Decision,
  type Guide,
  type RowStanding,
} from "#core/guide";
import { HOUR_MS } from "#core/quantity";
import {
  AS_PUBLISHED,
  figuresAsked,
  productName,
  PRODUCTS,
  type HouseholdRows,
  type ProductKey,
  type RowFigures,
} from "#core/schedule";
import { comparing, comparison, guide, rowDecision } from "../schema/index.ts";

/** Returns the guides of the household, newest edition first. */
export function listGuides(larder: Larder): Guide[] {
  return larder.sqlite
    .prepare("select id, title, edition from guide order by edition desc, at desc")
    .all() as Guide[];
}

interface ComparisonRow extends Omit<Comparison, "guide" | "typed" | "photo"> {
  product: ProductKey;
  typed: string;
  guideId: string;
  title: string;
  edition: number;
  photo: number;
}

function comparisonsOf(larder: Larder): Map<ProductKey, Comparison[]> {
  const rows = larder.sqlite
    .prepare(
      `select c.id, c.product, c.by_id as byId, p.name as byName, c.at, c.page, c.typed, c.device, c.known,
         g.id as guideId, g.title, g.edition,
         exists (select 1 from page_photo f where f.product = c.product and f.guide_id = c.guide_id) as photo
       from comparison c join guide g on g.id = c.guide_id join person p on p.id = c.by_id order by c.seq`,
    )
    .all() as ComparisonRow[];
  const found = new Map<ProductKey, Comparison[]>();
  for (const { product, typed, guideId, title, edition, photo, ...rest } of rows) {
    const one = {
      ...rest,
      typed: JSON.parse(typed) as RowFigures,
      guide: { id: guideId, title, edition },
      photo: photo === 1,
    };
    found.set(product, [...(found.get(product) ?? []), one]);
  }
  return found;
}

function decisionsOf(larder: Larder): Map<ProductKey, Decision[]> {
  const rows = larder.sqlite
    .prepare(
      `select d.product, d.kind, d.at, d.reason, p.name as byName from row_decision d join person p on p.id = d.by_id order by d.seq`,
    )
    .all() as (Decision & { product: ProductKey })[];
  const found = new Map<ProductKey, Decision[]>();
  for (const { product, ...one } of rows) found.set(product, [...(found.get(product) ?? []), one]);
  return found;
}

const stamps = new WeakMap<Larder["sqlite"], () => string>();

/** Changes with whatever decides how a row stands, and with nothing else: it is asked with every command. */
function guideVersion({ sqlite }: Larder): string {
  const known = stamps.get(sqlite);
  if (known) return known();
  const count = sqlite
    .prepare(
      `select (select coalesce(max(seq), 0) from comparison) || ' ' || (select coalesce(max(seq), 0) from row_decision) || ' ' ||
         (select count(*) from guide) || ' ' || (select count(*) from page_photo)`,
    )
    .pluck();
  const read = () => count.get() as string;
  stamps.set(sqlite, read);
  return read();
}

/** Returns how every row of the process tables stands in the household, in the tables' order. */
export function rowStandings(larder: Larder): RowStanding[] {
  return memoize(larder, "row-standings", guideVersion(larder), () => {
    const comparisons = comparisonsOf(larder);
    const decisions = decisionsOf(larder);
    const guides = listGuides(larder);
    return PRODUCTS.map((product) =>
      rowStanding(
        product,
        { comparisons: comparisons.get(product) ?? [], decisions: decisions.get(product) ?? [] },
        guides,
      ),
    );
  });
}

/** Returns how one row stands in the household. */
export const standingOf = (larder: Larder, product: ProductKey): RowStanding =>
  rowStandings(larder).find((s) => s.product === product)!;

/** Returns the rows that the household compared, as its schedules use them; empty where it compared none. */
export function householdRows(larder: Larder): HouseholdRows {
  // Nothing was compared yet, as in most households: there is nothing to work out, inside a write either.
  if (guideVersion(larder).startsWith("0 ")) return AS_PUBLISHED;
  return memoize(larder, "household-rows", guideVersion(larder), () =>
    Object.fromEntries(
      rowStandings(larder).flatMap((standing) => {
        const row = householdRow(standing);
        return row ? [[standing.product, row]] : [];
      }),
    ),
  );
}

/**
 * Records a guide of the household's own. Returns its id; that of the same title and edition when it is known already.
 * Throws Refused when the title is empty or the year of the edition is none.
 */
export function addGuide(
  larder: Larder,
  write: Write,
  input: { title: string; edition: number },
): { id: string } {
  return once(larder, write, "guide.add", () => {
    const title = input.title.trim().replace(/\s+/g, " ");
    const { edition } = input;
    if (!title) throw new Refused({ title: "Type the title as it is printed on your copy." });
    const thisYear = new Date(larder.now()).getUTCFullYear();
    if (!(Number.isInteger(edition) && edition >= 1909 && edition <= thisYear + 1))
      throw new Refused({
        edition: `Type the year of its edition, from 1909 to ${thisYear + 1}. It is on the cover or the page behind the title.`,
      });
    const known = listGuides(larder).find(
      (g) => g.edition === edition && g.title.toLowerCase() === title.toLowerCase(),
    );
    if (known) return { result: { id: known.id }, note: null };
    const id = uuid();
    larder.db.insert(guide).values({ id, title, edition, at: larder.now(), byId: write.byId }).run();
    return { result: { id }, note: { kind: "guide", id, detail: { title, edition } } };
  });
}

/** A comparison that was begun hides a row's figures for so long at most: nobody is kept from them by forgetting, ms. */
const COMPARING_MS = 2 * HOUR_MS;

/** Returns the row a person is comparing at the moment, whose figures are hidden from them; null when there is none. */
export function comparingNow(larder: Larder, personId: string): ProductKey | null {
  const row = larder.sqlite
    .prepare("select product from comparing where person_id = ? and since > ?")
    .pluck()
    .get(personId, larder.now() - COMPARING_MS) as ProductKey | undefined;
  return row ?? null;
}

/** Begins to compare a row: from now its figures are hidden from this person until they have typed their own. */
export function beginComparing(larder: Larder, write: Write, product: ProductKey): void {
  once(larder, write, "guide.begin", () => {
    const personId = write.byId;
    if (!personId) throw new Refused({ "": "Say who you are first." });
    const since = larder.now();
    larder.db
      .insert(comparing)
      .values({ personId, product, since })
      .onConflictDoUpdate({ target: comparing.personId, set: { product, since } })
      .run();
    return { result: null, note: { kind: "table-row", id: product, detail: { product } } };
  });
}

/** Ends a comparison without typing anything. Does nothing when none was begun. */
export function endComparing(larder: Larder, write: Write): void {
  once(larder, write, "guide.leave", () => {
    if (!write.byId || !comparingNow(larder, write.byId)) return { result: null, note: null };
    const product = comparingNow(larder, write.byId)!;
    stopComparing(larder, write.byId);
    return { result: null, note: { kind: "table-row", id: product, detail: { product } } };
  });
}

const stopComparing = (larder: Larder, personId: string) =>
  larder.sqlite.prepare("delete from comparing where person_id = ?").run(personId);

export interface ComparisonInput {
  product: ProductKey;
  guideId: string;
  page: string;
  /** every figure asked for, in its unit; null for none */
  typed: RowFigures;
}

/**
 * Records what a person typed of a row from their own copy. Returns how the row stands after it. Throws Refused when
 * nobody is named, the guide is not known, the page is missing, a figure is missing, or it was not begun (the figures of
 * the tables were not hidden).
 */
export function recordComparison(larder: Larder, write: Write, input: ComparisonInput): RowStanding {
  return once(larder, write, "guide.compare", () => {
    const { product } = input;
    const { byId } = write;
    if (!byId) throw new Refused({ "": "Say who you are first." });
    if (comparingNow(larder, byId) !== product)
      throw new Refused(
        {
          "": `Press Compare first: the table's figures of “${productName(product)}” must be hidden while you type yours.`,
        },
        409,
      );
    const known = listGuides(larder).find((g) => g.id === input.guideId);
    if (!known) throw new Refused({ guideId: "Choose your copy of the guide." });
    const page = input.page.trim();
    if (!page) throw new Refused({ page: "Type the page it stands on, like 5-9 or 412." });
    const asked = figuresAsked(product);
    const missing = asked.find((f) => input.typed[f.key] === undefined);
    if (missing) throw new Refused({ [missing.key]: `Type what your copy says of it: ${missing.label}.` });
    const typed = Object.fromEntries(asked.map((f) => [f.key, input.typed[f.key]])) as RowFigures;
    const id = uuid();
    const { device, known: how } = scopeNow();
    larder.db
      .insert(comparison)
      .values({
        id,
        product,
        guideId: known.id,
        page,
        typed,
        at: larder.now(),
        byId,
        device: device ?? "this computer",
        known: how ?? "chosen",
      })
      .run();
    stopComparing(larder, byId);
    return {
      result: standingOf(larder, product),
      note: {
        kind: "table-row",
        id: product,
        detail: {
          product,
          guide: `${known.title}, ${known.edition}`,
          page,
          differences: compareRow(product, typed).length,
        },
      },
    };
  });
}

/**
 * Decides about a row that differs: keeps the tables' figures, or uses those of the household's guide. Returns how it
 * stands after that. Throws Refused (409) when the row does not differ, the person did not compare it, or the choice is not
 * open, with why.
 */
export function decideRow(
  larder: Larder,
  write: Write,
  input: { product: ProductKey; kind: Decision["kind"]; reason: string },
): RowStanding {
  return once(larder, write, "guide.decide", () => {
    const { product, kind } = input;
    if (!write.byId) throw new Refused({ "": "Say who you are first." });
    const before = standingOf(larder, product);
    if (before.state !== "stopped")
      throw new Refused({ "": "Nothing is left to decide about this row." }, 409);
    if (!before.current.some((c) => c.byId === write.byId))
      throw new Refused({ "": "Compare it with your copy yourself first." }, 409);
    const why = kind === "keep" ? before.whyNotKeep : before.whyNotTake;
    if (why) throw new Refused({ "": why }, 409);
    const reason = input.reason.trim();
    if (!reason) throw new Refused({ reason: "Say why. It is kept with the decision." });
    larder.db
      .insert(rowDecision)
      .values({ id: uuid(), product, kind, reason, at: larder.now(), byId: write.byId })
      .run();
    return {
      result: standingOf(larder, product),
      note: { kind: "table-row", id: product, detail: { product, kind, reason } },
    };
  });
}
