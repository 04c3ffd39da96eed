import { canningSteps, stepNow, type CanningFacts, type Step } from "#core/canning";
import { isCan, type ContainerKey } from "#core/schedule";
import { benchInHand, getCanning, openCannings, type Canning } from "#store/canning";
import { Refused } from "#store/db";
import { getCanner, type Canner } from "#store/equipment";
import type { BenchNow } from "#store/filling";
import { getLot, happeningsOfLot, type Lot } from "#store/lot";
import { processFor, type Pack } from "#store/pack";
import { getRecipe } from "#store/recipe";
import { getRun, type RunRecord } from "#store/run";
import { isFit, sealerFor, standingOf, listSealers } from "#store/seam";
import type { Home } from "../../server/context";
import { cutWords, loadWords } from "../../words/load";
import { loadCheck, type LoadCheck } from "../check/load-check.server";
import { snapshot } from "../shell/snapshot.server";

/** A guided canning with everything its records say of it. */
export interface CanningNow {
  canning: Canning;
  steps: Step[];
  /** null when everything is on its shelf */
  step: Step | null;
  facts: CanningFacts;
  lots: Lot[];
  canner: Canner | null;
  bench: BenchNow | null;
  packs: Pack[];
  run: RunRecord | null;
  /** what is checked before the load goes in; null before it is chosen and once it is in a canner */
  check: LoadCheck | null;
  /** why the load cannot be run; null when it can, or is not chosen yet */
  problem: string | null;
  /** `6 pints of venison`, or `Meat of venison` before the containers are chosen */
  title: string;
}

/** Returns a guided canning as it is now. Throws Refused (404) when there is none of this id. */
export function canningNow(home: Home, id: string): CanningNow {
  return follow(home, getCanning(home.larder, id));
}

/** Returns the guided cannings under way, oldest first; those whose containers are all on their shelf are left out. */
export function cannings(home: Home): CanningNow[] {
  return openCannings(home.larder)
    .map((c) => follow(home, c))
    .filter((c) => c.step !== null);
}

function follow(home: Home, canning: Canning): CanningNow {
  const { larder } = home;
  const { now } = snapshot(home);
  const { work } = canning;
  const lots = work.lotIds.map((id) => getLot(larder, id));
  const canner = canning.cannerId === null ? null : getCanner(larder, canning.cannerId);
  const bench = benchInHand(larder, canning);
  const packs = bench?.parts.flatMap((p) => p.pack ?? []) ?? [];
  const run = runOf(home, packs);
  const { check, problem } = checkOf(home, canning, canner, packs, run);
  const facts = factsOf(home, { canning, lots, bench, packs, run, check });
  const steps = canningSteps(facts, now);
  return {
    canning,
    steps,
    step: stepNow(steps),
    facts,
    lots,
    canner,
    bench,
    packs,
    run,
    check,
    problem,
    title: titleOf(home, canning, lots, packs),
  };
}

/** The run its containers are in, or were in: the newest, should a load have been divided. */
function runOf(home: Home, packs: readonly Pack[]): RunRecord | null {
  const ids = [...new Set(packs.flatMap((p) => p.runId ?? []))];
  const runs = ids.map((id) => getRun(home.larder, id)).sort((a, b) => b.openedAt - a.openedAt);
  return runs[0] ?? null;
}

/** Packs of the load: as they were filled, or as they are planned. */
function checkOf(
  home: Home,
  canning: Canning,
  canner: Canner | null,
  packs: readonly Pack[],
  run: RunRecord | null,
): { check: LoadCheck | null; problem: string | null } {
  const { parts } = canning.work;
  if (canner === null || parts.length === 0 || run !== null) return { check: null, problem: null };
  try {
    const load =
      packs.length > 0
        ? packs
        : parts.map((p) => ({
            container: p.container,
            mouth: p.mouth,
            count: p.planned,
            product: p.product,
            species: getLot(home.larder, p.lotId).species,
            dish: p.dish ?? null,
            schedule: { ...processFor(home.larder, p), confirmed: p.confirmed ?? [] },
          }));
    const check = loadCheck(home, {
      canner,
      packs: load,
      burnerId: null,
      governs: null,
      extraMinutes: home.household.extraMinutes,
      fillers: [],
    });
    return check.problem === null ? { check, problem: null } : { check: null, problem: check.problem };
  } catch (error) {
    if (error instanceof Refused) return { check: null, problem: error.message };
    throw error;
  }
}

