import { redirect } from "react-router";
import { z } from "zod";
import {
  closeMeasured,
  confirmReading,
  isFit,
  lastPlates,
  listSealers,
  recordExhaust,
  redoneCans,
  sealerFor,
  signForCan,
  standingOf,
} from "#store/seam";
import { writingOf } from "#store/household";
import type { Home } from "../../server/context";
import { formKey, quantity, submit, words, writeBy } from "../../server/form";
import { snapshot } from "../../features/shell/snapshot.server";
import { timesOf } from "../../words/time";
import { ofCan, readOutside, seamForm } from "./forms";

/**
 * Returns what the seam bench shows: the cans that wait, the next one, and the sealer.
 *
 * @param asked code of the can in hand, and id of the sealer; null for the next one, and the one used last
 * @param of packs whose cans are shown; null for all
 */
export function seamData(
  home: Home,
  asked: { can: string | null; sealer: string | null },
  of: readonly string[] | null = null,
) {
  const { larder, household } = home;
  const cans = snapshot(home).cans.filter((c) => of === null || of.includes(c.packCode));
  const next =
    cans.find((c) => c.code === asked.can && c.stage !== "signed") ??
    cans.filter((c) => c.stage === "hot").sort((a, b) => a.closeBy! - b.closeBy!)[0] ??
    cans.find((c) => c.stage === "questioned") ??
    cans.find((c) => !isFit(c)) ??
    null;
  const sealers = listSealers(larder);
  const sealer = sealerFor(larder, asked.sealer, sealers);
  const kind = next?.kind ?? cans[0]?.kind ?? "can-half-pound";
  return {
    key: formKey(),
    now: larder.now(),
    units: household.units,
    times: timesOf(household),
    cans,
    next,
    redone: redoneCans(larder),
    sealers: sealers.map(({ id, name }) => ({ id, name })),
    sealer: sealer && {
      id: sealer.id,
      name: sealer.name,
      standing: standingOf(larder, sealer.id, kind),
      measured: lastPlates(larder, sealer.id, kind) !== null,
    },
  };
}

/**
 * Returns the forms of the seam bench by their intent: a temperature, that it is right, a seam, going ahead anyway.
 *
 * @param back the address of the page that shows the bench
 */
export function seamForms(request: Request, { larder, household, me }: Home, back: string) {
  const temp = (what: string) => quantity("temperature", writingOf(household), what);
  return {
    exhaust: () =>
      submit(
        request,
        z.object({ ...ofCan, temp: temp("The temperature"), juice: temp("The juice").optional() }),
        (v) => {
          recordExhaust(larder, writeBy(me, v.key), v.containerId, {
            tempC: v.temp,
            juiceC: v.juice ?? null,
          });
          return redirect(back);
        },
      ),
    confirm: () =>
      submit(request, z.object(ofCan), (v) => {
        confirmReading(larder, writeBy(me, v.key), v.containerId);
        return redirect(back);
      }),
    seam: () =>
      submit(request, seamForm, (v) => {
        const outside = readOutside(v);
        const { newCode } = closeMeasured(larder, writeBy(me, v.key), v.containerId, {
          sealerId: v.sealerId ?? null,
          outside,
          defects: v.defects,
          verdict: v.verdict,
        });
        return redirect(newCode ? `${back}?new=${newCode}` : back);
      }),
    sign: () =>
      submit(request, z.object({ ...ofCan, reason: words("The reason", 200) }), (v) => {
        signForCan(larder, writeBy(me, v.key), v.containerId, v.reason);
        return redirect(back);
      }),
  };
}
