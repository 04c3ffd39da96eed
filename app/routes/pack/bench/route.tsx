import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { keptUntilTaken } from "../../../outbox";
import { isCan } from "#core/schedule";
import { Refused } from "#store/db";
import { closeBench, getBench } from "#store/filling";
import { NowProvider } from "#ui/clock";
import { BareHead } from "../../shell/bare";
import { homeContext } from "../../../server/context";
import { clocksOf } from "../../../features/shell/clocks.server";
import { byIntent, keyField, submit, writeBy } from "../../../server/form";
import { snapshot } from "../../../features/shell/snapshot.server";
import { runGlances } from "../../../features/shell/places.server";
import { benchData, benchForms } from "./bench.server";
import { Filling } from "./filling";
import { Packed } from "./packed";
import type { AlarmPlace } from "../../../live/alarms";
import type { FollowHandle } from "../../../live/follow";

export function loader({ context, params }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const look = snapshot(home);
  return {
    ...benchData(home, params.id),
    serverNow: look.now,
    clocks: clocksOf(runGlances(look), look),
  };
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const home = context.get(homeContext);
  const { larder, me } = home;
  return byIntent(request, {
    ...benchForms(request, home, params.id, href("/pack/:id", { id: params.id })),
    packed: () =>
      submit(request, z.object({ key: keyField }), (v) => {
        const bench = getBench(larder, params.id);
        const filled = bench.parts.filter((p) => p.containers.length > 0);
        closeBench(larder, writeBy(me, v.key), params.id);
        if (filled.length === 0) return redirect(href("/pack"));
        if (filled.some((p) => !p.pack)) throw new Refused({ "": "A pack of this load was taken apart." });
        return redirect(filled.some((p) => isCan(p.container)) ? href("/seam") : href("/fire"));
      }),
  });
}

/** Taps are kept on this screen while the larder cannot be reached, and told to it in their order. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle & AlarmPlace = {
  alarmsInHead: true,
  shows: ["bench", "lot", "hold", "supply"],
};

export default function Fill({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <NowProvider serverNow={loaderData.serverNow}>
      <div className="flex min-h-dvh flex-col">
        <title>Packing · Patient Larder</title>
        <BareHead clocks={loaderData.clocks}>
          <Link to={href("/pack")} className="flex items-center px-4 font-[600]">
            Leave the bench
          </Link>
        </BareHead>
        {loaderData.closedAt === null ? (
          <Filling data={loaderData} result={actionData?.result} />
        ) : (
          <Packed data={loaderData} />
        )}
      </div>
    </NowProvider>
  );
}
