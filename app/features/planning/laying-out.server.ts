import { thawEstimate } from "#core/cold";
import { liquidLitres, mostSaltTsp } from "#core/pack";
import { fireEstimate, takeFrom } from "#core/supply";
import { kindParts, kindShape } from "#core/capacity";
import { isCan, type ContainerKey } from "#core/schedule";
import { speciesByKey } from "#core/species";
import { listTools } from "#store/check";
import { boxesFor, suppliesInUse, stacksFor } from "#store/supply";
import type { Home } from "../../server/context";
import type { Planning } from "./planning.server";

/** Containers and lids of one kind to lay out. */
export interface LaidOut {
  kind: string;
  count: number;
  /** jars or cans missing; null where none of the kind is counted */
  missing: number | null;
  /** lids or ends, box by box */
  lids: { label: string; count: number }[];
  lidsMissing: number | null;
}

export interface LayingOut {
  vessels: LaidOut[];
  saltTsp: number;
  /** for hot packs, litres */
  liquidLitres: number;
  vinegarTbsp: number;
  /** of each canner that is used */
  water: { canner: string; litres: number; times: number }[];
  /** gas for all loads on the first burner that burns it, kg; null where no burner's power is known */
  gasKg: number | null;
  boiledLitres: number | null;
  /** frozen lots: how long each takes to thaw in the fridge, hours */
  thaw: { lotId: string; hours: number; readyAt: number | null }[];
}

/** Wiping rims, tablespoons of vinegar a load. Common practice, no source. */
const VINEGAR_TBSP_LOAD = 1;
/** A bag nobody has measured is taken to be this thick, m. Common practice, no source. */
const BAG_M = 0.06;

/** Everything to lay out for the plan in hand, from its loads and what is counted in the Shed. */
export function layingOut(home: Home, plan: Planning): LayingOut {
  const loads = plan.proposal?.loads ?? [];
  const parts = loads.flatMap((l) => l.parts);
  const supplies = suppliesInUse(home.larder);
  const counts = new Map<string, number>();
  for (const p of parts) counts.set(p.kind, (counts.get(p.kind) ?? 0) + p.count);
  // Boxes are shared by kinds of one mouth: what one kind has taken is gone for the next.
  const gone = new Map<string, number>();
  const vessels = [...counts].map(([kind, count]): LaidOut => {
    const { container, mouth } = kindParts(kind);
    const stacks = stacksFor(supplies, container, mouth);
    const boxes = boxesFor(supplies, container, mouth).map((b) => ({
      ...b,
      left: b.left - (gone.get(b.id) ?? 0),
    }));
    const lids = takeFrom(boxes, count);
    for (const t of lids.taken) gone.set(t.box.id, (gone.get(t.box.id) ?? 0) + t.count);
    return {
      kind,
      count,
      missing: stacks.length === 0 ? null : takeFrom(stacks, count).missing,
      lids: lids.taken.map((t) => ({ label: t.box.label, count: t.count })),
      lidsMissing: boxes.length === 0 ? null : lids.missing,
    };
  });
  const burner = listTools(home.larder).find((t) => t.kind === "burner" && t.powerW !== null);
  const fires = burner
    ? loads.map((l) =>
        fireEstimate(
          burner.powerW!,
          { heatUp: 15, vent: 14, process: l.governing.minutes + home.household.extraMinutes },
          burner.induction === 1,
        ),
      )
    : null;
  const shapeMl = (kind: string) => kindShape(kind).nominalMl;
  return {
    vessels,
    saltTsp: parts.reduce((sum, p) => {
      const container = p.kind.split(" ")[0] as ContainerKey;
      return sum + (isCan(container) ? 0 : p.count * plan.wish.saltTspPint * mostSaltTsp(container));
    }, 0),
    liquidLitres: parts
      .filter((p) => p.pack === "hot" && p.product !== "broth")
      .reduce((sum, p) => sum + p.count * liquidLitres(shapeMl(p.kind), "hot", "broth", false), 0),
    vinegarTbsp: loads.length * VINEGAR_TBSP_LOAD,
    water: plan.canners.flatMap((c) => {
      const times = loads.filter((l) => l.cannerId === c.id).length;
      return times > 0 ? [{ canner: c.name, litres: c.pot.waterLitres, times }] : [];
    }),
    gasKg: fires && burner?.induction !== 1 ? fires.reduce((sum, f) => sum + (f.gasKg ?? 0), 0) : null,
    boiledLitres: fires ? Math.max(0, ...fires.map((f) => f.boiledLitres)) : null,
    thaw: plan.lots
      .filter(
        (l) => plan.wish.lots.some((w) => w.lotId === l.id) && (l.kept === "freezer" || l.kept === "thawing"),
      )
      .map((l) => ({
        lotId: l.id,
        hours: thawEstimate("fridge", l.leftKg, BAG_M, speciesByKey(l.species[0] ?? "")?.composition.water)
          .hours,
        readyAt: l.kept === "thawing" ? (l.thaw?.readyAt ?? null) : null,
      })),
  };
}