function factsOf(
  home: Home,
  c: Pick<CanningNow, "canning" | "lots" | "bench" | "packs" | "run" | "check">,
): CanningFacts {
  const { larder } = home;
  const { canning, bench, packs, run, check } = c;
  const { parts, toCut } = canning.work;
  const look = snapshot(home);
  const codes = new Set(packs.map((p) => p.code));
  const sizes = [...new Set(parts.map((p) => p.container))].filter(isCan);
  const begun = bench !== null && bench.parts.some((p) => p.containers.length > 0);
  return {
    chosen: parts.length > 0,
    cans: sizes.length > 0,
    hot: parts.some((p) => p.method === "hot"),
    lots: c.lots.map((lot) => ({
      kept: lot.kept,
      thawedAt: lot.kept === "thawing" ? (lot.thaw?.readyAt ?? null) : null,
      wasFrozen: happeningsOfLot(larder, lot.id).some(
        (h) => h.event.kind === "thaw-done" && h.at >= canning.openedAt,
      ),
      cut: !toCut,
      cooked: lot.treatments.includes("cook") || lot.form === "broth",
    })),
    said: canning.said,
    unchecked: check ? check.items.filter((i) => canning.found.get(i.key) !== "sound").length : 1,
    untested: toClose(home, c).length > 0 && readySize(home, toClose(home, c)) === null,
    filling: { begun, over: bench !== null && bench.closedAt !== null },
    openCans: look.cans.filter((can) => codes.has(can.packCode) && !isFit(can)).length,
    run: run && { phase: run.view.phase, checkAt: run.view.checkAt },
    after: {
      unlooked: run
        ? look.resting
            .filter((r) => r.run.id === run.id)
            .flatMap((r) => r.containers)
            .filter((n) => codes.has(n.packCode) && n.seal === null).length
        : 0,
      undecided: look.open.filter((u) => codes.has(u.container.packCode)).length,
      toShelve: look.ready.filter((s) => codes.has(s.packCode)).length,
    },
  };
}

/** Returns the sizes of can that are still to be closed, in the order of the load: one size after the other. */
export function toClose(
  home: Home,
  { canning, packs, bench }: Pick<CanningNow, "canning" | "packs" | "bench">,
): ContainerKey[] {
  const sizes = [...new Set(canning.work.parts.map((p) => p.container))].filter(isCan);
  if (bench === null || bench.closedAt === null) return sizes;
  const codes = new Set(packs.map((p) => p.code));
  const open = snapshot(home).cans.filter((can) => codes.has(can.packCode) && !isFit(can));
  return sizes.filter((size) => open.some((can) => can.kind === size));
}

/** Returns the first of some sizes the sealer stands tested for; null for none. It is set for one size at a time. */
export function readySize({ larder }: Home, sizes: readonly ContainerKey[]): ContainerKey | null {
  const sealer = sealerFor(larder, null, listSealers(larder));
  return (sealer && sizes.find((s) => standingOf(larder, sealer.id, s).state === "ready")) ?? null;
}

function titleOf(home: Home, { work }: Canning, lots: readonly Lot[], packs: readonly Pack[]): string {
  if (packs.length > 0 && packs.every((p) => p.count > 0) && packs.some((p) => p.runId))
    return loadWords(packs);
  if (work.parts.length > 0)
    return loadWords(
      work.parts.map((p) => ({
        container: p.container,
        mouth: p.mouth,
        count: p.planned,
        product: p.product,
        species: getLot(home.larder, p.lotId).species,
        dish: p.dish ?? null,
      })),
    );
  if (work.recipeId) return getRecipe(home.larder, work.recipeId).name;
  return lots.map((l) => cutWords(l.part, l.species)).join(" and ");
}
