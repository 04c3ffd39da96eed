import { formatFraction } from "../quantity/index.ts";
import {
  productName,
  publishedFigures,
  type Confirmation,
  type ConfirmedBy,
  type FigureAsked,
  type FigureKey,
  type HouseholdRow,
  type ProductKey,
  type RowFigures,
} from "../schedule/index.ts";
import { compareRow, type RowDifference } from "./difference.ts";

/** The edition of the guide that the tables were written down from. */
export const TABLES_EDITION_YEAR = 2015;

/** A guide of the household's own, as printed on it. */
export interface Guide {
  id: string;
  title: string;
  /** year of the edition */
  edition: number;
}

/** What one person typed of one row from their own copy. */
export interface Comparison {
  id: string;
  byId: string;
  byName: string;
  /** ms since 1970 UTC */
  at: number;
  guide: Guide;
  page: string;
  typed: RowFigures;
  /** the screen it was typed on */
  device: string;
  /** whether the person said a PIN, or was only chosen by name */
  known: "pin" | "chosen";
  /** a photo of the page is kept */
  photo: boolean;
}

/** What the household decided of a row that differs: to keep the tables' figures, or to use its own guide's. */
export interface Decision {
  kind: "keep" | "take";
  at: number;
  byName: string;
  reason: string;
}

/** All a household ever recorded of one row, oldest first. */
export interface RowRecord {
  comparisons: readonly Comparison[];
  decisions: readonly Decision[];
}

export interface RowStanding {
  product: ProductKey;
  /**
   * `unchecked`: nobody compared it. `again`: only with an edition that the household replaced. `stopped`: it differs
   * and nobody decided. `confirmed`: by at least one person.
   */
  state: "unchecked" | "again" | "stopped" | "confirmed";
  /** the latest comparison of each person with an edition that counts, oldest first */
  current: Comparison[];
  /** somebody else confirmed it too */
  two: boolean;
  /** why two names do not count as two persons, in a sentence; null when they do, or there is one only */
  notTwo: string | null;
  /** differences nobody has decided */
  open: RowDifference[];
  /** figures of the household's guide that are used in place of the tables' */
  own: RowDifference[];
  /** figures of the guide that the household decided not to use */
  kept: RowDifference[];
  /** why the guide's figures may not be used yet, in a sentence; null when they may. Only where it is stopped */
  whyNotTake: string | null;
  /** why the tables' figures may not simply be kept; null when they may. Only where it is stopped */
  whyNotKeep: string | null;
  figures: RowFigures;
}

const sameTitle = (a: string, b: string) =>
  a.trim().replace(/\s+/g, " ").toLowerCase() === b.trim().replace(/\s+/g, " ").toLowerCase();

/** Returns whether the household has a later edition of the same guide, which is to be compared in its place. */
export const isReplaced = (guide: Guide, guides: readonly Guide[]): boolean =>
  guides.some((g) => sameTitle(g.title, guide.title) && g.edition > guide.edition);

/**
 * Returns why two comparisons do not count as two persons', in a sentence; null when they do. Two names chosen on one
 * screen may be one person: each has to be known by a PIN there, or type it on another device.
 */
export function whyNotTwo(a: Comparison, b: Comparison): string | null {
  if (a.byId === b.byId) return "The same person typed it twice. Somebody else has to type it too.";
  if (a.device !== b.device || (a.known === "pin" && b.known === "pin")) return null;
  return `${a.byName} and ${b.byName} typed it on the same device, where names are only chosen. Give both a PIN, or type it on another device.`;
}

/** The two of several that count as two persons; null when no two do. */
function twoOf(some: readonly Comparison[]): [Comparison, Comparison] | null {
  for (const [i, a] of some.entries())
    for (const b of some.slice(i + 1)) if (whyNotTwo(a, b) === null) return [a, b];
  return null;
}

const latestOfEach = (all: readonly Comparison[]): Comparison[] =>
  [...new Map(all.map((c) => [c.byId, c])).values()].sort((a, b) => a.at - b.at);

