import { useEffect } from "react";
import { href, Link, useAsyncError } from "react-router";
import type { SubmissionResult } from "@conform-to/react";
import { formatMass } from "#core/quantity";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { costWords, loadsWords } from "../../words/plan";
import { LayOut } from "./lay-out";
import { Loads } from "./loads";
import { Notes } from "./notes";
import type { Choosing, Planned } from "./route";

/** The loads as they were worked out, with what to lay out for them. */
export function Result({
  data,
  planned,
  result,
  onShown,
}: {
  data: Choosing;
  planned: Planned;
  result: SubmissionResult | undefined;
  /** told of every plan that is shown */
  onShown: (planned: Planned) => void;
}) {
  useEffect(() => {
    onShown(planned);
  }, [planned, onShown]);
  const { loads, proven, cost, failed, notes } = planned;
  const { wish, units } = data;
  const bound = wish.settled.length > 0 || wish.notIn.length > 0 || wish.maxLoads !== null;
  const price = costWords(cost, units);
  return (
    <>
      {loads.length > 0 && (
        <header className="mb-5 flex flex-wrap items-start justify-between gap-x-8 gap-y-3">
          <div className="max-w-[34rem]">
            <h2 className="text-[1.5rem] leading-tight">{loadsWords(loads.length, proven, bound)}</h2>
            {bound && price ? (
              <p className="mt-1 text-soft">Against the plan without your choices: {price}.</p>
            ) : (
              proven.includes("left") && (
                <p className="mt-1 text-soft">
                  The least meat left over, to about {formatMass(0.05, units)} a lot, of loads with one or two
                  sizes.
                </p>
              )
            )}
          </div>
          <div className="flex flex-wrap gap-3">
            <Button asChild weight="do">
              <Link to={href("/plan/day")}>The day, hour by hour</Link>
            </Button>
            <Button asChild>
              <Link to={href("/plan/dishes")}>Mixed dishes</Link>
            </Button>
          </div>
        </header>
      )}
      {failed && <p className="mb-4 text-[1.15rem] font-[650] text-stop">{failed}</p>}
      <Notes notes={notes} />
      <Loads data={{ ...data, ...planned }} result={result} />
      {loads.length > 0 && <LayOut data={{ ...data, ...planned }} />}
    </>
  );
}

/** While loads are worked out: what was planned before, dimmed and not to be pressed. */
export function Working({ before, data }: { before: Planned | null; data: Choosing }) {
  return (
    <>
      <p role="status" className="mb-4 text-[1.15rem] font-[650]">
        Working out the loads…
      </p>
      {before && (
        <div inert className="opacity-50">
          <Loads data={{ ...data, ...before }} result={undefined} />
        </div>
      )}
    </>
  );
}

/** The way to the larder broke while the loads were worked out, or working them out did. */
export function NotWorked() {
  const error = useAsyncError();
  return (
    <Notice tone="stop">
      <p>
        The loads could not be loaded{error instanceof TypeError ? ": the larder cannot be reached" : ""}.
        Your choices are kept.
      </p>
      <Button asChild className="mt-3 px-5">
        <Link to={href("/plan")}>Work them out again</Link>
      </Button>
    </Notice>
  );
}
