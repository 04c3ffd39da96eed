import { Link, Outlet, useLocation } from "react-router";
import type { Route } from "./+types/layout";
import { Bench } from "#ui/bench";
import { NowProvider } from "#ui/clock";
import { Strip } from "#ui/strip";
import { AlarmLine, useCallingElsewhere, type AlarmPlace } from "../../live/alarms";
import { useHeard } from "../../live/feed";
import { pace } from "../../server/clock";
import { clocksOf } from "../../server/clocks";
import { atHome } from "../../server/context";
import { benchOf, runGlances } from "../../server/shell";
import { snapshot } from "../../server/snapshot";
import { Jump } from "./jump";
import { PhoneBar } from "./phone-bar";

/** What a page is drawn with at first; from then on the feed carries it. */
export function loader({ request, context }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const look = snapshot(home);
  const runs = runGlances(look);
  return {
    serverNow: look.now,
    pace: pace(),
    places: benchOf(look, runs, home.household.units),
    clocks: clocksOf(runs, look),
    me: home.me.name,
  };
}

export { stayWhenLost as shouldRevalidate } from "../../live/stay-when-lost";

export const handle: AlarmPlace = { alarmsInHead: true };

export default function Shell({ loaderData }: Route.ComponentProps) {
  const { pathname } = useLocation();
  const { word } = useHeard();
  const calling = useCallingElsewhere();
  const { me } = loaderData;
  const fresh = word && word.now >= loaderData.serverNow ? word : null;
  const { places, clocks } = fresh ?? loaderData;
  return (
    <NowProvider serverNow={fresh?.now ?? loaderData.serverNow} pace={fresh?.pace ?? loaderData.pace}>
      <header className="contents">
        <Strip clocks={clocks} alarm={calling ? <AlarmLine /> : null}>
          <SideLinks me={me} calling={calling} />
        </Strip>
        <Bench places={places} tall={pathname === "/"} />
      </header>
      <Outlet />
      <PhoneBar places={places} />
    </NowProvider>
  );
}

const SIDE =
  "flex min-h-12 items-center px-2.5 text-[0.92rem] font-[600] text-on-strip no-underline hover:underline focus-visible:outline-offset-[-4px] focus-visible:outline-on-strip max-md:hidden";

/** The pages beside the work. While something calls, its alarm has their room, and they are under “More”. */
function SideLinks({ me, calling }: { me: string; calling: boolean }) {
  return (
    <nav
      aria-label="Beside the work"
      className="flex shrink-0 items-stretch border-l border-on-strip/30 pr-2 max-md:pr-0"
    >
      {!calling && (
        <>
          <Link to="/" className={SIDE}>
            Today
          </Link>
          <Link to="/ask" className={SIDE}>
            Ask
          </Link>
          <Link to="/shed" className={SIDE}>
            Shed
          </Link>
          <Link to="/practice" className={`${SIDE} max-lg:hidden`}>
            Practice
          </Link>
          <Link to="/records" className={`${SIDE} max-lg:hidden`}>
            Records
          </Link>
        </>
      )}
      <Link to="/more" className={`${SIDE} ${calling ? "" : "lg:hidden"}`}>
        More
      </Link>
      {!calling && (
        <Link to="/household" className={SIDE} aria-label={`Household, ${me} is at the screen`}>
          {me}
        </Link>
      )}
      <Jump />
    </nav>
  );
}
