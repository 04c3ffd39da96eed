import { ALPHABET, valueOf } from "./alphabet.ts";
import { bareCode, isValidCode, withDash } from "./check.ts";

export type CodeReading =
  | { ok: true; code: string }
  | {
      ok: false;
      message: string;
      /** every sound code that differs from what was read in one character or one swap of neighbours */
      candidates: string[];
      /** the code that was meant, when the check character leaves only one: one character is not in the alphabet */
      meant: string | null;
    };

/**
 * Returns the code that a text from a lid, bag or label means, or why it is none, with the codes that may have been
 * meant.
 *
 * When one character is not of the alphabet (an O, a 1, a smudge typed as `?`), the check character leaves exactly one
 * code, `meant`. When only the check is wrong, `candidates` lists every code one character or one swap away, and
 * `meant` is null.
 */
export function readCode(text: string): CodeReading {
  const bare = bareCode(text);
  if (isValidCode(bare)) return { ok: true, code: withDash(bare) };
  if (bare.length < 4 || bare.length > 7) {
    return {
      ok: false,
      message: "A code has 4 to 6 characters, the last one after a dash, like 7K4-R.",
      candidates: [],
      meant: null,
    };
  }
  const foreign = [...bare].flatMap((c, i) => (valueOf(c) < 0 ? [i] : []));
  if (foreign.length > 1) {
    return {
      ok: false,
      message: `Codes never use ${listOf(foreign.map((i) => bare[i]!))}. Look at the label again.`,
      candidates: [],
      meant: null,
    };
  }
  if (foreign.length === 1) {
    const candidates = soundAt(bare, foreign[0]!);
    return {
      ok: false,
      message: `Codes never use ${bare[foreign[0]!]}.`,
      candidates,
      meant: candidates.length === 1 ? candidates[0]! : null,
    };
  }
  const candidates = new Set<string>();
  for (let i = 0; i < bare.length; i++) {
    for (const c of soundAt(bare, i)) candidates.add(c);
    if (i === 0) continue;
    const swapped = bare.slice(0, i - 1) + bare[i]! + bare[i - 1]! + bare.slice(i + 1);
    if (isValidCode(swapped)) candidates.add(withDash(swapped));
  }
  return {
    ok: false,
    message: `${withDash(bare)} is not a code: its check character does not fit, so a character is wrong or two are in the wrong order.`,
    candidates: [...candidates],
    meant: null,
  };
}

function soundAt(bare: string, place: number): string[] {
  return [...ALPHABET]
    .map((c) => bare.slice(0, place) + c + bare.slice(place + 1))
    .filter(isValidCode)
    .map(withDash);
}

function listOf(items: string[]): string {
  const unique = [...new Set(items)];
  return unique.length === 1 ? unique[0]! : `${unique.slice(0, -1).join(", ")} or ${unique.at(-1)}`;
}