/** Why a figure that is weaker than the tables', or neither weaker nor safer, may not be used; null when it may. */
function whyNotUse(saying: readonly Comparison[], difference: RowDifference): string | null {
  const { label, fixed } = difference.asked;
  if (fixed) return `${label}: the program works with ${figureText(difference.asked, difference.ours)} only.`;
  const old = saying.find((c) => c.guide.edition < TABLES_EDITION_YEAR);
  if (old)
    return `${old.guide.title}, ${old.guide.edition}, is older than the edition of ${TABLES_EDITION_YEAR} that these tables are from. An older book's figure is not used here.`;
  if (!twoOf(saying)) {
    const [a, b] = saying;
    return a && b
      ? (whyNotTwo(a, b) ?? "")
      : "One person typed it. Somebody else has to type the same from the page, without seeing this.";
  }
  return saying.some((c) => c.photo) ? null : "Keep a photo of the page first.";
}

const keyOf = (d: RowDifference) => `${d.asked.key} ${d.theirs}`;

/** Differences of several comparisons, each once, with who says so. */
function gathered(product: ProductKey, some: readonly Comparison[]) {
  const found = new Map<string, { difference: RowDifference; saying: Comparison[] }>();
  for (const c of some)
    for (const difference of compareRow(product, c.typed)) {
      const known = found.get(keyOf(difference));
      if (known) known.saying.push(c);
      else found.set(keyOf(difference), { difference, saying: [c] });
    }
  return [...found.values()];
}

/** Of several safer figures the safest; null, no figure at all, is the safest there is. */
function safest(differences: readonly RowDifference[]): RowFigures {
  const figures: Partial<Record<FigureKey, number | null>> = {};
  for (const { asked, theirs } of differences) {
    const now = figures[asked.key];
    if (now === null) continue;
    figures[asked.key] =
      now === undefined || theirs === null
        ? theirs
        : asked.safer === "less"
          ? Math.min(now, theirs)
          : Math.max(now, theirs);
  }
  return figures;
}

/**
 * Returns how a row stands in the household. What the guide has safer is used at once. What it has weaker, and any other
 * headspace or rule, stops the row until somebody decides: it is used only where two persons typed the same from an
 * edition of 2015 or later, a photo of the page is kept, and nobody's copy says otherwise. This is asked again every
 * time, whatever was decided, so that no record, however it came in, can lower a figure.
 *
 * @param guides every guide the household has
 */
export function rowStanding(product: ProductKey, record: RowRecord, guides: readonly Guide[]): RowStanding {
  const published = publishedFigures(product);
  const live = record.comparisons.filter((c) => !isReplaced(c.guide, guides));
  const current = latestOfEach(live);
  const all = gathered(product, current);
  const safer = all.filter((g) => g.difference.kind === "safer").map((g) => g.difference);
  const decisive = all.filter((g) => g.difference.kind !== "safer");
  const decidedAfter = (kind: Decision["kind"], saying: readonly Comparison[]) =>
    record.decisions.some((d) => d.kind === kind && saying.every((c) => d.at >= c.at));
  const taken = decisive.filter(
    (g) =>
      g.saying.length === current.length &&
      whyNotUse(g.saying, g.difference) === null &&
      decidedAfter("take", g.saying),
  );
  const rest = decisive.filter((g) => !taken.includes(g));
  const kept = rest.filter((g) => whyNotKept(g) === null && decidedAfter("keep", g.saying));
  const open = rest.filter((g) => !kept.includes(g));
  // An edition that was replaced lends nothing but what was safer.
  const replaced = gathered(product, latestOfEach(record.comparisons.filter((c) => !live.includes(c))))
    .filter((g) => g.difference.kind === "safer")
    .map((g) => g.difference);
  const own = [...(current.length > 0 ? safer : replaced), ...taken.map((g) => g.difference)];
  const figures = {
    ...published,
    ...safest(current.length > 0 ? safer : replaced),
    ...Object.fromEntries(taken.map(({ difference }) => [difference.asked.key, difference.theirs])),
  };
  const two = twoOf(current);
  return {
    product,
    state:
      open.length > 0
        ? "stopped"
        : current.length > 0
          ? "confirmed"
          : record.comparisons.length > 0
            ? "again"
            : "unchecked",
    current,
    two: two !== null,
    notTwo: !two && current.length > 1 ? whyNotTwo(current[0]!, current[1]!) : null,
    open: open.map((g) => g.difference),
    own,
    kept: kept.map((g) => g.difference),
    whyNotTake: open.length > 0 ? whyNotAll(open, current) : null,
    whyNotKeep: open.map(whyNotKept).find((why) => why !== null) ?? null,
    figures,
  };
}

