import { href, Link, type ShouldRevalidateFunctionArgs } from "react-router";
import type { Route } from "./+types/route";
import { countOf, fFromC, formatTemperature, type UnitSystem } from "#core/quantity";
import { isFitStage } from "#core/exhaust";
import { EXHAUST_TEMP_C } from "#core/schedule";
import { Button } from "#ui/button";
import { TimeChart } from "#ui/chart";
import { Empty, Page, Part } from "#ui/page";
import { Sealer } from "../../ui/bench/place-drawing";
import { homeContext } from "../../server/context";
import { byIntent } from "../../server/form";
import { CanGrid } from "./can-grid";
import { CloseCan } from "./close-can";
import { ExhaustCan } from "./exhaust-can";
import { Redone } from "./redone";
import { SealerChoice } from "./sealer-choice";
import { SealerState } from "./sealer-state";
import { seamData, seamForms } from "./seam.server";
import { keptUntilTaken } from "../../outbox";
import type { FollowHandle } from "../../live/follow";

export function loader({ request, context }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url);
  return seamData(context.get(homeContext), {
    can: searchParams.get("can"),
    sealer: searchParams.get("sealer"),
  });
}

/** A refusal for how things stand (409) means that they stand otherwise than the page shows: it looks again. */
export function shouldRevalidate({
  actionStatus,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  return actionStatus === 409 || defaultShouldRevalidate;
}

export async function action({ request, context }: Route.ActionArgs) {
  return byIntent(request, seamForms(request, context.get(homeContext), href("/seam")), "exhaust");
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["can", "pack", "bench", "sealer", "seam", "run"] };

export default function Seam({ loaderData }: Route.ComponentProps) {
  const { cans, next, sealer, units, times, redone } = loaderData;
  const closed = cans.filter((c) => isFitStage(c.stage)).length;
  const cold = cans.filter((c) => !isFitStage(c.stage) && c.stage !== "hot").length;
  const series = cans
    .filter((c) => c.readings.length > 1 && !isFitStage(c.stage))
    .map((c) => ({
      name: c.code,
      points: c.readings.map((r): [number, number] => [r.at, inUnits(r.tempC, units)]),
    }));
  return (
    <Page
      title={
        cans.length === 0
          ? "Seam"
          : cold === 0 && closed === cans.length
            ? "Every can is hot and closed."
            : `${closed} of ${cans.length} closed${cold > 0 ? `, ${cold} not at ${formatTemperature(EXHAUST_TEMP_C, units)} yet` : ""}`
      }
      lead={
        cans.length > 0 && redone.length > 0
          ? `${countOf(redone.length, "can")} done again in a new one.`
          : undefined
      }
      aside={
        <div className="flex flex-wrap gap-3">
          <Button asChild>
            <Link to={sealer ? `${href("/seam/sealer")}?sealer=${sealer.id}` : href("/seam/sealer")}>
              {sealer ? `${sealer.name}: charts and limits` : "Sealer and limits"}
            </Link>
          </Button>
          <Button asChild>
            <Link to={href("/practice")}>Seam school</Link>
          </Button>
        </div>
      }
    >
      <title>Seam · Patient Larder</title>
      <SealerChoice sealers={loaderData.sealers} chosen={sealer?.id ?? null} />
      <SealerState data={loaderData} />
      {cans.length === 0 ? (
        <Empty drawing={<Sealer />} title="No cans are filled.">
          Cans come here from Pack. Each is exhausted to {formatTemperature(EXHAUST_TEMP_C, units)} at the
          center of its meat, seamed, and looked at, before it may go into a canner.
        </Empty>
      ) : (
        <div className="grid gap-x-9 gap-y-6 lg:grid-cols-[34rem_1fr]">
          <div className="min-w-0">
            {next ? (
              next.stage === "hot" || isFitStage(next.stage) ? (
                <CloseCan key={`${next.id} close`} data={loaderData} can={next} />
              ) : (
                <ExhaustCan key={`${next.id} ${next.readings.length}`} data={loaderData} can={next} />
              )
            ) : (
              <div className="rounded border-2 border-ink bg-sheet p-6">
                <p className="text-[1.3rem] font-[650]">Keep them hot and go on.</p>
                <Button asChild weight="do" className="mt-4">
                  <Link to={href("/fire")}>Load a canner</Link>
                </Button>
              </div>
            )}
            <Redone data={loaderData} />
          </div>
          <div className="min-w-0">
            <CanGrid data={loaderData} />
            {series.length > 0 && (
              <Part title="How they warm, center of the meat" className="mt-5">
                <TimeChart
                  series={series}
                  unit={units === "us" ? "°F" : "°C"}
                  limit={{
                    value: inUnits(EXHAUST_TEMP_C, units),
                    name: formatTemperature(EXHAUST_TEMP_C, units),
                  }}
                  times={times}
                  summary={`${countOf(series.length, "can")} warming toward ${formatTemperature(EXHAUST_TEMP_C, units)}. The newest readings stand under the cans.`}
                  height={220}
                />
              </Part>
            )}
          </div>
        </div>
      )}
    </Page>
  );
}

const inUnits = (c: number, units: UnitSystem) => (units === "us" ? Math.round(fFromC(c) * 10) / 10 : c);
