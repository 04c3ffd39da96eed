import type Database from "better-sqlite3";
import { v7 as uuid } from "uuid";
import { once, type Larder } from "#store/db";
import { compareHistory, type Compared, type Departure } from "./compare.ts";
import type { PaperHead } from "./heads.ts";
import { fingerprintAt, witnessOf, type Witness } from "./key.ts";
import { findGaps, listStatements, readStatement, type Found } from "./statement.ts";

/** What papers and signatures say of a larder's history. */
export interface Witnessed {
  /** fingerprint of the larder's own key; null when it has none */
  fingerprint: string | null;
  /** how many signatures were held against the history, and when the newest of them was made, ms since 1970 UTC */
  statements: number;
  newestAt: number | null;
  /** lines that were held against a paper or a signature */
  points: number;
  /** what does not fit, in words, with the run it is about */
  broken: { code: string | null; seq: number | null; what: string }[];
  /** what whoever asks should know beside that */
  notes: string[];
}

const KEY_ACTION = "witness.key";

/** Returns the larder's witness, whose key the activity log names from its first signature on. */
export function ownWitness(larder: Larder): Witness {
  const witness = witnessOf(larder.folder);
  if (recordedKeys(larder.sqlite).at(-1) !== witness.fingerprint)
    once(larder, { key: uuid(), byId: null }, KEY_ACTION, () => ({
      result: null,
      note: { kind: "household", id: "1", detail: { fingerprint: witness.fingerprint } },
    }));
  return witness;
}

/** Returns the fingerprints of the keys a larder's history was signed with, by its own activity log, oldest first. */
export function recordedKeys(sqlite: Database.Database): string[] {
  return sqlite
    .prepare(
      `select json_extract(detail, '$.fingerprint') from audit where action = '${KEY_ACTION}' order by id`,
    )
    .pluck()
    .all() as string[];
}

export interface WitnessQuestion {
  /** the larder's folder, where its signatures are */
  folder: string;
  papers?: readonly PaperHead[];
  /** signatures from elsewhere: their files */
  files?: readonly string[];
  /** fingerprints of other keys to be trusted */
  trusted?: readonly string[];
}

/**
 * Returns whether a larder's history agrees with its signatures and with papers, and the first line that does not.
 *
 * @param sqlite the larder's database
 */
export function checkWitness(sqlite: Database.Database, question: WitnessQuestion): Witnessed {
  const { folder, papers = [], files = [], trusted = [] } = question;
  const own = ownFingerprint(folder);
  const good = new Set([own.fingerprint, ...recordedKeys(sqlite), ...trusted]);
  const broken: Witnessed["broken"] = [];
  const notes = own.trouble ? [own.trouble] : [];
  const tell = (what: string) => broken.push({ code: null, seq: null, what });
  const read = (paths: readonly string[]) =>
    paths.flatMap((path): Found[] => {
      try {
        return [readStatement(path)];
      } catch (error) {
        tell((error as Error).message);
        return [];
      }
    });
  const kept = read(listStatements(folder));
  for (const f of findGaps(kept))
    tell(`The signature of ${dayOf(f)} does not follow the one before it: one is missing or was changed.`);
  const all = [...kept, ...read(files)];
  for (const f of all)
    if (!f.sound) tell(`The signature of ${dayOf(f)} is not valid: ${f.file} was changed.`);
  const strange = all.filter((f) => f.sound && !good.has(f.fingerprint));
  for (const key of new Set(strange.map((f) => f.fingerprint)))
    notes.push(
      `${countOf(strange.filter((f) => f.fingerprint === key).length)} by another key (${key}) and not counted.`,
    );
  const counted = all.filter((f) => f.sound && good.has(f.fingerprint));
  const compared = compareHistory(sqlite, papers, counted);
  broken.push(...compared.departures.map(departureWords));
  return {
    fingerprint: own.fingerprint,
    statements: counted.length,
    newestAt: counted.length ? Math.max(...counted.map((f) => f.statement.at)) : null,
    points: compared.points,
    broken,
    notes: [...notes, ...notesOf(compared)],
  };
}

function ownFingerprint(folder: string): { fingerprint: string | null; trouble: string | null } {
  try {
    return { fingerprint: fingerprintAt(folder), trouble: null };
  } catch (error) {
    return { fingerprint: null, trouble: (error as Error).message };
  }
}

const dayOf = ({ statement }: Found) =>
  `${new Date(statement.at).toISOString().slice(0, 16).replace("T", " ")} UTC`;
const countOf = (n: number) => (n === 1 ? "1 signature is" : `${n} signatures are`);

function notesOf({ replaced, unknown }: Compared): string[] {
  return [
    ...(replaced.length
      ? [
          `${countOf(replaced.length)} of records that a restored backup replaced. The activity log says when and why.`,
        ]
      : []),
    ...unknown.map((name) => `There is no run ${name} in this larder.`),
  ];
}

function departureWords({ code, after, by }: Departure): Witnessed["broken"][number] {
  const exact = by === after + 1;
  return {
    code,
    seq: by,
    what: exact
      ? `Line ${by} is not what was printed or signed.`
      : `It differs from what was printed or signed${after ? ` after line ${after}` : ""}, at line ${by} or before.`,
  };
}