type Gathered = ReturnType<typeof gathered>[number];

function whyNotAll(open: readonly Gathered[], current: readonly Comparison[]): string | null {
  for (const { saying, difference } of open) {
    const other = current.find((c) => !saying.includes(c));
    if (saying.length > 0 && other && !twoOf(saying))
      return `${saying[0]!.byName} and ${other.byName} typed it differently. Look at the page again: whoever was wrong types it again.`;
    if (other) return `${other.byName}'s copy has another figure. Nobody's copy may say otherwise.`;
    const why = whyNotUse(saying, difference);
    if (why) return why;
  }
  return null;
}

/** Keeping the tables' figure is safe where the guide's is the weaker one, or the guide is an older one. */
function whyNotKept({ saying, difference }: Gathered): string | null {
  if (difference.kind === "weaker" || saying.every((c) => c.guide.edition < TABLES_EDITION_YEAR)) return null;
  return `${difference.asked.label}: neither figure is plainly the safe one, and your copy is as new as these tables. Somebody else has to type the same page, or you type it again.`;
}

/** Returns a figure as it is shown: `95 min`, `1¼ in`, `yes`, `none`. */
export function figureText({ unit }: Pick<FigureAsked, "unit">, value: number | null): string {
  if (value === null) return "none";
  if (unit === "yes") return value === 1 ? "yes" : "no";
  const plural = unit === "cup" && value > 1 ? "cups" : unit;
  return `${formatFraction(value)} ${plural}`;
}

/** Returns a difference as it is kept with a process: `Quarts: 95 min (table: 90 min)`. */
export const differenceText = ({ asked, ours, theirs }: RowDifference): string =>
  `${asked.label}: ${figureText(asked, theirs)} (table: ${figureText(asked, ours)})`;

const confirmedBy = ({ byName, at, guide, page }: Comparison): ConfirmedBy => ({
  name: byName,
  at,
  guide: guide.title,
  edition: guide.edition,
  page,
});

/** Returns how a row is used by the household; null where nobody compared it. */
export function householdRow(standing: RowStanding): HouseholdRow | null {
  if (standing.state === "unchecked") return null;
  const confirmation: Confirmation | null =
    standing.state === "confirmed"
      ? {
          by: standing.current.map(confirmedBy),
          two: standing.two,
          ...(standing.own.length > 0 ? { own: standing.own.map(differenceText) } : {}),
          ...(standing.kept.length > 0 ? { kept: standing.kept.map(differenceText) } : {}),
        }
      : null;
  return { stopped: whyStopped(standing), figures: standing.figures, confirmation };
}

/** Says where they differ and not what either says: somebody else may still have to type it without having seen that. */
function whyStopped({ product, state, open, current }: RowStanding): string | null {
  if (state !== "stopped") return null;
  const where = open.map((d) => d.asked.label.toLowerCase()).join("; ");
  return (
    `${productName(product)} is stopped: the guide of ${[...new Set(current.map((c) => c.byName))].join(" and ")} and the table differ (${where}). ` +
    "Nobody has decided which one is right."
  );
}
