import { href, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { openBench } from "#store/filling";
import { Refused } from "#store/db";
import { closePlan, storeWish } from "#store/plan";
import { listCanners } from "#store/equipment";
import { listRecipes } from "#store/recipe";
import { homeContext } from "../../server/context";
import { brothsOf } from "../../features/packing/broth.server";
import { benchPartsOf } from "../../features/packing/filling.server";
import { byIntent, keyField, submit, writeBy } from "../../server/form";
import { planning, wishInHand } from "../../features/planning/planning.server";
import { keepLoad, kind, letGo, moveTo, wishForm, wished } from "./wishes";

const index = z.coerce.number().int().min(0).max(50);
const loadForm = z.object({ key: keyField, load: index });
const moveForm = z.object({ key: keyField, from: index, to: index, lotId: z.string(), kind });
const sizeForm = z.object({ key: keyField, cannerId: z.string(), kind });

export async function action({ request, context }: Route.ActionArgs) {
  const home = context.get(homeContext);
  const { larder, household, me } = home;
  const kept = (key: string, wish: object) => {
    storeWish(larder, writeBy(me, key), wish);
    return redirect(href("/plan"));
  };
  return byIntent(
    request,
    {
      wish: () =>
        submit(request, wishForm, (v) => {
          const canners = listCanners(larder).map((c) => c.id);
          return kept(v.key, wished(wishInHand(home), v, canners));
        }),
      keep: () => submit(request, loadForm, async (v) => kept(v.key, keepLoad(await planning(home), v.load))),
      free: () => submit(request, loadForm, async (v) => kept(v.key, letGo(await planning(home), v.load))),
      move: () =>
        submit(request, moveForm, async (v) =>
          kept(v.key, moveTo(await planning(home), v, household, larder.now())),
        ),
      fill: () =>
        submit(request, loadForm, async (v) => {
          const plan = await planning(home);
          const load = plan.proposal?.loads[v.load];
          const recipes = listRecipes(larder);
          if (!load)
            throw new Refused({ "": "This load is not in the plan any more. Look at the plan again." }, 409);
          const { id } = openBench(larder, writeBy(me, v.key), {
            cannerId: load.cannerId,
            parts: benchPartsOf(
              load,
              plan.wish.saltTspPint,
              household,
              (lotId) => {
                const recipeId = plan.wish.lots.find((l) => l.lotId === lotId)?.recipeId;
                return recipes.find((r) => r.id === recipeId) ?? null;
              },
              brothsOf(home),
            ),
            layers: load.layers,
          });
          return redirect(href("/pack/:id", { id }));
        }),
      notIn: () =>
        submit(request, sizeForm, (v) => {
          const wish = wishInHand(home);
          const { cannerId, kind } = v;
          if (!listCanners(larder).some((c) => c.id === cannerId))
            throw new Refused({ "": "There is no such canner any more." }, 404);
          return kept(v.key, { ...wish, notIn: [...wish.notIn, { cannerId, kind }], settled: [], later: {} });
        }),
      allow: () =>
        submit(request, sizeForm, (v) => {
          const wish = wishInHand(home);
          const notIn = wish.notIn.filter((n) => n.cannerId !== v.cannerId || n.kind !== v.kind);
          return kept(v.key, { ...wish, notIn, later: {} });
        }),
      afresh: () =>
        submit(request, z.object({ key: keyField }), (v) => {
          closePlan(larder, writeBy(me, v.key));
          return redirect(href("/plan"));
        }),
    },
    "wish",
  );
}
