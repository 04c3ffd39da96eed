import { onBehalfOf } from "#store/db";
import { addGuide, beginComparing, recordComparison } from "#store/guide";
import { publishedFigures, type ProductKey } from "#core/schedule";
import type { Teller } from "./teller.ts";

/** The household's own copy of the guide: birds compared by both cousins, broth by one, the rest still to do. */
export function ownGuide(t: Teller): void {
  t.goTo(t.at(58));
  t.as("Oda");
  const guideId = addGuide(t.larder, t.write(), {
    title: "USDA Complete Guide to Home Canning",
    edition: 2015,
  }).id;
  const compare = (who: "Oda" | "Piet", device: string, product: ProductKey, page: string) => {
    t.as(who);
    onBehalfOf({ device, said: null, known: "chosen" }, () => {
      beginComparing(t.larder, t.write(), product);
      recordComparison(t.larder, t.write(), { product, guideId, page, typed: publishedFigures(product) });
    });
  };
  compare("Oda", "Kitchen tablet", "poultry-rabbit-boneless", "5-5");
  compare("Oda", "Kitchen tablet", "broth", "5-10");
  compare("Piet", "Piet’s phone", "poultry-rabbit-boneless", "5-5");
}
