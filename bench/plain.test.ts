import { expect, test } from "vitest";
import { shownTexts } from "./shown-text.ts";
import { ADDED_WORDS, isPlain } from "./vocabulary.ts";

/** The columns of lists and what a program sends are names that other programs read: they stay. */
const READ_BY_PROGRAMS = /store\/lists\/records|routes\/records\/interface/;
const shown = shownTexts().filter((s) => !READ_BY_PROGRAMS.test(s.file));
/** Codes of a household, made-up names, and names in the code that look like words. */
const NOT_WORDS = /^(ada|hnwp|laterlayout|lotid|can't)$/;

/** What no screen says: turns that have to be decoded, other names for things that have one, and another spelling than the household's. */
const NEVER = [
  /time served|served without/i,
  /\bhush\b/i,
  /nobody looks/i,
  /\banew\b/i,
  /not so:/i,
  /a slip\b/i,
  /sign for it|sign a reason|signed for\b/i,
  /says who/i,
  /shares? a doubt|in doubt with/i,
  /take everything out|bring (an|its) archive/i,
  /this larder has a door/i,
  /the story of|\bits story\b/i,
  /square (a|the) (tele)?phone/i,
  /write (one|it) down\b/i,
  /\bwrote down\b/i,
  /hold it until/i,
  /gone from the first sheet/i,
  /it (fell|went quiet)\b/i,
  /give this run up|given up/i,
  /what stands inside/i,
  /chill(ed)? (it|them)\b|pack(ed)? (it|them) anew/i,
  /\bfor ever\b|\ball the same\b/i,
  /it is so\b/i,
  /by itself, once/i,
  /(it|them) lifted\b|\blift(ed|s)? (the|a) hold/i,
  /as you (call|say) it|as you would say/i,
  /empty: /i,
  /\bplease\b/i,
  /(?<!^)!(?=\s|$|”)/,
  /\b(flavour|colour|mould|litre|metre|centimetre|millimetre|centre|draught|aluminium|licence|grey|chilli|tonne|neighbour|per cent|telephone)\w*\b/i,
  /the larder does not answer/i,
];

test("nothing that is shown has to be decoded: no phrase of the list stands anywhere", () => {
  expect(shown.length).toBeGreaterThan(3_000);
  const found = shown.flatMap((s) =>
    NEVER.filter((never) => never.test(s.text)).map((never) => `${s.file}:${s.line} ${never}: ${s.text}`),
  );
  expect(found).toEqual([]);
});

test("every word is a usual one, or the trade's; at most sixty others were added, each with a reason", () => {
  expect(ADDED_WORDS).toBeLessThanOrEqual(60);
  const odd = new Map<string, string>();
  for (const { file, line, text } of shown)
    for (const [word] of text.replaceAll("’", "'").matchAll(/\p{L}[\p{L}']{2,}/gu))
      if (!isPlain(word) && !NOT_WORDS.test(word.toLowerCase()))
        odd.set(word.toLowerCase(), `${file}:${line}: ${text.slice(0, 90)}`);
  expect(Object.fromEntries(odd)).toEqual({});
});

/** A safety figure as somebody would type it again. Each stands once in core, with its source; `words/safety` says it. */
const FIGURES =
  /\b(24|twenty-four|12|twelve) hours\b|\b(the|wait|full) (10|ten) minutes\b|\b(3|three) (to|or) (4|four) days\b|\bwithin (3|three) days\b|\b(2|two) hours\b/i;

test("no safety figure is typed a second time in what is shown", () => {
  const typed = shown
    // A source is quoted as it reads; two hours of gutting are the source's too.
    .filter((s) => FIGURES.test(s.text) && !/USDA/.test(s.text))
    .map((s) => `${s.file}:${s.line}: ${s.text}`);
  expect(typed).toEqual([]);
});

/** Where somebody reads with wet hands: the stove, the packing bench, the sealer and the towel. */
const AT_WORK =
  /routes\/(fire|pack|seam|rest)|words\/(run|alarm|stage|pack|seam|rest|safety)|core\/(run|pack|seam|exhaust)/;

test("no sentence is over 20 words at the stove and the bench, none over 25 elsewhere", () => {
  const words = (sentence: string) => sentence.match(/[\p{L}\p{N}…][\p{L}\p{N}'’°½…]*/gu)?.length ?? 0;
  const long = shown.flatMap(({ file, line, text }) =>
    text
      .split(/(?<=[.!?:;])\s+/)
      .filter((sentence) => words(sentence) > (AT_WORK.test(file) ? 20 : 25))
      .map((sentence) => `${file}:${line} ${sentence}`),
  );
  expect(long).toEqual([]);
});
