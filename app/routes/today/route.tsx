import { Link } from "react-router";
import type { Route } from "./+types/route";
import { countOf, formatMassShort } from "#core/quantity";
import { dialStanding, isCan, shapeOf } from "#core/schedule";
import { listCanners } from "#store/equipment";
import { listRecalls } from "#store/recall";
import { isFit } from "#store/seam";
import { flaggedByStorage } from "#store/shelf";
import { Button } from "#ui/button";
import { Countdown, useNow } from "#ui/clock";
import { ContainerGlyph, contentsOf, patternOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Part } from "#ui/page";
import { loadWords, speciesWords } from "../../words/load";
import { PHASE_WORDS, taskWords } from "../../words/run";
import { localDay, whenWords } from "../../words/time";
import { atHome } from "../../server/context";
import { lookAround } from "../../server/look";
import { runGlances, type RunGlance } from "../../server/shell";
import { coldTasks } from "../../server/cold-tasks";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const { larder, household } = home;
  const { now, waiting, lots, shelf, ready, open, cans } = lookAround(home);
  const overdue = listCanners(larder).filter(
    (c) =>
      ["overdue", "untested", "replace"].includes(dialStanding(c.gauges, now)) &&
      c.gauges.weightPiecesPsi.length === 0,
  );
  const idle: Idle[] = [];
  if (ready.length)
    idle.push({
      to: "/larder",
      title: `Shelve ${countOf(ready.length, "container")}`,
      why: "Sealed, washed and marked, they only wait for a place.",
    });
  const filling = waiting.filter((p) => p.onBench !== null);
  for (const benchId of new Set(filling.map((p) => p.onBench!)))
    idle.push({
      to: `/pack/${benchId}`,
      title: `Go on filling: ${loadWords(filling.filter((p) => p.onBench === benchId))} so far`,
      why: "The load is still on the packing bench.",
    });
  const packed = waiting.filter((p) => p.onBench === null);
  const closed = cans.filter(isFit).length;
  // Cans and jars never share a run, so they are never suggested as one load.
  for (const load of [packed.filter((p) => isCan(p.container)), packed.filter((p) => !isCan(p.container))]) {
    if (load.length === 0) continue;
    const [to, why] = isCan(load[0]!.container)
      ? ["/seam", closed < cans.length ? `${closed} of ${cans.length} are closed.` : "All closed and hot."]
      : ["/fire", "Packed and waiting for a canner. Raw packs do not keep."];
    idle.push({ to, title: `Load ${loadWords(load)}`, why });
  }
  idle.push(...coldTasks(lots, now, household.zone));
  const oldLot = lots.find((l) => l.notPackable === null);
  if (oldLot)
    idle.push({
      to: `/pack?lot=${oldLot.id}`,
      title: `Pack ${oldLot.part.toLowerCase()} of ${speciesWords(oldLot.species)}, lot ${oldLot.code}`,
      why: `${formatMassShort(oldLot.leftKg, household.units)} in the ${oldLot.kept}, the oldest of ${countOf(lots.length, "lot")}.`,
    });
  for (const c of overdue)
    idle.push({
      to: "/shed",
      title: `Have the gauge of ${c.name} tested`,
      why: "Its test is more than a year old, or there is none.",
    });
  const aside = listRecalls(larder).filter((r) => r.still > 0);
  if (aside.length)
    idle.push({
      to: aside.length === 1 ? `/larder/recalls/${aside[0]!.id}` : "/larder/recalls",
      title: `${countOf(
        aside.reduce((n, r) => n + r.still, 0),
        "container",
      )} set aside`,
      why: aside.map((r) => r.reason).join("; "),
    });
  const flagged = flaggedByStorage(larder);
  if (flagged.length)
    idle.push({
      to: "/larder",
      title: `Look at ${countOf(new Set(flagged.map((f) => f.id)).size, "container")}: ${flagged[0]!.room} ${flagged[0]!.event.kind === "frozen" ? "froze" : "was hot"}`,
      why: "Frost pushes lids up, heat spoils. Press each lid again, and eat these first.",
    });
  const { oldest } = shelf;
  if (shelf.past > 0 && oldest)
    idle.push({
      to: `/larder/open/${oldest.code}`,
      title: `Eat ${oldest.part.toLowerCase()} of ${speciesWords(oldest.species)}, ${oldest.code}`,
      why: `${countOf(shelf.past, "container")} past best-by; this is the oldest.`,
    });
  const held = lots.filter((l) => l.holds.length > 0);
  if (held.length)
    idle.push({
      to: `/cold/${held[0]!.code}`,
      title: `${countOf(held.length, "lot")} on hold`,
      why: held[0]!.holds.join("; "),
    });
  if (idle.length === 0)
    idle.push({
      to: "/field",
      title: "Write down an animal or a catch",
      why: "Everything else follows from it.",
    });
  return {
    now,
    units: household.units,
    zone: household.zone,
    runs: runGlances(home),
    open: open.map((u) => ({
      ...u.container,
      decideBy: u.decideBy,
      why: u.why,
      species: u.run.packs.find((p) => p.id === u.container.packId)?.species ?? [],
    })),
    idle,
  };
}

