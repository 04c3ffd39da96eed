import { randomUUID } from "node:crypto";
import { expect, test, type Running } from "./server";

const get = async (demo: Running, path: string) => {
  const answer = await fetch(`${demo.url}/api/v1/${path}`);
  return {
    status: answer.status,
    type: answer.headers.get("content-type") ?? "",
    body: (await answer.json()) as Record<string, never> & { [k: string]: unknown },
  };
};
const fieldsOf = (body: { [k: string]: unknown }) =>
  ((body.errors as { field: string }[] | undefined) ?? []).map((e) => e.field).sort();

test.describe("GET schedule", () => {
  test("a tested one, exactly as documented", async ({ demo }) => {
    const { status, body } = await get(
      demo,
      "schedule?product=red-meat-pieces&pack=raw&container=jar-pint&gauge=dial&altitudeFt=1500",
    );
    expect(status).toBe(200);
    expect(body).toMatchObject({
      outcome: "tested",
      minutes: 75,
      pressurePsi: 11,
      headspaceIn: 1,
      ventMinutes: 10,
      conditions: [],
      source: { fromMemory: true },
    });
    expect(Object.keys(body).sort()).toEqual([
      "conditions",
      "container",
      "gauge",
      "headspaceIn",
      "minutes",
      "notes",
      "outcome",
      "pack",
      "pressurePsi",
      "product",
      "source",
      "ventMinutes",
    ]);
  });
  test("none is an answer, not an error", async ({ demo }) => {
    const { status, body } = await get(
      demo,
      "schedule?product=tuna&pack=raw&container=jar-quart&gauge=weighted&altitudeM=100",
    );
    expect(status).toBe(200);
    expect(body).toMatchObject({ outcome: "none", reason: expect.any(String), instead: expect.any(Array) });
  });
  for (const [query, fields] of [
    ["product=boar&pack=raw&container=jar-pint&gauge=dial&altitudeFt=0", ["product"]],
    ["product=fish&pack=raw&container=jar-pint&gauge=dial", ["altitudeFt"]],
    ["product=fish&pack=raw&container=jar-pint&gauge=dial&altitudeFt=0&altitudeM=0", ["altitudeFt"]],
    ["product=fish&pack=raw&container=jar-pint&gauge=dial&altitudeFt=29000", ["altitudeFt"]],
    ["product=fish&pack=raw&container=jar-pint&gauge=dial&altitudeFt=high", ["altitudeFt"]],
    ["product=fish&pack=raw&container=jar-pint&gauge=dial&altitudeFt=0&minutes=5", ["minutes"]],
    ["product=fish&product=tuna&pack=raw&container=jar-pint&gauge=dial&altitudeFt=0", ["product"]],
  ] as const) {
    test(`refuses ${query}`, async ({ demo }) => {
      const { status, type, body } = await get(demo, `schedule?${query}`);
      expect(status).toBe(422);
      expect(type).toContain("application/problem+json");
      expect(body).toMatchObject({ status: 422, title: expect.any(String) });
      expect(fieldsOf(body)).toEqual([...fields]);
    });
  }
});

test("GET steam agrees with a value worked out by hand, and refuses a canner full of air", async ({
  demo,
}) => {
  const { body } = await get(demo, "steam?altitudeFt=2000&gaugePsi=11");
  expect(body.tempF).toBeCloseTo(239.3, 0);
  expect(Object.keys(body).sort()).toEqual(["absoluteKPa", "atmosphericKPa", "tempC", "tempF"]);
  const airy = await get(demo, "steam?altitudeM=609.6&gaugeKPa=75.84&airFraction=0.2");
  expect(airy.body.tempC as unknown as number).toBeLessThan(body.tempC as unknown as number);
  expect((await get(demo, "steam?altitudeFt=0&gaugePsi=11&airFraction=1")).status).toBe(422);
});

