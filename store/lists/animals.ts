import { DateTime } from "luxon";
import { Refused, type Larder, type Write } from "#store/db";
import { amendHarvest, harvestByCode, recordHarvest, WEIGHT_KINDS, type WeightKind } from "#store/harvest";
import { getHousehold } from "#store/household";
import { speciesByKey, SPECIES } from "#core/species";
import { queryRows, textOf, type List, type Row } from "./list.ts";

const COLUMNS = [
  { head: "code", kind: "text", max: 8 },
  { head: "species", kind: "text", max: 60 },
  { head: "taken on", kind: "day" },
  { head: "place", kind: "text", max: 120 },
  { head: "tag", kind: "text", max: 60 },
  { head: "count", kind: "whole" },
  { head: "weight kg", kind: "number" },
  { head: "weighed", kind: "text", max: 20 },
  { head: "taken by", kind: "text", max: 60 },
  { head: "note", kind: "text", max: 500 },
] as const satisfies List["columns"];

/** Animals and catches. A row without a code is a new one; one with a code fills in or corrects its card. */
export const animals: List = {
  key: "animals",
  title: "Animals and catches",
  columns: COLUMNS,
  hint: "No code: a new animal. Species by name or key; weighed live, dressed, hanging or catch.",
  rows: (larder) =>
    queryRows(
      larder,
      `select code, species, taken_on, place, tag, count, weight_kg, weight_kind, taken_by, note from harvest order by taken_on, code`,
    ),
  take: (larder, write, row) =>
    textOf(row, "code") ? amend(larder, write, row) : record(larder, write, row),
};

function cardOf(row: Row) {
  const kind = textOf(row, "weighed").toLowerCase();
  if (kind && !(WEIGHT_KINDS as readonly string[]).includes(kind))
    throw new Refused({ weighed: `“${kind}” is none of ${WEIGHT_KINDS.join(", ")}.` });
  const count = (row.count as number | null | undefined) ?? 1;
  if (count < 1 || count > 10_000) throw new Refused({ count: "A count is 1 to 10,000." });
  const weightKg = (row["weight kg"] as number | null | undefined) ?? null;
  if (weightKg !== null && !(weightKg > 0 && weightKg < 5000))
    throw new Refused({ "weight kg": "Weight must be more than 0 and less than 5,000 kg." });
  return {
    place: textOf(row, "place") || null,
    tag: textOf(row, "tag") || null,
    takenBy: textOf(row, "taken by") || null,
    note: textOf(row, "note") || null,
    count,
    weightKg,
    weightKind: (kind || null) as WeightKind | null,
  };
}

function record(larder: Larder, write: Write, row: Row) {
  const species = speciesNamed(textOf(row, "species"));
  const takenOn = row["taken on"] as string | null;
  if (!takenOn) throw new Refused({ "taken on": "The day it was taken is missing." });
  const { zone } = getHousehold(larder)!;
  const today = DateTime.fromMillis(larder.now(), { zone }).toISODate()!;
  const { code } = recordHarvest(
    larder,
    write,
    { ...cardOf(row), species: species.key, takenOn, holdFor: null },
    today,
  );
  return { what: "new" as const, sentence: `${species.name} of ${takenOn} gets the code ${code}.` };
}

function amend(larder: Larder, write: Write, row: Row) {
  const known = harvestByCode(larder, textOf(row, "code").toUpperCase());
  const species = textOf(row, "species");
  if (species && speciesNamed(species).key !== known.species)
    throw new Refused({ species: `${known.code} is another animal: its species is not changed by a list.` });
  const card = { ...cardOf(row), takenOn: (row["taken on"] as string | null) ?? known.takenOn };
  // Only what the list has a column for: the rest of the card stays as it is.
  const next = Object.fromEntries(Object.entries(card).filter(([k]) => HEADS[k]! in row));
  const changed = Object.entries(next).filter(
    ([k, v]) => (known as unknown as Record<string, unknown>)[k] !== v,
  );
  if (changed.length === 0) return { what: "same" as const, sentence: `${known.code} stays as it is.` };
  const { units, zone } = getHousehold(larder)!;
  const dayOf = (at: number) => DateTime.fromMillis(at, { zone }).toISODate()!;
  amendHarvest(larder, write, known.id, next, dayOf, units);
  return {
    what: "changed" as const,
    sentence: `${known.code}: ${changed.map(([k, v]) => `${HEADS[k]} becomes ${v ?? "empty"}`).join(", ")}.`,
  };
}

const HEADS: Record<string, string> = {
  place: "place",
  tag: "tag",
  takenBy: "taken by",
  note: "note",
  count: "count",
  weightKg: "weight kg",
  weightKind: "weighed",
  takenOn: "taken on",
};

function speciesNamed(text: string) {
  const found = speciesByKey(text) ?? SPECIES.find((s) => s.name.toLowerCase() === text.toLowerCase());
  if (found) return found;
  throw new Refused({ species: text ? `“${text}” is no animal known here.` : "The species is missing." });
}
