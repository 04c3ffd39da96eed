import { useEffect, useRef, useState } from "react";
import {
  beginDrill,
  applyDeed,
  drillOf,
  drillView,
  advanceDrill,
  type Deed,
  type DeedKey,
  type Drill,
  type DrillKey,
  type DrillState,
} from "#core/drill";
import { steamsSteadily } from "#core/canner";
import { formatClock, formatPressure, kPaFromPsi, type UnitSystem } from "#core/quantity";
import { Button } from "#ui/button";
import { Dial } from "#ui/gauge";
import { Page } from "#ui/page";
import { EVENT_WORDS, PHASE_WORDS } from "../../../words/run";

/** How a drill was left: what was done, and when it ended, s. */
export interface Ended {
  deeds: Deed[];
  endS: number;
}

const SPEEDS = [10, 20, 40, 60] as const;
const FRAME_MS = 100;
/** After going to look from the telephone, the dial is in sight for so long, s. */
const IN_SIGHT_S = 25;
/** One turn of the flame. */
const TURN = 0.08;

type Do = (what: DeedKey, canner: number, value?: number) => void;

/** A drill under way: the simulated canner in quick time, its dial and flame, and what may be said at a stove. */
export function Session({
  drill: key,
  seed,
  units,
  onEnd,
  onLeave,
}: {
  drill: DrillKey;
  seed: number;
  units: UnitSystem;
  onEnd(ended: Ended): void;
  onLeave(): void;
}) {
  const drill = drillOf(key);
  const [state, setState] = useState<DrillState | null>(null);
  const [speed, setSpeed] = useState<(typeof SPEEDS)[number]>(20);
  const [chosen, setChosen] = useState(drill.choices.length === 0);
  const clock = useRef(0);
  useEffect(() => {
    const timer = setTimeout(() => setState(beginDrill(drillOf(key))), 30);
    return () => clearTimeout(timer);
  }, [key]);
  const running = state !== null && chosen && !state.over;
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => {
      clock.current += (FRAME_MS / 1000) * speed;
      setState((s) => s && advanceDrill(drillOf(key), s, Math.floor(clock.current), seed));
    }, FRAME_MS);
    return () => clearInterval(timer);
  }, [running, speed, key, seed]);
  const end = (s: DrillState) => onEnd({ deeds: s.deeds, endS: s.s });
  const act: Do = (what, canner, value) => {
    if (what === "choose") setChosen(true);
    setState((s) => s && applyDeed(s, { canner, what, value }));
  };
  return (
    <Page
      title={drill.title}
      lead={drill.brief}
      aside={
        <div className="flex flex-wrap items-center gap-3">
          <span className="fig text-[3.4rem] leading-none font-bold" role="timer" data-testid="drill-clock">
            {formatClock(state?.s ?? 0)}
          </span>
          {state && (state.over || state.s > 240) && (
            <Button type="button" weight={state.over ? "do" : "quiet"} onClick={() => end(state)}>
              {state.over ? "It is over" : "I am done"}
            </Button>
          )}
          <label>
            <span className="sr-only">Speed</span>
            <select
              value={speed}
              onChange={(e) => setSpeed(Number(e.target.value) as (typeof SPEEDS)[number])}
              className="input w-auto"
            >
              {SPEEDS.map((n) => (
                <option key={n} value={n}>
                  {n} times as fast
                </option>
              ))}
            </select>
          </label>
          <Button type="button" onClick={onLeave}>
            Leave the drill
          </Button>
        </div>
      }
    >
      <title>{`${drill.title} · Patient Larder`}</title>
      {!state ? (
        <p className="text-[1.2rem]">Bringing the canner to where it begins.</p>
      ) : (
        <>
          {!chosen && (
            <div
              role="group"
              aria-label="What do you hold on its face?"
              className="mb-5 flex flex-wrap gap-3"
            >
              {drill.choices.map((psi) => (
                <Button key={psi} type="button" size="stove" onClick={() => act("choose", 0, psi)}>
                  {formatPressure(kPaFromPsi(psi), units)}
                </Button>
              ))}
            </div>
          )}
          {onPhoneAt(drill, state.s) && (
            <p className="mb-3 text-[1.3rem] font-[650]">You are on the phone in the other room.</p>
          )}
          <div className={`grid gap-6 ${state.pots.length > 1 ? "lg:grid-cols-2" : ""}`}>
            {state.pots.map((_, i) => (
              <Stand key={i} drill={drill} state={state} canner={i} units={units} act={act} />
            ))}
          </div>
        </>
      )}
    </Page>
  );
}

