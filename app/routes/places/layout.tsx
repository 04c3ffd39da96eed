import { useEffect } from "react";
import { Link, Outlet, useLocation, useRevalidator } from "react-router";
import type { Route } from "./+types/layout";
import { Bench } from "#ui/bench";
import { NowProvider } from "#ui/clock";
import { Strip } from "#ui/strip";
import { pace } from "../../server/clock";
import { atHome } from "../../server/context";
import { lookAround } from "../../server/look";
import { clocksOf } from "../../server/clocks";
import { benchOf, runGlances } from "../../server/shell";
import { reach } from "../../outbox";
import { Jump } from "./jump";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const runs = runGlances(home);
  const look = lookAround(home);
  return {
    serverNow: look.now,
    pace: pace(),
    places: benchOf(home, runs),
    clocks: clocksOf(runs, look),
    me: home.me.name,
  };
}

export { stayWhenLost as shouldRevalidate } from "./stay";

/** How often what stands where is looked at again, ms. The clocks tick by themselves. */
const LOOK_AGAIN_MS = 15_000;

export default function Places({ loaderData }: Route.ComponentProps) {
  const { serverNow, pace, places, clocks, me } = loaderData;
  const here = useLocation().pathname.split("/")[1] ?? null;
  useLookAgain(LOOK_AGAIN_MS);
  return (
    <NowProvider serverNow={serverNow} pace={pace}>
      <header>
        <Strip clocks={clocks}>
          <SideLinks me={me} />
        </Strip>
        <Bench places={places} here={here} />
      </header>
      <Outlet />
    </NowProvider>
  );
}

/** Asks the server again now and then, and when the page comes back into view, unless somebody is typing. */
export function useLookAgain(everyMs: number) {
  const { revalidate, state } = useRevalidator();
  useEffect(() => {
    const look = () => {
      const typing = document.activeElement?.matches("input[type=text], textarea, select");
      if (document.visibilityState !== "visible" || state !== "idle" || typing) return;
      // Asked whether it is there first: a look that finds no larder would take the page away.
      void reach().then((well) => (well ? revalidate() : undefined));
    };
    const timer = setInterval(look, everyMs);
    document.addEventListener("visibilitychange", look);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", look);
    };
  }, [everyMs, revalidate, state]);
}

const SIDE =
  "flex min-h-12 items-center px-2.5 text-[0.92rem] font-[600] text-on-strip no-underline hover:underline focus-visible:outline-offset-[-4px] focus-visible:outline-on-strip";

function SideLinks({ me }: { me: string }) {
  return (
    <nav
      aria-label="Beside the work"
      className="flex shrink-0 items-stretch border-l border-on-strip/30 pr-2 max-md:pr-0"
    >
      <Link to="/" className={SIDE}>
        Today
      </Link>
      <Link to="/ask" className={SIDE}>
        Ask
      </Link>
      <Link to="/shed" className={`${SIDE} max-md:hidden`}>
        Shed
      </Link>
      <Link to="/practice" className={`${SIDE} max-lg:hidden`}>
        Practice
      </Link>
      <Link to="/records" className={`${SIDE} max-lg:hidden`}>
        Records
      </Link>
      <Link
        to="/household"
        className={`${SIDE} max-md:hidden`}
        aria-label={`Household, ${me} is at the screen`}
      >
        {me}
      </Link>
      <Jump />
    </nav>
  );
}
