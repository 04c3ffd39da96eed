import { runAgenda, urgency, type Due } from "#core/agenda";
import { formatMassShort, type UnitSystem } from "#core/quantity";
import type { RunView, RunPlan } from "#core/run";
import type { ContainerKey } from "#core/schedule";
import type { Resting, Undecided } from "#store/rest";
import { isInCanner, type RunRecord } from "#store/run";
import { isFit } from "#store/seam";
import type { BenchPlace, BenchStanding, PlaceKey } from "#ui/bench";
import { contentsOf, patternOf, type GlyphState } from "#ui/glyph";
import { filledLoadWords } from "../../words/load";
import type { Snapshot } from "./snapshot.server";

export interface RunGlance {
  id: string;
  code: string;
  canner: string;
  load: string;
  /** containers in it, a kind each pack */
  kinds: ContainerKey[];
  view: RunView;
  plan: RunPlan;
  agenda: Due[];
}

/** A run as it is seen from other places. */
export function glance(run: RunRecord): RunGlance {
  return {
    id: run.id,
    code: run.code,
    canner: run.cannerName,
    load: filledLoadWords(run.packs, run.plan.fillers),
    kinds: run.packs.map((p) => p.container),
    view: run.view,
    plan: run.plan,
    agenda: runAgenda(run.view, run.plan, run.cannerQuarts),
  };
}

/** Runs under way, the most pressing first. */
export function runGlances({ runs, now }: Pick<Snapshot, "runs" | "now">): RunGlance[] {
  return runs.map(glance).sort((a, b) => pressing(a, now) - pressing(b, now));
}

/** A number to sort runs by, the lowest first: what is dangerous, then what is due, then by its instant. */
export function pressing(g: RunGlance, now: number): number {
  if (g.view.alarm === "over-pressure" || g.view.alarm === "below-target") return -1;
  const first = g.agenda[0];
  return first ? urgency(first, now) : Infinity;
}

/** The row of places as it stands now. */
export function benchOf(
  { lots, waiting, resting, open, ready, shelf: shelves, cans, uncut }: Snapshot,
  runs: readonly RunGlance[],
  units: UnitSystem,
): BenchPlace[] {
  const inCanner = runs.filter((r) => isInCanner(r.view));
  const shelf = shelves.count;
  const kg = lots.reduce((sum, l) => sum + l.leftKg, 0);
  const jarsWaiting = waiting.reduce((sum, p) => sum + p.count, 0);
  const cansWaiting = waiting.filter((p) => p.container.startsWith("can-"));
  const onTowel = resting.reduce((sum, r) => sum + r.containers.length, 0);
  const place = (
    key: PlaceKey,
    name: string,
    what: string,
    amount: number,
    standing: BenchStanding[] = [],
    steaming = false,
  ): BenchPlace => ({
    key,
    name,
    what,
    amount,
    standing,
    steaming,
  });
  const first = inCanner[0];
  return [
    place("field", "Field", uncut ? `${uncut} to cut` : "nothing to cut", uncut),
    place(
      "cold",
      "Cold",
      lots.length
        ? `${formatMassShort(kg, units)}, ${lots.length === 1 ? "1 lot" : `${lots.length} lots`}`
        : "empty",
      lots.length,
    ),
    place("table", "Table", "cut a lot", 0),
    place("plan", "Plan", "how many jars", 0),
    place(
      "pack",
      "Pack",
      jarsWaiting ? `${jarsWaiting} filled` : "nothing filled",
      jarsWaiting,
      waiting.slice(0, 3).map((p) => standing(p, "lidded")),
    ),
    place(
      "seam",
      "Seam",
      cans.length > 0 ? `${cans.filter(isFit).length} of ${cans.length} closed` : "no cans",
      cansWaiting.length,
      cansWaiting.slice(0, 2).map((p) => standing(p, "lidded")),
    ),
    place(
      "fire",
      "Fire",
      first ? fireWords(inCanner) : "cold",
      inCanner.length,
      [],
      inCanner.some((r) => ["venting", "processing"].includes(r.view.phase)),
    ),
    place(
      "rest",
      "Rest",
      open.length ? `${open.length} to decide` : onTowel ? `${onTowel} on the towel` : "none cooling",
      onTowel + open.length,
      restStanding(resting, open),
    ),
    place(
      "larder",
      "Larder",
      ready.length
        ? `${ready.length} to shelve`
        : shelf
          ? `${shelf.toLocaleString("en-US")} on the shelf`
          : "empty shelf",
      shelf,
      shelves.first.map((c) =>
        standing(
          { container: c.kind, mouth: c.mouth, product: c.product, species: c.species, code: c.packCode },
          "sealed",
        ),
      ),
    ),
  ];
}

function fireWords(runs: readonly RunGlance[]): string {
  if (runs.length > 1) return `${runs.length} canners lit`;
  const phases: Partial<Record<RunView["phase"], string>> = {
    warming: "warming",
    venting: "venting",
    pressurising: "coming up",
    processing: "at pressure",
    cooling: "cooling",
    settling: "wait for the lid",
    unloading: "unloading",
  };
  return phases[runs[0]!.view.phase] ?? "lit";
}

function standing(
  p: { container: string; mouth: string | null; product: string; species: readonly string[]; code: string },
  state: GlyphState,
): BenchStanding {
  return {
    kind: p.container,
    mouth: p.mouth,
    state,
    contents: contentsOf(p.product as never, p.species),
    pattern: patternOf(p.code),
  };
}

function restStanding(resting: Resting[], open: readonly Undecided[]): BenchStanding[] {
  const failed = open.slice(0, 1).map((u) => u.container);
  const rest = resting.flatMap((r) => r.containers.slice(0, 2));
  const speciesOf = (packId: string, runs: { packs: RunRecord["packs"] }[]) =>
    runs.flatMap((r) => r.packs).find((p) => p.id === packId)?.species ?? [];
  const runs = [...open.map((u) => u.run), ...resting.map((r) => r.run)];
  return [
    ...failed.map((c) =>
      standing(
        {
          container: c.kind,
          mouth: c.mouth,
          product: c.product,
          species: speciesOf(c.packId, runs),
          code: c.packCode,
        },
        "failed",
      ),
    ),
    ...rest.map((c) =>
      standing(
        {
          container: c.kind,
          mouth: c.mouth,
          product: c.product,
          species: speciesOf(c.packId, runs),
          code: c.packCode,
        },
        "resting",
      ),
    ),
  ].slice(0, 3);
}