interface Idle {
  to: string;
  title: string;
  why: string;
}

export default function Today({ loaderData }: Route.ComponentProps) {
  const { runs, open, idle, units, zone } = loaderData;
  const now = useNow();
  const next = runs.find((r) => r.view.phase !== "resting" || (r.view.checkAt ?? Infinity) <= now);
  const hours = runs
    .flatMap((r) => r.agenda.filter((d) => d.at !== null).map((d) => ({ r, d })))
    .filter(({ r, d }) => !(r.id === next?.id && d === next.agenda[0]))
    .sort((a, b) => a.d.at! - b.d.at!);
  return (
    <main
      id="main"
      tabIndex={-1}
      className="mx-auto grid max-w-[1280px] gap-x-10 gap-y-8 px-7 pt-4 pb-16 outline-none max-md:px-4 max-md:pb-28 lg:grid-cols-[560px_1fr]"
    >
      <title>Today · Patient Larder</title>
      <h1 className="sr-only">Today</h1>
      <div>
        <Part title="Next">
          {next ? <NextRun run={next} units={units} zone={zone} /> : <NextQuiet idle={idle[0]!} />}
        </Part>
        {open.map((u) => (
          <div key={u.id} className="mt-6 flex items-end gap-6">
            <ContainerGlyph
              shape={shapeOf(u.kind, u.mouth)}
              state="failed"
              contents={contentsOf(u.product, u.species)}
              pattern={patternOf(u.packCode)}
              scale={0.62}
              label=""
            />
            <div>
              <p>
                <b>
                  <Code>{u.code}</Code> {u.why === "failed" ? "did not seal." : "was not processed."}
                </b>
                <br />
                {now < u.decideBy ? (
                  <>
                    Chill, freeze or pack it anew before <b>{whenWords(u.decideBy, now, zone)}</b>.
                  </>
                ) : (
                  "The 24 hours are over: throw it out, untasted."
                )}
              </p>
              <Button asChild className="mt-2">
                <Link to="/rest">Decide</Link>
              </Button>
            </div>
          </div>
        ))}
      </div>
      <div>
        {hours.length > 0 && (
          <Part title="The hours ahead" className="mb-7">
            <ol>
              {hours.map(({ r, d }, i) => {
                const text = taskWords(d, r.view, r.plan, units, zone);
                const today = localDay(d.at!, zone) === localDay(now, zone);
                return (
                  <li key={i} className="grid grid-cols-[5.6rem_22px_1fr] gap-x-3">
                    <div className="fig text-right text-[1.6rem] leading-tight font-[600]">
                      {d.estimated && <span className="text-[0.7em] text-soft">about </span>}
                      {whenWords(d.at!, now, zone).split(/[ ,]+/).at(-1)}
                    </div>
                    <div className="relative">
                      <span className="absolute top-0 bottom-[-4px] left-[10px] w-[2px] bg-rule" />
                      <span
                        className={`absolute top-[9px] left-[4px] size-[14px] border-[3px] bg-paper ${d.presence ? "rotate-45 border-amber" : "rounded-full border-ink"}`}
                        title={d.presence ? "somebody stays by it" : undefined}
                      />
                    </div>
                    <div className="pb-4">
                      <b className="font-[650]">{hourTitle(d.task, r, text.title)}</b>
                      {!today && (
                        <span className="text-soft">
                          {" "}
                          {whenWords(d.at!, now, zone).split(/[ ,]+/).slice(0, -1).join(" ")}
                        </span>
                      )}
                      <div className="text-[0.92rem] text-soft">
                        {d.presence ? `Stay within hearing until then. ${r.load}.` : text.why}
                      </div>
                    </div>
                  </li>
                );
              })}
            </ol>
          </Part>
        )}
        <Part title={hours.length ? "While the clocks run" : "When you like"}>
          <ul>
            {(next ? idle : idle.slice(1)).map((i) => (
              <li key={i.title} className="border-t-2 border-rule">
                <Link to={i.to} className="block min-h-12 py-2 text-ink no-underline hover:underline">
                  <b className="font-[650]">{i.title}</b>
                  <span className="block text-[0.92rem] text-soft">{i.why}</span>
                </Link>
              </li>
            ))}
            <li className="border-t-2 border-rule">
              <Link to="/ask" className="block min-h-12 py-2 text-ink no-underline hover:underline">
                <b className="font-[650]">Ask a schedule</b>
                <span className="block text-[0.92rem] text-soft">
                  Minutes, pressure and headspace for anything, without writing it down.
                </span>
              </Link>
            </li>
          </ul>
        </Part>
      </div>
    </main>
  );
}