test("GET trace: shares into every node from harvests add up to 1", async ({ demo, page }) => {
  await page.goto(`${demo.url}/larder`);
  const code = (await page.locator("section .code").first().textContent())!;
  const { body } = await get(demo, `trace/${code}`);
  const nodes = body.nodes as unknown as { code: string; kind: string; harvests: Record<string, number> }[];
  expect(body.root).toBe(code);
  expect(new Set(nodes.map((n) => n.kind))).toEqual(new Set(["harvest", "lot", "pack", "run", "container"]));
  for (const n of nodes.filter((x) => !["harvest", "run"].includes(x.kind))) {
    expect(Object.values(n.harvests).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  }
  const into = new Map<string, number>();
  for (const e of body.edges as unknown as { to: string; share: number }[])
    into.set(e.to, (into.get(e.to) ?? 0) + e.share);
  for (const sum of into.values()) expect(sum).toBeCloseTo(1, 9);
  const wrong = await get(demo, "trace/ZZZ-Z");
  expect(wrong.status).toBe(404);
  expect(wrong.type).toContain("application/problem+json");
});

test("runs and readings: idempotent, refused whole with each field named, and the clock follows", async ({
  demo,
  page,
}) => {
  await page.goto(`${demo.url}/fire`);
  const code = (await page.getByRole("link", { name: "Go to the stove" }).first().getAttribute("href"))!
    .split("/")
    .at(-1)!;
  const before = (await get(demo, `runs/${code}`)).body as unknown as {
    id: string;
    state: { phase: string; restarts: number };
    events: unknown[];
  };
  expect(before.state.phase).toBe("processing");
  const post = async (readings: unknown, id = before.id) => {
    const answer = await fetch(`${demo.url}/api/v1/runs/${id}/readings`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ readings }),
    });
    return {
      status: answer.status,
      body: (await answer.json()) as {
        accepted: number;
        duplicates: number;
        state: { phase: string; finishAt: string | null; restarts: number };
        errors?: { field: string }[];
      },
    };
  };
  const now = new Date().toISOString();
  const good = { id: randomUUID(), at: now, gaugePsi: 13.5 };
  expect((await post([good])).body).toMatchObject({
    accepted: 1,
    duplicates: 0,
    state: { phase: "processing" },
  });
  expect((await post([good, good])).body).toMatchObject({ accepted: 0, duplicates: 2 });
  const bad = await post([
    { id: randomUUID(), at: now, gaugePsi: 92 },
    { id: randomUUID(), at: "yesterday", gaugeKPa: 90 },
    { id: randomUUID(), at: now },
  ]);
  expect(bad.status).toBe(422);
  expect(bad.body.errors!.map((e) => e.field)).toEqual([
    "readings.0.gaugePsi",
    "readings.1.at",
    "readings.2.gaugePsi",
  ]);
  const future = await post([
    { id: randomUUID(), at: new Date(Date.now() + 3_600_000).toISOString(), gaugeKPa: 90 },
  ]);
  expect(future.status).toBe(422);
  expect(future.body.errors).toEqual([{ field: "readings.0.at", message: expect.stringMatching(/future/) }]);
  expect((await post([good], "no-such-run")).status).toBe(404);
  expect((await get(demo, `runs/${code}`)).body.events).toHaveLength(before.events.length + 1);
  const low = await post([{ id: randomUUID(), at: new Date().toISOString(), gaugeKPa: 80 }]);
  expect(low.body.state).toMatchObject({ phase: "pressurising", finishAt: null });
  const back = await post([{ id: randomUUID(), at: new Date().toISOString(), gaugePsi: 13.2 }]);
  expect(back.body.state.restarts).toBe(before.state.restarts + 1);
  expect(Date.parse(back.body.state.finishAt!) - Date.now() - demo.aheadMs).toBeGreaterThan(74 * 60_000);
});

