/** Usual weight of one piece, kg. Common practice, no source. */
const USUAL_KG: readonly (readonly [name: RegExp, kg: number])[] = [
  [/^onions?\b(?! powder)/, 0.15],
  [/^carrots?\b/, 0.06],
  [/^(?:celery stalks?|(?:stalks?|ribs?) (?:of )?celery|celery ribs?)\b/, 0.04],
  [/^potato(?:es)?\b/, 0.17],
  [/^(?:garlic cloves?|cloves? (?:of )?garlic)\b/, 0.005],
  [/^(?:bell|sweet) peppers?\b/, 0.15],
  [/^tomato(?:es)?\b(?! (?:juice|paste|sauce|powder))/, 0.125],
];

/**
 * Returns the usual weight of one medium piece of something, kg; null when it is not counted in pieces, or none is known.
 * Common practice, no source.
 *
 * @param name as in a recipe: `onions`, `medium carrots, sliced`
 */
export function usualPieceKg(name: string): number | null {
  const plain = name.toLowerCase().replace(/^(?:small|medium|large|whole|fresh)\s+/, "");
  return USUAL_KG.find(([one]) => one.test(plain))?.[1] ?? null;
}
