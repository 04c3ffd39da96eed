import { Outlet } from "react-router";
import { NowProvider } from "#ui/clock";
import { FaultPage, useKeptPage } from "#ui/page";
import { Strip } from "#ui/strip";
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
