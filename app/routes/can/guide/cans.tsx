import { href, Link } from "react-router";
import { isFitStage } from "#core/exhaust";
import { Button } from "#ui/button";
import { CanGrid } from "../../seam/can-grid";
import { CloseCan } from "../../seam/close-can";
import { ExhaustCan } from "../../seam/exhaust-can";
import { SealerState } from "../../seam/sealer-state";
import type { GuideData, ScreenOf } from "./data";
import { StepPage } from "./frame";

/** One can at a time: its own temperature, its own seam. The seam bench writes the same. */
export function Cans({ data, screen }: { data: GuideData; screen: ScreenOf<"exhaust"> }) {
  const { seam, closed, count } = screen;
  const { next } = seam;
  return (
    <StepPage
      data={data}
      figure={
        <>
          {closed}
          <span className="text-[0.6em] text-soft"> of {count} closed</span>
        </>
      }
    >
      <SealerState data={seam} />
      <div className="grid gap-x-9 gap-y-6 lg:grid-cols-[34rem_1fr]">
        <div className="min-w-0">
          {next &&
            (next.stage === "hot" || isFitStage(next.stage) ? (
              <CloseCan key={`${next.id} close`} data={seam} can={next} />
            ) : (
              <ExhaustCan key={`${next.id} ${next.readings.length}`} data={seam} can={next} />
            ))}
        </div>
        <div className="min-w-0">
          <CanGrid data={seam} />
          <Button asChild weight="bare" className="mt-3 px-0!">
            <Link to={href("/seam")}>Open the seam bench</Link>
          </Button>
        </div>
      </div>
    </StepPage>
  );
}
