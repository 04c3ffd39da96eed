import { useEffect, useMemo, useState } from "react";
import { href, Link, useSearchParams } from "react-router";
import type { Route } from "./+types/route";
import { fFromC, formatDuration, formatTemperature, mmFromIn } from "#core/quantity";
import { shapeOf } from "#core/schedule";
import { Button } from "#ui/button";
import { TimeChart } from "#ui/chart";
import { Notice } from "#ui/form";
import { HeatScale, HeatSection, useBand, useSection } from "#ui/heat";
import { Empty, Page, Part } from "#ui/page";
import { bandWords, shareWords, slipWords } from "../../../words/heat";
import { packWords } from "../../../words/load";
import { homeContext } from "../../../server/context";
import { heatPanel } from "./heat.server";
import { orNotFound } from "../../../server/form";
import type { FollowHandle } from "../../../live/follow";
import { timesOf } from "../../../words/time";

export function loader({ request, context, params }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const asked = new URL(request.url).searchParams.get("pack");
  const { run, packs, chosen, heat } = orNotFound(() => heatPanel(home, params.code, asked));
  const pack = run.packs.find((p) => p.code === chosen?.code);
  return {
    units: home.household.units,
    times: timesOf(home.household, run.zone),
    code: run.code,
    processed: run.view.outcome === "processed",
    outcome: run.view.outcome,
    packs: packs.map((p) => ({
      code: p.code,
      name: `${packWords({ ...p, count: 1 })}`,
    })),
    chosen,
    headspaceMm: mmFromIn(pack?.schedule.headspaceIn ?? 1),
    heat,
  };
}

export const handle: FollowHandle = { shows: [] };

/** Seconds of the run between two pictures, and pictures a second when it plays. */
const EVERY_S = 60;
const A_SECOND = 12;

export default function Heat({ loaderData }: Route.ComponentProps) {
  const { code, heat, chosen } = loaderData;
  return (
    <Page
      title={`What the heat did in run ${code}`}
      lead="A picture of what is over, from a model of the jar and what was seen of the pressure."
      aside={
        <Button asChild>
          <Link to={href("/fire/:code/record", { code })}>The record</Link>
        </Button>
      }
    >
      <title>{`Heat in ${code} · Patient Larder`}</title>
      <Notice tone="care" className="mb-5">
        <b>This decides nothing.</b> It compares this run with the same schedule done perfectly, in one model.
        It is no reason to shorten a time, to let a restart go, or to keep what was not processed: the tested
        schedule and the record say what counts.
      </Notice>
      {heat && chosen ? (
        <Panel data={{ ...loaderData, heat, chosen }} />
      ) : (
        <Empty drawing={null} title="There is no heat to show yet.">
          It begins when the burner is lit.
        </Empty>
      )}
    </Page>
  );
}

type Data = Route.ComponentProps["loaderData"] & {
  heat: NonNullable<Route.ComponentProps["loaderData"]["heat"]>;
  chosen: NonNullable<Route.ComponentProps["loaderData"]["chosen"]>;
};

