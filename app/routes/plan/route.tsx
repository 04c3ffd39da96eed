import { Link } from "react-router";
import type { Route } from "./+types/route";
import { beansRoom, placesOf } from "#core/plan";
import { groupOf } from "#core/species";
import { listRecipes } from "#store/recipe";
import { contentsOf } from "#ui/glyph";
import { Button } from "#ui/button";
import { Empty, Page } from "#ui/page";
import { Sheet as SheetDrawing } from "../../ui/bench/place-drawing";
import { atHome } from "../../server/context";
import { acceptedWords } from "../../features/packing/accepted.server";
import { formKey } from "../../server/form";
import { layingOut } from "../../features/planning/laying-out.server";
import { planning } from "../../features/planning/planning.server";
import { plannable } from "../../features/planning/wish.server";
import { costWords, kindsWords, loadsWords } from "../../words/plan";
import { Choices } from "./choices";
import { LayOut } from "./lay-out";
import { Loads } from "./loads";
import { Notes } from "./notes";
import { keptUntilTaken } from "../../outbox";
import type { FollowHandle } from "../../live/follow";

export async function loader({ request, context }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const plan = await planning(home);
  const { proposal, wish } = plan;
  const canner = (id: string) => plan.canners.find((c) => c.id === id)!;
  const wishedOf = (id: string) => wish.lots.find((w) => w.lotId === id);
  return {
    key: formKey(),
    acceptKey: formKey(),
    accepted: acceptedWords(home),
    now: home.larder.now(),
    units: home.household.units,
    altitudeM: home.household.altitudeM,
    wish,
    failed: plan.failed,
    notes: plan.notes,
    cost: plan.cost,
    proven: proposal?.proven ?? [],
    lots: plan.lots.map((l) => ({
      id: l.id,
      code: l.code,
      part: l.part,
      species: l.species,
      form: l.form,
      group: groupOf(l.species),
      leftKg: l.leftKg,
      frozenAt: l.frozenAt,
      not: l.notPackable,
      plannable: plannable(l),
      wished: wishedOf(l.id) ?? null,
      each: wishedOf(l.id)?.into.map((k) => plan.estimates[`${l.id} ${k}`] ?? null) ?? [],
    })),
    looks: Object.fromEntries(
      plan.lots.map((l) => [
        l.id,
        { code: l.code, contents: contentsOf(null, l.species), part: l.part, species: l.species },
      ]),
    ),
    extraMinutes: home.household.extraMinutes,
    recipes: listRecipes(home.larder)
      .filter((r) => !r.archived || wish.lots.some((l) => l.recipeId === r.id))
      .map(({ id, name }) => ({ id, name })),
    canners: plan.canners.map((c) => ({
      id: c.id,
      name: c.name,
      measured: c.pot.measured,
      used: !wish.without.includes(c.id),
    })),
    loads: (proposal?.loads ?? []).map((l) => ({
      ...l,
      canner: { name: canner(l.cannerId).name, pot: canner(l.cannerId).pot },
      places: placesOf(canner(l.cannerId).pot, l),
      beans: beansWords(beansRoom(l.room, l.governing.minutes, home.household.altitudeM)),
    })),
    left: proposal?.left ?? [],
    out: layingOut(home, plan),
  };
}

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
  const { lots, loads, proven, cost, units, wish, failed, notes } = loaderData;
  const bound = wish.settled.length > 0 || wish.notIn.length > 0 || wish.maxLoads !== null;
  const price = costWords(cost, units);
  if (lots.length === 0)
    return (
      <Page title="Plan" lead="How much goes where, in which loads, by what hour.">
        <title>Plan · Patient Larder</title>
        <Empty drawing={<SheetDrawing />} title="No lots in hand, so nothing to plan.">
          <Link to="/table" className="font-[650] text-ink underline underline-offset-4">
            Cut one at the Table
          </Link>
          .
        </Empty>
      </Page>
    );
  return (
    <Page
      title={loads.length > 0 ? loadsWords(loads.length, proven, bound) : "Plan"}
      lead={
        loads.length === 0
          ? "Choose what goes in and into what; the loads are worked out as you choose."
          : bound && price
            ? `Against the plan without your choices: ${price}.`
            : proven.includes("left")
              ? "And with as many loads, no plan leaves less meat over (counted to 50 g, about 2 oz, a lot). Loads of at most two sizes were looked at."
              : undefined
      }
      aside={
        loads.length > 0 && (
          <div className="flex flex-wrap gap-3">
            <Button asChild weight="do">
              <Link to="/plan/day">The day, hour by hour</Link>
            </Button>
            <Button asChild>
              <Link to="/plan/dishes">Mixed dishes</Link>
            </Button>
          </div>
        )
      }
    >
      <title>Plan · Patient Larder</title>
      <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[24rem_1fr]">
        <div className="max-lg:order-2">
          <Choices data={loaderData} result={actionData?.result} />
        </div>
        <div className="min-w-0 max-lg:order-1">
          {failed && <p className="mb-4 text-[1.15rem] font-[650] text-stop">{failed}</p>}
          <Notes notes={notes} />
          <Loads data={loaderData} result={actionData?.result} />
          {loads.length > 0 && <LayOut data={loaderData} />}
        </div>
      </div>
    </Page>
  );
}
