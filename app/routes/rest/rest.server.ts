import { z } from "zod";
import { DISPOSITIONS } from "#core/rest";
import {
  finishDisposition,
  checkAllSealed,
  checkSeal,
  dispose,
  disposeAll,
  pendingDispositions,
  reprocess,
  restingRuns,
  undecided,
} from "#store/rest";
import { containersOfPack, packsWaiting } from "#store/pack";
import type { Home } from "../../server/context";
import { formKey, keyField, submit, writeBy } from "../../server/form";
import { filledLoadWords, fillersAfter } from "../../words/load";
import { lookOf } from "../../words/rest";
import { timesOf } from "../../words/time";

/**
 * Returns what rests, what is to be decided and what was promised.
 *
 * @param of the run whose containers are meant, by its code; null for all
 */
export function restData(home: Home, of: string | null = null) {
  const { larder, household } = home;
  const isOf = (code: string) => of === null || code === of;
  const promised = pendingDispositions(larder);
  const withKey = <T extends object>(c: T) => ({ ...c, key: formKey() });
  return {
    times: timesOf(household),
    resting: restingRuns(larder)
      .filter(({ run }) => isOf(run.code))
      .map(({ run, containers }) => ({
        code: run.code,
        key: formKey(),
        load: filledLoadWords(run.packs, run.plan.fillers),
        fillers: fillersAfter(run.plan.fillers, run.code),
        outcome: run.view.outcome,
        unloadedAt: run.view.unloadedAt!,
        checkAt: run.view.checkAt!,
        species: Object.fromEntries(run.packs.map((p) => [p.id, p.species])),
        out: Object.fromEntries(run.view.out.map((o) => [o.container, o.siphoned ?? "none"])),
        containers: containers.map(withKey),
      })),
    open: undecided(larder)
      .filter((u) => isOf(u.run.code))
      .map((u) => ({
        container: withKey(u.container),
        why: u.why,
        decideBy: u.decideBy,
        choices: u.choices,
        runCode: u.run.code,
        species: u.run.packs.find((p) => p.id === u.container.packId)?.species ?? [],
      })),
    allKey: formKey(),
    // Packs that meat of theirs went into and that wait for a canner, with what is to be written on the lids.
    anew: packsWaiting(larder)
      .filter((p) => promised.some((c) => c.repackedIn === p.code))
      .map((p) => ({ code: p.code, containers: containersOfPack(larder, p.id).map((c) => c.code) })),
    promised: promised.map(withKey),
  };
}

const seal = z.object({
  key: keyField,
  containerId: z.string(),
  look: z.string().transform((key, ctx) => {
    const look = lookOf(key);
    if (look) return look;
    ctx.addIssue({ code: "custom", message: "Choose what you saw." });
    return z.NEVER;
  }),
});
const decide = z.object({ key: keyField, containerId: z.string(), what: z.enum(DISPOSITIONS) });
const decideAll = z.object({ key: keyField, run: z.string().max(20), what: z.enum(DISPOSITIONS) });
const sealAll = z.object({ key: keyField, run: z.string().max(20), codes: z.string().max(4000) });
const ate = z.object({ key: keyField, containerId: z.string(), what: z.enum(["opened", "discarded"]) });

/** Returns the forms of the rest by their intent: a seal, all of them, what is done with a failure, that it is done. */
export function restForms(request: Request, { larder, me }: Home) {
  return {
    seal: () =>
      submit(request, seal, (v) => ({
        seal: checkSeal(larder, writeBy(me, v.key), v.containerId, v.look),
      })),
    "seal-all": () =>
      submit(request, sealAll, (v) => ({
        sealed: checkAllSealed(larder, writeBy(me, v.key), v.run, v.codes.split(" ")),
      })),
    decide: () =>
      submit(request, decide, (v) => {
        if (v.what === "repack") return { repack: reprocess(larder, writeBy(me, v.key), v.containerId) };
        dispose(larder, writeBy(me, v.key), v.containerId, v.what);
        return { decided: v.what };
      }),
    "decide-all": () =>
      submit(request, decideAll, (v) => ({
        all: { what: v.what, ...disposeAll(larder, writeBy(me, v.key), v.run, v.what) },
      })),
    ate: () =>
      submit(request, ate, (v) => {
        finishDisposition(larder, writeBy(me, v.key), v.containerId, v.what);
        return { ate: v.what };
      }),
  };
}
