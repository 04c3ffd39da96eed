import { redirect, href } from "react-router";
import { z } from "zod";
import { psiFromKPa } from "#core/quantity";
import { RUN_EVENT_TYPES } from "#core/run";
import { settingsFor } from "#core/schedule";
import { Refused } from "#store/db";
import { listCanners } from "#store/equipment";
import { writingOf } from "#store/household";
import { containersOfRun } from "#store/rest";
import { getRun, heatKitchen, takeOutLoad, tapRun } from "#store/run";
import { filledLoadWords } from "../../../words/load";
import { readGauge } from "../../../words/reading";
import { lookedAt } from "../../../words/run";
import { timesOf } from "../../../words/time";
import { pace } from "../../../server/clock";
import type { Home } from "../../../server/context";
import { formKey, formOf, keyField, orNotFound, submit, words, writeBy } from "../../../server/form";
import { snapshot } from "../../../features/shell/snapshot.server";
import { clocksOf } from "../../../features/shell/clocks.server";
import { runGlances } from "../../../features/shell/places.server";

/** Returns what the stove shows of a run. Throws a 404 when there is none of this code. */
export function stoveData(home: Home, code: string) {
  const { larder, household, me, people } = home;
  const run = orNotFound(() => getRun(larder, code));
  const look = snapshot(home);
  const runs = runGlances(look);
  const kitchen = heatKitchen(larder, run);
  return {
    key: formKey(),
    serverNow: look.now,
    pace: pace(),
    clocks: clocksOf(
      runs.filter((r) => r.id !== run.id),
      look,
    ),
    units: household.units,
    me: me.name,
    people: people.map((p) => p.name),
    quarts: run.cannerQuarts,
    water: kitchen.water,
    weights: settingsFor(kitchen.weightPiecesPsi, psiFromKPa(run.plan.safeMaxKPa)),
    containers: containersOfRun(larder, run.id).map((c) => ({ code: c.code, kind: c.kind, mouth: c.mouth })),
    run: {
      id: run.id,
      code: run.code,
      canner: run.cannerName,
      cannerPlace: listCanners(larder).findIndex((c) => c.id === run.cannerId),
      plan: run.plan,
      events: run.events,
      openedAt: run.openedAt,
      times: timesOf(household, run.zone),
      load: filledLoadWords(run.packs, run.plan.fillers),
      kinds: run.packs.map((p) => ({ kind: p.container, mouth: p.mouth })),
      schedule: run.schedule,
      signed: run.gaugeSignedReason,
      looked: lookedAt(run.checks),
      equipmentSigned: run.equipmentSignedReason,
      signedFor: run.signedFor.map((d) => `${d.what}. ${d.reason} (${d.byName ?? "nobody"})`),
    },
  };
}

const schema = z.object({
  key: keyField,
  type: z.enum(RUN_EVENT_TYPES),
  reading: words("The reading", 20).optional(),
  corrects: z.string().optional(),
  reason: words("The reason", 200).optional(),
});

/** What a page without its script says; with it, taps go through the outbox. */
export async function stoveForm(request: Request, { larder, household, me }: Home, code: string) {
  const run = orNotFound(() => getRun(larder, code));
  if ((await formOf(request)).get("intent") === "take-out")
    return submit(request, z.object({ key: keyField, intent: z.literal("take-out") }), (v) => {
      takeOutLoad(larder, writeBy(me, v.key), run.id);
      return redirect(href("/fire"));
    });
  return submit(request, schema, (v) => {
    const read = v.type === "reading" ? readGauge(v.reading ?? "", writingOf(household)) : null;
    if (read && !read.ok) throw new Refused({ reading: read.why });
    if (v.type === "abort" && !v.reason)
      throw new Refused({ reason: "Write why you stop it, for the record." });
    tapRun(larder, run.id, {
      id: v.key,
      type: v.type,
      by: me.name,
      gaugeKPa: read?.kPa,
      corrects: v.corrects,
      text: v.reason,
    });
    return { type: v.type };
  });
}
