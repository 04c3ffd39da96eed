import { rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { kPaFromPsi } from "#core/quantity";
import { startBuilt } from "../bench/server";
import { fillEvening } from "./evening-house";
import { expect, newFolder, test } from "./server";

interface RunSeen {
  now: string;
  state: { phase: string; finishAt: string | null; outcome: string };
  deviations: { kind: string }[];
}

/** Lets a server's wall clock be set from outside: Date.now of its process is moved by what a file says, ms. */
function wallClock(folder: string) {
  const file = join(folder, "wall-clock");
  const preload = join(folder, "preload.mjs");
  writeFileSync(file, "0");
  writeFileSync(
    preload,
    `import { readFileSync } from "node:fs";
     const real = Date.now.bind(Date);
     Date.now = () => real() + Number(readFileSync(${JSON.stringify(file)}, "utf8"));`,
  );
  return {
    env: { NODE_OPTIONS: `--import ${preload}` },
    set: (ms: number) => writeFileSync(file, String(ms)),
  };
}

test("a machine's clock that is set makes no process time; after a restart nothing counts until the time is confirmed", async ({
  page,
}) => {
  const folder = newFolder();
  const beside = newFolder();
  const codes = fillEvening(folder, Date.now());
  const wall = wallClock(beside);
  let server = await startBuilt(folder, wall.env);
  const api = () => `${server.url}/api/v1/runs/${codes.dial}`;
  const run = async () => (await (await fetch(`${api()}?readings=none`)).json()) as RunSeen;
  const say = async (type: string) => {
    const answer = await fetch(`${server.url}/fire/${codes.dial}/taps`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({
        taps: [{ id: `${type} ${Math.random()}`, at: Date.parse((await run()).now), type }],
      }),
    });
    return ((await answer.json()) as { answers: { refused: string | null }[] }).answers[0]!.refused;
  };
  const send = async (psi: number, at: number) => {
    const body = {
      readings: [{ id: `r ${Math.random()}`, at: new Date(at).toISOString(), gaugeKPa: kPaFromPsi(psi) }],
    };
    const answer = await fetch(`${api()}/readings`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ ...body, gauge: "G" }),
    });
    return (await answer.json()) as { accepted: number; state: { phase: string } };
  };
  try {
    expect(await say("heat-on")).toBeNull();
    expect(await say("steam-steady")).toBeNull();
    // Ten minutes of venting by setting the clock: they are none.
    wall.set(11 * 60_000);
    await new Promise((r) => setTimeout(r, 300));
    expect(await say("weight-on")).toMatch(/of steady steam to go/);
    await expect.poll(async () => (await run()).deviations.map((d) => d.kind)).toContain("clock-step");
    // Set back by an hour: a low figure by that clock is not swallowed, and time goes on.
    const before = Date.parse((await run()).now);
    wall.set(-60 * 60_000);
    const { now } = await run();
    expect(Date.parse(now)).toBeGreaterThanOrEqual(before);
    expect((await send(2, Date.now() - 60 * 60_000)).accepted).toBe(1);
    // The program ends and starts again, and the machine's clock is three hours behind.
    await new Promise((r) => setTimeout(r, 11_000));
    await server.kill();
    wall.set(-180 * 60_000);
    server = await startBuilt(folder, wall.env, Number(new URL(server.url).port));
    const clock = async () =>
      (await (await fetch(`${server.url}/clock`)).json()) as { now: number; unknown: boolean };
    const started = await clock();
    expect(started.unknown).toBe(true);
    // What has passed is known all the same: the machine itself went on.
    expect(started.now).toBeGreaterThanOrEqual(before);
    expect(started.now - before).toBeLessThan(120_000);
    // A screen whose clock agrees confirms it by itself.
    await page.goto(`${server.url}/fire/${codes.dial}`);
    await expect.poll(async () => (await clock()).unknown, { timeout: 15_000 }).toBe(false);
    expect((await run()).deviations.map((d) => d.kind)).toContain("clock-unknown");
    await expect(page.getByText("What time is it?")).toHaveCount(0);
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
    rmSync(beside, { recursive: true, force: true });
  }
});
