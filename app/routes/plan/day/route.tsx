import { useForm } from "@conform-to/react";
import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { countOf, formatAltitude, formatDuration, formatPressure, kPaFromPsi } from "#core/quantity";
import { storeWish } from "#store/plan";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, Notice, PickField, TextField, resultOf } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { Sheet as SheetDrawing } from "../../../ui/bench/place-drawing";
import { homeContext } from "../../../server/context";
import { askedAt, plannedDay } from "./day.server";
import { byIntent, formKey, instant, keyField, submit, writeBy } from "../../../server/form";
import { planning, wishInHand } from "../../../features/planning/planning.server";
import { LEARNED } from "#core/day";
import { STAGE_DEEDS, STAGE_WORDS } from "../../../words/day";
import { clockTime, fieldTime, whenWords, timesOf } from "../../../words/time";
import { Refused } from "#store/db";
import { Timeline } from "./timeline";
import { keptUntilTaken } from "../../../outbox";

export async function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household } = home;
  const now = larder.now();
  const plan = await planning(home);
  const { zone, units, altitudeM } = household;
  return {
    key: formKey(),
    now,
    times: timesOf(household),
    units,
    altitudeM,
    when: plan.wish.when && {
      from: plan.wish.when.from,
      at: fieldTime(askedAt(plan.wish.when.at, zone), zone),
    },
    later: plan.wish.later,
    day: plannedDay(home, plan, now),
  };
}

const whenForm = (zone: string) =>
  z.object({ key: keyField, from: z.enum(["start", "end"]), at: instant(zone, "The day and hour") });
const laterForm = z.object({
  key: keyField,
  load: z.coerce.number().int().min(0).max(50),
  minute: z.coerce.number().int().min(0).max(2880),
});

