import { eq } from "drizzle-orm";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { getCanner } from "#store/equipment";
import { askedOf, closeBench, getBench, openBench } from "#store/filling";
import { getLot } from "#store/lot";
import { permitPack } from "#store/pack";
import { canning, type CanningWork } from "../schema/index.ts";
import { beginCanning, type CanningBegun } from "./begin.ts";
import { benchInHand, openOne } from "./canning.ts";

/** What goes into which containers, for which canner. */
export interface JarsChosen {
  cannerId: string;
  parts: CanningWork["parts"];
  layers: CanningWork["layers"];
}

/**
 * Stores the containers and the canner of a guided canning, until they are being filled. Throws Refused when a part has no
 * tested process or the guards refuse it; frozen food is judged again when it is filled.
 */
export function chooseJars(larder: Larder, write: Write, id: string, chosen: JarsChosen): void {
  once(larder, write, "canning.choose", () => {
    const known = openOne(larder, id);
    if (benchInHand(larder, known))
      refuse("These containers are being filled. Change them at the packing bench.", 409);
    if (chosen.parts.length === 0) throw new Refused({ "": "Choose at least one size of container." });
    getCanner(larder, chosen.cannerId);
    for (const part of chosen.parts) {
      const lot = getLot(larder, part.lotId);
      if (lot.kept === "fridge") permitPack(larder, askedOf(part, part.planned, null, true), lot);
    }
    const lotIds = [...new Set([...known.work.lotIds, ...chosen.parts.map((p) => p.lotId)])];
    const work = { ...known.work, lotIds, parts: chosen.parts, layers: chosen.layers };
    larder.db.update(canning).set({ work, cannerId: chosen.cannerId }).where(eq(canning.id, id)).run();
    return { result: null, note: { kind: "canning", id, detail: chosen } };
  });
}

/** Begins a canning with its containers chosen, as one before it. Returns its id. Throws Refused as its two parts do. */
export function repeatCanning(
  larder: Larder,
  write: Write,
  begun: CanningBegun,
  chosen: JarsChosen,
): { id: string } {
  return once(larder, write, "canning.repeat", () => {
    const { id } = beginCanning(larder, write, begun);
    chooseJars(larder, write, id, chosen);
    return { result: { id }, note: { kind: "canning", id } };
  });
}

/**
 * Brings the chosen containers to the packing bench. Returns its id; the same one when filling began before. Throws Refused
 * when the guards refuse a part as the food is now.
 */
export function startFilling(larder: Larder, write: Write, id: string): { benchId: string } {
  return once(larder, write, "canning.fill", () => {
    const known = openOne(larder, id);
    const begun = benchInHand(larder, known);
    if (begun) return { result: { benchId: begun.id }, note: null };
    const { parts, layers } = known.work;
    if (parts.length === 0) throw new Refused({ "": "Choose the containers first." });
    const { id: benchId } = openBench(larder, write, { cannerId: known.cannerId, parts, layers });
    larder.db.update(canning).set({ benchId }).where(eq(canning.id, id)).run();
    return { result: { benchId }, note: { kind: "canning", id, detail: { benchId } } };
  });
}

/**
 * Ends the filling when every part has as many containers as were planned, or was ended before. Returns whether it is over.
 */
export function endFilling(larder: Larder, write: Write, benchId: string): boolean {
  const now = getBench(larder, benchId);
  if (now.closedAt !== null) return true;
  const over = now.parts.every((p) => p.done || p.containers.length >= p.planned);
  if (over) closeBench(larder, write, benchId);
  return over;
}
