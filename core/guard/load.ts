import {
  containerOf,
  kindKey,
  kindShape,
  layersFor,
  loadPatterns,
  manualShare,
  type KindKey,
  type Pot,
} from "../capacity/index.ts";
import { whyNotFilled } from "./filler.ts";
import { FILLED_WAIT_MINUTES } from "../lot/index.ts";
import { MOST_EXTRA_MINUTES, type Filler } from "../run/index.ts";
import { MINUTE_MS, capital, countOf, formatDuration } from "../quantity/index.ts";
import {
  isCan,
  shapeOf,
  unanswered,
  type ContainerKey,
  type GoverningSchedule,
  type Mouth,
  type PackMethod,
} from "../schedule/index.ts";

/** A filled pack about to go into a canner. */
export interface PackToLoad {
  code: string;
  method: PackMethod;
  container: ContainerKey;
  mouth: Mouth | null;
  count: number;
  /** when its first container was filled, ms since 1970 UTC */
  filledAt: number;
  /** when heat first reached its food after filling (a can at 170 °F), ms; null while it is raw and waiting */
  heatedAt: number | null;
  /** conditions confirmed as it was filled */
  confirmed: readonly string[];
}

/**
 * Returns why so many minutes may not be added to a scheduled process, as a sentence; null when they may. Never fewer
 * than none. Common practice, no source.
 */
export function whyNotExtra(minutes: number): string | null {
  return Number.isInteger(minutes) && minutes >= 0 && minutes <= MOST_EXTRA_MINUTES
    ? null
    : `Add from 0 to ${MOST_EXTRA_MINUTES} whole minutes. The scheduled minutes are never fewer.`;
}

export interface CannerToLoad {
  name: string;
  pot: Pot;
  /** its room was measured, or its manual's number is known; otherwise it is that of its plain size */
  measured: boolean;
  /** fewest containers its maker wants in a load, ≥ 0; none when left out */
  leastLoad?: number;
}

export interface LoadRefusal {
  field: "packIds" | "cannerId" | "met" | "fillers";
  message: string;
}

/** Something a person may sign for; the reason follows every container of the packs named. */
export interface ToSign {
  key: "hot-dish-beside-raw" | "raw-beside-hot" | "raw-waited" | "hot-waited" | "below-least-load";
  text: string;
  /** codes of the packs it is about */
  packs: string[];
}

export interface LoadAnswer {
  refused: LoadRefusal | null;
  toSign: ToSign[];
}

/**
 * Returns whether a load may be run in a canner, beside its scheduled process: why it is refused (it does not fit, or
 * a condition is not confirmed), null when it is not, and what somebody may sign for: among that, fewer containers
 * than the canner's maker wants, and raw beside hot jars where nobody confirmed their order. The one guard, asked by
 * the form, the equipment check, records kept on paper and programs.
 *
 * Source: waits by USDA FSIS consumer advice, from memory; room as `layersFor`.
 * @param lightingAt when the burner is lit, or now, ms since 1970 UTC
 * @param confirmed conditions confirmed for the load
 * @param fillers containers of water or beans that fill it up
 */
export function judgeLoad(
  packs: readonly PackToLoad[],
  canner: CannerToLoad,
  governing: GoverningSchedule,
  lightingAt: number,
  confirmed: readonly string[],
  fillers: readonly Filler[] = [],
): LoadAnswer {
  const all = packs.map((p) => p.code);
  const toSign: ToSign[] = governing.deviations.map((d) => ({ ...d, packs: all }));
  const known = [...confirmed, ...packs.flatMap((p) => p.confirmed)];
  for (const { key, text } of unanswered(governing.conditions, "load", known))
    if (key === "raw-beside-hot") toSign.push({ key, text, packs: all });
  const inside = sizesOf(packs, fillers);
  const few = belowLeastLoad(canner, inside);
  if (few) toSign.push({ key: "below-least-load", text: few, packs: all });
  for (const method of ["raw", "hot"] as const) {
    const waited = waitedTooLong(packs, lightingAt).filter((w) => w.method === method);
    if (waited.length > 0)
      toSign.push({
        key: `${method}-waited`,
        text: `${capital(method)} containers waited ${formatDuration(Math.max(...waited.map((w) => w.minutes)) * 60)} for the burner; the limit is ${formatDuration(FILLED_WAIT_MINUTES * 60)}.`,
        packs: waited.map((w) => w.code),
      });
  }
  const unfit = whyNotFilled(
    fillers,
    packs.map((p) => kindOf(p)),
  );
  return {
    refused: unfit
      ? { field: "fillers", message: unfit }
      : (whyNotInside(inside, canner) ?? notConfirmed(governing, known)),
    toSign,
  };
}

