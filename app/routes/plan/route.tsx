import { setTimeout } from "node:timers/promises";
import { Suspense, useState } from "react";
import { Await, href, Link } from "react-router";
import type { Route } from "./+types/route";
import { beansRoom, placesOf } from "#core/plan";
import { groupOf } from "#core/species";
import { listRecipes } from "#store/recipe";
import { contentsOf } from "#ui/glyph";
import { Empty, Page } from "#ui/page";
import { Sheet as SheetDrawing } from "../../ui/bench/place-drawing";
import { homeContext, type Home } from "../../server/context";
import { acceptedWords } from "../../features/packing/accepted.server";
import { formKey } from "../../server/form";
import { layingOut } from "../../features/planning/laying-out.server";
import { planInHand, type PlanAsked, type Planning } from "../../features/planning/planning.server";
import { plannable } from "../../features/planning/wish.server";
import { kindsWords } from "../../words/plan";
import { timesOf } from "../../words/time";
import { Choices } from "./choices";
import { NotWorked, Result, Working } from "./result";
import { keptUntilTaken } from "../../outbox";
import type { FollowHandle } from "../../live/follow";

/** A page waits so long for its loads; what takes longer comes after it, ms. */
const AT_ONCE_MS = 60;

export async function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { asked, worked } = planInHand(home);
  const loads = worked.then((plan) => loadsOf(home, plan));
  const soon = await Promise.race([loads, setTimeout(AT_ONCE_MS, null)]);
  return { ...choicesOf(home, asked), loads: soon ?? loads };
}

/** What goes in, into what, and on which canners. */
function choicesOf({ larder, household }: Home, { wish, lots, canners, estimates }: PlanAsked) {
  const wishedOf = (id: string) => wish.lots.find((w) => w.lotId === id);
  return {
    key: formKey(),
    now: larder.now(),
    units: household.units,
    times: timesOf(household),
    wish,
    lots: lots.map((l) => ({
      id: l.id,
      code: l.code,
      part: l.part,
      species: l.species,
      form: l.form,
      group: groupOf(l.species),
      leftKg: l.leftKg,
      frozenAt: l.frozenAt,
      freshUntil: l.freshUntil,
      not: l.notPackable,
      plannable: plannable(l),
      wished: wishedOf(l.id) ?? null,
      each: wishedOf(l.id)?.into.map((k) => estimates[`${l.id} ${k}`] ?? null) ?? [],
    })),
    looks: Object.fromEntries(
      lots.map((l) => [
        l.id,
        { code: l.code, contents: contentsOf(null, l.species), part: l.part, species: l.species },
      ]),
    ),
    recipes: listRecipes(larder)
      .filter((r) => !r.archived || wish.lots.some((l) => l.recipeId === r.id))
      .map(({ id, name }) => ({ id, name })),
    canners: canners.map((c) => ({
      id: c.id,
      name: c.name,
      measured: c.pot.measured,
      used: !wish.without.includes(c.id),
    })),
  };
}

/** The loads that follow from it, and what to lay out for them. */
function loadsOf(home: Home, plan: Planning) {
  const { proposal } = plan;
  const { altitudeM, extraMinutes, rows } = home.household;
  const canner = (id: string) => plan.canners.find((c) => c.id === id)!;
  return {
    acceptKey: formKey(),
    accepted: acceptedWords(home),
    altitudeM,
    extraMinutes,
    failed: plan.failed,
    notes: plan.notes,
    cost: plan.cost,
    proven: proposal?.proven ?? [],
    loads: (proposal?.loads ?? []).map((l) => ({
      ...l,
      canner: { name: canner(l.cannerId).name, pot: canner(l.cannerId).pot },
      places: placesOf(canner(l.cannerId).pot, l),
      beans: beansWords(beansRoom(l.room, l.governing.minutes, altitudeM, rows)),
    })),
    left: proposal?.left ?? [],
    out: layingOut(home, plan),
  };
}

export type Choosing = ReturnType<typeof choicesOf>;
export type Planned = ReturnType<typeof loadsOf>;

const beansWords = (room: Record<string, number>) => (Object.keys(room).length > 0 ? kindsWords(room) : null);

export { action } from "./action";
/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = {
  shows: [
    "plan",
    "lot",
    "pack",
    "bench",
    "hold",
    "supply",
    "canner",
    "gauge",
    "recipe",
    "household",
    "practice",
  ],
};

export default function Plan({ loaderData, actionData }: Route.ComponentProps) {
  const { lots, loads } = loaderData;
  const result = actionData?.result;
  // What was worked out before stays in sight, dimmed, until what replaces it is there.
  const [before, setBefore] = useState<Planned | null>(null);
  if (lots.length === 0)
    return (
      <Page title="Plan" lead="How much goes where, in which loads, by what hour.">
        <title>Plan · Patient Larder</title>
        <Empty drawing={<SheetDrawing />} title="No lots in hand, so nothing to plan.">
          <Link to={href("/table")} className="font-[650] text-ink underline underline-offset-4">
            Cut one at the Table
          </Link>
          .
        </Empty>
      </Page>
    );
  return (
    <Page title="Plan" lead="Choose what goes in and into what; the loads are worked out as you choose.">
      <title>Plan · Patient Larder</title>
      <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[24rem_1fr]">
        <div className="max-lg:order-2">
          <Choices data={loaderData} result={result} />
        </div>
        <section className="min-w-0 max-lg:order-1" aria-label="The loads">
          <Suspense key={loaderData.key} fallback={<Working before={before} data={loaderData} />}>
            <Await resolve={loads} errorElement={<NotWorked />}>
              {(planned) => (
                <Result data={loaderData} planned={planned} result={result} onShown={setBefore} />
              )}
            </Await>
          </Suspense>
        </section>
      </div>
    </Page>
  );
}
