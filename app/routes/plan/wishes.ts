import type { Household } from "#store/household";
import { z } from "zod";
import { fitsIn, loadPatterns } from "#core/capacity";
import type { LoadPart, ProposedLoad, SettledLoad } from "#core/plan";
import { governingSchedule, type ContainerKey } from "#core/schedule";
import { Refused } from "#store/db";
import { keyField } from "../../server/form";
import type { Planning } from "../../features/planning/planning.server";
import { KINDS, type Wish } from "../../features/planning/wish.server";

const KIND_KEYS = KINDS.map((k) => k.key) as [string, ...string[]];
export const kind = z.enum(KIND_KEYS, "Choose a container.");

/** What goes in, and into what: the whole of the left column at once. */
export const wishForm = z.object({
  key: keyField,
  lots: z.array(z.string()).default([]),
  into: z.record(z.string(), kind).default({}),
  rest: z.record(z.string(), z.string()).default({}),
  method: z.record(z.string(), z.enum(["raw", "hot"])).default({}),
  recipe: z.record(z.string(), z.string()).default({}),
  canners: z.array(z.string()).default([]),
  maxLoads: z.string().default(""),
  salt: z.coerce.number().min(0).max(1).default(0.5),
});

/** The wish with what the form says of it. Loads that were kept stay kept while their lots do. */
export function wished(before: Wish, v: z.output<typeof wishForm>, allCanners: readonly string[]): Wish {
  const lots = v.lots.map((lotId) => {
    const main = v.into[lotId] ?? KIND_KEYS[1]!;
    const rest = KIND_KEYS.includes(v.rest[lotId] ?? "") && v.rest[lotId] !== main ? [v.rest[lotId]!] : [];
    return {
      lotId,
      into: [main, ...rest],
      method: v.method[lotId] ?? ("raw" as const),
      recipeId: v.recipe[lotId] || null,
    };
  });
  const most = Number(v.maxLoads);
  const kept = new Set(v.lots);
  return {
    ...before,
    lots,
    without: allCanners.filter((id) => !v.canners.includes(id)),
    settled: before.settled.filter((s) => s.parts.every((p) => kept.has(p.lotId))),
    maxLoads: v.maxLoads === "" || !Number.isInteger(most) || most < 1 ? null : Math.min(12, most),
    saltTspPint: v.salt,
    later: {},
  };
}

const partOf = ({ lotId, kind: k, count }: LoadPart): LoadPart => ({ lotId, kind: k, count });
const settledOf = (l: Pick<ProposedLoad, "cannerId" | "parts">): SettledLoad => ({
  cannerId: l.cannerId,
  parts: l.parts.map(partOf),
});

function loadsOf({ proposal }: Planning): readonly ProposedLoad[] {
  if (proposal) return proposal.loads;
  throw new Refused({ "": "There is no plan with loads any more: look again." }, 409);
}

/** The wish with one of the proposed loads kept as it stands. */
export function keepLoad(plan: Planning, index: number): Wish {
  const loads = loadsOf(plan);
  return {
    ...plan.wish,
    settled: loads.filter((l, i) => l.settled || i === index).map(settledOf),
    later: {},
  };
}

/** The wish with a kept load let go again. */
export function letGo(plan: Planning, index: number): Wish {
  const loads = loadsOf(plan);
  return {
    ...plan.wish,
    settled: loads.filter((l, i) => l.settled && i !== index).map(settledOf),
    later: {},
  };
}

/**
 * The wish with some containers moved to another load, which is kept from then on; what they came from is planned anew.
 * As many go as the other canner holds. Refused when none fits, or when they may not share a run.
 */
export function moveTo(
  plan: Planning,
  move: { from: number; lotId: string; kind: string; to: number },
  { altitudeM, rows }: Pick<Household, "altitudeM" | "rows">,
  now: number,
): Wish {
  const loads = plan.proposal?.loads ?? [];
  const [source, target] = [loads[move.from], loads[move.to]];
  const part = source?.parts.find((p) => p.lotId === move.lotId && p.kind === move.kind);
  if (!source || !target || !part || source === target)
    throw new Refused({ "": "The plan has changed since: look again." }, 409);
  const canner = plan.canners.find((c) => c.id === target.cannerId)!;
  const counts: Record<string, number> = {};
  for (const p of target.parts) counts[p.kind] = (counts[p.kind] ?? 0) + p.count;
  const patterns = loadPatterns(canner.pot, [...new Set([...Object.keys(counts), part.kind])]);
  let count = part.count;
  while (
    count > 0 &&
    !patterns.some((p) => fitsIn({ ...counts, [part.kind]: (counts[part.kind] ?? 0) + count }, p))
  )
    count--;
  if (count === 0)
    throw new Refused({
      "": `${canner.name} holds no more of that in this load. Let something else out of it first.`,
    });
  const packs = [...target.parts, part].map((p) => ({
    product: p.product,
    pack: p.pack,
    container: p.kind.split(" ")[0] as ContainerKey,
  }));
  const together = governingSchedule(packs, canner, altitudeM, now, rows);
  if (together.outcome === "none")
    throw new Refused({ "": `${together.reason} ${together.instead.join(" ")}` });
  const same = target.parts.find((p) => p.lotId === part.lotId && p.kind === part.kind);
  const parts = same
    ? target.parts.map((p) => (p === same ? { ...partOf(p), count: p.count + count } : partOf(p)))
    : [...target.parts.map(partOf), { ...partOf(part), count }];
  const others = loads.filter((l) => l.settled && l !== source && l !== target).map(settledOf);
  return { ...plan.wish, settled: [...others, { cannerId: target.cannerId, parts }], later: {} };
}