function Panel({ data }: { data: Data }) {
  const { heat, chosen, units, times, packs } = data;
  const [, setSearch] = useSearchParams();
  const comparison = useMemo(
    () => ({ heated: chosen.heated, run: heat.done, perfect: heat.perfect }),
    [chosen, heat],
  );
  const drawing = useBand(comparison);
  const section = useSection(chosen.heated, heat.done, EVERY_S);
  const begun = heat.done[0]!.at;
  const value = (c: number) => (units === "us" ? fFromC(c) : c);
  const lines = useMemo(() => {
    if (!section) return [];
    const points = (temps: Float64Array): [number, number][] =>
      [...temps].flatMap((t, i) =>
        i % 4 === 0
          ? [[begun + i * section.stepS * 1000, units === "us" ? fFromC(t) : t] as [number, number]]
          : [],
      );
    return [
      { name: "Cold spot", points: points(section.centreC) },
      { name: "Steam", points: points(section.cannerC) },
    ];
  }, [section, begun, units]);
  const hottest = section ? Math.max(...section.centreC) : null;
  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[20rem_1fr]">
      <div>
        {packs.length > 1 && (
          <label className="mb-3 block">
            <span className="font-[650]">In which jar</span>
            <select
              value={chosen.code}
              onChange={(e) => setSearch({ pack: e.target.value })}
              className="input mt-1"
            >
              {packs.map((p) => (
                <option key={p.code} value={p.code}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
        )}
        <Film data={data} section={section} />
      </div>
      <div className="min-w-0 space-y-6">
        <section aria-label="Against the same schedule done perfectly" aria-live="polite">
          <div className="flex flex-wrap items-end gap-x-5">
            <span className="fig text-[5.6rem] leading-none font-bold" data-testid="share">
              {shareWords(heat.share)}
            </span>
            <span className="max-w-[26rem] pb-2 text-[1.1rem]">
              of what the same schedule done perfectly does at the cold spot
              {heat.over ? "" : ", so far"}
            </span>
          </div>
          <p className="mt-1 text-soft" data-testid="band">
            {drawing.band
              ? `Likely ${bandWords(drawing.band)} (9 in 10 of ${drawing.band.draws} random trials of food, start temperature, fill and gauge error).`
              : `Drawing what is not known, ${drawing.done} of ${drawing.of}.`}
          </p>
          {data.outcome === "not-processed" && (
            <p className="mt-2 font-[650] text-stop">
              This load was not processed, whatever the figure says.
            </p>
          )}
        </section>
        {lines.length > 0 && (
          <TimeChart
            series={lines}
            unit={units === "us" ? "°F" : "°C"}
            times={times}
            height={250}
            limit={{ value: value(121.11), name: formatTemperature(121.11, units) }}
            summary={`Temperature of the steam and of the cold spot over the run; the cold spot came to ${formatTemperature(hottest ?? 0, units)}.`}
          />
        )}
        <Part title="What one slip would have left of it">
          <ul className="divide-y-2 divide-rule border-y-2 border-rule">
            {heat.slips.map(({ slip, share }) => {
              const { title, why } = slipWords(slip, units);
              return (
                <li key={slip} className="grid grid-cols-[5.5rem_1fr] items-baseline gap-4 py-2">
                  <span className="fig text-[2rem] leading-none font-bold">{shareWords(share)}</span>
                  <span>
                    <b>{title}.</b> <span className="text-soft">{why}</span>
                  </span>
                </li>
              );
            })}
          </ul>
          <p className="mt-2 text-soft">
            Cold spot {chosen.filling === "liquid" ? "of moving liquid" : "by conduction"}, heat through food
            by Choi & Okos 1986, lethality by Bigelow’s general method at 121.1 °C and z = 10 °C; how much
            faster loose pieces warm is assumed.
          </p>
        </Part>
      </div>
    </div>
  );
}

/** The jar over the run: played, or moved along by hand. */
function Film({ data, section }: { data: Data; section: ReturnType<typeof useSection> }) {
  const { chosen, units, headspaceMm } = data;
  const frames = section?.frames ?? [];
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (section) setAt(Math.floor(section.frames.length * 0.45));
  }, [section]);
  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(() => {
      setAt((i) => (i + 1 >= frames.length ? 0 : i + 1));
    }, 1000 / A_SECOND);
    return () => clearInterval(timer);
  }, [playing, frames.length]);
  const frame = frames[at];
  const centre = section && frame ? section.centreC[Math.round(frame.atS / section.stepS)]! : null;
  const steam = section && frame ? section.cannerC[Math.round(frame.atS / section.stepS)]! : null;
  return (
    <figure>
      <HeatSection
        shape={shapeOf(chosen.container, chosen.mouth)}
        headspaceMm={headspaceMm}
        tempC={frame?.tempC ?? null}
        centreC={centre}
        units={units}
      />
      <HeatScale units={units} />
      <figcaption className="mt-2">
        {frame
          ? `${formatDuration(frame.atS)} from lighting the burner: steam ${formatTemperature(steam ?? 0, units)}, cold spot ${formatTemperature(centre ?? 0, units)}.`
          : "Working it out."}
      </figcaption>
      <div className="mt-2 flex items-center gap-3">
        <Button type="button" onClick={() => setPlaying(!playing)} disabled={frames.length === 0}>
          {playing ? "Stop" : "Play"}
        </Button>
        <input
          type="range"
          aria-label="Time in the run"
          min={0}
          max={Math.max(0, frames.length - 1)}
          value={at}
          onChange={(e) => setAt(Number(e.target.value))}
          className="min-h-12 flex-1 accent-copper"
        />
      </div>
    </figure>
  );
}
