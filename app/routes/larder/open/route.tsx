import { useState } from "react";
import { Form, href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { OPENING_SIGNS, boilMinutes, signsOf } from "#core/shelf";
import { ftFromM } from "#core/quantity";
import { isCan } from "#core/schedule";
import { recordOpening } from "#store/eating";
import { Button } from "#ui/button";
import { NoEnter, Notice, problemOf } from "#ui/form";
import { StoredGlyph } from "#ui/glyph";
import { Page, Part } from "#ui/page";
import { oneWords } from "../../../words/shelf";
import { longDay, timesOf } from "../../../words/time";
import { homeContext } from "../../../server/context";
import { formKey, keyField, submit, writeBy } from "../../../server/form";
import { scanned } from "../../../features/genealogy/scanned.server";
import { keptUntilTaken } from "../../../outbox";
import type { FollowHandle } from "../../../live/follow";

export function loader({ context, params }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { household, larder } = home;
  const seen = scanned(home, params.code);
  if (!seen.container) {
    if (seen.code) throw redirect(href("/c/:code", { code: seen.code }));
    throw redirect(`${href("/find")}?code=${encodeURIComponent(params.code)}`);
  }
  return {
    key: formKey(),
    times: timesOf(household),
    now: larder.now(),
    boil: boilMinutes(ftFromM(household.altitudeM)),
    seen,
    container: seen.container,
  };
}

const look = z.object({
  key: keyField,
  containerId: z.string(),
  signs: z.array(z.enum(OPENING_SIGNS)).default([]),
  verdict: z.enum(["sound", "bad"], "Say whether it is sound."),
  note: z.string().trim().max(200, "Keep it under 200 characters.").optional(),
});

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return submit(request, look, (v) => {
    if (v.verdict === "bad" && v.signs.length === 0)
      return { ask: "Tap what is wrong. It decides what else is searched for." };
    const signs = v.verdict === "sound" ? [] : v.signs;
    recordOpening(larder, writeBy(me, v.key), { containerId: v.containerId, signs, note: v.note ?? null });
    return redirect(
      signs.length
        ? href("/larder/recall/:code", { code: params.code })
        : href("/c/:code", { code: params.code }),
    );
  });
}

const DONE_CLOSED = "Before you open it";
const DONE_OPEN = "As it opens";

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["container", "recall", "hold", "storage"] };

export default function Opening({ loaderData, actionData }: Route.ComponentProps) {
  const { container: c, seen, boil, times, now, key } = loaderData;
  const [bad, setBad] = useState(0);
  const problem = problemOf(actionData?.result);
  const ask = (actionData?.done as { ask?: string } | null)?.ask;
  const can = isCan(c.kind);
  return (
    <Page
      title={`Open ${c.code}`}
      lead={`${oneWords(c).replace(/^./, (x) => x.toUpperCase())}, canned ${longDay(c.cannedAt, times)}.`}
    >
      <title>{`Open ${c.code} · Patient Larder`}</title>
      {!seen.takes && (
        <Notice tone="stop" className="mb-5">
          <b>{seen.says}</b> If something is wrong, tap it below. It is recorded, and no one eats it.
        </Notice>
      )}
      {(problem || ask) && (
        <Notice tone="stop" className="mb-5">
          {problem || ask}
        </Notice>
      )}
      <Form
        method="post"
        onChange={(e) => setBad(e.currentTarget.querySelectorAll("input[name=signs]:checked").length)}
        className="grid gap-x-10 gap-y-6 lg:grid-cols-[16rem_1fr]"
      >
        <NoEnter />
        <input type="hidden" name="key" value={key} />
        <input type="hidden" name="containerId" value={c.id} />
        <div className="max-lg:hidden">
          <StoredGlyph c={c} scale={1.4} />
          <p className="fig mt-2 text-[3.6rem] leading-none font-bold">{c.code}</p>
          {c.bestBy < now && (
            <p className="mt-1 font-[650] text-amber">
              Past best-by, {longDay(c.bestBy, times)}. That date is about taste: go by what you see here.
            </p>
          )}
        </div>
        <div>
          {(["closed", "open"] as const).map((when) => (
            <Part key={when} title={when === "closed" ? DONE_CLOSED : DONE_OPEN} className="mb-6">
              <ul className="grid gap-2 md:grid-cols-2">
                {signsOf(can)
                  .filter((s) => s.when === when)
                  .map((s) => (
                    <li key={s.key}>
                      <label className="grid min-h-14 cursor-pointer grid-cols-[1fr_auto] items-center gap-3 rounded border-2 border-rule px-4 py-2 has-checked:border-stop has-checked:bg-sheet has-focus-visible:outline-3 has-focus-visible:outline-steam">
                        <span>
                          {s.sound}
                          <span className="block text-[0.92rem] text-soft">{s.bad}: tap here</span>
                        </span>
                        <input
                          type="checkbox"
                          name="signs"
                          value={s.key}
                          aria-label={s.bad}
                          className="size-7 accent-[var(--stop)]"
                        />
                      </label>
                    </li>
                  ))}
              </ul>
            </Part>
          ))}
          <p className="mb-4 text-[1.1rem]">
            <b>Never taste to find out.</b> When in doubt, throw it out. Boiling {boil} minutes before eating
            is the usual extra caution at this altitude{" "}
            <span className="text-soft">(USDA 2015, Guide 1, from memory)</span>.
          </p>
          <label className="mb-4 block max-w-[34rem]">
            <span className="block font-[650]">Anything else</span>
            <input name="note" maxLength={200} autoComplete="off" className="input mt-1" />
          </label>
          <div className="flex flex-wrap gap-3">
            {seen.takes && (
              <Button name="verdict" value="sound" weight={bad ? "quiet" : "do"} disabled={bad > 0}>
                No sign of spoilage: opened
              </Button>
            )}
            <Button name="verdict" value="bad" weight="stop">
              Something is wrong
            </Button>
            <Button asChild weight="bare">
              <Link to={href("/larder")}>Not now</Link>
            </Button>
          </div>
        </div>
      </Form>
    </Page>
  );
}
