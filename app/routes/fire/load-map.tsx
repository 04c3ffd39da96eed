import { layersFor, type KindKey, type Pot } from "#core/capacity";
import { placesOf } from "#core/plan";
import { countOf } from "#core/quantity";
import type { Filler } from "#core/run";
import { CannerFromAbove, type LotLook } from "#ui/canner";

/** Where a load stands in its canner, layer by layer, with what fills it up. Nothing where it does not fit. */
export function LoadMap({
  pot,
  parts,
  fillers,
  lots,
}: {
  pot: Pot;
  /** containers of each pack */
  parts: readonly { lotId: string; kind: KindKey; count: number }[];
  fillers: readonly Filler[];
  lots: LotLook;
}) {
  const all = [...parts, ...fillers.map((f) => ({ ...f, lotId: f.of }))];
  const counts: Record<KindKey, number> = {};
  for (const p of all) counts[p.kind] = (counts[p.kind] ?? 0) + p.count;
  const found = layersFor(pot, counts);
  if (!found) return null;
  const layers = placesOf(pot, { layers: found, parts: all });
  const looks: LotLook = {
    ...lots,
    water: { code: "", contents: "broth", filler: "W" },
    beans: { code: "", contents: "broth", filler: "X" },
  };
  return (
    <div className="mt-4 flex flex-wrap items-start gap-3">
      {layers.map((layer, l) => (
        <figure key={l} className="text-center">
          <CannerFromAbove
            insideDiameterMm={pot.insideDiameterMm}
            layer={layer}
            lots={looks}
            scale={layers.length > 2 ? 0.3 : 0.5}
            label={`Layer ${l + 1} from above: ${countOf(layer.length, "container")}${strangers(layer)}`}
          />
          {layers.length > 1 && (
            <figcaption className="text-[0.92rem] text-soft">
              layer {l + 1}
              {l === 0 && ", at the bottom"}
            </figcaption>
          )}
        </figure>
      ))}
      {fillers.length > 0 && (
        <p className="basis-full text-[0.92rem] text-soft">
          {fillers.some((f) => f.of === "water") ? "W: water. " : ""}
          {fillers.some((f) => f.of === "beans") ? "X: beans." : ""}
        </p>
      )}
    </div>
  );
}

/** `, 2 of water`: what of a layer only fills it up; empty for nothing. */
function strangers(layer: readonly { lotId: string }[]): string {
  return ["water", "beans"]
    .map((of) => [of, layer.filter((p) => p.lotId === of).length] as const)
    .map(([of, n]) => (n > 0 ? `, ${n} of ${of}` : ""))
    .join("");
}
