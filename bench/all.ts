/** `npm run bench`: how long the heavy things take here, as medians. Figures, not tests. */
import { mFromFt } from "#core/quantity";
import { mkdtempSync, rmSync } from "node:fs";
import { cpus, tmpdir } from "node:os";
import { join } from "node:path";
import { runAt, type RunEvent, samplePlan } from "#core/run";
import { AS_PUBLISHED, CONTAINERS, PRODUCTS, scheduledProcess } from "#core/schedule";
import { fillDemo } from "#demo/household";
import { openLarder } from "#store/db";
import { pastRuns } from "#store/run";
import { heardFigures } from "./heard.ts";
import { drawFigures, heatFigures } from "./heat.ts";
import { medianMs } from "./measure.ts";
import { listFigures } from "./lists.ts";
import { filledIn, lifetimeFigures, PAGES } from "./pages.ts";
import { planHouseholds } from "./planner.ts";
import { readingFigures } from "./readings.ts";
import { scriptFigures } from "./script.ts";
import { searchFigures } from "./search.ts";
import { fillSeasons } from "./seasons.ts";
import { smoothFigures } from "./smooth.ts";
import { startBuilt } from "./server.ts";
import { wordFigures } from "./words.ts";

const line = (what: string, figure: string) => console.log(`${what.padEnd(64)} ${figure}`);
const ms = (n: number) => `${n < 10 ? n.toFixed(2) : n.toFixed(1)} ms`;

const T0 = Date.UTC(2026, 10, 20, 9);
const plan = samplePlan();

function tenThousand(): RunEvent[] {
  const start: RunEvent[] = (["heat-on", "steam-steady", "weight-on"] as const).map((type, i) => ({
    id: `s${i}`,
    at: T0 + [0, 10, 21][i]! * 60_000,
    seq: i,
    type,
  }));
  const readings = Array.from({ length: 9_997 }, (_, i): RunEvent => ({
    id: `r${i}`,
    at: T0 + 25 * 60_000 + i * 1000,
    seq: i + 3,
    type: "reading",
    gaugeKPa: i % 997 === 0 ? 80 : 84 + (i % 7) / 10,
  }));
  return [...start, ...readings];
}

function grid(): number {
  let tested = 0;
  for (const product of PRODUCTS)
    for (const pack of ["raw", "hot"] as const)
      for (const container of CONTAINERS)
        for (const gauge of ["dial", "weighted"] as const)
          for (let ft = -500; ft <= 10_000; ft += 500) {
            if (
              scheduledProcess({
                product,
                pack,
                container,
                gauge,
                altitudeM: mFromFt(ft),
                rows: AS_PUBLISHED,
              }).outcome !== "none"
            )
              tested++;
          }
  return tested;
}

console.log(`Node ${process.versions.node}, ${cpus().length} × ${cpus()[0]?.model.trim()}\n`);

const events = tenThousand();
line(
  "Fold a run of 10,000 events",
  ms(await medianMs(() => runAt(plan, events, T0, T0 + 6 * 3_600_000), 51)),
);
const points = PRODUCTS.length * 2 * CONTAINERS.length * 2 * 22;
line(`Schedule grid, ${points.toLocaleString("en-US")} questions`, ms(await medianMs(grid, 51)));

const planner = await planHouseholds(21);
line("Plan 8 lots, 5 kinds of container, 2 canners: all of it", ms(planner.whole));
line("… of which the solver itself", ms(planner.solver));
line("… the slowest of them", ms(planner.worst));
line("… proven in everything it is judged by", `${planner.proven} of ${planner.plans}`);
const dishes = await planHouseholds(21, true);
line("The same with a soup, a stew and a broth: all of it", ms(dishes.whole));
line("… the slowest of them", ms(dishes.worst));
line("… proven in everything it is judged by", `${dishes.proven} of ${dishes.plans}`);
line("Ways to fill the two canners, listed the first time", ms(planner.patterns));

const heat = await heatFigures();
line("A run of 150 minutes, a reading a second, at the cold spot", ms(heat.coldSpotMs));
line("… the same finite volumes by odex", ms(heat.odexMs));
line("… odex ÷ ours", `${(heat.odexMs / heat.coldSpotMs).toFixed(0)} ×`);
line("… apart at the end", `${heat.apartC.toFixed(3)} °C`);
line("An hour of the simulated canner", ms(heat.cannerHourMs));

