import { Link, Outlet, useLocation } from "react-router";
import type { Route } from "./+types/layout";
import { Bench } from "#ui/bench";
import { NowProvider } from "#ui/clock";
import { Strip } from "#ui/strip";
import { pace } from "../../server/clock";
import { atHome } from "../../server/context";
import { lookAround } from "../../server/look";
import { clocksOf } from "../../server/clocks";
import { feedOf } from "../../server/live";
import { benchOf, runGlances } from "../../server/shell";
import { useHeard } from "../../live/feed";
import { useLoadAgain } from "../../live/load-again";
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
    version: feedOf(home.larder).version,
  };
}

export { stayWhenLost as shouldRevalidate } from "./stay";

export default function Places({ loaderData }: Route.ComponentProps) {
  const { serverNow, pace, places, clocks, me, version } = loaderData;
  const { pathname } = useLocation();
  const here = pathname.split("/")[1] ?? null;
  const { word } = useHeard();
  useLoadAgain(word, { version, at: serverNow });
  const fresh = word && word.now >= serverNow ? word : null;
  return (
    <NowProvider serverNow={fresh?.now ?? serverNow} pace={fresh?.pace ?? pace}>
      <header>
        <Strip clocks={fresh?.clocks ?? clocks}>
          <SideLinks me={me} />
        </Strip>
        <Bench places={places} here={here} tall={pathname === "/"} />
      </header>
      <Outlet />
    </NowProvider>
  );
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
