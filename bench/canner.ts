/**
 * A simulated canner on a burner, as physics and not a script: it does what is said at the stove (lit, weight on, heat off)
 * and sends what its gauge shows. It speaks only the public HTTP interface, as a real one would:
 *
 *   npm run canner -- --run R4K2 --quarts 21 --pints 9 --gust 43:6:0.6
 *
 * `--gust minute:minutes:strength` counts from the first time at target. `--pace N` (1 to 600) makes the clock of a server
 * that was started for tests run faster; the canner always goes by the larder's clock.
 */
import { parseArgs } from "node:util";
import {
  newPot,
  newCook,
  gaugeAfter,
  advancePot,
  plausibleCanner,
  turnFlame,
  turnFlameByEar,
  type CannerSpec,
  type GaugeSpec,
  type Hands,
  type PotState,
} from "#core/canner";
import { psiFromKPa } from "#core/quantity";
import { randomFrom } from "#core/random";

/** Wind at the burner, counted from the first time at target. Strength 0 to 1. */
export interface Gust {
  minute: number;
  minutes: number;
  strength: number;
}

export interface CannerJob {
  url: string;
  /** id or code of the run */
  run: string;
  quarts: number;
  /** load, in pints' worth */
  pints: number;
  gauge: GaugeSpec;
  /** what the gauge calls itself; null for the canner's own dial */
  gaugeName: string | null;
  gusts: Gust[];
  /** seconds between two readings that are sent, by the larder's clock */
  everyS: number;
  seed: number;
}

interface Said {
  type: string;
  at: string;
}

interface RunSeen {
  now: string;
  altitudeM: number;
  plan: { floorKPa: number; marginKPa: number; weightKPa: number | null };
  events: (Said & { id: string })[];
}

interface Reading {
  id: string;
  at: string;
  gaugeKPa: number;
}

/** A simulated canner at work. */
export interface SimulatedCanner {
  /** how it stands now, as somebody standing by would see it */
  state(): PotState;
  gaugeKPa(): number;
  /** readings the larder has not taken yet, and what it refused */
  unsent(): number;
  refused(): string[];
  sent(): number;
  /** the wind rises now, by the canner's own clock: no test has to guess when a gust of the job's will come */
  blow(minutes: number, strength: number): void;
  stop(): Promise<void>;
}

/** Steps of the simulated world, s. */
const STEP_S = 1;
/** Asked this often what has been said, ms of the machine's. */
const ASK_MS = 200;
/** Held above the aim, kPa: a little more is cheap. */
const OVER_KPA = 2;

/** What somebody's hands are at, from what was said at the stove up to an instant. */
function handsAt(events: readonly Said[], at: number): { lit: boolean; top: Hands["top"] } {
  let lit = false;
  let top: Hands["top"] = "vent-open";
  for (const e of events) {
    if (Date.parse(e.at) > at) break;
    if (e.type === "heat-on") lit = true;
    if (e.type === "heat-off" || e.type === "abort") lit = false;
    if (e.type === "weight-on") top = "weight-on";
    if (e.type === "weight-off") top = "vent-open";
    if (e.type === "lid-off") top = "lid-off";
  }
  return { lit, top };
}

