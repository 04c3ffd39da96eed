import { ALPHABET, bareCode } from "#core/code";
import { calendarOf } from "#store/household";
import { memoize, type Larder } from "#store/db";
import { shelvedByIds, type Shelved } from "./shelved.ts";

/** What packs and shelves are searched by, lower case, by their ids. */
interface SearchTexts {
  packs: Map<string, string>;
  places: Map<string, string>;
}

/** A code as it may be typed: with its dash and without. */
const eitherWay = (code: string) => `${code} || ' ' || replace(${code}, '-', '')`;

const PACKS = `select k.id, ${eitherWay("k.code")} || ' ' || ${eitherWay("r.code")} || ' ' || k.product || ' ' || k.container || ' '
    || coalesce(k.mouth, '') || ' ' || coalesce(k.dish, '') || ' ' || k.method || ' '
    || coalesce((select group_concat(${eitherWay("l.code")} || ' ' || ${eitherWay("h.code")} || ' '
         || case when x.as_liquid then '' else l.part || ' ' || h.species || ' ' || replace(h.species, '-', ' ') || ' '
           || coalesce(h.place, '') || ' ' || coalesce(h.tag, '') end, ' ')
       from pack_from x join lot l on l.id = x.lot_id join lot_origin o on o.lot_id = l.id join harvest h on h.id = o.harvest_id
       where x.pack_id = k.id), '')
  from pack k join run r on r.id = k.run_id`;

/** What has a word in it. */
interface Having {
  /** the word as it would stand in a code, without dashes; null where no code can have it */
  code: string | null;
  packs: Set<string>;
  places: Set<string>;
  /** part of a day, `2026-11`; null where the word is none */
  day: string | null;
}

type Standing = [id: string, code: string, packId: string, placeId: string, cannedAt: number];

/**
 * Returns the containers on the shelves that match every word, oldest first: code (with or without its dash), animal,
 * part, dish, lot, run, room, shelf or the household's day. Broth that covers food is found by the codes of its lot and
 * animal, and not by its name: who looks for broth looks for jars of it.
 *
 * @param limit how many at most
 */
export function findOnShelf(larder: Larder, words: readonly string[], limit = 60): Shelved[] {
  const asked = words.map((w) => w.toLowerCase()).filter((w) => w !== "");
  if (asked.length === 0) return [];
  const texts = searchTexts(larder);
  const all = asked.map((word) => having(texts, word));
  const { dayOf } = calendarOf(larder);
  const found: string[] = [];
  for (const [id, code, packId, placeId, cannedAt] of standing(larder, all)) {
    const matches = all.every(
      (w) =>
        w.packs.has(packId) ||
        w.places.has(placeId) ||
        (w.code !== null && code.replace("-", "").includes(w.code)) ||
        (w.day !== null && dayOf(cannedAt).includes(w.day)),
    );
    if (!matches) continue;
    found.push(id);
    if (found.length === limit) break;
  }
  return shelvedByIds(larder, found);
}

const COLUMNS = "c.id, c.code, c.pack_id, c.place_id, c.canned_at";

/** The containers that can match, the oldest first: all there are, or those whose codes have a word that is nowhere else. */
function standing({ sqlite }: Larder, words: readonly Having[]): Iterable<Standing> {
  const inCodesOnly = words.find((w) => w.day === null && w.packs.size + w.places.size === 0);
  if (!inCodesOnly)
    return sqlite
      .prepare(
        `select ${COLUMNS} from container c indexed by container_oldest where moved = 'shelved' order by canned_at, code`,
      )
      .raw()
      .iterate() as IterableIterator<Standing>;
  if (inCodesOnly.code === null) return [];
  return sqlite
    .prepare(
      `select ${COLUMNS} from code_register r join container c on c.id = r.entity_id
       where r.kind = 'container' and replace(r.code, '-', '') like ? and c.moved = 'shelved' order by c.canned_at, c.code`,
    )
    .raw()
    .all(`%${inCodesOnly.code}%`) as Standing[];
}

function having(texts: SearchTexts, word: string): Having {
  const among = (of: Map<string, string>) =>
    new Set([...of].filter(([, text]) => text.includes(word)).map(([id]) => id));
  const bare = bareCode(word);
  const inCodes = bare.length <= LONGEST_CODE && [...bare].every((c) => ALPHABET.includes(c));
  return {
    code: inCodes ? bare : null,
    packs: among(texts.packs),
    places: among(texts.places),
    day: /^[\d-]+$/.test(word) ? word : null,
  };
}

/** Characters of a code at most, its dash left out. */
const LONGEST_CODE = 7;

/** What packs and shelves are searched by, put together again only when something was written since. */
function searchTexts(larder: Larder): SearchTexts {
  const { sqlite } = larder;
  const stamp = String(sqlite.prepare("select total_changes()").pluck().get());
  return memoize(larder, "search", stamp, () => {
    const texts = (sql: string) =>
      new Map(
        (sqlite.prepare(sql).raw().all() as [string, string][]).map(([id, text]) => [id, text.toLowerCase()]),
      );
    return {
      packs: texts(PACKS),
      places: texts("select id, room || ' ' || name from shelf_place"),
    };
  });
}
