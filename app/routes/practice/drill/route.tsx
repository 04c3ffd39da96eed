import { useState } from "react";
import { Form, href, Link } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { DEEDS, DRILLS, drillOf, type DrillKey, type Mark } from "#core/drill";
import { drillScores, recordDrill } from "#store/drill";
import { countOf } from "#core/quantity";
import { Button } from "#ui/button";
import { FieldError, Notice } from "#ui/form";
import { Page, Part } from "#ui/page";
import { homeContext } from "../../../server/context";
import { formKey, keyField, submit, writeBy } from "../../../server/form";
import { Session, type Ended } from "./session";
import { keptUntilTaken } from "../../../outbox";
import type { FollowHandle } from "../../../live/follow";

export function loader({ context }: Route.LoaderArgs) {
  const { larder, household, me } = context.get(homeContext);
  const scores = drillScores(larder, me.id);
  return {
    key: formKey(),
    units: household.units,
    me: me.name,
    drills: DRILLS.map((key) => {
      const { title, brief } = drillOf(key);
      return { key, title, brief, score: scores.find((s) => s.drill === key) ?? null };
    }),
  };
}

const deed = z.strictObject({
  s: z.number().int().min(0).max(7200),
  canner: z.number().int().min(0).max(3),
  what: z.enum(DEEDS),
  value: z.number().min(0).max(40).optional(),
});

const schema = z.object({
  key: keyField,
  drill: z.enum(DRILLS, "Choose a drill."),
  seed: z.coerce.number().int().min(0).max(1e9),
  endS: z.coerce.number().int().min(0).max(7200),
  deeds: z
    .string()
    .max(60_000)
    .transform((text, ctx) => {
      try {
        return z.array(deed).max(600).parse(JSON.parse(text));
      } catch {
        ctx.addIssue({ code: "custom", message: "What was done cannot be read. Start the drill again." });
        return z.NEVER;
      }
    }),
});

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return submit(request, schema, ({ key, ...done }) => ({
    drill: done.drill,
    seed: done.seed,
    ...recordDrill(larder, writeBy(me, key), done),
  }));
}

interface Done {
  drill: DrillKey;
  /** which go at it this is about */
  seed: number;
  score: number;
  marks: Mark[];
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: [] };

export default function Drills({ loaderData, actionData }: Route.ComponentProps) {
  const { key, units, drills, me } = loaderData;
  const [chosen, setChosen] = useState<DrillKey | null>(null);
  const [seed, setSeed] = useState(1);
  const [ended, setEnded] = useState<Ended | null>(null);
  const begin = (drill: DrillKey) => {
    setSeed((s) => s + 1);
    setEnded(null);
    setChosen(drill);
  };
  const scored = (actionData?.done ?? null) as Done | null;
  const done = scored?.drill === chosen && scored?.seed === seed ? scored : null;
  const practised = drills.filter((d) => d.score).length;
  if (chosen && !ended)
    return (
      <Session
        key={`${chosen} ${seed}`}
        drill={chosen}
        seed={seed}
        units={units}
        onEnd={setEnded}
        onLeave={() => setChosen(null)}
      />
    );
  return (
    <Page
      title="Drills at the stove"
      lead="A simulated canner at high speed. Your decisions are scored, with reasons."
      aside={
        <p className="text-soft">
          {me}: {practised} of {countOf(drills.length, "drill")} done ·{" "}
          <Link to={href("/practice")} className="font-[650] text-ink underline underline-offset-4">
            Seam school
          </Link>
        </p>
      }
    >
      <title>Drills · Patient Larder</title>
      {ended && chosen && !done && (
        <Notice tone="care" className="mb-5">
          <Form method="post" className="flex flex-wrap items-center gap-4">
            <input type="hidden" name="key" value={key} />
            <input type="hidden" name="drill" value={chosen} />
            <input type="hidden" name="seed" value={seed} />
            <input type="hidden" name="endS" value={ended.endS} />
            <input type="hidden" name="deeds" value={JSON.stringify(ended.deeds)} />
            <b>It is over.</b>
            <Button weight="do">See your score</Button>
            <FieldError id="deeds-error" errors={actionData?.result?.error?.deeds ?? undefined} />
          </Form>
        </Notice>
      )}
      {done && ended && <Marks done={done} onAgain={() => begin(done.drill)} />}
      <ul className="grid gap-4 md:grid-cols-2">
        {drills.map((d) => (
          <li key={d.key} className="flex flex-col rounded border-2 border-ink bg-sheet p-5">
            <div className="flex items-baseline justify-between gap-3">
              <h2 className="text-[1.25rem] font-[650]">{d.title}</h2>
              {d.score && (
                <span className="text-soft">
                  best <b className="fig text-[1.5rem] text-ink">{d.score.best}</b> of 100,{" "}
                  {countOf(d.score.times, "time")}
                </span>
              )}
            </div>
            <p className="mt-1 mb-3 flex-1">{d.brief}</p>
            <Button type="button" className="self-start" onClick={() => begin(d.key)}>
              {d.score ? "Start again" : "Start"}
            </Button>
          </li>
        ))}
      </ul>
    </Page>
  );
}

/** What was looked for, what it got, and why. */
function Marks({ done, onAgain }: { done: Done; onAgain(): void }) {
  return (
    <Part title={drillOf(done.drill).title} className="mb-8">
      <div className="flex items-end gap-4" aria-live="polite">
        <span className="fig text-[5rem] leading-none font-bold" data-testid="score">
          {done.score}
        </span>
        <span className="pb-2">of 100</span>
        <Button type="button" className="ml-auto" onClick={onAgain}>
          Start again
        </Button>
      </div>
      <ul className="mt-3 divide-y-2 divide-rule border-y-2 border-rule">
        {done.marks.map((m) => (
          <li key={m.what} className="grid grid-cols-[5.5rem_1fr] gap-4 py-2">
            <span className="fig text-[1.6rem] leading-none font-bold">
              {m.got === m.worth ? "✓ " : m.got === 0 ? "✕ " : "½ "}
              {m.got}/{m.worth}
            </span>
            <span>
              <b>{m.what}.</b> <span className="text-soft">{m.why}</span>
            </span>
          </li>
        ))}
      </ul>
    </Part>
  );
}
