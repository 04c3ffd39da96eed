import type { ReactNode } from "react";
import { Outlet } from "react-router";
import { NowProvider } from "#ui/clock";
import { FaultPage, useKeptPage } from "#ui/page";
import { Strip, type StripClock } from "#ui/strip";
import { useAlarmLine } from "../../live/alarms";
import { useHeard } from "../../live/feed";
import { reach } from "../../outbox";

/** Pages that have the whole screen: the stove, the packing bench, the first visit, signing in. */
export default function BarePage() {
  return <Outlet />;
}

/** What went wrong with such a page. Its own clocks are gone with it: those of the feed take their place. */
export function ErrorBoundary() {
  useKeptPage(reach);
  return (
    <>
      <ClocksOfFeed />
      <FaultPage />
    </>
  );
}

/**
 * The head of a page that has the whole screen: every running clock, what calls, and the way out of it.
 *
 * @param clocks as they were when the page was read; the feed's take their place
 */
export function BareHead({ clocks, children }: { clocks: readonly StripClock[]; children: ReactNode }) {
  const { word } = useHeard();
  const alarm = useAlarmLine();
  return (
    <Strip clocks={word?.clocks ?? clocks} alarm={alarm}>
      {children}
    </Strip>
  );
}

/** Every running clock as the feed last told of them; nothing before it has. */
export function ClocksOfFeed() {
  const { word } = useHeard();
  if (!word) return null;
  return (
    <NowProvider serverNow={word.now} pace={word.pace}>
      <Strip clocks={word.clocks} />
    </NowProvider>
  );
}
