import { randomUUID } from "node:crypto";
import { Agent as PlainAgent, request as plainRequest } from "node:http";
import { Agent as SecureAgent, request as secureRequest } from "node:https";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { issueToken, setPassphrase } from "#store/access";
import { openLarder } from "#store/db";
import { activeRuns, eventsOf } from "#store/run";
import { verifyLarder } from "#store/history";
import { startBuilt } from "../bench/server";
import { expect, test } from "./server";

/** Devices at once, and for how long: ten minutes in the long run. */
const DEVICES = 50;
const SECONDS = Number(process.env.LOAD_SECONDS ?? 8);

interface Line {
  url: string;
  /** the household's authority, for https; null over plain http */
  authority: string | null;
  /** what it carries to send readings, and to look */
  tokens: { gauge: string; read: string } | null;
}

/** A device of its own: one connection that it keeps, as its browser or its program does. */
function device({ url, authority, tokens }: Line) {
  const agent = authority
    ? new SecureAgent({ keepAlive: true, maxSockets: 1, ca: authority })
    : new PlainAgent({ keepAlive: true, maxSockets: 1 });
  const request = authority ? secureRequest : plainRequest;
  const ask = (path: string, token: string | null, body: object | null) =>
    new Promise<{ status: number; said: unknown }>((resolve, reject) => {
      const text = body && JSON.stringify(body);
      const headers = {
        ...(token ? { Authorization: `Bearer ${token}` } : {}),
        ...(text
          ? { "Content-Type": "application/json", "Content-Length": String(Buffer.byteLength(text)) }
          : {}),
      };
      request(url + path, { method: body ? "POST" : "GET", headers, agent }, (answer) => {
        let all = "";
        answer.setEncoding("utf8").on("data", (piece: string) => (all += piece));
        answer.on("end", () => resolve({ status: answer.statusCode!, said: JSON.parse(all) }));
      })
        .once("error", reject)
        .end(text ?? undefined);
    });
  return {
    post: (path: string, body: object) => ask(path, tokens?.gauge ?? null, body),
    get: (path: string) => ask(path, tokens?.read ?? null, null),
    end: () => agent.destroy(),
  };
}

const p = (times: number[], share: number) =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * share)]!;

/** Devices post and poll, each once a second. @returns the ids of what was acknowledged, and whatever was strange */
async function bombard(line: Line, run: string, aheadMs: number) {
  const until = Date.now() + SECONDS * 1000;
  const acknowledged = new Set<string>();
  const posted: number[] = [];
  const polled: number[] = [];
  const strange: string[] = [];
  const one = async (n: number) => {
    const mine = device(line);
    // Spread over the second, as devices are.
    await new Promise((r) => setTimeout(r, Math.random() * 1000));
    while (Date.now() < until) {
      const began = performance.now();
      if (n % 2 === 0) {
        const id = randomUUID();
        const at = new Date(Date.now() + aheadMs).toISOString();
        const send = () =>
          mine.post(`/api/v1/runs/${run}/readings`, {
            gauge: `G${n}`,
            readings: [{ id, at, gaugeKPa: 96 }],
          }) as Promise<{ status: number; said: { accepted: number; duplicates: number } }>;
        const { status, said } = await send();
        posted.push(performance.now() - began);
        if (status !== 200 || said.accepted !== 1) strange.push(`${status} ${JSON.stringify(said)}`);
        else acknowledged.add(id);
        // Now and then the answer is lost on the way and the reading is sent again.
        if (Math.random() < 0.05) {
          const again = await send();
          if (again.said.duplicates !== 1) strange.push(`sent again: ${JSON.stringify(again.said)}`);
        }
      } else {
        const { status } = await mine.get(`/api/v1/runs/${run}?readings=none`);
        polled.push(performance.now() - began);
        if (status !== 200) strange.push(`poll ${status}`);
      }
      await new Promise((r) => setTimeout(r, Math.max(0, 1000 - (performance.now() - began))));
    }
    mine.end();
  };
  await Promise.all(Array.from({ length: DEVICES }, (_, n) => one(n)));
  const how = line.authority ? "https" : "http";
  console.log(
    `${DEVICES} devices over ${how}, ${SECONDS} s: ${posted.length} readings acknowledged, median ${p(posted, 0.5).toFixed(0)} ms, p95 ${p(posted, 0.95).toFixed(0)} ms, worst ${p(posted, 1 - 1e-9).toFixed(0)} ms; ${polled.length} polls, p95 ${p(polled, 0.95).toFixed(0)} ms`,
  );
  return { acknowledged, strange };
}

/** What a larder holds of a run's readings, once its server has stopped. */
function stored(folder: string, run: string, before: ReadonlySet<string>): string[] {
  const larder = openLarder(folder);
  expect(verifyLarder(larder).broken).toEqual([]);
  const ids = eventsOf(larder, run).map((e) => e.id);
  larder.close();
  return ids.filter((id) => !before.has(id));
}

test(`${DEVICES} devices post readings and poll for ${SECONDS} s, over http and https: every reading acknowledged is there once`, async ({
  own,
}) => {
  test.setTimeout(SECONDS * 2_000 + 240_000);
  const peek = openLarder(own.folder);
  const run = activeRuns(peek).find((r) => r.view.phase === "processing")!;
  const before = new Set(eventsOf(peek, run.id).map((e) => e.id));
  peek.close();
  const plain = await bombard({ url: own.url, authority: null, tokens: null }, run.id, own.aheadMs);
  expect(plain.strange.slice(0, 3)).toEqual([]);
  await own.stop();
  const there = stored(own.folder, run.id, before);
  expect(new Set(there)).toEqual(plain.acknowledged);
  expect(there.length).toBe(plain.acknowledged.size);

  // The same larder, served to its network.
  const larder = openLarder(own.folder);
  const write = () => ({ key: randomUUID(), byId: null });
  await setPassphrase(larder, write(), "four plain salted words");
  const token = (right: "gauge" | "read") =>
    issueToken(larder, write(), { name: right, right, cannerId: right === "gauge" ? run.cannerId : null })
      .token!;
  const tokens = { gauge: token("gauge"), read: token("read") };
  larder.close();
  const began = Date.now();
  const server = await startBuilt(own.folder, {
    HOST: "0.0.0.0",
    LARDER_TEST_CLOCK: "1",
    LARDER_TEST_CLOCK_AT: `${began},${began + own.aheadMs},1`,
  });
  const url = `https://127.0.0.1:${server.securePort}`;
  const authority = readFileSync(join(own.folder, "tls", "authority.pem"), "utf8");
  const secure = await bombard({ url, authority, tokens }, run.id, own.aheadMs);
  expect(secure.strange.slice(0, 3)).toEqual([]);
  await server.stop();
  const more = stored(own.folder, run.id, new Set([...before, ...there]));
  expect(new Set(more)).toEqual(secure.acknowledged);
  expect(more.length).toBe(secure.acknowledged.size);
});
