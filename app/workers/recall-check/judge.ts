import { readCode } from "#core/code";
import { readList, type RecallList } from "#core/recall";
import { DAY_MS } from "#core/quantity";
import { isSigned } from "./verify";

/** An answer about a jar, or about a list: a heading, and what to do. */
export interface Answer {
  /** `stop`: do not eat it; `no`: what was given is of no use; `ok` otherwise */
  tone: "stop" | "ok" | "no";
  title: string;
  lines: string[];
}

/** A list older than this says little of today, ms. Common practice, no source. */
const OLD_MS = 30 * DAY_MS;

/**
 * Returns what the list says of the jar with a code.
 *
 * @param steps what to do with a recalled one
 * @param now ms since 1970 UTC
 * @param day writes a day as its reader does
 */
export function judgeCode(
  list: RecallList,
  typed: string,
  steps: readonly string[],
  now: number,
  day: (at: number) => string,
): Answer {
  const read = readCode(typed);
  if (!read.ok)
    return {
      tone: "no",
      title: read.message,
      lines: ["Read the code on the lid or the label again. Until it is found: do not eat it."],
    };
  const { code } = read;
  const found = list.recalled.find((r) => r.code === code);
  if (found)
    return {
      tone: "stop",
      title: `${code}: do not eat it`,
      lines: [
        `${list.household} recalled it on ${day(Date.parse(`${found.day}T12:00:00Z`))}: ${found.reason}.`,
        ...steps,
      ],
    };
  return {
    tone: "ok",
    title: `${code} was not recalled by ${day(list.at)}`,
    lines: [
      ...(now - list.at > OLD_MS ? ["This list is old. Ask for a newer one."] : []),
      "Look at it first, and boil it as its label says.",
    ],
  };
}

/** What came of a list that somebody brought: it is used, or it is not, with the reason. */
export type Brought = { used: RecallList; answer: Answer } | { used: null; answer: Answer };

/** Returns whether a list that somebody brought takes the place of the one that is here, and why not. */
export function judgeList(held: RecallList, given: string, day: (at: number) => string): Brought {
  const no = (title: string, ...lines: string[]): Brought => ({
    used: null,
    answer: { tone: "no", title, lines },
  });
  const read = readList(given);
  if (!read)
    return no(
      "That is no recall list.",
      "Copy all of it, from its first line to the one that begins with Signature.",
    );
  if (read.list.publicKey !== held.publicKey)
    return no(
      `That list is not from ${held.household}.`,
      "It is signed with another key. Do not rely on it.",
    );
  if (!isSigned(held.publicKey, read.text, read.signature))
    return no("That list was changed after it was signed.", "Do not rely on it. Ask for it again.");
  if (read.list.at < held.at)
    return no("That list is older than the one here.", `The one here is of ${day(held.at)}.`);
  return {
    used: read.list,
    answer: {
      tone: "ok",
      title: `The list of ${day(read.list.at)} is used now.`,
      lines: ["Check your jar again."],
    },
  };
}
