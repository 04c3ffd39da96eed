import { randomUUID } from "node:crypto";
import { rmSync } from "node:fs";
import { fillDemo } from "#demo/household";
import { runAt, type RunEvent } from "#core/run";
import { openLarder } from "#store/db";
import { activeRuns, eventsOf, getRun } from "#store/run";
import { expect, newFolder, startServer, test } from "./server";

const KILLS = Number(process.env.KILLS ?? 12);

test(`killed at ${KILLS} random moments: nothing acknowledged is missing, nothing doubled, and the clock is right`, async () => {
  // A small machine takes two to three seconds for a kill, a start and the checks; twice that is allowed.
  test.setTimeout(Math.max(600_000, KILLS * 6_000));
  const folder = newFolder();
  fillDemo(folder, Date.now() - 60_000);
  const peek = openLarder(folder);
  const run = activeRuns(peek).find((r) => r.view.phase === "processing")!;
  peek.close();
  const acknowledged = new Map<string, { at: number; gaugeKPa: number }>();
  const unsure = new Map<string, { at: number; gaugeKPa: number }>();

  for (let kill = 0; kill < KILLS; kill++) {
    const server = await startServer(folder);
    let alive = true;
    const stream = async () => {
      while (alive) {
        // What was sent and not answered is sent again under the same id, as a gauge would.
        const again = [...unsure].slice(0, 2).map(([id, r]) => ({ id, ...r }));
        const fresh = Array.from({ length: 3 }, (_, i) => ({
          id: randomUUID(),
          at: Date.now() - i,
          gaugeKPa: 90 + Math.round(Math.random() * 8),
        }));
        const batch = [...again, ...fresh];
        for (const r of fresh) unsure.set(r.id, { at: r.at, gaugeKPa: r.gaugeKPa });
        try {
          const answer = await fetch(`${server.url}/api/v1/runs/${run.id}/readings`, {
            method: "POST",
            headers: { "Content-Type": "application/json" },
            body: JSON.stringify({
              sentAt: new Date().toISOString(),
              readings: batch.map((r) => ({
                id: r.id,
                at: new Date(r.at).toISOString(),
                gaugeKPa: r.gaugeKPa,
              })),
            }),
          });
          const body = (await answer.json()) as { accepted: number; duplicates: number };
          if (!answer.ok || body.accepted + body.duplicates !== batch.length)
            throw new Error(`answered ${answer.status} ${JSON.stringify(body)}`);
          for (const r of batch) {
            unsure.delete(r.id);
            acknowledged.set(r.id, { at: r.at, gaugeKPa: r.gaugeKPa });
          }
        } catch (error) {
          if (alive && !(error instanceof TypeError)) throw error;
        }
      }
    };
    const streams = Promise.all([stream(), stream()]);
    const before = acknowledged.size;
    for (let i = 0; i < 100 && acknowledged.size === before; i++) await new Promise((r) => setTimeout(r, 50));
    await new Promise((r) => setTimeout(r, Math.random() * 200));
    await server.kill();
    alive = false;
    await streams;

    const larder = openLarder(folder);
    expect(larder.sqlite.pragma("integrity_check", { simple: true })).toBe("ok");
    const stored = new Map(eventsOf(larder, run.id).map((e) => [e.id, e]));
    for (const [id, r] of acknowledged) {
      const there = stored.get(id);
      if (!there || there.at !== r.at || there.gaugeKPa !== r.gaugeKPa)
        throw new Error(`kill ${kill}: reading ${id} is missing or changed`);
    }
    const known = new Set([...run.events.map((e) => e.id), ...acknowledged.keys(), ...unsure.keys()]);
    for (const id of stored.keys())
      if (!known.has(id)) throw new Error(`kill ${kill}: ${id} came from nowhere`);
    // The clock after the crash is the one that the events themselves give, worked out apart from the store.
    const now = Date.now();
    const again = runAt(run.plan, [...stored.values()] as RunEvent[], run.openedAt, now);
    const kept = getRun(larder, run.id).view;
    expect([kept.phase, kept.finishAt, kept.restarts]).toEqual([again.phase, again.finishAt, again.restarts]);
    expect(kept.finishAt).toBe(run.view.finishAt);
    larder.close();
  }
  expect(acknowledged.size).toBeGreaterThan(KILLS * 3);
  console.log(`${KILLS} kills, ${acknowledged.size} readings acknowledged, none missing, none doubled`);
  rmSync(folder, { recursive: true, force: true });
});
