import { layerPlaces, type KindKey, type LayerFill, type Pot, type Standing } from "../capacity/index.ts";
import type { LoadPart } from "./wish.ts";

/** A container of a load where it stands. */
export interface Placed extends Standing {
  kind: KindKey;
  lotId: string;
}

/**
 * Returns where every container of a load goes, layer by layer from the bottom, mm from the canner's axis, each with
 * its lot.
 *
 * @param pot measures in mm
 * @param load its layers hold exactly its parts
 * @throws RangeError when a layer does not fit
 */
export function placesOf(
  pot: Pot,
  load: { layers: readonly LayerFill[]; parts: readonly LoadPart[] },
): Placed[][] {
  const queues = new Map<KindKey, string[]>();
  for (const p of load.parts)
    queues.set(p.kind, [...(queues.get(p.kind) ?? []), ...Array<string>(p.count).fill(p.lotId)]);
  return load.layers.map((layer) =>
    layerPlaces(pot, layer).map((place) => ({ ...place, lotId: queues.get(place.kind)!.shift()! })),
  );
}