export async function action({ request, context }: Route.ActionArgs) {
  const home = context.get(homeContext);
  const { larder, household, me } = home;
  const keep = (key: string, wish: object) => {
    storeWish(larder, writeBy(me, key), wish);
    return redirect(href("/plan/day"));
  };
  return byIntent(
    request,
    {
      when: () =>
        submit(request, whenForm(household.zone), async (v) => {
          const plan = await planning(home);
          const wish = { ...plan.wish, when: { from: v.from, at: new Date(v.at).toISOString() } };
          const day = plannedDay(home, { ...plan, wish }, larder.now());
          if (day?.problem) throw new Refused({ at: day.problem });
          return keep(v.key, wish);
        }),
      later: () =>
        submit(request, laterForm, (v) => {
          const wish = wishInHand(home);
          return keep(v.key, { ...wish, later: { ...wish.later, [v.load]: v.minute } });
        }),
      straight: () =>
        submit(request, z.object({ key: keyField }), (v) => {
          const wish = wishInHand(home);
          return keep(v.key, { ...wish, later: {} });
        }),
    },
    "when",
  );
}
/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Day({ loaderData, actionData }: Route.ComponentProps) {
  const { day, key, now, times, units, altitudeM, when, later } = loaderData;
  const [form, fields] = useForm<z.input<ReturnType<typeof whenForm>>>({
    id: "when",
    lastResult: resultOf(actionData?.result, "when"),
  });
  if (!day)
    return (
      <Page title="The day">
        <title>The day · Patient Larder</title>
        <Empty drawing={<SheetDrawing />} title="There are no loads to put into a day yet.">
          <Link to={href("/plan")} className="font-[650] text-ink underline underline-offset-4">
            Plan some
          </Link>
          .
        </Empty>
      </Page>
    );
  const longest = Math.max(...day.stays.map((s) => s.to - s.from));
  return (
    <Page
      title={`Done by ${whenWords(day.endAt, now, times)}`}
      lead={`Begin ${whenWords(day.startAt, now, times)}. ${countOf(day.loads.length, "load")}, ${formatDuration((day.endAt - day.startAt) / 1000)}; the longest time somebody must stay by the stove is ${formatDuration(longest / 1000)}.`}
      aside={
        <div className="flex flex-wrap gap-3 print:hidden">
          <Button asChild>
            <a href={href("/plan/day.ics")}>To the calendar</a>
          </Button>
          <Button type="button" onClick={() => window.print()}>
            Print
          </Button>
          <Button asChild weight="bare">
            <Link to={href("/plan")}>Back to the plan</Link>
          </Button>
        </div>
      }
    >
      <title>The day · Patient Larder</title>
      {day.problem && (
        <Notice tone="stop" className="mb-4">
          {day.problem}
        </Notice>
      )}
      {day.takeOut.map((t) => (
        <Notice key={t.lotId} tone={t.late ? "stop" : "care"} className="mb-3">
          {t.late ? (
            <>
              <b>Lot {t.code} will still be frozen in the middle.</b> It would have had to come out{" "}
              {whenWords(t.at, now, times)}. Begin later, or thaw it in cold water.
            </>
          ) : (
            <>
              Lot {t.code}: <b>take it out {whenWords(t.at, now, times)}</b> to thaw in the fridge.
            </>
          )}
        </Notice>
      ))}
      <Timeline
        day={day}
        times={times}
        keyBase={key}
        later={later}
        gauge={(load) =>
          `${formatPressure(kPaFromPsi(load.psi), units)} ${load.governs === "dial" ? "on the dial" : "by the weight"}, ${formatAltitude(altitudeM, units)}`
        }
      />
      <div className="mt-8 grid gap-10 lg:grid-cols-[1fr_24rem]">
        <Part title="Hour by hour">
          <ol>
            {[...day.blocks]
              .filter((b) => STAGE_DEEDS[b.stage])
              .sort((a, b) => a.from - b.from)
              .map((b, i) => {
                const load = day.loads[b.load]!;
                return (
                  <li key={i} className="grid grid-cols-[5.2rem_1fr] gap-x-4 border-t-2 border-rule py-2">
                    <span className="fig text-[1.7rem] leading-none font-bold">
                      {clockTime(b.from, times)}
                    </span>
                    <span>
                      <b>{STAGE_DEEDS[b.stage]}</b>{" "}
                      <span className="text-soft">
                        {b.canner}, load {b.load + 1}: {load.what}
                        {b.stage !== "pack" &&
                          `, ${load.minutesWords} at ${formatPressure(kPaFromPsi(load.psi), units)} ${load.governs === "dial" ? "on the dial" : "by the weight"}, ${formatAltitude(altitudeM, units)}`}
                      </span>
                    </span>
                  </li>
                );
              })}
            <li className="grid grid-cols-[5.2rem_1fr] gap-x-4 border-y-2 border-rule py-2">
              <span className="fig text-[1.7rem] leading-none font-bold">{clockTime(day.endAt, times)}</span>
              <b>The last load can be left alone</b>
            </li>
          </ol>
        </Part>
        <div className="space-y-8 print:hidden">
          <Part title="When">
            <KeyedForm form={form} formKey={key} intent="when" className="space-y-4">
              <PickField
                field={fields.from}
                label="The day should"
                fallback={when?.from ?? "start"}
                options={[
                  { value: "start", label: "start at" },
                  { value: "end", label: "finish by" },
                ]}
              />
              <TextField
                field={fields.at}
                label="Day and hour"
                type="datetime-local"
                defaultValue={
                  (fields.at.initialValue as string | undefined) ??
                  when?.at ??
                  fieldTime(day.startAt, times.zone)
                }
              />
              <FormErrors form={form} />
              <Button weight="do">Plan the day</Button>
            </KeyedForm>
          </Part>
          <Part title="Waiting times used">
            {day.times.map((t) => (
              <div key={t.canner} className="border-t-2 border-rule py-2">
                <b>{t.canner}</b>
                <ul className="text-[0.95rem] text-soft">
                  {LEARNED.map((s) => {
                    const { minutes, low, high, runs } = t.stages[s];
                    return (
                      <li key={s}>
                        {STAGE_WORDS[s].toLowerCase()}: about {minutes} min ({Math.round(low)} to{" "}
                        {Math.round(high)}),{" "}
                        {runs > 0 ? `from ${countOf(runs, "run")} of yours` : "common practice"}
                      </li>
                    );
                  })}
                </ul>
              </div>
            ))}
          </Part>
          <Part title="Somebody must stay by the stove">
            <ul>
              {day.stays.map((s) => (
                <li key={s.from} className="border-t-2 border-rule py-2">
                  <b>
                    {clockTime(s.from, times)} to {clockTime(s.to, times)}
                  </b>
                  , {formatDuration((s.to - s.from) / 1000)}
                </li>
              ))}
            </ul>
          </Part>
        </div>
      </div>
    </Page>
  );
}
