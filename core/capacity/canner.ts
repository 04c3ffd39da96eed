import { circlesInCircle, type Place } from "./circle.ts";

/** A pot and one kind of container, all mm, as measured. */
export interface CapacityCase {
  insideDiameterMm: number;
  /** from the bottom to the underside of the lid */
  usableHeightMm: number;
  /** thickness of the rack under each layer */
  rackHeightMm?: number;
  /** kept between containers */
  gapMm?: number;
  container: { outsideDiameterMm: number; heightMm: number };
}

export interface Capacity {
  perLayer: number;
  layers: number;
  total: number;
  /** origin at the canner's axis; layer 1 lowest */
  positions: (Place & { layer: number })[];
}

/**
 * Returns how many containers of one kind a canner holds by measure alone, with a rack under each layer, and where
 * each goes. All 0 when none fits. The number in the canner's manual, where it is known, is a limit as well.
 *
 * @param c measures of pot and container, mm, all > 0; rack and gap ≥ 0
 * @throws RangeError outside those ranges
 */
export function cannerCapacity(c: CapacityCase): Capacity {
  const each = (c.rackHeightMm ?? 0) + c.container.heightMm;
  if (!(c.usableHeightMm > 0) || !(c.container.heightMm > 0) || !((c.rackHeightMm ?? 0) >= 0))
    throw new RangeError("heights are above 0 mm");
  // A thousandth of a millimetre of grace, so that 2 × 0.1 mm fits in 0.2 mm.
  const layers = Math.floor((c.usableHeightMm + 1e-3) / each);
  const places = circlesInCircle(c.insideDiameterMm, c.container.outsideDiameterMm, c.gapMm);
  if (layers === 0 || places.length === 0) return { perLayer: 0, layers: 0, total: 0, positions: [] };
  const positions = Array.from({ length: layers }, (_, i) => places.map((p) => ({ ...p, layer: i + 1 })));
  return {
    perLayer: places.length,
    layers,
    total: layers * places.length,
    positions: positions.flat(),
  };
}
