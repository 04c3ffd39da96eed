import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import { shapeOf } from "#core/schedule";
import { StandingThere } from "#ui/bench";
import { Button } from "#ui/button";
import { Countdown, TimeLeft, useNow } from "#ui/clock";
import { ContainerGlyph, contentsOf, patternOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Part } from "#ui/page";
import { checkWords, sortOf } from "../../words/container";
import { PHASE_WORDS, taskWords } from "../../words/run";
import { clockTime, dayNear, whenWords, type Times, timesOf } from "../../words/time";
import { homeContext } from "../../server/context";
import { snapshot } from "../../features/shell/snapshot.server";
import { runGlances, type RunGlance } from "../../features/shell/places.server";
import { tasksOf, type Task } from "../../features/tasks/tasks.server";
import type { BenchHandle } from "../shell/layout";
import { TOO_LATE_TO_DECIDE } from "../../words/safety";

export function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { household } = home;
  const { now, open } = snapshot(home);
  return {
    now,
    units: household.units,
    times: timesOf(household),
    runs: runGlances(snapshot(home)),
    open: open.map((u) => ({
      ...u.container,
      decideBy: u.decideBy,
      why: u.why,
      species: u.run.packs.find((p) => p.id === u.container.packId)?.species ?? [],
    })),
    tasks: tasksOf(home),
  };
}

export const handle: BenchHandle = { benchDrawing: StandingThere };

export default function Today({ loaderData }: Route.ComponentProps) {
  const { runs, open, tasks, units, times } = loaderData;
  const now = useNow();
  const next = runs.find((r) => r.view.phase !== "resting" || (r.view.checkAt ?? Infinity) <= now);
  const listed = next ? tasks : tasks.slice(1);
  const first = listed.filter((t) => t.danger !== "work");
  const later = listed.filter((t) => t.danger === "work");
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
          {next ? <NextRun run={next} units={units} times={times} /> : <NextQuiet task={tasks[0]!} />}
        </Part>
        {(next || tasks[0]!.to !== href("/can")) && (
          <Button asChild className="mt-4">
            <Link to={href("/can")}>Can something</Link>
          </Button>
        )}
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
                    Refrigerate, freeze or reprocess by <b>{whenWords(u.decideBy, now, times)}</b>.
                  </>
                ) : (
                  `${TOO_LATE_TO_DECIDE} Throw it out. Do not taste it.`
                )}
              </p>
              <Button asChild className="mt-2">
                <Link to={href("/rest")}>Decide what to do with it</Link>
              </Button>
            </div>
          </div>
        ))}
      </div>
      <div>
        {hours.length > 0 && (
          <Part title="Next hours" className="mb-7">
            <ol>
              {hours.map(({ r, d }, i) => {
                const text = taskWords(d, r.view, r.plan, units, times, sortOf(r.kinds));
                const day = dayNear(d.at!, now, times);
                return (
                  <li key={i} className="grid grid-cols-[8.4rem_22px_1fr] gap-x-3">
                    <div className="fig text-right text-[1.6rem] leading-tight font-[600] whitespace-nowrap">
                      {d.estimated && <span className="text-[0.7em] text-soft">about </span>}
                      {clockTime(d.at!, times)}
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
                      {day && <span className="text-soft"> {day}</span>}
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
        {first.length > 0 && (
          <Part title="Do these first" className="mb-7">
            <TaskList tasks={first} now={now} />
          </Part>
        )}
        <Part title={hours.length ? "While you wait" : "Anytime"}>
          <TaskList tasks={later} now={now} />
          <ul>
            <li className="border-t-2 border-rule">
              <Link to={href("/ask")} className="block min-h-12 py-2 text-ink no-underline hover:underline">
                <b className="font-[650]">Ask a schedule</b>
                <span className="block text-[0.92rem] text-soft">
                  Look up minutes, pressure and headspace. Nothing is recorded.
                </span>
              </Link>
            </li>
          </ul>
        </Part>
      </div>
    </main>
  );
}

/** Things that wait, each a link; what is dangerous says so before its title. */
function TaskList({ tasks, now }: { tasks: readonly Task[]; now: number }) {
  return (
    <ul>
      {tasks.map((t) => (
        <li key={`${t.to} ${t.title}`} className="border-t-2 border-rule">
          <Link
            to={t.to}
            className="flex min-h-12 items-baseline gap-4 py-2 text-ink no-underline hover:underline"
          >
            <span className="flex-1">
              <b className={`font-[650] ${t.danger === "unsafe" ? "text-stop" : ""}`}>{t.title}</b>
              <span className="block text-[0.92rem] text-soft">{t.why}</span>
            </span>
            {t.danger === "deadline" && t.at !== null && t.at > now && (
              <span className="fig text-[1.5rem] leading-none font-[650]">
                <TimeLeft until={t.at} />
              </span>
            )}
          </Link>
        </li>
      ))}
    </ul>
  );
}

function hourTitle(task: string, r: RunGlance, title: string): string {
  switch (task) {
    case "heat-off":
      return `Heat off, ${r.canner}`;
    case "zero":
      return `${r.canner} should be down to zero`;
    case "lid-off":
      return `Lid off, ${r.canner}`;
    case "check":
      return `Check the seals of ${r.load}`;
    default:
      return `${title}, ${r.canner}`;
  }
}

function NextRun({ run, units, times }: { run: RunGlance; units: "us" | "metric"; times: Times }) {
  const now = useNow();
  const due = run.agenda[0];
  if (!due) return null;
  const text = taskWords(due, run.view, run.plan, units, times, sortOf(run.kinds));
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
          <Link to={run.view.phase === "resting" ? href("/rest") : href("/fire/:code", { code: run.code })}>
            {run.view.phase === "resting" ? checkWords(run.kinds) : "Go to the stove"}
          </Link>
        </Button>
      </div>
    </div>
  );
}

function NextQuiet({ task }: { task: Task }) {
  return (
    <div className="rounded border-2 border-ink bg-sheet px-6 py-5">
      <p className="text-soft">No canner is running.</p>
      <p
        className={`mt-1 text-[1.7rem] leading-snug font-[650] ${task.danger === "unsafe" ? "text-stop" : ""}`}
      >
        {task.to === href("/can") ? "What do you have?" : task.title}
      </p>
      <p className="mt-1 text-[0.98rem] text-soft">{task.why}</p>
      <Button asChild weight="do" className="mt-4">
        <Link to={task.to}>{task.to === href("/can") ? "Can something" : "Open"}</Link>
      </Button>
    </div>
  );
}
