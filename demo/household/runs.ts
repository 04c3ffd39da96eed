import { MINUTE_MS, kPaFromPsi } from "#core/quantity";
import type { RunEventType } from "#core/run";
import { containersOfRun } from "#store/rest";
import { getRun, openRun, takeReadings, tapRun } from "#store/run";
import { v5 as named } from "uuid";
import { simulatedRun, type SimulatedLoad } from "../simulated-run.ts";
import type { Teller } from "./teller.ts";

const NAMESPACE = "5f0c3f1e-6d1b-4c57-9a53-0f7a7d5f5b11";

/** What the simulated canner needs to know of the big one, whose dial reads a pound high. */
export const onBig = { altitudeM: 701.04, quarts: 21, facePsi: 13, errorPsi: 1 };

export type Step = [minute: number, type: RunEventType, psi?: number];

/** A run told in minutes from lighting the burner. */
export function run(t: Teller, at: number, cannerId: string, packIds: string[], steps: Step[]): string {
  t.goTo(at - 5 * MINUTE_MS);
  const { id } = openRun(t.larder, t.write(), {
    cannerId,
    packIds,
    signedReason: null,
    confirmed: ["fish-quart"],
    findings: (["gasket", "vent", "plug", "lock", "rack", "base"] as const).map((item) => ({
      item,
      finding: "sound" as const,
      note: null,
    })),
  });
  const { floorKPa, dial } = getRun(t.larder, id).plan;
  for (const [i, [minute, type, psi]] of steps.entries()) {
    t.goTo(at + minute * MINUTE_MS);
    const gaugeKPa = psi === undefined ? undefined : kPaFromPsi(psi);
    // Without a dial it is the weight that is seen.
    const byEar = gaugeKPa !== undefined && dial?.standing === "none";
    const heard = gaugeKPa !== undefined && gaugeKPa < floorKPa ? "weight-quiet" : "weight-rocking";
    tapRun(t.larder, id, {
      id: named(`${id} ${i}`, NAMESPACE),
      type: byEar ? heard : type,
      by: t.write().byName,
      gaugeKPa: byEar ? undefined : gaugeKPa,
    });
  }
  return id;
}

/**
 * A run on the simulated canner, with a gauge that sends beside the taps, up to an instant. Jars are lifted out one by
 * one; one of them has lost some liquid.
 */
export function gaugedRun(
  t: Teller,
  at: number,
  cannerId: string,
  packIds: string[],
  load: SimulatedLoad,
  until = Infinity,
): string {
  const id = run(t, at, cannerId, packIds, []);
  const told = simulatedRun(load).filter((h) => at + h.s * 1000 <= until);
  const sent = told
    .filter((h) => h.sent)
    .map((h, index) => ({
      index,
      id: named(`${id} sent ${h.s}`, NAMESPACE),
      at: at + h.s * 1000,
      gaugeKPa: h.gaugeKPa,
    }));
  // What the gauge sent since somebody last said something is there before the next thing is said.
  let delivered = 0;
  const deliver = (until: number) => {
    const from = delivered;
    while (delivered < sent.length && sent[delivered]!.at <= until) delivered++;
    if (delivered > from) takeReadings(t.larder, id, sent.slice(from, delivered), "Gauge 1", until);
  };
  for (const [i, h] of told.filter((x) => !x.sent).entries()) {
    if (i === 1) {
      t.goTo(at + 4 * MINUTE_MS);
      const looked = { type: "confirmed" as const, by: t.write().byName };
      const inside = load.pints === 9 ? "pints" : "wide-mouth quarts";
      tapRun(t.larder, id, { id: named(`${id} size`, NAMESPACE), ...looked, asked: "size", text: inside });
      tapRun(t.larder, id, {
        id: named(`${id} place`, NAMESPACE),
        ...looked,
        asked: "place",
        text: "at 2,300 ft",
      });
    }
    t.goTo(at + h.s * 1000);
    deliver(at + h.s * 1000);
    const tap = { type: h.type, by: t.write().byName, gaugeKPa: h.gaugeKPa };
    tapRun(t.larder, id, { id: named(`${id} ${i}`, NAMESPACE), ...tap });
  }
  if (until < Infinity) {
    t.goTo(until);
    deliver(until);
    return id;
  }
  const lid = at + told.at(-1)!.s * 1000;
  for (const [i, c] of containersOfRun(t.larder, id).entries()) {
    t.goTo(lid + (i + 1) * 20_000);
    tapRun(t.larder, id, {
      id: named(`${id} out ${i}`, NAMESPACE),
      type: "container-out",
      by: t.write().byName,
      container: c.code,
      siphoned: i === 3 ? "some" : "none",
    });
  }
  t.goTo(lid + 5 * MINUTE_MS);
  tapRun(t.larder, id, { id: named(`${id} towel`, NAMESPACE), type: "unloaded", by: t.write().byName });
  return id;
}

/** From lighting the burner to pressure, watched to the end, cooled and unloaded. */
export function wholeRun(minutes: number, floor: number, vent = 14, drop?: number): Step[] {
  const steps: Step[] = [
    [0, "heat-on"],
    [vent, "steam-steady"],
    [vent + 10.5, "weight-on"],
    [vent + 15, "reading", floor + 0.2],
  ];
  let start = vent + 15;
  if (drop) {
    for (let m = 8; m < drop; m += 8) steps.push([start + m, "reading", floor + 0.4]);
    steps.push([start + drop, "reading", floor - 1.5], [start + drop + 3, "reading", floor + 0.1]);
    start += drop + 3;
  }
  for (let m = 8; m < minutes; m += 8) steps.push([start + m, "reading", floor + 0.3 + ((m * 7) % 5) / 10]);
  const off = start + minutes + 1;
  return [
    ...steps,
    [off, "heat-off"],
    [off + 44, "pressure-zero"],
    [off + 45, "lock-down"],
    [off + 46, "weight-off"],
    [off + 57, "lid-off"],
    [off + 60, "unloaded"],
  ];
}