/** Whether somebody is on the telephone, and the dial out of sight. */
const onPhoneAt = ({ away }: Drill, s: number) => away !== null && s >= away.fromS && s < away.toS;

/** One canner: what is seen, the flame, and what may be said. */
function Stand({
  drill,
  state,
  canner,
  units,
  act,
}: {
  drill: Drill;
  state: DrillState;
  canner: number;
  units: UnitSystem;
  act: Do;
}) {
  const p = state.pots[canner]!;
  const view = drillView(state, canner);
  const looked = state.deeds.filter((d) => d.what === "look").at(-1)?.s ?? -Infinity;
  const onPhone = onPhoneAt(drill, state.s);
  const inSight = !onPhone || state.s - looked < IN_SIGHT_S;
  const { name, gusts } = drill.canners[canner]!;
  const gust = gusts.some((g) => state.s >= g.fromS && state.s < g.toS);
  const steam = steamsSteadily(p.pot)
    ? "Steam streams steadily."
    : p.top === "vent-open"
      ? "Hardly any steam."
      : "";
  const told = drill.choices.length === 0;
  const say = (what: DeedKey, label: string, weight: "do" | "quiet" = "quiet", done = false) => (
    <Button type="button" weight={weight} disabled={done} className="!px-2" onClick={() => act(what, canner)}>
      {label}
    </Button>
  );
  return (
    <section aria-label={name} className="rounded border-2 border-ink bg-sheet p-5">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 className="text-[1.2rem] font-[650]">{name}</h2>
        <span className="text-soft">
          {PHASE_WORDS[view.phase]}
          {view.finishAt !== null &&
            `, off in ${formatClock(Math.max(0, (view.finishAt - state.s * 1000) / 1000))}`}
        </span>
      </div>
      <div
        className={`mt-2 grid items-start gap-5 ${state.pots.length > 1 ? "sm:grid-cols-[minmax(0,12rem)_1fr]" : "sm:grid-cols-[minmax(0,18rem)_1fr]"}`}
      >
        <div>
          {inSight ? (
            <Dial kPa={p.gaugeKPa} floorKPa={told ? p.plan.floorKPa : null} units={units} />
          ) : (
            <p className="py-16 text-center text-[1.2rem] text-soft">The dial is out of sight.</p>
          )}
          <p className="min-h-6 text-soft">
            {state.deeds
              .filter((d) => d.canner === canner && d.what !== "flame" && d.what !== "choose")
              .slice(-2)
              .map((d) => `${formatClock(d.s)} ${WORDS[d.what] ?? d.what}`)
              .join(" · ")}
          </p>
        </div>
        <div className="space-y-3">
          <p className="min-h-6" aria-live="polite">
            {gust && !onPhone && "Wind at the burner. "}
            {steam}
          </p>
          <div
            role="meter"
            aria-label="Flame"
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(p.flame * 100)}
            className="h-7 rounded border-2 border-ink bg-paper"
          >
            <div className="h-full bg-copper" style={{ width: `${p.flame * 100}%` }} />
          </div>
          <div className="grid grid-cols-2 gap-2">
            <Button type="button" onClick={() => act("flame", canner, Math.max(0, p.flame - TURN))}>
              Flame down
            </Button>
            <Button type="button" onClick={() => act("flame", canner, Math.min(1, p.flame + TURN))}>
              Flame up
            </Button>
            {say("look", onPhone ? "Go and look" : "Check and record", "do")}
            {say("below-target", "Pressure dropped")}
            {say("at-target", told ? `At ${formatPressure(p.plan.floorKPa, units)}` : "At pressure")}
            {say("shield", p.shielded ? "Windbreak is up" : "Windbreak up", "quiet", p.shielded)}
            {p.top === "weight-on" ? say("weight-off", "Weight off") : say("weight-on", "Weight on")}
            {p.top === "vent-open" ? say("steam-steady", "Steam is steady") : say("heat-off", "Heat off")}
          </div>
        </div>
      </div>
    </section>
  );
}

const WORDS: Partial<Record<DeedKey, string>> = {
  look: "looked",
  shield: "windbreak up",
  "steam-steady": EVENT_WORDS["steam-steady"],
  "weight-on": EVENT_WORDS["weight-on"],
  "weight-off": EVENT_WORDS["weight-off"],
  "at-target": EVENT_WORDS["at-target"],
  "below-target": EVENT_WORDS["below-target"],
  "heat-off": EVENT_WORDS["heat-off"],
};
