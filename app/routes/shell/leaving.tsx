import { matchPath, useBlocker } from "react-router";
import { Button } from "#ui/button";
import { OverPage } from "#ui/dialog";
import { asksBeforeLeaving } from "#ui/form";

/** Asks once before a form that was not sent is left. The way to a canner is never asked about. */
export function Leaving() {
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) =>
      currentLocation.pathname !== nextLocation.pathname &&
      !matchPath("/fire/:code", nextLocation.pathname) &&
      asksBeforeLeaving(),
  );
  if (blocker.state !== "blocked") return null;
  return (
    <OverPage role="alertdialog" title="This is not saved yet" quiet={false} onClose={() => blocker.reset()}>
      <p>What you typed stays on this screen until you come back.</p>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button type="button" weight="do" onClick={() => blocker.reset()}>
          Stay
        </Button>
        <Button type="button" onClick={() => blocker.proceed()}>
          Leave
        </Button>
      </div>
    </OverPage>
  );
}
