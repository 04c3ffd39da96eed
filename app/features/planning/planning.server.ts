import { kindParts } from "#core/capacity";
import {
  packMinutes,
  shortestDay,
  stageTimes,
  dayOf,
  type Day,
  type DayLoad,
  type StageTimes,
} from "#core/day";
import { fillEstimate, type FillEstimate } from "#core/pack";
import { dishRow, divideDish, whyNotIn } from "#core/recipe";
import {
  NotSolved,
  OBJECTIVES,
  proposeLoads,
  type PlanProblemNote,
  type PlanWish,
  type Proposal,
  type ProposedLoad,
  type Scores,
  type WishCanner,
} from "#core/plan";
import { isCan, type ContainerKey } from "#core/schedule";
import { totalMinutes } from "#core/run";
import { listCanners, type Canner } from "#store/equipment";
import { recordedFills } from "#store/pack";
import { listRecipes } from "#store/recipe";
import { pastStages } from "#store/run";
import { countedStock, suppliesInUse } from "#store/supply";
import type { Lot } from "#store/lot";
import type { Home } from "../../server/context";
import { snapshot } from "../shell/snapshot.server";
import { solveBeside } from "./solver.server";
import { KINDS, rowFor, wishOf, type Wish } from "./wish.server";

/** Seconds the solver may take for each thing a plan is judged by, before the best found is shown as such. */
const SECONDS = 3;

/** The plan in hand as far as it is known before any load is worked out. */
export interface PlanAsked {
  wish: Wish;
  canners: Canner[];
  lots: Lot[];
  estimates: Record<string, FillEstimate>;
}

/** The plan in hand with everything that follows from it. */
export interface Planning extends PlanAsked {
  proposal: Proposal | null;
  /** what keeping loads or sizes as the household wants them costs, against the plan without */
  cost: Partial<Scores> | null;
  /** why there is no proposal at all; null when there is one */
  failed: string | null;
  notes: PlanProblemNote[];
}

const proposals = new Map<string, Promise<Proposal>>();

/** Like a proposal for the same wish moments ago: worked out once, since a page is looked at again and again. */
function proposed(wish: PlanWish, now: number): Promise<Proposal> {
  const key = JSON.stringify(wish);
  const known = proposals.get(key);
  if (known) return known;
  if (proposals.size >= 40) proposals.delete(proposals.keys().next().value!);
  const fresh = proposeLoads(wish, now, solveBeside, SECONDS);
  proposals.set(key, fresh);
  fresh.catch(() => proposals.delete(key));
  return fresh;
}

/** What the household wants of the plan in hand. */
export const wishInHand = (home: Home): Wish => wishOf(home, snapshot(home).lots);

/** The plan in hand, worked out. */
export const planning = (home: Home): Promise<Planning> => planInHand(home).worked;

/** The plan in hand: what it is asked for at once, and its loads when the solver has them. */
export function planInHand(home: Home): { asked: PlanAsked; worked: Promise<Planning> } {
  const { now, lots } = snapshot(home);
  const wish = wishOf(home, lots);
  const canners = listCanners(home.larder);
  const estimates: Record<string, FillEstimate> = {};
  const { planWish, notes } = planWishOf(home, wish, lots, canners, estimates);
  const asked = { wish, canners, lots, estimates };
  return { asked, worked: workedOut(asked, planWish, notes, now) };
}

async function workedOut(
  base: PlanAsked,
  planWish: PlanWish,
  notes: PlanProblemNote[],
  now: number,
): Promise<Planning> {
  const { wish } = base;
  if (planWish.lots.length === 0) return { ...base, proposal: null, cost: null, failed: null, notes };
  try {
    const proposal = await proposed(planWish, now);
    const bound = planWish.settled.length > 0 || wish.notIn.length > 0 || wish.maxLoads !== null;
    const free = bound
      ? await proposed(
          {
            ...planWish,
            settled: [],
            maxLoads: null,
            canners: planWish.canners.map((c) => ({ ...c, without: [] })),
          },
          now,
        )
      : null;
    return {
      ...base,
      proposal,
      cost: free && costOf(proposal, free),
      failed: null,
      notes: [...notes, ...proposal.notes],
    };
  } catch (error) {
    if (!(error instanceof NotSolved)) throw error;
    const failed =
      "This is too much to plan at once: no plan was found in the time given. Leave out some lots or sizes.";
    return { ...base, proposal: null, cost: null, failed, notes };
  }
}

/** What a bound plan is worse by. Loads and left-over as they come out, not as the solver counts what it was left with. */
function costOf(bound: Proposal, free: Proposal): Partial<Scores> {
  const judged = (p: Proposal): Partial<Scores> => ({
    loads: p.loads.length,
    left: p.left.reduce((sum, l) => sum + l.kg, 0),
    unlike: p.loads.reduce((sum, l) => sum + unlike(l), 0),
  });
  const [a, b] = [judged(bound), judged(free)];
  return Object.fromEntries(
    OBJECTIVES.filter((o) => a[o] !== undefined && Math.abs(a[o]! - b[o]!) > 0.02).map((o) => [
      o,
      a[o]! - b[o]!,
    ]),
  );
}

const unlike = (l: ProposedLoad) =>
  l.parts.reduce((sum, p) => sum + (p.minutes < l.governing.minutes ? p.count : 0), 0);

