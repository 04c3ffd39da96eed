/** What heat costs: one run at the cold spot, the same by another solver, and the draws in a browser's workers. */
import { newPot, advancePot, plausibleCanner } from "#core/canner";
import {
  FINE,
  asEquations,
  centreOf,
  resampleHistory,
  lethality,
  heatContainer,
  type HeatedCylinder,
  type Knot,
} from "#core/heat";
import { launchChromium } from "./chromium.ts";
import { median, medianMs } from "./measure.ts";
import { odexSolver } from "./odex.ts";

const BODY: HeatedCylinder = { radiusM: 0.0384, halfHeightM: 0.055, diffusivity: 1.7e-7, skinM: 0.0016 };
const MINUTES = 150;

/** Temperature of the canner of such a run: minute and °C, straight between. */
const COURSE: [minute: number, tempC: number][] = [
  [0, 60],
  [12, 98],
  [22, 98],
  [27, 116],
  [102, 116],
  [MINUTES, 97],
];

/** A run of 150 minutes as a gauge sends it, every second. */
function everySecond(): Knot[] {
  const temps = resampleHistory(
    COURSE.map(([minute, tempC]) => ({ at: minute * 60_000, tempC })),
    1,
  );
  return [...temps].map((tempC, s) => ({ at: s * 1000, tempC: tempC + (s % 7) / 50 }));
}

export interface HeatFigures {
  coldSpotMs: number;
  odexMs: number;
  /** °C between the two at the end */
  apartC: number;
  cannerHourMs: number;
}

export async function heatFigures(): Promise<HeatFigures> {
  const knots = everySecond();
  let last = 0;
  const coldSpotMs = await medianMs(() => {
    const { centreC, stepS } = heatContainer(BODY, resampleHistory(knots, FINE.stepS), 10);
    last = centreC.at(-1)!;
    return lethality(centreC, stepS);
  }, 41);
  const temps = resampleHistory(knots, FINE.stepS);
  const around = (s: number) => {
    const i = Math.min(temps.length - 2, Math.floor(s / FINE.stepS));
    const t = s / FINE.stepS - i;
    return temps[i]! + t * (temps[i + 1]! - temps[i]!);
  };
  const n = FINE.outward * FINE.upward;
  const f = asEquations(BODY, FINE, around);
  let other = 0;
  const odexMs = await medianMs(
    () => {
      // As exact as the stepping is, and no more: a tighter one would only be slower.
      const solver = odexSolver(n, 1e-2, 1e-4);
      other = centreOf(solver.solve(f, 0, Array<number>(n).fill(10), MINUTES * 60).y, FINE.outward);
    },
    3,
    0,
  );
  const spec = plausibleCanner(21, 9, 700, 15);
  const filled = newPot(spec);
  const cannerHourMs = await medianMs(
    () => advancePot(spec, filled, { flame: 0.8, top: "vent-open", gust: 0 }, 3600),
    5,
    1,
  );
  return { coldSpotMs, odexMs, apartC: Math.abs(last - other), cannerHourMs };
}

export interface DrawFigures {
  draws: number;
  ms: number;
  /** time between two pictures of the page meanwhile, ms */
  frameMedianMs: number;
  frameWorstMs: number;
}

/** Counts, in the page, the time between two of its pictures until the draws are done. Text, since it runs over there. */
const COUNT_PICTURES = `
  window.pictures = [];
  let before = performance.now();
  requestAnimationFrame(function tick(now) {
    if (document.documentElement.dataset.drawsMs === undefined) window.pictures.push(now - before);
    before = now;
    requestAnimationFrame(tick);
  });
`;

/** The draws as a browser makes them, and how smooth its page stays. @param url of a run's heat panel */
export async function drawFigures(url: string): Promise<DrawFigures> {
  const browser = await launchChromium();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(url);
    // The second look finds everything in the browser's store: what is measured is the work, not the way there.
    await page.waitForFunction(() => document.documentElement.dataset.drawsMs !== undefined);
    await page.addInitScript({ content: COUNT_PICTURES });
    await page.reload();
    await page.waitForFunction(() => document.documentElement.dataset.drawsMs !== undefined);
    const { ms, frames, said } = await page.evaluate(() => ({
      ms: Number(document.documentElement.dataset.drawsMs),
      frames: (window as unknown as { pictures: number[] }).pictures,
      said: document.querySelector("[data-testid=band]")?.textContent ?? "",
    }));
    return {
      draws: Number(/\((\d+) draws/.exec(said)?.[1] ?? 0),
      ms,
      frameMedianMs: median(frames),
      frameWorstMs: Math.max(...frames),
    };
  } finally {
    await browser.close();
  }
}
