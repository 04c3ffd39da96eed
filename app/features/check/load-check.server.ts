import { arrangeLoad, perLayer } from "#core/capacity";
import { preflight, type PreflightItem } from "#core/check";
import { belowLeastLoad, sizesOf, whyNotExtra } from "#core/guard";
import { formatPressure, kPaFromPsi } from "#core/quantity";
import type { Filler } from "#core/run";
import { shapeOf, type Condition, type GaugeKind } from "#core/schedule";
import { listTools } from "#store/check";
import type { Canner } from "#store/equipment";
import type { Pack } from "#store/pack";
import { governLoad } from "#store/run";
import { boxesFor, suppliesInUse } from "#store/supply";
import { filledLoadWords } from "../../words/load";
import { minutesWords } from "../../words/run";
import type { Home } from "../../server/context";

/** A load before it is in its canner: packed already, or planned. */
export interface LoadToCheck {
  canner: Canner;
  packs: readonly Pick<Pack, "container" | "mouth" | "count" | "schedule" | "product" | "species" | "dish">[];
  /** null: the first one in the Shed; empty: none */
  burnerId: string | null;
  governs: GaugeKind | null;
  /** minutes the household adds, whole, ≥ 0 */
  extraMinutes: number;
  fillers: readonly Filler[];
}

/** What is looked at before a load goes in, and what somebody has to confirm or sign for it. */
export interface LoadCheck {
  problem: null;
  items: PreflightItem[];
  burner: { id: string; name: string } | null;
  load: string;
  minutes: string;
  pressure: string;
  gaugeNeedsSigning: boolean;
  conditions: readonly Condition[];
  /** conditions that were confirmed as the containers were filled */
  confirmed: string[];
  deviations: string[];
}

/** Returns what is checked before a load, or why it cannot be run. */
export function loadCheck({ larder, household }: Home, load: LoadToCheck): LoadCheck | { problem: string } {
  const { canner, packs, governs, extraMinutes, fillers } = load;
  const burners = listTools(larder).filter((t) => t.kind === "burner");
  const burner =
    burners.find((b) => b.id === load.burnerId) ?? (load.burnerId === null ? (burners[0] ?? null) : null);
  // An overdue gauge does not hide the list: it is asked about on the load's own form.
  const governing = governLoad(larder, packs, canner, true, governs, fillers);
  if (governing.outcome === "none") return { problem: `${governing.reason} ${governing.instead.join(" ")}` };
  const tooMany = whyNotExtra(extraMinutes);
  if (tooMany) return { problem: tooMany };
  const counts = sizesOf(packs, fillers);
  let layers: number;
  try {
    layers = arrangeLoad(canner.pot, counts).length;
  } catch {
    layers = Math.max(
      1,
      ...Object.entries(counts).map(([k, n]) => Math.ceil(n / Math.max(1, perLayer(canner.pot, k)))),
    );
  }
  const supplies = suppliesInUse(larder);
  const boxes = packs.flatMap((p) => boxesFor(supplies, p.container, shapeOf(p.container, p.mouth).mouth));
  return {
    problem: null,
    items: preflight({
      containers: packs.map((p) => p.container),
      governing,
      canner: {
        name: canner.name,
        hasDial: canner.hasDial === 1,
        hasWeight: canner.weightPieces.length > 0,
        racks: canner.pot.racks,
        waterLitres: canner.waterLitres,
        aluminium: canner.aluminium === null ? null : canner.aluminium === 1,
      },
      burner: burner && {
        name: burner.name,
        induction: burner.induction === 1,
        outdoors: burner.outdoors === 1,
      },
      layers,
      lidBoxes: [...new Set(boxes.filter((b) => b.left > 0).map((b) => b.label))].slice(0, 2),
      units: household.units,
    }),
    burner: burner && { id: burner.id, name: burner.name },
    load: filledLoadWords(packs, [...fillers]),
    minutes: minutesWords({ minutes: governing.minutes, extraMinutes }),
    pressure: formatPressure(kPaFromPsi(governing.target.facePsi), household.units),
    gaugeNeedsSigning: governLoad(larder, packs, canner, false, governs, fillers).outcome === "none",
    conditions: governing.conditions,
    confirmed: packs.flatMap((p) => p.schedule.confirmed ?? []),
    deviations: [
      ...governing.deviations.map((d) => d.text),
      ...[belowLeastLoad({ name: canner.name, leastLoad: canner.minLoad ?? 0 }, counts)].filter(
        (t) => t !== null,
      ),
    ],
  };
}
