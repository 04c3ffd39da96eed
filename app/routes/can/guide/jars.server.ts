import { kindKey, type KindKey } from "#core/capacity";
import { proposeLoad, type FoodSource, type JarLine } from "#core/canning";
import { LIQUIDS } from "#core/pack";
import { divideDish, whyNotIn } from "#core/recipe";
import { CONDITION_KEYS, DISH_PRODUCTS, SHAPES, isCan } from "#core/schedule";
import { groupOf, productsFor } from "#core/species";
import { chooseJars } from "#store/canning";
import { Refused } from "#store/db";
import { getCanner, listCanners } from "#store/equipment";
import { lotsInStock, type Lot } from "#store/lot";
import { getRecipe, recipeToCan } from "#store/recipe";
import { redirect } from "react-router";
import { z } from "zod";
import type { Home } from "../../../server/context";
import type { CanningNow } from "../../../features/canning/canning.server";
import { acceptedWords } from "../../../features/packing/accepted.server";
import { brothChoices, brothSaid, brothsOf } from "../../../features/packing/broth.server";
import { fillsOf } from "../../../features/packing/fills.server";
import { benchPartsOf } from "../../../features/packing/filling.server";
import { formKey, keyField, submit, words, writeBy } from "../../../server/form";
import { cutWords } from "../../../words/load";
import { lotAmount } from "../../../words/lot";
import { roomWords } from "./room-words";

/** Lots that may stand in the same load, with what each may be canned as. */
function sourcesOf({ larder, household }: Home, now: CanningNow): { lot: Lot; source: FoodSource }[] {
  const { recipeId, lotIds } = now.canning.work;
  const dish = recipeId === null ? null : recipeToCan(larder, getRecipe(larder, recipeId).name);
  const others = lotsInStock(larder).filter((l) => !lotIds.includes(l.id) && l.notPackable === null);
  return [...now.lots, ...others].map((lot) => {
    const products = productsFor(groupOf(lot.species), lot.form).filter((p) => !DISH_PRODUCTS.includes(p));
    const source: FoodSource = {
      lotId: lot.id,
      leftKg: lot.leftKg,
      products,
      cooked: lot.treatments.includes("cook"),
      fills: fillsOf(larder, products),
      dish: null,
    };
    if (recipeId === null || lot.id !== lotIds[0]) return { lot, source };
    const jars: NonNullable<FoodSource["dish"]>["jars"] = dish
      ? Object.fromEntries(
          SHAPES.filter((s) => !isCan(s.key) && whyNotIn(dish.answer, s.key, household.rows) === null).map(
            (s) => {
              const { jars: count, meatKgEach } = divideDish(dish.dish, dish.answer, s.key, s.mouth);
              return [kindKey(s.key, s.mouth), { kgEach: meatKgEach, count }];
            },
          ),
        )
      : {};
    return { lot, source: { ...source, dish: { product: dish?.answer.product ?? "soup", jars } } };
  });
}

/** What the choice of the containers is made from. */
export function jarsData(home: Home, now: CanningNow) {
  const { larder, household } = home;
  const sources = sourcesOf(home, now);
  const { recipeId, lotIds, parts } = now.canning.work;
  return {
    acceptKey: formKey(),
    accepted: acceptedWords(home),
    altitudeM: household.altitudeM,
    rows: household.rows,
    extraMinutes: household.extraMinutes,
    broths: brothChoices(home),
    sources: sources.map((s) => s.source),
    names: Object.fromEntries(
      sources.map(({ lot }) => [
        lot.id,
        recipeId !== null && lot.id === lotIds[0]
          ? getRecipe(larder, recipeId).name
          : `${cutWords(lot.part, lot.species)}, ${lot.code}, ${lotAmount(lot.form, lot.leftKg, household.units)}`,
      ]),
    ),
    canners: listCanners(larder).map((c) => ({
      id: c.id,
      name: c.name,
      quarts: c.quarts,
      gauges: c.gauges,
      safeMaxKPa: c.safeMaxKPa,
      pot: c.pot,
    })),
    chosen: {
      cannerId: now.canning.cannerId,
      lines: parts.map((p) => ({
        lotId: p.lotId,
        kind: kindKey(p.container, p.mouth),
        method: p.method,
        count: p.planned,
      })),
    },
  };
}

const line = z.object({
  lotId: z.string({ error: "Choose what goes in." }).max(60),
  kind: z.string({ error: "Choose a size." }).max(40),
  method: z.enum(["raw", "hot"]).optional(),
  count: z.coerce
    .number("Write how many as a number.")
    .int("Whole containers only.")
    .min(1, "At least one.")
    .max(100, "At most 100 in a load.")
    .optional(),
});

const schema = z.object({
  key: keyField,
  lines: z.array(line).min(1, "Choose at least one size.").max(6, "At most six sizes in a load."),
  cannerId: z.string({ error: "Choose a canner." }).max(60),
  liquid: z.enum(LIQUIDS).optional(),
  broth: z.string().max(60).optional(),
  liquidName: words("The name of the broth").optional(),
  saltTsp: z.coerce.number().min(0).max(4).default(0),
  additions: words("The seasoning").optional(),
  reason: words("The reason", 200).optional(),
  met: z.array(z.enum(CONDITION_KEYS)).default([]),
});

/** Reads what was chosen, proposes the load and stores it. */
export function chooseForm(request: Request, home: Home, now: CanningNow, back: string) {
  const { larder, household, me } = home;
  return submit(request, schema, (v) => {
    const canner = getCanner(larder, v.cannerId);
    const sources = sourcesOf(home, now).map((s) => s.source);
    const lines = v.lines.map((l): JarLine => ({
      lotId: l.lotId,
      kind: l.kind as KindKey,
      method: l.method ?? null,
      count: l.count ?? null,
    }));
    const proposed = proposeLoad(lines, sources, canner.pot, household.rows);
    const [problem] = proposed.problems;
    if (problem || !proposed.layers) {
      const of = problem ?? { line: 0, why: "no-room" as const, most: 0 };
      throw new Refused({
        [`lines[${of.line}].count`]: roomWords(of, lines[of.line]!.kind, canner.name),
      });
    }
    const { recipeId, lotIds } = now.canning.work;
    const from = brothSaid(v.liquid ?? "none", v.broth, v.liquidName);
    const parts = benchPartsOf(
      proposed,
      0,
      household,
      (lotId) => (recipeId !== null && lotId === lotIds[0] ? getRecipe(larder, recipeId) : null),
      brothsOf(home),
    ).map((p) =>
      p.dish
        ? p
        : {
            ...p,
            ...(v.liquid && p.product !== "broth" && { liquid: v.liquid, ...from }),
            saltTsp: isCan(p.container) ? 0 : v.saltTsp,
            additions: v.additions ?? null,
            reason: v.reason ?? null,
            confirmed: v.met,
          },
    );
    chooseJars(larder, writeBy(me, v.key), now.canning.id, {
      cannerId: canner.id,
      parts,
      layers: proposed.layers,
    });
    return redirect(back);
  });
}
