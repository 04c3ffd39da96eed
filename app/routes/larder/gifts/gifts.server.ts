import { giftBoxMm, QR_SQUARE_MM, STOCKS, stockOf, type LabelStock } from "#core/label";
import { getContainer } from "#store/rest";
import { giftsOf, type Gift } from "#store/shelf";
import { witnessOf } from "#store/witness";
import { giftText, givenWords, type GiftText } from "../../../words/gift";
import { timesOf } from "../../../words/time";
import type { Home } from "../../../server/context";
import { qrWithin } from "../../../server/qr";
import { containersAsked, servedExtra } from "../labels/choice.server";

/** Label material with room for a gift label. */
export const GIFT_STOCKS: readonly LabelStock[] = STOCKS.filter((s) => giftBoxMm(s) !== null);

/** A gift label as it is printed. */
export interface GiftLabel {
  gift: Gift;
  text: GiftText;
  /** `Given November 20, 2026 to Rolf`; empty while it was not */
  given: string;
}

/** What an address asks gift labels for. */
export interface GiftsAsked {
  labels: GiftLabel[];
  /** why some get none, a sentence each */
  refused: string[];
  /** codes of nothing */
  unknown: string[];
}

/** The gift labels that an address asks for. Whatever is on hold, recalled, not sealed or not canned gets none, with the reason. */
export function giftsWanted(home: Home, search: URLSearchParams): GiftsAsked {
  const { larder, household } = home;
  const { ids, unknown } = containersAsked(home, search);
  const gifts = giftsOf(larder, ids);
  const known = new Set(gifts.map((g) => g.shelved.id));
  const notCanned = ids
    .filter((id) => !known.has(id))
    .map((id) => `${getContainer(larder, id).code} is not canned yet.`);
  const giving = gifts.filter((g) => g.whyNot === null);
  const times = timesOf(household);
  const giver = {
    household: household.name,
    units: household.units,
    times,
    fingerprint: witnessOf(larder.folder).fingerprint,
  };
  const extra = servedExtra(
    home,
    giving.map((g) => g.shelved),
  );
  return {
    labels: giving.map((gift) => ({
      gift,
      text: giftText(gift, giver, extra(gift.shelved)),
      given: givenWords(gift, times),
    })),
    refused: [...gifts.flatMap((g) => g.whyNot ?? []), ...notCanned],
    unknown,
  };
}

/** Returns whether a label has room for a gift's text as a QR code that can be read. */
export function fits(stock: LabelStock, { whole }: GiftText): boolean {
  const box = giftBoxMm(stock);
  return box !== null && qrWithin(whole, box.qr.width, QR_SQUARE_MM) !== null;
}

/** Returns the codes of those whose text is too long for a label. */
export const tooLongFor = (stock: LabelStock, labels: readonly GiftLabel[]): string[] =>
  labels.filter((l) => !fits(stock, l.text)).map((l) => l.text.code);

/** Returns the gift labels that an address asks for. Throws a Response (422) that says why there is none. */
export function giftsOr422(home: Home, search: URLSearchParams): GiftLabel[] {
  const { labels, refused } = giftsWanted(home, search);
  if (labels.length > 0) return labels;
  throw new Response(refused.join(" ") || "Choose what you give away first.", { status: 422 });
}

/** Returns label material that has room for every one of these; the smallest first. */
export const roomyFor = (labels: readonly GiftLabel[]): LabelStock[] =>
  GIFT_STOCKS.filter((s) => labels.every((l) => fits(s, l.text))).sort(
    (a, b) => a.label.width * a.label.height - b.label.width * b.label.height,
  );

/** The label material an address names; otherwise the household's paper with the fewest labels to a sheet. */
export function giftStock({ household }: Home, search: URLSearchParams): LabelStock {
  const named = stockOf(search.get("stock") ?? "");
  if (named && giftBoxMm(named)) return named;
  return stockOf(household.units === "us" ? "letter-10" : "a4-8")!;
}