test("temperatures of an animal: idempotent, refused whole with each field named, and the warm minutes follow", async ({
  own,
  request,
}) => {
  const page = await (await request.get(`${own.url}/field`)).text();
  const code = /\/field\/([2-9A-Z]+-[2-9A-Z])/.exec(page)![1]!;
  const url = `${own.url}/api/v1/harvests/${code}/readings`;
  const at = (minutesAgo: number) => new Date(Date.now() + own.aheadMs - minutesAgo * 60_000).toISOString();
  const readings = [
    { id: "a", at: at(120), tempC: 20, probe: "P1" },
    { id: "b", at: at(60), tempC: 20, probe: "P1" },
    { id: "c", at: at(0.5), tempC: 2, probe: "P1" },
  ];
  const first = await (await request.post(url, { data: { readings } })).json();
  expect(first).toMatchObject({ accepted: 3, duplicates: 0 });
  // 60 minutes at 20 °C, then along a line to 2 °C in 59.5 minutes, crossing 4.44 °C after 15.56/18 of them.
  expect(first.warmMinutes).toBeCloseTo(60 + (59.5 * (20 - first.limitC)) / 18, 1);
  const again = await (await request.post(url, { data: { readings } })).json();
  expect(again).toMatchObject({ accepted: 0, duplicates: 3, warmMinutes: first.warmMinutes });
  const wrong = await request.post(url, {
    data: { readings: [{ id: "d", at: "yesterday", tempC: 120, place: "fridge" }] },
  });
  expect(wrong.status()).toBe(422);
  expect(wrong.headers()["content-type"]).toContain("application/problem+json");
  const fields = ((await wrong.json()) as { errors: { field: string }[] }).errors
    .map((e) => e.field)
    .join(" ");
  for (const field of ["at", "tempC", "place"]) expect(fields).toContain(field);
  expect(
    (await request.post(`${own.url}/api/v1/harvests/XXX-X/readings`, { data: { readings } })).status(),
  ).toBe(404);
  expect((await request.get(url)).status()).toBe(405);
  const future = await request.post(url, { data: { readings: [{ id: "e", at: at(-60), tempC: 3 }] } });
  expect(future.status()).toBe(422);
});

test("openapi.json describes every address, and the others are refused as problems", async ({ demo }) => {
  const { body } = await get(demo, "openapi.json");
  expect(Object.keys(body.paths as unknown as object).sort()).toEqual([
    "/api/v1/cans/{code}/readings",
    "/api/v1/capacity",
    "/api/v1/events",
    "/api/v1/harvests/{code}/readings",
    "/api/v1/instruments/{name}",
    "/api/v1/lists",
    "/api/v1/lists/{name}",
    "/api/v1/plan",
    "/api/v1/runs",
    "/api/v1/runs/{id}",
    "/api/v1/runs/{id}/readings",
    "/api/v1/schedule",
    "/api/v1/seam",
    "/api/v1/steam",
    "/api/v1/stock",
    "/api/v1/trace/{code}",
    "/api/v1/verify",
  ]);
  expect(JSON.stringify(body)).toContain("airFraction");
  expect((await get(demo, "nothing")).status).toBe(404);
  expect((await get(demo, "runs/x/readings")).status).toBe(405);
});

test("healthz, security headers, and no writes from elsewhere", async ({ demo }) => {
  expect(await (await fetch(`${demo.url}/healthz`)).json()).toEqual({ status: "ok" });
  const page = await fetch(`${demo.url}/ask`);
  const policy = page.headers.get("content-security-policy")!;
  const nonce = /'nonce-([^']+)'/.exec(policy)![1];
  const html = await page.text();
  expect(policy).not.toContain("script-src 'self' 'unsafe-inline'");
  for (const [tag] of html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>/g))
    expect(tag).toContain(`nonce="${nonce}"`);
  for (const origin of ["http://elsewhere.example", "null"]) {
    const cross = await fetch(`${demo.url}/prefs`, {
      method: "POST",
      headers: { Origin: origin, "Content-Type": "application/x-www-form-urlencoded" },
      body: "theme=dark",
    });
    expect(cross.status).toBe(403);
  }
  const large = await fetch(`${demo.url}/field`, {
    method: "POST",
    headers: { "Content-Type": "application/x-www-form-urlencoded" },
    body: `note=${"x".repeat(1_100_000)}`,
  });
  expect(large.status).toBe(413);
});