function hourTitle(task: string, r: RunGlance, title: string): string {
  switch (task) {
    case "heat-off":
      return `Heat off, ${r.canner}`;
    case "zero":
      return `${r.canner} should be at zero`;
    case "lid-off":
      return `Lid off, ${r.canner}`;
    case "check":
      return `Check the seals of ${r.load}`;
    default:
      return `${title}, ${r.canner}`;
  }
}

function NextRun({ run, units, zone }: { run: RunGlance; units: "us" | "metric"; zone: string }) {
  const now = useNow();
  const due = run.agenda[0];
  if (!due) return null;
  const text = taskWords(due, run.view, run.plan, units, zone);
  const alarm = run.view.alarm === "below-target" || run.view.alarm === "over-pressure";
  const running = due.at !== null && !due.estimated && due.at > now;
  return (
    <div className="rounded border-2 border-ink bg-sheet px-6 py-5">
      {running ? (
        <Countdown until={due.at!} className="block text-[6.2rem] leading-[0.9]" />
      ) : (
        <p className={`fig text-[4.2rem] leading-none font-bold ${alarm ? "flash" : ""}`}>
          {alarm ? "Too low" : PHASE_WORDS[run.view.phase]}
        </p>
      )}
      <p className="mt-2 text-[1.3rem] leading-snug">
        <b className="font-[650]">{text.title}</b>
      </p>
      <p className="mt-1 text-[0.98rem] text-soft">
        {run.canner}, {run.load}. {text.why}
      </p>
      <div className="mt-4 flex gap-3">
        <Button asChild weight="do">
          <Link to={run.view.phase === "resting" ? "/rest" : `/fire/${run.code}`}>
            {run.view.phase === "resting" ? "Press the lids" : "To the stove"}
          </Link>
        </Button>
      </div>
    </div>
  );
}

function NextQuiet({ idle }: { idle: Idle }) {
  return (
    <div className="rounded border-2 border-ink bg-sheet px-6 py-5">
      <p className="text-soft">Nothing is on the fire.</p>
      <p className="mt-1 text-[1.7rem] leading-snug font-[650]">{idle.title}</p>
      <p className="mt-1 text-[0.98rem] text-soft">{idle.why}</p>
      <Button asChild weight="do" className="mt-4">
        <Link to={idle.to}>Go there</Link>
      </Button>
    </div>
  );
}
