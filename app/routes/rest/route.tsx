import { href, Link } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { keptUntilTaken } from "../../outbox";
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
import { Notice, problemOf } from "#ui/form";
import { ContainerGlyph } from "#ui/glyph";
import { Empty, Page } from "#ui/page";
import { shapeOf } from "#core/schedule";
import { filledLoadWords, fillersAfter } from "../../words/load";
import { lookOf } from "../../words/rest";
import { sealCauses } from "./causes.server";
import { homeContext } from "../../server/context";
import { byIntent, formKey, keyField, submit, writeBy } from "../../server/form";
import { CausesPart } from "./causes";
import { Deciding, PromisedPart } from "./deciding";
import { Towel } from "./towel";
import type { FollowHandle } from "../../live/follow";
import { timesOf } from "../../words/time";
import { DECIDE_TIME, REST_TIME } from "../../words/safety";

export function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household } = home;
  const promised = pendingDispositions(larder);
  const withKey = <T extends object>(c: T) => ({ ...c, key: formKey() });
  return {
    times: timesOf(household),
    resting: restingRuns(larder).map(({ run, containers }) => ({
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
    open: undecided(larder).map((u) => ({
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
    causes: sealCauses(home),
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

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return byIntent(
    request,
    {
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
    },
    "seal",
  );
}

/** Taps are kept on this screen while the larder cannot be reached, and told to it in their order. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["run", "seal", "container", "hold", "recall"] };

export default function Rest({ loaderData, actionData }: Route.ComponentProps) {
  const { resting, open, promised: waiting, causes, times } = loaderData;
  const problem = problemOf(actionData?.result);
  return (
    <Page
      title="Rest"
      lead={`Leave jars untouched for ${REST_TIME}, then check each seal. Decide about failed ones within ${DECIDE_TIME}.`}
    >
      <title>Rest · Patient Larder</title>
      {problem && (
        <Notice tone="stop" className="mb-5">
          {problem}
        </Notice>
      )}
      <Deciding open={open} times={times} allKey={loaderData.allKey} />
      {resting.map((r) => (
        <Towel key={r.code} run={r} times={times} />
      ))}
      <PromisedPart waiting={waiting} anew={loaderData.anew} times={times} />
      {resting.length === 0 && open.length === 0 && (
        <Empty
          drawing={<ContainerGlyph shape={shapeOf("jar-pint")} state="resting" scale={0.7} label="" />}
          title="No jars are cooling."
        >
          Jars and cans come here from the canner. <Link to={href("/larder")}>To the Larder</Link>
        </Empty>
      )}
      <CausesPart causes={causes} />
    </Page>
  );
}
