import { Link, redirect, type ShouldRevalidateFunctionArgs } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { countOf, fFromC, formatTemperature, type UnitSystem } from "#core/quantity";
import { EXHAUST_TEMP_C } from "#core/schedule";
import { DEFECTS, readSeamLength, type OutsideMeasures, type SeamLength } from "#core/seam";
import { Refused } from "#store/db";
import {
  cansWaiting,
  confirmReading,
  isFit,
  lastPlates,
  listSealers,
  openCan,
  recordExhaust,
  recordMeasured,
  recordSeam,
  redoneCans,
  signForCan,
  standingOf,
  wouldBeBeyond,
} from "#store/seam";
import { Button } from "#ui/button";
import { TimeChart } from "#ui/chart";
import { Notice } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { Sealer } from "../../ui/bench/place-drawing";
import { atHome } from "../../server/context";
import { byIntent, formKey, keyField, quantity, submit, words, writeBy } from "../../server/form";
import { useLookAgain } from "../places/layout";
import { CanGrid } from "./can-grid";
import { CloseCan } from "./close-can";
import { ExhaustCan } from "./exhaust-can";
import { Redone } from "./redone";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  const asked = new URL(request.url).searchParams.get("can");
  const cans = cansWaiting(larder);
  const next =
    cans.find((c) => c.code === asked && !isFit(c)) ??
    cans.filter((c) => c.stage === "hot").sort((a, b) => a.closeBy! - b.closeBy!)[0] ??
    cans.find((c) => c.stage === "questioned") ??
    cans.find((c) => !isFit(c)) ??
    null;
  const sealer = listSealers(larder)[0] ?? null;
  const kind = next?.kind ?? cans[0]?.kind ?? "can-half-pound";
  return {
    key: formKey(),
    now: larder.now(),
    units: household.units,
    zone: household.zone,
    cans,
    next,
    redone: redoneCans(larder),
    sealer: sealer && {
      id: sealer.id,
      name: sealer.name,
      standing: standingOf(larder, sealer.id, kind),
      measured: lastPlates(larder, sealer.id, kind) !== null,
    },
  };
}

const ofCan = { key: keyField, containerId: z.string() };
const confirmed = z.string().optional();

const seamForm = z.object({
  ...ofCan,
  verdict: z.enum(["accept", "redo", "stop"]),
  defects: z
    .string()
    .default("[]")
    .transform((text, ctx) => {
      try {
        return z
          .array(z.object({ key: z.enum(DEFECTS), degrees: z.number().min(0).max(360) }))
          .max(40)
          .parse(JSON.parse(text));
      } catch {
        ctx.addIssue({ code: "custom", message: "What was felt could not be read. Tap it again." });
        return z.NEVER;
      }
    }),
  thickness: words("The thickness", 24).optional(),
  width: words("The width", 24).optional(),
  confirm: z.string().optional(),
  confirmed,
});

/** The form stays as it is while the clocks are looked at. */
/** A refusal for how things stand (409) means that they stand otherwise than the page shows: it looks again. */
export function shouldRevalidate({
  actionStatus,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  return actionStatus === 409 || defaultShouldRevalidate;
}

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = atHome(context, request);
  const temp = (what: string) => quantity("temperature", household.units, what);
  return byIntent(
    request,
    {
      exhaust: () =>
        submit(
          request,
          z.object({ ...ofCan, temp: temp("The temperature"), juice: temp("The juice").optional() }),
          (v) => {
            recordExhaust(larder, writeBy(me, v.key), v.containerId, {
              tempC: v.temp,
              juiceC: v.juice ?? null,
            });
            return redirect("/seam");
          },
        ),
      confirm: () =>
        submit(request, z.object(ofCan), (v) => {
          confirmReading(larder, writeBy(me, v.key), v.containerId);
          return redirect("/seam");
        }),
      seam: () =>
        submit(request, seamForm, (v) => {
          const outside = readOutside(v);
          const sealer = listSealers(larder)[0];
          const can = openCan(larder, v.containerId);
          const measured = sealer && (outside.thickness ?? outside.width) !== undefined;
          const measure = () =>
            recordMeasured(
              larder,
              { ...writeBy(me, v.key), key: `${v.key} measured` },
              {
                sealerId: sealer!.id,
                containerId: can.id,
                outside,
              },
            );
          // A seam beyond the limits is on the chart, and not accepted.
          if (measured && v.verdict === "accept" && wouldBeBeyond(larder, sealer.id, can.kind, outside))
            measure();
          const { verdict, newCode } = recordSeam(larder, writeBy(me, v.key), can.id, {
            defects: v.defects,
            verdict: v.verdict,
          });
          if (measured && verdict === "accept") measure();
          return redirect(newCode ? `/seam?new=${newCode}` : "/seam");
        }),
      sign: () =>
        submit(request, z.object({ ...ofCan, reason: words("The reason", 200) }), (v) => {
          signForCan(larder, writeBy(me, v.key), v.containerId, v.reason);
          return redirect("/seam");
        }),
    },
    "exhaust",
  );
}

