import type { Household } from "#store/household";
import { z } from "zod";
import { kindKey, type KindKey } from "#core/capacity";
import {
  SHAPES,
  isCan,
  scheduledProcess,
  type ContainerKey,
  type PackMethod,
  type ProductKey,
} from "#core/schedule";
import { groupOf, productsFor } from "#core/species";
import { getOpenPlan } from "#store/plan";
import type { Lot } from "#store/lot";
import type { Home } from "../../server/context";

const part = z.object({ lotId: z.string(), kind: z.string(), count: z.number().int().min(1).max(200) });

/** What a household wishes to put up, as it is kept between visits. */
export const wishSchema = z.object({
  lots: z.array(
    z.object({
      lotId: z.string(),
      /** container to fill, and a second one for what it leaves */
      into: z.array(z.string()).min(1).max(2),
      method: z.enum(["raw", "hot"]),
      /** a mixed dish it goes into; its row and share of meat are then the recipe's */
      recipeId: z.string().nullable().default(null),
    }),
  ),
  /** canners kept out of this plan */
  without: z.array(z.string()).default([]),
  /** sizes kept out of a canner */
  notIn: z.array(z.object({ cannerId: z.string(), kind: z.string() })).default([]),
  settled: z.array(z.object({ cannerId: z.string(), parts: z.array(part) })).default([]),
  maxLoads: z.number().int().min(1).max(12).nullable().default(null),
  saltTspPint: z.number().min(0).max(1).default(0.5),
  /** the day is told forwards from a start or backwards from an end; local day and time */
  when: z
    .object({ from: z.enum(["start", "end"]), at: z.string() })
    .nullable()
    .default(null),
  /** loads moved to a later minute of the day, by place in the plan */
  later: z.record(z.string(), z.number().int().min(0).max(2880)).default({}),
});
export type Wish = z.output<typeof wishSchema>;

/** Containers that are packed, as kinds, with what they are called. */
export const KINDS: readonly { key: KindKey; name: string; plural: string; container: ContainerKey }[] =
  SHAPES.map((s) => ({
    key: kindKey(s.key, s.mouth),
    name: s.name,
    plural: s.plural,
    container: s.key,
  }));

/** The usual container before anybody has chosen one. */
export const USUAL_KIND = "jar-pint regular";

/** The row a lot goes by in a container, first by the pack asked for; null where none is tested. */
export function rowFor(
  lot: Pick<Lot, "species" | "form">,
  kind: KindKey,
  method: PackMethod,
  { altitudeM, rows }: Pick<Household, "altitudeM" | "rows">,
): { product: ProductKey; pack: PackMethod; minutes: number } | null {
  const container = kind.split(" ")[0] as ContainerKey;
  // Mixed dishes go by a recipe, not by a lot's form.
  const product = productsFor(groupOf(lot.species), lot.form).find(
    (p) => p.startsWith("can-") === isCan(container) && !MIXED.includes(p),
  );
  if (!product) return null;
  for (const pack of [method, method === "raw" ? "hot" : "raw"] as const) {
    const answer = scheduledProcess({ product, pack, container, gauge: "weighted", altitudeM, rows });
    if (answer.outcome !== "none") return { product, pack, minutes: answer.minutes };
  }
  return null;
}

const MIXED: readonly ProductKey[] = ["chile-con-carne", "soup", "soup-seafood", "stewed-meat"];

/** Lots that may be planned: not held and not a roast. A frozen one may be: it thaws until then. */
export function plannable(lot: Lot): boolean {
  const why = lot.notPackable;
  return why === null || why === "frozen" || why === "thawing";
}

/** What is wished now: as kept, less lots that are gone; before anybody wished, everything that could be packed today. */
export function wishOf(home: Home, lots: readonly Lot[]): Wish {
  const kept = wishSchema.safeParse(getOpenPlan(home.larder)?.wish);
  if (kept.success) {
    const here = new Set(lots.filter(plannable).map((l) => l.id));
    // Kinds that are none here any more, or never were, are left out.
    const known = (kind: string) => KINDS.some((k) => k.key === kind);
    return {
      ...kept.data,
      lots: kept.data.lots.filter((l) => here.has(l.lotId) && l.into.every(known)),
      notIn: kept.data.notIn.filter((n) => known(n.kind)),
      settled: kept.data.settled.filter((s) => s.parts.every((p) => known(p.kind))),
    };
  }
  const ready = lots.filter((l) => l.notPackable === null && l.form !== "bones");
  return wishSchema.parse({
    lots: ready.map((l) => ({ lotId: l.id, into: [USUAL_KIND], method: "raw" })),
  });
}
