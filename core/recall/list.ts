/** One container on a household's list of what it recalls. */
export interface Recalled {
  code: string;
  /** day it was recalled, `2026-11-20`, by the household's calendar */
  day: string;
  reason: string;
}

/** What a household recalls, as others are to know it. */
export interface RecallList {
  /** the household's name */
  household: string;
  /** its public key: SubjectPublicKeyInfo (RFC 5280) of an Ed25519 key, base64 */
  publicKey: string;
  /** when the list was made, ms since 1970 UTC, whole seconds */
  at: number;
  recalled: readonly Recalled[];
}

/** A list as it was read, with the very text that its signature is of. */
export interface SignedList {
  list: RecallList;
  /** what was signed, UTF-8 */
  text: string;
  /** base64 */
  signature: string;
}

const HEAD = "Recall list, version 1";
const END = "Signature:";
/** Longer than this is no list of a household, characters. */
const MOST = 400_000;

const oneLine = (text: string) => text.replaceAll(/\s+/g, " ").trim();

/** Returns the text of a list that is signed: lines that people can read too, in the order of the codes. */
export function listText({ household, publicKey, at, recalled }: RecallList): string {
  const rows = [...recalled].sort((a, b) => (a.code < b.code ? -1 : a.code > b.code ? 1 : 0));
  return [
    HEAD,
    `From: ${oneLine(household)}`,
    `Key: ${publicKey}`,
    `Made: ${new Date(at).toISOString().slice(0, 19)}Z`,
    `Do not eat: ${rows.length}`,
    ...rows.map((r) => `${r.code}, ${r.day}: ${oneLine(r.reason)}`),
    "",
  ].join("\n");
}

/** Returns a list and its signature as one text, for a file or a QR code. */
export const signedListText = (list: RecallList, signature: string): string =>
  `${listText(list)}${END} ${signature}\n`;

/**
 * Returns a list from its text, as a file, a message or a QR code brings it; null when it is none, or not whole. Lines may
 * have been broken or indented differently on the way: what counts is that it says the same. The signature is not checked
 * here.
 */
export function readList(given: string): SignedList | null {
  if (given.length > MOST) return null;
  const lines = given
    .replaceAll("\r", "")
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line !== "");
  const start = lines.indexOf(HEAD);
  if (start < 0) return null;
  const [household, publicKey, made, count, ...rest] = lines.slice(start + 1);
  const says = (line: string | undefined, name: string) =>
    line?.startsWith(`${name}: `) ? line.slice(name.length + 2) : null;
  const at = Date.parse(says(made, "Made") ?? "");
  const rows = Number(says(count, "Do not eat") ?? Number.NaN);
  const signature = says(rest[rows], "Signature");
  if (!Number.isFinite(at) || !Number.isSafeInteger(rows) || rows < 0 || !signature) return null;
  const recalled = rest.slice(0, rows).map((line) => /^(\S+), (\d{4}-\d{2}-\d{2}): (.+)$/.exec(line));
  const from = says(household, "From");
  const key = says(publicKey, "Key");
  if (!from || !key || recalled.some((r) => r === null)) return null;
  const list: RecallList = {
    household: from,
    publicKey: key,
    at,
    recalled: recalled.map((r) => ({ code: r![1]!, day: r![2]!, reason: r![3]! })),
  };
  return { list, text: listText(list), signature };
}
