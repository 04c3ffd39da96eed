import { useEffect } from "react";
import { Link } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { formatPressure, kPaFromPsi, likelyReading, parseQuantity, type UnitSystem } from "#core/quantity";
import { RUN_EVENT_TYPES, runAt } from "#core/run";
import { runAgenda } from "#core/agenda";
import { Refused } from "#store/db";
import { getRun, tapRun } from "#store/run";
import { NowProvider, useNow } from "#ui/clock";
import { PressureColumn } from "#ui/gauge";
import { Strip } from "#ui/strip";
import { loadWords } from "../../words/load";
import { lookedAt } from "../../words/run";
import { atHome } from "../../server/context";
import { formKey, keyField, orNotFound, submit, words } from "../../server/form";
import { lookAround } from "../../server/look";
import { clocksOf } from "../../server/clocks";
import { runGlances } from "../../server/shell";
import { useLookAgain } from "../places/layout";
import { type StoveData } from "./data";
import { Facts } from "./facts";
import { FaceOfStove } from "./face";
import { Taps } from "./taps";
import { useStove } from "./stove-awake";

export function loader({ request, context, params }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const { larder, household, me } = home;
  const run = orNotFound(() => getRun(larder, params.code));
  const runs = runGlances(home);
  const { now, open } = lookAround(home);
  return {
    key: formKey(),
    serverNow: now,
    clocks: clocksOf(
      runs.filter((r) => r.id !== run.id),
      open,
      now,
    ),
    units: household.units,
    me: me.name,
    quarts: run.cannerQuarts,
    run: {
      id: run.id,
      code: run.code,
      canner: run.cannerName,
      plan: run.plan,
      events: run.events,
      openedAt: run.openedAt,
      zone: run.zone,
      load: loadWords(run.packs),
      schedule: run.schedule,
      signed: run.gaugeSignedReason,
      looked: lookedAt(run.checks),
      equipmentSigned: run.equipmentSignedReason,
      signedFor: run.signedFor.map((d) => `${d.what}. ${d.reason} (${d.byName ?? "nobody"})`),
    },
  };
}

const schema = z.object({
  key: keyField,
  type: z.enum(RUN_EVENT_TYPES),
  reading: words("The reading", 20).optional(),
  corrects: z.string().optional(),
  reason: words("The reason", 200).optional(),
});

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, household, me } = atHome(context, request);
  const run = orNotFound(() => getRun(larder, params.code));
  return submit(request, schema, (v) => {
    const gaugeKPa = v.type === "reading" ? readGauge(v.reading, household.units) : undefined;
    if (v.type === "abort" && !v.reason)
      throw new Refused({ reason: "Say why it is given up, for the record." });
    tapRun(larder, run.id, {
      // Two different taps in quick succession may carry the same page's key; they are two events all the same.
      id: `${v.key}:${v.type}`,
      type: v.type,
      by: me.name,
      gaugeKPa,
      corrects: v.corrects,
      text: v.reason,
    });
    return { type: v.type };
  });
}

/** Highest gauge reading anyone could see on a canner that still stands, kPa (30 lb). */
const BELIEVABLE_KPA = kPaFromPsi(30);

/** A reading as typed, kPa on the face. One that no canner shows is refused, with what was probably meant. */
function readGauge(text: string | undefined, units: UnitSystem): number {
  const parsed = parseQuantity(text ?? "", "gaugePressure", units);
  if (!parsed.ok) throw new Refused({ reading: parsed.message });
  const likely = likelyReading(parsed.si, parsed.unit, "gaugePressure", kPaFromPsi(4), BELIEVABLE_KPA);
  if (parsed.si > BELIEVABLE_KPA) {
    throw new Refused({
      reading: `No canner shows ${formatPressure(parsed.si, units)}.${likely ? ` Did you mean ${Math.round((text ? Number.parseFloat(text) : 0) * 10) / 10} ${likely.unit.symbol}, which is ${formatPressure(likely.si, units)}? Type it with its unit.` : ""}`,
    });
  }
  return parsed.si;
}

const LOOK_AGAIN_MS = 10_000;

export default function Stove({ loaderData, actionData }: Route.ComponentProps) {
  useLookAgain(LOOK_AGAIN_MS);
  return (
    <NowProvider serverNow={loaderData.serverNow}>
      <Live data={loaderData} result={actionData?.result} />
    </NowProvider>
  );
}

function Live({
  data,
  result,
}: {
  data: StoveData;
  result: NonNullable<Route.ComponentProps["actionData"]>["result"] | undefined;
}) {
  const { run, units } = data;
  const now = useNow();
  const view = runAt(run.plan, run.events, run.openedAt, now);
  const agenda = runAgenda(view, run.plan, data.quarts);
  const { soundOn, setSoundOn } = useStove(view.alarm);
  useEffect(() => {
    document.documentElement.dataset.alarm = view.alarm ?? "";
    return () => void delete document.documentElement.dataset.alarm;
  }, [view.alarm]);
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <title>{`${run.canner} · Patient Larder`}</title>
      <Strip clocks={data.clocks}>
        <button
          type="button"
          onClick={() => setSoundOn(!soundOn)}
          aria-pressed={soundOn}
          className="flex min-h-12 min-w-12 items-center px-4 text-[0.92rem] font-[600]"
        >
          {soundOn ? "Sound is on" : "Sound is off"}
        </button>
        <Link
          to="/fire"
          className="flex min-h-12 items-center px-4 text-[0.92rem] font-[600] text-on-strip no-underline"
        >
          Leave the stove
        </Link>
      </Strip>
      <main id="main" tabIndex={-1} className="grid flex-1 outline-none lg:min-h-0 lg:grid-cols-[1fr_330px]">
        <div className="flex min-w-0 flex-col px-9 pt-6 pb-5 max-md:px-4 max-md:pt-3">
          <div className="flex flex-wrap justify-between gap-x-6 text-[1.2rem] max-md:text-base">
            <h1 className="text-[1em]">
              {run.canner}: {run.load}
            </h1>
            <span className="text-soft">
              {run.plan.minutes} min at {formatPressure(run.plan.floorKPa, units)} or more
            </span>
          </div>
          <FaceOfStove data={data} view={view} due={agenda[0] ?? null} />
          <Taps data={data} view={view} result={result} />
        </div>
        <aside
          aria-label="Pressure"
          className="flex min-h-0 flex-col border-l-2 border-rule bg-sheet px-5 py-4 max-lg:border-t-2 max-lg:border-l-0"
        >
          <div className="min-h-0 flex-1 max-lg:hidden">
            <PressureColumn
              floorKPa={run.plan.floorKPa}
              safeMaxKPa={run.plan.safeMaxKPa}
              readingKPa={view.lastReading?.gaugeKPa ?? null}
              units={units}
            />
          </div>
          <Facts data={data} view={view} />
        </aside>
      </main>
    </div>
  );
}
