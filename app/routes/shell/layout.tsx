import { href, Link, Outlet, useLocation, useMatches } from "react-router";
import type { Route } from "./+types/layout";
import type { ComponentType } from "react";
import type { Reach } from "#core/guard";
import { Bench, type BenchPlace } from "#ui/bench";
import { NowProvider } from "#ui/clock";
import { Strip } from "#ui/strip";
import { useAlarmLine, type AlarmPlace } from "../../live/alarms";
import { useHeard } from "../../live/feed";
import { pace } from "../../server/clock";
import { clocksOf } from "../../features/shell/clocks.server";
import { homeContext, reachNow } from "../../server/context";
import { benchOf, runGlances } from "../../features/shell/places.server";
import { snapshot } from "../../features/shell/snapshot.server";
import { MAY_WORDS } from "../../words/reach";
import { Jump } from "./jump";
import { Leaving } from "./leaving";
import { PhoneBar } from "./phone-bar";

/** A page that stands under the tall bench brings along what draws it, so that no other page has to fetch it. */
export interface BenchHandle {
  benchDrawing?: ComponentType<{ place: BenchPlace }>;
}

/** What a page is drawn with at first; from then on the feed carries it. */
export function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const look = snapshot(home);
  const runs = runGlances(look);
  return {
    serverNow: look.now,
    pace: pace(),
    places: benchOf(look, runs, home.household.units),
    clocks: clocksOf(runs, look),
    me: home.me.name,
    may: reachNow(),
  };
}

export { stayWhenLost as shouldRevalidate } from "../../live/stay-when-lost";

export const handle: AlarmPlace = { alarmsInHead: true };

export default function Shell({ loaderData }: Route.ComponentProps) {
  const { pathname } = useLocation();
  const drawing = (useMatches().at(-1)?.handle as BenchHandle | undefined)?.benchDrawing;
  const { word } = useHeard();
  const alarm = useAlarmLine();
  const { me, may } = loaderData;
  const fresh = word && word.now >= loaderData.serverNow ? word : null;
  const { places, clocks } = fresh ?? loaderData;
  return (
    <NowProvider serverNow={fresh?.now ?? loaderData.serverNow} pace={fresh?.pace ?? loaderData.pace}>
      <header className="contents">
        <Strip clocks={clocks} alarm={alarm}>
          <SideLinks me={me} may={may} calling={alarm !== null} />
        </Strip>
        <Bench places={places} here={pathname.split("/")[1] ?? ""} drawing={drawing} />
      </header>
      <Outlet />
      <PhoneBar places={places} />
      <Leaving />
    </NowProvider>
  );
}

/** The pages beside the work. While something calls, its alarm has their room, and they are under “More”. */
function SideLinks({ me, may, calling }: { me: string; may: Reach; calling: boolean }) {
  const limits = may === "all" ? null : MAY_WORDS[may];
  return (
    <nav aria-label="Other pages" className="beside">
      {!calling && (
        <>
          <Link to={href("/")}>Today</Link>
          <Link to={href("/ask")}>Ask</Link>
          <Link to={href("/shed")}>Shed</Link>
          <Link to={href("/practice")} className="wide">
            Practice
          </Link>
          {/* How far somebody may go needs its room: Records are on the Household's page as well. */}
          {!limits && (
            <Link to={href("/records")} className="wide">
              Records
            </Link>
          )}
        </>
      )}
      <Link to={href("/more")} className={calling ? undefined : "narrow"}>
        More
      </Link>
      {!calling && (
        <Link
          to={href("/household")}
          aria-label={`Household, ${me} is at the screen${limits ? ` and may ${limits}` : ""}`}
        >
          <span className="max-w-[5.5rem] truncate">
            {me}
            {limits && <span className="block text-[0.75rem] leading-none font-[400]">{limits}</span>}
          </span>
        </Link>
      )}
      <Jump />
    </nav>
  );
}
