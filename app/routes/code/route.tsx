import { Form, href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { speciesByKey } from "#core/species";
import { refuse } from "#store/db";
import { finishDisposition } from "#store/rest";
import { putBack } from "#store/shelf";
import { findCode } from "#store/trace";
import { Button } from "#ui/button";
import { Notice, problemOf } from "#ui/form";
import { type GlyphState, StoredGlyph } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Page, Part } from "#ui/page";
import { River } from "#ui/river";
import { dayWords, longDay, timesOf } from "../../words/time";
import { homeContext } from "../../server/context";
import { byIntent, formKey, keyField, orNotFound, submit, writeBy } from "../../server/form";
import { isForeign } from "../../features/genealogy/scanned.server";
import { storyOf } from "../../features/genealogy/genealogy.server";
import { keptUntilTaken } from "../../outbox";

export function loader({ request, context, params }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const found = findCode(home.larder, params.code);
  if (!found.found) throw redirect(`${href("/find")}?code=${encodeURIComponent(params.code)}`);
  if (isForeign(home, new URL(request.url).searchParams.get("h")))
    throw redirect(`${href("/larder/scan")}?seen=${encodeURIComponent(request.url)}`);
  const story = orNotFound(() => storyOf(home, found));
  return {
    key: formKey(),
    units: home.household.units,
    code: found.code,
    kind: found.kind,
    times: timesOf(home.household),
    ...story,
  };
}

const back = z.object({ key: keyField, intent: z.literal("back") });
const ate = z.object({
  key: keyField,
  intent: z.literal("ate"),
  what: z.enum(["opened", "discarded"], "Say whether it was eaten or thrown out."),
});

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  const found = findCode(larder, params.code);
  const container = () =>
    found.found && found.kind === "container" ? found.id : refuse("Only a jar or can is taken or put back.");
  return byIntent(
    request,
    {
      back: () =>
        submit(request, back, (v) => {
          putBack(larder, writeBy(me, v.key), container());
          return redirect(href("/c/:code", { code: params.code }));
        }),
      ate: () =>
        submit(request, ate, (v) => {
          finishDisposition(larder, writeBy(me, v.key), container(), v.what);
          return redirect(href("/c/:code", { code: params.code }));
        }),
    },
    "back",
  );
}

const KIND_NAMES = {
  harvest: "animal or catch",
  lot: "lot",
  pack: "pack",
  run: "run",
  container: "container",
} as const;

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Story({ loaderData, actionData }: Route.ComponentProps) {
  const { code, kind, chapters, container, times, trace, river, units, key } = loaderData;
  const problem = problemOf(actionData?.result);
  const made = trace.nodes.filter((n) => n.kind === "container");
  return (
    <Page
      title={`History of ${code}`}
      lead={container ? undefined : `A ${KIND_NAMES[kind]}, and everything it came from and went into.`}
      aside={
        <div className="flex flex-wrap gap-3 print:hidden">
          {container && <Deeds c={container} code={code} formKey={key} />}
          <Button type="button" onClick={() => window.print()}>
            Print it
          </Button>
        </div>
      }
    >
      <title>{`${code} · Patient Larder`}</title>
      {problem && (
        <Notice tone="stop" className="mb-5">
          {problem}
        </Notice>
      )}
      {container?.setAside && (
        <Notice tone="stop" className="mb-5">
          <b>Recalled.</b> Do not eat, give away or shelve it until someone releases it with a reason.{" "}
          <Link to={href("/larder/recalls/:id", { id: container.setAside })}>
            Why, and what else shares the risk
          </Link>
        </Notice>
      )}
      <Part title="From animals to jars, by weight" className="mb-8">
        <River river={river} here={code} units={units} times={times} />
      </Part>
      <div className="grid gap-10 lg:grid-cols-[22rem_1fr]">
        <div>
          {container && (
            <div className="mb-6">
              <StoredGlyph c={container} state={stateOf(container)} scale={1.5} />
              <div className="fig border-t-[8px] border-bench pt-2 text-[4.4rem] leading-none font-bold tracking-wide">
                {code}
              </div>
              <p className="mt-1 text-[1.2rem] font-[650]">{container.where}</p>
            </div>
          )}
          <Part title="What is in it">
            <Shares trace={trace} code={code} />
          </Part>
          {!container && made.length > 0 && (
            <Part title={`Jars and cans from it: ${made.length}`} className="mt-6">
              <p className="flex flex-wrap gap-x-4">
                {made.map((m) => (
                  <Link
                    key={m.code}
                    to={href("/c/:code", { code: m.code })}
                    className="flex min-h-12 min-w-12 items-center text-ink"
                  >
                    <Code>{m.code}</Code>
                  </Link>
                ))}
              </p>
            </Part>
          )}
        </div>
        <ol className="border-l-4 border-bench">
          {chapters.map((c, i) => (
            <li key={i} className="relative pb-6 pl-8">
              <span
                className={`absolute top-1 -left-[13px] size-[22px] border-[3px] border-ink ${c.care.length ? "rotate-45 bg-amber" : "rounded-full bg-paper"}`}
                aria-hidden="true"
              />
              <p className="text-[0.92rem] text-soft">
                {c.day ? dayWords(c.day, times) : longDay(c.at, times)}
              </p>
              <h2 className="text-[1.2rem]">
                {c.title}{" "}
                {c.code && c.code !== code ? (
                  <Link to={href("/c/:code", { code: c.code })} className="text-ink">
                    <Code>{c.code}</Code>
                  </Link>
                ) : (
                  c.code && <Code>{c.code}</Code>
                )}
              </h2>
              {c.lines.map((l) => (
                <p key={l}>{l}</p>
              ))}
              {c.care.map((l) => (
                <Notice key={l} tone="care" className="mt-1">
                  {l}
                </Notice>
              ))}
            </li>
          ))}
        </ol>
      </div>
    </Page>
  );
}

