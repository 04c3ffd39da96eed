import { v7 as uuid } from "uuid";
import { once, Refused, type Larder, type Write } from "#store/db";
import { recallWord } from "../schema/index.ts";
import { getRecall } from "./recall.ts";

/** What was said to, or by, somebody who has recalled food. */
export interface RecallWord {
  kind: "told" | "answered";
  /** how they were told, or what they answered */
  words: string;
  at: number;
  byName: string;
}

/** Somebody who was given recalled food, with what they have of it, and what was said. */
export interface Recipient {
  name: string;
  /** codes of the containers given to them that are still recalled */
  codes: string[];
  words: RecallWord[];
}

const sameName = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Returns who was given containers of a recall that it still holds, by name, with what they were told and answered. */
export function recipientsOf(larder: Larder, recallId: string): Recipient[] {
  const { stillIds } = getRecall(larder, recallId);
  const given = larder.sqlite
    .prepare(
      `select c.code, m.note as name from container c
       join movement m on m.seq = (select max(seq) from movement where container_id = c.id)
       where m.kind = 'given' and c.id in (select value from json_each(?)) order by c.code`,
    )
    .all(JSON.stringify(stillIds)) as { code: string; name: string | null }[];
  const said = wordsOfRecall(larder, recallId);
  const found: Recipient[] = [];
  for (const { code, name } of given) {
    const who = name?.trim() || "Nobody knows who";
    const known = found.find((r) => sameName(r.name, who));
    if (known) known.codes.push(code);
    else
      found.push({
        name: who,
        codes: [code],
        words: said.filter((s) => sameName(s.recipient, who)).map(({ recipient: _, ...word }) => word),
      });
  }
  return found;
}

/**
 * Records that somebody was told of a recall, or what they answered. Throws Refused when nobody says who they are, the
 * words are missing, or nothing of this recall was given to that person.
 */
export function recordRecallWord(
  larder: Larder,
  write: Write,
  input: { recallId: string; recipient: string; kind: RecallWord["kind"]; words: string },
): void {
  once(larder, write, "recall.word", () => {
    if (!write.byId) throw new Refused({ "": "Say who you are first." });
    const words = input.words.trim();
    if (!words)
      throw new Refused({
        words: input.kind === "told" ? "Say how: by phone, in person." : "Write what they answered.",
      });
    const known = recipientsOf(larder, input.recallId).find((r) => sameName(r.name, input.recipient));
    if (!known)
      throw new Refused({ "": `Nothing that is still recalled was given to ${input.recipient}.` }, 409);
    const { recallId, kind } = input;
    larder.db
      .insert(recallWord)
      .values({
        id: uuid(),
        recallId,
        recipient: known.name,
        kind,
        words,
        at: larder.now(),
        byId: write.byId,
      })
      .run();
    return { result: null, note: { kind: "recall", id: recallId, detail: { ...input, words } } };
  });
}

/** Returns everything that was said about a recall, to whomever, oldest first. */
export function wordsOfRecall(larder: Larder, recallId: string): (RecallWord & { recipient: string })[] {
  return larder.sqlite
    .prepare(
      `select w.recipient, w.kind, w.words, w.at, p.name as byName from recall_word w join person p on p.id = w.by_id
       where w.recall_id = ? order by w.seq`,
    )
    .all(recallId) as (RecallWord & { recipient: string })[];
}