/** Puts a simulated canner under a run and lets it go. @throws Error when there is no such run */
export async function startCanner(job: CannerJob): Promise<SimulatedCanner> {
  const address = `${job.url}/api/v1/runs/${job.run}`;
  const ask = async (): Promise<RunSeen> => {
    const answer = await fetch(`${address}?readings=none`);
    if (answer.status === 404) throw new Error(`There is no run ${job.run} at ${job.url}.`);
    if (!answer.ok) throw new Error(`${address} answered ${answer.status}`);
    const seen = (await answer.json()) as RunSeen;
    const asked = performance.now();
    const clock = (await (await fetch(`${job.url}/clock`)).json()) as { now: number; pace: number };
    // The answer was given on the way there and back: half of that ago, as near as anybody can tell.
    heard = { machine: (asked + performance.now()) / 2, larder: clock.now, pace: clock.pace };
    return seen;
  };
  // The larder's clock as it was last heard, and how fast it runs by ours: a canner goes on when nobody answers.
  let heard = { machine: performance.now(), larder: 0, pace: 1 };
  let seen = await ask();
  const weightPsi = seen.plan.weightKPa === null ? null : psiFromKPa(seen.plan.weightKPa);
  const spec: CannerSpec = plausibleCanner(job.quarts, job.pints, seen.altitudeM, weightPsi);
  let pot = newPot(spec);
  const even = randomFrom(job.seed);
  let shown = 0;
  let cook = newCook(0);
  let at = heard.larder;
  let atTarget: number | null = null;
  let sentAt = 0;
  let sent = 0;
  const queue: Reading[] = [];
  const refused: string[] = [];
  let wind: { from: number; to: number; strength: number } | null = null;
  let running = true;

  const clock = () => heard.larder + (performance.now() - heard.machine) * heard.pace;
  const world = (until: number) => {
    const goal = seen.plan.floorKPa + seen.plan.marginKPa + OVER_KPA;
    for (; at + STEP_S * 1000 <= until; at += STEP_S * 1000) {
      const { lit, top } = handsAt(seen.events, at);
      const minute = atTarget === null ? -1 : (at - atTarget) / 60_000;
      const blowing = wind !== null && at >= wind.from && at < wind.to ? wind : undefined;
      const gust = blowing ?? job.gusts.find((g) => minute >= g.minute && minute < g.minute + g.minutes);
      if (top !== "weight-on") cook = { ...newCook(pot.s), kPa: weightPsi === null ? 0 : pot.jiggles };
      else if (weightPsi === null) cook = turnFlame(cook, pot.s, shown, goal);
      else cook = turnFlameByEar(cook, pot.s, pot.jiggles);
      // Whoever is at the flame does not see a gust on the gauge before it shows, and is not a machine.
      pot = advancePot(spec, pot, { flame: lit ? cook.flame : 0, top, gust: gust?.strength ?? 0 }, STEP_S);
      shown = gaugeAfter(job.gauge, shown, pot.gaugePa / 1000, STEP_S, even() * 2 - 1);
      if (atTarget === null && shown >= seen.plan.floorKPa) atTarget = at;
      if (at - sentAt >= job.everyS * 1000 && top !== "lid-off") {
        sentAt = at;
        queue.push({
          id: `${job.gaugeName ?? "dial"} ${job.run} ${at}`,
          at: new Date(at).toISOString(),
          gaugeKPa: Math.round(shown * 100) / 100,
        });
      }
    }
  };
  const deliver = async () => {
    if (queue.length === 0) return;
    const batch = queue.slice(0, 2000);
    const answer = await fetch(`${address}/readings`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({
        readings: batch,
        sentAt: new Date(clock()).toISOString(),
        ...(job.gaugeName ? { gauge: job.gaugeName } : {}),
      }),
    });
    if (answer.status >= 500) throw new Error(`answered ${answer.status}`);
    const body = (await answer.json()) as {
      accepted?: number;
      duplicates?: number;
      refused?: { reason: string }[];
      errors?: { message: string }[];
    };
    refused.push(...(body.refused ?? []).map((r) => r.reason), ...(body.errors ?? []).map((e) => e.message));
    // What was taken before its answer got lost comes back as known already: it is sent all the same.
    sent += (body.accepted ?? 0) + (body.duplicates ?? 0);
    queue.splice(0, batch.length);
  };
  const work = (async () => {
    while (running) {
      try {
        seen = await ask();
        // Only what is known to have been said: the hands may be late, but never guess.
        world(Date.parse(seen.now));
        await deliver();
      } catch {
        // Nobody answers. The pot does not care; its readings wait.
        world(clock());
      }
      await new Promise((r) => setTimeout(r, ASK_MS));
    }
  })();
  return {
    state: () => pot,
    gaugeKPa: () => shown,
    unsent: () => queue.length,
    refused: () => refused,
    sent: () => sent,
    blow: (minutes, strength) => (wind = { from: at, to: at + minutes * 60_000, strength }),
    async stop() {
      running = false;
      await work;
    },
  };
}

function gustOf(text: string): Gust {
  const [minute, minutes, strength] = text.split(":").map(Number);
  if (![minute, minutes, strength].every((n) => Number.isFinite(n)))
    throw new Error(`a gust is minute:minutes:strength, like 43:6:0.6, not ${text}`);
  return { minute: minute!, minutes: minutes!, strength: Math.min(1, Math.max(0, strength!)) };
}

async function main() {
  const { values } = parseArgs({
    options: {
      url: { type: "string", default: "http://127.0.0.1:4310" },
      run: { type: "string" },
      quarts: { type: "string", default: "21" },
      pints: { type: "string", default: "9" },
      error: { type: "string", default: "0" },
      lag: { type: "string", default: "3" },
      every: { type: "string", default: "1" },
      gauge: { type: "string" },
      gust: { type: "string", multiple: true, default: [] },
      pace: { type: "string" },
      seed: { type: "string", default: "1" },
    },
  });
  if (!values.run) throw new Error("Say which run: --run CODE");
  if (values.pace !== undefined) {
    const pace = Number(values.pace);
    if (!(pace >= 1 && pace <= 600)) throw new Error("--pace lies between 1 and 600");
    const answer = await fetch(`${values.url}/test/clock`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ ms: 0, pace }),
    });
    if (!answer.ok)
      throw new Error("That server's clock cannot be moved: start it with LARDER_TEST_CLOCK=1.");
  }
  const canner = await startCanner({
    url: values.url,
    run: values.run,
    quarts: Number(values.quarts),
    pints: Number(values.pints),
    gauge: { errorKPa: Number(values.error), lagS: Number(values.lag), noiseKPa: 0.15 },
    gaugeName: values.gauge ?? null,
    gusts: values.gust.map(gustOf),
    everyS: Number(values.every),
    seed: Number(values.seed),
  });
  const tell = setInterval(() => {
    const p = canner.state();
    process.stdout.write(
      `${p.tempC.toFixed(1)} °C, gauge ${canner.gaugeKPa().toFixed(1)} kPa, air ${(p.airFraction * 100).toFixed(2)} %, water ${p.liquidKg.toFixed(2)} kg, ${canner.sent()} sent, ${canner.unsent()} waiting\n`,
    );
  }, 5000);
  process.once("SIGINT", () => {
    clearInterval(tell);
    void canner.stop();
  });
}

if (process.argv[1]?.endsWith("canner.ts"))
  await main().catch((error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = 1;
  });