/** What may be done with a container from its own page. */
function Deeds({
  c,
  code,
  formKey: key,
}: {
  c: NonNullable<Route.ComponentProps["loaderData"]["container"]>;
  code: string;
  formKey: string;
}) {
  const taken = c.moved !== null && c.moved !== "shelved";
  return (
    <>
      {c.moved === "shelved" && (
        <Button asChild weight="do">
          <Link to={href("/larder/open/:code", { code })}>Open it</Link>
        </Button>
      )}
      {c.moved === null && (c.disposition === "chill" || c.disposition === "freeze") && (
        <Form method="post" className="flex flex-wrap gap-3">
          <input type="hidden" name="key" value={key} />
          <input type="hidden" name="intent" value="ate" />
          <Button name="what" value="opened">
            Mark as eaten
          </Button>
          <Button name="what" value="discarded" weight="bare">
            Mark as thrown out
          </Button>
        </Form>
      )}
      {taken && (
        <Form method="post">
          <input type="hidden" name="key" value={key} />
          <input type="hidden" name="intent" value="back" />
          <Button>Undo: it is still on the shelf, unopened</Button>
        </Form>
      )}
      {c.runId && (
        <Button asChild>
          <Link to={href("/larder/recall/:code", { code })}>Something is wrong</Link>
        </Button>
      )}
    </>
  );
}

function Shares({ trace, code }: { trace: Route.ComponentProps["loaderData"]["trace"]; code: string }) {
  const node = trace.nodes.find((n) => n.code === code)!;
  const shares = Object.entries(node.harvests).sort((a, b) => b[1] - a[1]);
  if (shares.length === 0)
    return (
      <p className="text-soft">
        {node.kind === "run" ? "A whole load; see its packs." : "It is where everything begins."}
      </p>
    );
  return (
    <ul>
      {shares.map(([harvest, share]) => (
        <li key={harvest} className="flex items-center gap-3 border-t-2 border-rule py-1">
          <span className="fig w-16 text-[1.6rem] font-bold">{Math.round(share * 100)} %</span>
          <Link
            to={href("/c/:code", { code: harvest })}
            className="flex min-h-12 min-w-12 items-center text-ink"
          >
            <Code>{harvest}</Code>
          </Link>
          <span>
            {speciesByKey(trace.nodes.find((n) => n.code === harvest)?.title.split(" ×")[0] ?? "")?.name}
          </span>
        </li>
      ))}
    </ul>
  );
}

function stateOf(c: {
  moved: string | null;
  seal: string | null;
  runId: string | null;
  disposition: string | null;
}): GlyphState {
  if (c.moved && c.moved !== "shelved") return "opened";
  if (c.seal === "failed") return "failed";
  if (c.seal === "sealed") return "sealed";
  return c.runId ? "resting" : "lidded";
}
