import { randomUUID } from "node:crypto";
import { openLarder } from "#store/db";
import { activeRuns, eventsOf } from "#store/run";
import { verifyLarder } from "#store/history";
import { expect, test } from "./server";

/** Devices at once, and for how long: ten minutes in the long run. */
const DEVICES = 50;
const SECONDS = Number(process.env.LOAD_SECONDS ?? 8);

test(`${DEVICES} devices post readings and poll for ${SECONDS} s: every reading acknowledged is there once`, async ({
  own,
}) => {
  test.setTimeout(SECONDS * 1000 + 240_000);
  const peek = openLarder(own.folder);
  const run = activeRuns(peek).find((r) => r.view.phase === "processing")!;
  const before = new Set(eventsOf(peek, run.id).map((e) => e.id));
  peek.close();
  const until = Date.now() + SECONDS * 1000;
  const acknowledged = new Set<string>();
  const posted: number[] = [];
  const polled: number[] = [];
  const strange: string[] = [];
  await Promise.all(
    Array.from({ length: DEVICES }, async (_, device) => {
      // Spread over the second, as devices are.
      await new Promise((r) => setTimeout(r, Math.random() * 1000));
      while (Date.now() < until) {
        const began = performance.now();
        if (device % 2 === 0) {
          const id = randomUUID();
          const body = JSON.stringify({
            gauge: `G${device}`,
            readings: [{ id, at: new Date(Date.now() + own.aheadMs).toISOString(), gaugeKPa: 96 }],
          });
          const send = () =>
            fetch(`${own.url}/api/v1/runs/${run.id}/readings`, {
              method: "POST",
              headers: { "Content-Type": "application/json" },
              body,
            });
          const answer = await send();
          const said = (await answer.json()) as { accepted: number; duplicates: number };
          posted.push(performance.now() - began);
          if (answer.status !== 200 || said.accepted !== 1)
            strange.push(`${answer.status} ${JSON.stringify(said)}`);
          else acknowledged.add(id);
          // Now and then the answer is lost on the way and the reading is sent again.
          if (Math.random() < 0.05) {
            const again = (await (await send()).json()) as { duplicates: number };
            if (again.duplicates !== 1) strange.push(`sent again: ${JSON.stringify(again)}`);
          }
        } else {
          const answer = await fetch(`${own.url}/api/v1/runs/${run.id}?readings=none`);
          await answer.arrayBuffer();
          polled.push(performance.now() - began);
          if (answer.status !== 200) strange.push(`poll ${answer.status}`);
        }
        await new Promise((r) => setTimeout(r, Math.max(0, 1000 - (performance.now() - began))));
      }
    }),
  );
  const p = (times: number[], share: number) =>
    [...times].sort((a, b) => a - b)[Math.floor(times.length * share)]!;
  console.log(
    `${DEVICES} devices, ${SECONDS} s: ${posted.length} readings acknowledged, median ${p(posted, 0.5).toFixed(0)} ms, p95 ${p(posted, 0.95).toFixed(0)} ms, worst ${p(posted, 1 - 1e-9).toFixed(0)} ms; ${polled.length} polls, p95 ${p(polled, 0.95).toFixed(0)} ms`,
  );
  expect(strange.slice(0, 3)).toEqual([]);
  await own.stop();
  const larder = openLarder(own.folder);
  const there = eventsOf(larder, run.id)
    .map((e) => e.id)
    .filter((id) => !before.has(id));
  expect(new Set(there)).toEqual(acknowledged);
  expect(there.length).toBe(acknowledged.size);
  expect(verifyLarder(larder).broken).toEqual([]);
  larder.close();
});
