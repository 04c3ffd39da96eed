import { Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { DISPOSITIONS } from "#core/rest";
import { countOf } from "#core/quantity";
import { shapeOf } from "#core/schedule";
import { checkSeal, dispose, promised, restingRuns, undecided, type ContainerNow } from "#store/rest";
import { Button } from "#ui/button";
import { Countdown, TimeLeft, useNow } from "#ui/clock";
import { Notice, OneTap } from "#ui/form";
import { ContainerGlyph, contentsOf, patternOf, type GlyphState } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Empty, Page, Part } from "#ui/page";
import { containersWords, loadWords } from "../../words/load";
import { whenWords } from "../../words/time";
import { atHome } from "../../server/context";
import { formKey, formOf, keyField, submit, writeBy } from "../../server/form";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  const withKey = (c: ContainerNow) => ({ ...c, key: formKey() });
  return {
    zone: household.zone,
    resting: restingRuns(larder).map(({ run, containers }) => ({
      code: run.code,
      load: loadWords(run.packs),
      outcome: run.view.outcome,
      unloadedAt: run.view.unloadedAt!,
      checkAt: run.view.checkAt!,
      species: Object.fromEntries(run.packs.map((p) => [p.id, p.species])),
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
    promised: promised(larder),
  };
}

const seal = z.object({ key: keyField, containerId: z.string(), finding: z.enum(["sealed", "failed"]) });
const decide = z.object({ key: keyField, containerId: z.string(), what: z.enum(DISPOSITIONS) });

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = atHome(context, request);
  const form = await formOf(request);
  if (form.has("what")) {
    return submit(request, decide, (v) => {
      dispose(larder, writeBy(me, v.key), v.containerId, v.what);
      return redirect("/rest");
    });
  }
  return submit(request, seal, (v) => {
    checkSeal(larder, writeBy(me, v.key), v.containerId, v.finding);
    return redirect("/rest");
  });
}

const CHOICE_WORDS = {
  chill: "Chill it",
  freeze: "Freeze it",
  repack: "Pack it anew",
  discard: "Throw it out",
  shelve: "Shelve it",
  hold: "Hold it",
} as const;

export default function Rest({ loaderData, actionData }: Route.ComponentProps) {
  const { resting, open, promised: waiting, zone } = loaderData;
  const now = useNow();
  const problem = actionData?.result.error?.[""]?.join(" ");
  return (
    <Page
      title="Rest"
      lead="Twelve hours untouched, then each lid is pressed once. What did not seal is decided within 24 hours."
    >
      <title>Rest · Patient Larder</title>
      {problem && (
        <Notice tone="stop" className="mb-5">
          {problem}
        </Notice>
      )}
      {open.length > 0 && (
        <Part title={open.length === 1 ? "One to decide" : `${open.length} to decide`} className="mb-10">
          <ul className="grid gap-6 lg:grid-cols-2">
            {open.map((u) => (
              <li
                key={u.container.id}
                className="flex items-end gap-5 rounded border-2 border-ink bg-sheet p-5"
              >
                <ContainerGlyph
                  shape={shapeOf(u.container.kind, u.container.mouth)}
                  state="failed"
                  contents={contentsOf(u.container.product, u.species)}
                  pattern={patternOf(u.container.packCode)}
                  scale={0.8}
                  label=""
                />
                <div className="flex-1">
                  <p className="text-[1.2rem] font-[650]">
                    <Link to={`/c/${u.container.code}`} className="text-ink">
                      <Code>{u.container.code}</Code>
                    </Link>{" "}
                    {u.why === "failed" ? "did not seal." : "was not processed."}
                  </p>
                  <p className="mb-3">
                    {now < u.decideBy ? (
                      <>
                        Chill, freeze or pack it anew before <b>{whenWords(u.decideBy, now, zone)}</b>{" "}
                        <span className="text-soft">
                          (<TimeLeft until={u.decideBy} /> left)
                        </span>
                        .
                      </>
                    ) : (
                      <>
                        The 24 hours ended {whenWords(u.decideBy, now, zone)}. Throw it out, unopened and
                        untasted.
                      </>
                    )}
                  </p>
                  <OneTap className="flex flex-wrap gap-2">
                    <input type="hidden" name="key" value={u.container.key} />
                    <input type="hidden" name="containerId" value={u.container.id} />
                    {u.choices.map((c) => (
                      <Button key={c} name="what" value={c} weight={c === "discard" ? "stop" : "quiet"}>
                        {CHOICE_WORDS[c]}
                      </Button>
                    ))}
                  </OneTap>
                </div>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {resting.map((r) => {
        const ready = now >= r.checkAt && r.outcome === "processed";
        const left = r.containers.filter((c) => c.seal === null).length;
        return (
          <section key={r.code} className="mb-10" aria-label={`Run ${r.code}`}>
            <div className="flex flex-wrap items-end justify-between gap-4">
              <div>
                <h2 className="text-[1.3rem]">
                  {r.load} <Code>{r.code}</Code>
                </h2>
                <p className="text-soft">
                  {ready
                    ? `Press each lid: down and still means sealed. ${countOf(left, "lid")} to go.`
                    : `On the towel since ${whenWords(r.unloadedAt, now, zone)}. Nobody touches a lid before ${whenWords(r.checkAt, now, zone)}.`}
                </p>
              </div>
              {!ready && r.outcome === "processed" && (
                <Countdown until={r.checkAt} className="text-[3.6rem] leading-none" />
              )}
            </div>
            <ol className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-6 border-b-4 border-amber pb-1">
              {r.containers.map((c) => (
                <li key={c.id} className="flex flex-col items-center">
                  <ContainerGlyph
                    shape={shapeOf(c.kind, c.mouth)}
                    state={stateOf(c)}
                    contents={contentsOf(c.product, r.species[c.packId] ?? [])}
                    pattern={patternOf(c.packCode)}
                    scale={0.72}
                  />
                  <Link
                    to={`/c/${c.code}`}
                    className="flex min-h-12 min-w-12 items-center justify-center text-ink no-underline hover:underline"
                  >
                    <Code>{c.code}</Code>
                  </Link>
                  {ready && c.seal === null && (
                    <OneTap className="flex flex-col gap-2 pb-2">
                      <input type="hidden" name="key" value={c.key} />
                      <input type="hidden" name="containerId" value={c.id} />
                      <Button
                        name="finding"
                        value="sealed"
                        weight="quiet"
                        aria-label={`${c.code}: lid is down`}
                      >
                        Lid is down
                      </Button>
                      <Button name="finding" value="failed" weight="bare" aria-label={`${c.code}: it flexes`}>
                        It flexes
                      </Button>
                    </OneTap>
                  )}
                </li>
              ))}
            </ol>
          </section>
        );
      })}
      {waiting.length > 0 && (
        <Part title="Promised" className="mb-10">
          <ul>
            {waiting.map((c) => (
              <li key={c.id} className="flex min-h-12 items-center gap-3 border-t-2 border-rule">
                <Code>{c.code}</Code>
                {containersWords(c.kind, c.mouth, 1)}:{" "}
                {c.disposition === "chill" ? "in the fridge, eat" : "pack anew, whole process,"} before{" "}
                <b>{c.dispositionDue ? whenWords(c.dispositionDue, now, zone) : ""}</b>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {resting.length === 0 && open.length === 0 && (
        <Empty
          drawing={<ContainerGlyph shape={shapeOf("jar-pint")} state="resting" scale={0.7} label="" />}
          title="The towel is clear."
        >
          Jars come here when a canner is unloaded.
        </Empty>
      )}
    </Page>
  );
}

function stateOf(c: ContainerNow): GlyphState {
  if (c.seal === null) return "resting";
  return c.seal === "sealed" ? "sealed" : "failed";
}
