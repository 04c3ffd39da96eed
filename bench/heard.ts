/** How long it takes from a reading that raises an alarm until a screen sounds, by the machine's clock. */
import { kPaFromPsi } from "#core/quantity";
import { launchChromium } from "./chromium.ts";
import { heardAt, listen } from "./ear.ts";

export interface HeardFigures {
  page: string;
  /** from the moment the reading is sent, ms, at worst of several alarms */
  worstMs: number;
}

const ALARMS = 5;

/** The same alarm several times, on a screen at full speed and on one at a quarter of it. The household of `url` has a run at pressure. */
export async function heardFigures(url: string): Promise<HeardFigures[]> {
  const { runs } = (await (await fetch(`${url}/api/v1/runs`)).json()) as {
    runs: { code: string; phase: string }[];
  };
  const { code } = runs.find((run) => run.phase === "processing")!;
  const send = async (psi: number, id: string) => {
    const at = new Date(((await (await fetch(`${url}/clock`)).json()) as { now: number }).now).toISOString();
    await fetch(`${url}/api/v1/runs/${code}/readings`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({
        gauge: "Gauge 1",
        sentAt: at,
        readings: [{ id, at, gaugeKPa: kPaFromPsi(psi) }],
      }),
    });
  };
  const browser = await launchChromium();
  try {
    const screens = await Promise.all(
      [
        { name: "/larder", path: "/larder", rate: 1 },
        { name: "/table at a quarter of the speed", path: "/table", rate: 4 },
      ].map(async ({ name, path, rate }) => {
        const page = await browser.newPage();
        await listen(page);
        await (await page.context().newCDPSession(page)).send("Emulation.setCPUThrottlingRate", { rate });
        await page.goto(url + path);
        await page.waitForTimeout(4_000);
        await page.locator("body").click({ position: { x: 3, y: 3 } });
        return { name, page, worstMs: 0 };
      }),
    );
    for (let i = 0; i < ALARMS; i++) {
      const raised = Date.now();
      await send(8, `heard low ${i}`);
      for (const screen of screens) {
        let at = 0;
        while ((at = await heardAt(screen.page)) < raised && Date.now() - raised < 20_000)
          await screen.page.waitForTimeout(50);
        screen.worstMs = Math.max(screen.worstMs, at < raised ? Infinity : at - raised);
      }
      await send(13.5, `heard well ${i}`);
      await screens[0]!.page.waitForTimeout(3_000);
    }
    return screens.map(({ name, worstMs }) => ({ page: name, worstMs }));
  } finally {
    await browser.close();
  }
}
