import { causesOf, ENOUGH_CHECKED, type CauseFound, type CheckedSeal } from "#core/rest";
import { getBench } from "#store/filling";
import { checkedSeals } from "#store/rest";
import { benchPlaces } from "../../features/packing/filling.server";
import type { Home } from "../../server/context";

export interface Causes {
  checked: number;
  failed: number;
  /** empty while too few were checked, or none failed */
  found: CauseFound[];
}

/** What the seals that failed lately have in common. Where a jar stood is known when its load was filled by a plan. */
export function sealCauses(home: Home): Causes {
  const checked = checkedSeals(home.larder);
  const failed = checked.filter((c) => c.finding === "failed").length;
  if (failed === 0 || checked.length < ENOUGH_CHECKED) return { checked: checked.length, failed, found: [] };
  const stood = new Map<string, { layer: string; place: string } | null>();
  const benches = new Map<string, ReturnType<typeof benchPlaces>>();
  for (const c of checked) {
    if (!c.benchId) continue;
    let layers = benches.get(c.benchId);
    if (!layers) benches.set(c.benchId, (layers = benchPlaces(home, getBench(home.larder, c.benchId))));
    const furthest = Math.max(1, ...layers.flat().map((p) => Math.hypot(p.xMm, p.yMm)));
    for (const [i, layer] of layers.entries()) {
      const at = layer.find((p) => p.part === c.benchPart && p.number === c.number);
      if (at)
        stood.set(c.id, {
          layer: layers.length > 1 ? `layer ${i + 1} from the bottom` : "the only layer",
          place: Math.hypot(at.xMm, at.yMm) < furthest / 2 ? "the middle" : "the wall",
        });
    }
  }
  const seals = checked.map((c): CheckedSeal => ({
    finding: c.finding,
    layer: stood.get(c.id)?.layer ?? null,
    place: stood.get(c.id)?.place ?? null,
    lids: c.lids,
    person: c.person,
    canner: c.canner,
    sealer: c.sealer,
  }));
  return { checked: checked.length, failed, found: causesOf(seals) };
}