function planWishOf(
  home: Home,
  wish: Wish,
  lots: readonly Lot[],
  canners: readonly Canner[],
  estimates: Record<string, FillEstimate>,
): { planWish: PlanWish; notes: PlanProblemNote[] } {
  const { larder, household } = home;
  const notes: PlanProblemNote[] = [];
  const recipes = wish.lots.some((l) => l.recipeId) ? listRecipes(larder) : [];
  const wished = wish.lots.flatMap(({ lotId, into, method, recipeId }) => {
    const lot = lots.find((l) => l.id === lotId)!;
    const recipe = recipes.find((r) => r.id === recipeId);
    const ways = into.flatMap((kind) => {
      const { container, mouth } = kindParts(kind);
      if (recipe) {
        const answer = dishRow(recipe.dish, recipe.ingredients);
        const why = whyNotIn(answer, container, household.rows);
        if (why !== null) {
          notes.push({ about: { lotId, kind }, reason: why, instead: ["Choose another size."] });
          return [];
        }
        const share = divideDish(recipe.dish, answer, container, mouth);
        return [
          { kind, product: answer.product!, pack: "hot" as const, kgEach: Math.max(0.01, share.meatKgEach) },
        ];
      }
      const row = rowFor(lot, kind, method, household);
      if (!row) {
        const size = KINDS.find((k) => k.key === kind)?.plural ?? kind;
        notes.push({
          about: { lotId, kind },
          reason:
            isCan(container) && household.altitudeM > 304.8
              ? "There is no altitude row for cans: nothing is tested above 1,000 ft."
              : `Lot ${lot.code}, ${lot.part.toLowerCase()}: no tested process in ${size}.`,
          instead: isCan(container)
            ? [
                "Ask your local extension office: pack by the schedule they give you.",
                "Put it in glass jars.",
              ]
            : ["Use pints or half-pints.", "Freeze it."],
        });
        return [];
      }
      const recorded = recordedFills(larder, row.product, row.pack, container);
      const estimate = fillEstimate(row.product, row.pack, container, recorded, mouth);
      estimates[`${lotId} ${kind}`] = estimate;
      return [{ kind, product: row.product, pack: row.pack, kgEach: estimate.kgEach }];
    });
    return ways.length > 0 ? [{ id: lotId, massKg: lot.leftKg, into: ways, inOrder: true }] : [];
  });
  const kinds = [...new Set(wished.flatMap((l) => l.into.map((i) => i.kind)))];
  return {
    notes,
    planWish: {
      altitudeM: household.altitudeM,
      rows: household.rows,
      lots: wished,
      canners: canners.filter((c) => !wish.without.includes(c.id)).map((c) => wishCanner(c, wish)),
      stock: countedStock(suppliesInUse(larder), kinds),
      settled: wish.settled,
      maxLoads: wish.maxLoads,
      signedOverdue: false,
    },
  };
}

function wishCanner(c: Canner, wish: Wish): WishCanner {
  const { minLoad, ...pot } = c.pot;
  return {
    id: c.id,
    name: c.name,
    quarts: c.quarts,
    gauges: c.gauges,
    pot,
    minLoad,
    without: wish.notIn.filter((n) => n.cannerId === c.id).map((n) => n.kind),
    maxLoads: null,
  };
}

/** How long a canner's stages take, learned from its own runs. */
function timesOf({ larder }: Home, canner: Canner): StageTimes {
  return stageTimes(canner.quarts, pastStages(larder, canner.id));
}

/** The loads as a day, in the order that ends first, or with those moved later that the household moved. */
export function dayOfPlan(
  home: Home,
  plan: Planning,
): { day: Day; times: ReadonlyMap<string, StageTimes> } | null {
  const loads = plan.proposal?.loads ?? [];
  if (loads.length === 0) return null;
  const used = plan.canners.filter((c) => loads.some((l) => l.cannerId === c.id));
  const learned = new Map(used.map((c) => [c.id, timesOf(home, c)]));
  const dayLoads = loads.map((load, i): DayLoad => {
    const canner = plan.canners.find((c) => c.id === load.cannerId)!;
    const times = learned.get(canner.id)!;
    return {
      id: String(i),
      cannerId: load.cannerId,
      packMinutes: packMinutes(
        load.parts.map((p) => ({
          count: p.count,
          can: isCan(p.kind.split(" ")[0] as ContainerKey),
          hot: p.pack === "hot",
        })),
      ),
      processMinutes: totalMinutes({
        minutes: load.governing.minutes,
        extraMinutes: home.household.extraMinutes,
      }),
      ventMinutes: load.governing.ventMinutes,
      minBurnerToVentEndMinutes:
        load.governing.conditions.find((c) => c.minBurnerToVentEndMinutes)?.minBurnerToVentEndMinutes ?? null,
      // What the manual says of losing pressure is the least it is planned with.
      times: canner.depressuriseMin
        ? {
            ...times,
            coolDown: {
              ...times.coolDown,
              minutes: Math.max(times.coolDown.minutes, canner.depressuriseMin),
            },
          }
        : times,
      ...(plan.wish.later[i] === undefined ? {} : { notBeforeMinute: plan.wish.later[i] }),
    };
  });
  const best = shortestDay(dayLoads.map(({ notBeforeMinute: _, ...l }) => l));
  const ordered = best.order.map((id) => dayLoads.find((l) => l.id === id)!);
  return { day: Object.keys(plan.wish.later).length > 0 ? dayOf(ordered) : best.day, times: learned };
}