const readings = await readingFigures();
line("One more reading on a run of 100 events", ms(readings.shortMs));
line("… on a run of 30,000", ms(readings.longMs));
line("… ÷", `${(readings.longMs / readings.shortMs).toFixed(2)} ×`);
line("20,000 readings in one POST", ms(readings.manyMs));
line("… /healthz meanwhile, median", ms(readings.healthMedianMs));
line("… at worst", ms(readings.healthWorstMs));

for (const { step, tookMs, worstMs } of await listFigures()) {
  line(`A list of 5,000 animals, ${step}`, ms(tookMs));
  line("… nobody else was answered for, at worst", ms(worstMs));
}

for (const { words, ours, bare } of searchFigures()) {
  line(`“${words}” among 100,000 jars`, ms(ours));
  line("… ÷ the bare SQL", `${(ours / bare).toFixed(2)} ×`);
}

const folder = mkdtempSync(join(tmpdir(), "larder-bench-"));
fillDemo(folder, Date.now());
const server = await startBuilt(folder);
try {
  const get = (path: string) => async () => void (await (await fetch(server.url + path)).text());
  const bare = await medianMs(get("/healthz"), 201, 50);
  const smallest = await medianMs(get("/api/v1/nothing"), 201, 50);
  const today = await medianMs(get("/"), 101, 30);
  line("A bare one-line route of the same server (/healthz)", ms(bare));
  line("The framework's smallest answer (/api/v1/nothing)", ms(smallest));
  line("Today, server-rendered, with the demo household", ms(today));
  line("Today ÷ bare route", `${(today / bare).toFixed(1)} ×`);
  line("Today ÷ the framework's smallest answer", `${(today / smallest).toFixed(1)} ×`);
  for (const { page, longTasks, aliveMs, interactionMs } of await smoothFigures(server.url, folder)) {
    line(`${page} at a quarter of the speed: tasks over 50 ms in ten seconds`, String(longTasks.length));
    line("… the longest of them", ms(Math.max(0, ...longTasks)));
    line("… the longest while it comes alive", ms(aliveMs));
    if (interactionMs !== null)
      line("… from a touch or key to the next picture, at worst", ms(interactionMs));
  }
  for (const { page, worstMs } of await heardFigures(server.url))
    line(`From a reading too low until ${page} sounds, worst of five`, ms(worstMs));
  for (const { page, words, grade, hardest } of await wordFigures(
    server.url,
    PAGES.map((page) => [page, filledIn(page, folder)]),
  ))
    line(
      `Words on ${page}, and the grade of its hardest sentence`,
      `${words}, ${grade}: ${hardest.slice(0, 60)}`,
    );
  const larder = openLarder(folder);
  const { code } = pastRuns(larder, 1)[0]!;
  larder.close();
  const draws = await drawFigures(`${server.url}/fire/${code}/heat`);
  line(`${draws.draws} draws of what is not known, in the browser's workers`, ms(draws.ms));
  line("… between two pictures of the page meanwhile, median", ms(draws.frameMedianMs));
  line("… at worst", ms(draws.frameWorstMs));
} finally {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
}

/** Cold and Table with one season's lots, and with ten thousand over fifty. */
const times = new Map<string, number>();
for (const seasons of [1, 50]) {
  const many = mkdtempSync(join(tmpdir(), "larder-bench-"));
  fillSeasons(many, seasons, Date.now());
  const old = await startBuilt(many);
  try {
    for (const path of ["/cold", "/table", "/field"]) {
      const took = await medianMs(async () => void (await (await fetch(old.url + path)).text()), 61, 15);
      times.set(`${path} ${seasons}`, took);
      line(
        `${path} with ${(seasons * 200).toLocaleString("en-US")} lots over ${seasons} season${seasons > 1 ? "s" : ""}`,
        ms(took),
      );
    }
  } finally {
    await old.stop();
    rmSync(many, { recursive: true, force: true });
  }
}
for (const path of ["/cold", "/table", "/field"])
  line(
    `${path}: fifty seasons ÷ one`,
    `${(times.get(`${path} 50`)! / times.get(`${path} 1`)!).toFixed(2)} ×`,
  );

for (const [what, figure] of await lifetimeFigures()) line(what, figure);
for (const [what, figure] of await scriptFigures()) line(what, figure);