const kindOf = (p: Pick<PackToLoad, "container" | "mouth">): KindKey =>
  kindKey(p.container, isCan(p.container) ? null : shapeOf(p.container, p.mouth).mouth);

/** Returns how many containers of each kind stand in a canner: its packs and what fills it up, whole, ≥ 0. */
export function sizesOf(
  packs: readonly Pick<PackToLoad, "container" | "mouth" | "count">[],
  fillers: readonly Filler[] = [],
): Record<KindKey, number> {
  const counts: Record<KindKey, number> = {};
  const add = (kind: KindKey, n: number) => (counts[kind] = (counts[kind] ?? 0) + n);
  for (const p of packs) add(kindOf(p), p.count);
  for (const f of fillers) add(f.kind, f.count);
  return counts;
}

/**
 * Returns that a canner holds fewer containers than its maker wants, with what to do, as a sentence; null when it holds
 * enough.
 *
 * @param inside containers by kind, fillers among them
 */
export function belowLeastLoad(
  canner: Pick<CannerToLoad, "name" | "leastLoad">,
  inside: Readonly<Record<KindKey, number>>,
): string | null {
  const least = canner.leastLoad ?? 0;
  const there = Object.values(inside).reduce((a, b) => a + b, 0);
  if (there >= least) return null;
  return `${canner.name} is made for at least ${least} containers, and this load has ${there}. Fill it up with ${countOf(least - there, "jar")} of water.`;
}

/**
 * Returns the packs that waited more than 120 minutes for heat, counted from the first container filled, with the
 * minutes each waited. Raw food warms meanwhile; a hot pack cools, and then heats more slowly than its time assumes.
 *
 * Source: USDA FSIS consumer advice, from memory.
 * @param until when the burner is lit, or now, ms since 1970 UTC
 */
export function waitedTooLong(
  packs: readonly Pick<PackToLoad, "code" | "method" | "filledAt" | "heatedAt">[],
  until: number,
): { code: string; method: PackMethod; minutes: number }[] {
  return packs
    .map(({ code, method, filledAt, heatedAt }) => ({
      code,
      method,
      minutes: ((heatedAt ?? until) - filledAt) / MINUTE_MS,
    }))
    .filter((p) => p.minutes > FILLED_WAIT_MINUTES);
}

/** More than stands in the canner, with what would. */
function whyNotInside(inside: Record<KindKey, number>, canner: CannerToLoad): LoadRefusal | null {
  // The maker's number is the limit where it is known for every size of the load; measures are only typical jars' otherwise.
  const byManual = Object.keys(inside).every((k) => canner.pot.manual[containerOf(k)] !== undefined);
  if (byManual ? manualShare(canner.pot, inside) <= 1 + 1e-9 : layersFor(canner.pot, inside)) return null;
  const all = Object.values(inside).reduce((a, b) => a + b, 0);
  const alone = Object.keys(inside).map((kind) => ({ kind, most: mostOf(canner.pot, kind) }));
  const holds = alone.map(({ kind, most }) => countOf(most, kindShape(kind).name, kindShape(kind).plural));
  const over = alone.length === 1 ? all - alone[0]!.most : null;
  return {
    field: "packIds",
    message:
      `${all} containers do not fit in ${canner.name}: it holds ${holds.join(" or ")}. ` +
      `Take ${over ?? "some"} out and run ${over === 1 ? "it" : "them"} as another load.` +
      (canner.measured
        ? ""
        : " Its room is only assumed: measure it in the Shed, or enter its manual's number."),
  };
}

/** Most of one kind that stand in a canner with nothing else: by its maker's number, else by its measures. */
const mostOf = (pot: Pot, kind: KindKey): number =>
  pot.manual[containerOf(kind)] ?? Math.max(0, ...loadPatterns(pot, [kind]).map((p) => p.counts[kind]!));

/** Without what has to be confirmed there is no process; what a person may sign for instead is asked apart. */
function notConfirmed(governing: GoverningSchedule, known: readonly string[]): LoadRefusal | null {
  const missing = unanswered(governing.conditions, "load", known).filter((c) => !c.orSign);
  if (missing.length === 0) return null;
  return {
    field: "met",
    message: `Confirm first: ${missing.map((c) => c.confirm).join(" ")} Without it there is no process.`,
  };
}