/** Thickness and width of a closed can as typed. What could be two things is asked once. */
function readOutside(v: { thickness?: string; width?: string; confirmed?: string }): OutsideMeasures {
  const outside: OutsideMeasures = {};
  for (const key of ["thickness", "width"] as const satisfies readonly SeamLength[]) {
    const text = v[key];
    if (!text) continue;
    const read = readSeamLength(text, key);
    if (read.outcome === "none") throw new Refused({ [key]: read.message });
    if (read.outcome === "ask" && v.confirmed !== "yes")
      throw new Refused({ [key]: read.question, confirm: read.question });
    outside[key] = read.mm;
  }
  return outside;
}

/** How often the cans are looked at again, ms: a probe may be reading. */
const LOOK_AGAIN_MS = 3_000;

export default function Seam({ loaderData }: Route.ComponentProps) {
  const { cans, next, sealer, units, zone, redone } = loaderData;
  useLookAgain(LOOK_AGAIN_MS);
  const closed = cans.filter((c) => isFitNow(c.stage)).length;
  const cold = cans.filter((c) =>
    ["no-reading", "warming", "questioned", "cooled", "bad-seam"].includes(c.stage),
  ).length;
  const series = cans
    .filter((c) => c.readings.length > 1 && !isFitNow(c.stage))
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
            <Link to="/seam/sealer">
              {sealer ? `${sealer.name}: charts and limits` : "Sealer and limits"}
            </Link>
          </Button>
          <Button asChild>
            <Link to="/practice">Seam school</Link>
          </Button>
        </div>
      }
    >
      <title>Seam · Patient Larder</title>
      <SealerState data={loaderData} />
      {cans.length === 0 ? (
        <Empty drawing={<Sealer />} title="No cans are filled.">
          Cans come here from Pack. Each is exhausted to {formatTemperature(EXHAUST_TEMP_C, units)} at the
          centre of its meat, seamed, and looked at, before it may go into a canner.
        </Empty>
      ) : (
        <div className="grid gap-x-9 gap-y-6 lg:grid-cols-[34rem_1fr]">
          <div className="min-w-0">
            {next ? (
              next.stage === "hot" ? (
                <CloseCan key={`${next.id} close`} data={loaderData} can={next} />
              ) : (
                <ExhaustCan key={`${next.id} ${next.readings.length}`} data={loaderData} can={next} />
              )
            ) : (
              <div className="rounded border-2 border-ink bg-sheet p-6">
                <p className="text-[1.3rem] font-[650]">Keep them hot and go on.</p>
                <Button asChild weight="do" className="mt-4">
                  <Link to="/fire">Into a canner</Link>
                </Button>
              </div>
            )}
            <Redone data={loaderData} />
          </div>
          <div className="min-w-0">
            <CanGrid data={loaderData} />
            {series.length > 0 && (
              <Part title="How they warm, centre of the meat" className="mt-5">
                <TimeChart
                  series={series}
                  unit={units === "us" ? "°F" : "°C"}
                  limit={{
                    value: inUnits(EXHAUST_TEMP_C, units),
                    name: formatTemperature(EXHAUST_TEMP_C, units),
                  }}
                  zone={zone}
                  summary={`${countOf(series.length, "can")} warming towards ${formatTemperature(EXHAUST_TEMP_C, units)}. The newest readings stand under the cans.`}
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
const isFitNow = (stage: string) => stage === "closed" || stage === "closed-cooled" || stage === "signed";

/** What the sealer may do, when it may not: the first thing to see. */
function SealerState({ data }: { data: Route.ComponentProps["loaderData"] }) {
  const { sealer, cans } = data;
  if (!sealer)
    return cans.length === 0 ? null : (
      <Notice tone="care" className="mb-6">
        <b>There is no can sealer in the Shed.</b> Enter it under{" "}
        <Link to="/shed" className="font-[650] underline underline-offset-4">
          Shed
        </Link>
        , and test it on empty cans before the first.
      </Notice>
    );
  const { state, why, moving } = sealer.standing;
  if (state === "ready")
    return moving.length > 0 ? (
      <Notice tone="care" className="mb-6">
        {moving.join(" ")}
      </Notice>
    ) : null;
  return (
    <Notice tone={state === "stopped" ? "stop" : "care"} className="mb-6">
      <p className="text-[1.3rem] font-[650]">
        {state === "stopped"
          ? `${sealer.name} is stopped. Close no more cans.`
          : `${sealer.name} wants a set-up test.`}
      </p>
      <p className="max-w-[52rem] text-ink">{why}</p>
      <Button asChild weight="do" className="mt-2">
        <Link to="/seam/set-up">Set-up test on empty cans</Link>
      </Button>
    </Notice>
  );
}
