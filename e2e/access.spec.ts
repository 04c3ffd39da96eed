import { randomUUID } from "node:crypto";
import { spawn } from "node:child_process";
import { rmSync } from "node:fs";
import { fillDemo } from "#demo/household";
import { issueToken, setPassphrase } from "#store/access";
import { openLarder } from "#store/db";
import { listCanners } from "#store/equipment";
import { activeRuns } from "#store/run";
import { startBuilt, type RunningServer } from "../bench/server";
import { addresses } from "./addresses";
import { expect, newFolder, test as base } from "./server";

const WORDS = "four plain salted words";

interface Served extends RunningServer {
  tokens: Record<"gauge" | "probe" | "read", string>;
  run: string;
  otherRun: string;
}

/** The made-up household, served to the network behind a passphrase; and what its instruments carry. */
const test = base.extend<object, { served: Served }>({
  served: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads the dependencies of a fixture from this pattern
    async ({}, use) => {
      const folder = newFolder();
      fillDemo(folder, Date.now());
      const larder = openLarder(folder);
      const write = () => ({ key: randomUUID(), byId: null });
      await setPassphrase(larder, write(), WORDS);
      const [active] = activeRuns(larder);
      const canner = listCanners(larder).find((c) => c.id === active!.cannerId)!;
      const make = (right: "gauge" | "probe" | "read") =>
        issueToken(larder, write(), {
          name: `A ${right}`,
          right,
          cannerId: right === "gauge" ? canner.id : null,
        }).token!;
      const tokens = { gauge: make("gauge"), probe: make("probe"), read: make("read") };
      const otherRun = larder.sqlite
        .prepare("select code from run where canner_id <> ? limit 1")
        .pluck()
        .get(canner.id) as string;
      larder.close();
      const server = await startBuilt(folder, { HOST: "0.0.0.0", LARDER_TEST_CLOCK: "1" });
      await use({ ...server, tokens, run: active!.code, otherRun });
      await server.stop();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: "worker" },
  ],
});

const post = (url: string, body: object | string, headers: Record<string, string> = {}) =>
  fetch(url, {
    method: "POST",
    redirect: "manual",
    headers: {
      "Content-Type": typeof body === "string" ? "application/x-www-form-urlencoded" : "application/json",
      ...headers,
    },
    body: typeof body === "string" ? body : JSON.stringify(body),
  });
const reading = () => ({ readings: [{ id: randomUUID(), at: new Date().toISOString(), gaugeKPa: 95 }] });

/** Says the passphrase. @returns the screen's cookie */
async function enter(served: Served, words = WORDS): Promise<string> {
  const answer = await post(`${served.url}/enter`, `passphrase=${encodeURIComponent(words)}`);
  expect(answer.status).toBe(302);
  const cookie = answer.headers.getSetCookie().find((c) => c.startsWith("in="))!;
  expect(cookie).toMatch(/HttpOnly/);
  expect(cookie).toMatch(/SameSite=Lax/);
  return cookie.split(";")[0]!;
}

test("it will not listen to a network without a passphrase to ask for", async () => {
  const folder = newFolder();
  const child = spawn("node", ["server.js"], {
    env: { ...process.env, HOST: "0.0.0.0", PORT: "0", LARDER_DATA: folder, LOG_LEVEL: "fatal" },
    stdio: ["ignore", "pipe", "ignore"],
  });
  let said = "";
  child.stdout.on("data", (piece: Buffer) => (said += piece.toString()));
  const code = await new Promise((done) => child.once("exit", done));
  expect(code).toBe(2);
  expect(said).toContain("without a passphrase");
});

test("whoever has not said the passphrase gets the door, whatever they ask for", async ({ served }) => {
  for (const path of addresses("RFY-A")) {
    if (path === "/enter" || path === "/pair") continue;
    for (const end of ["", ".data"]) {
      const answer = await fetch(`${served.url}${path === "/" && end ? "/_root" : path}${end}`, {
        redirect: "manual",
      });
      const text = await answer.text();
      const shut =
        answer.status === 401 ||
        (answer.status === 303 && answer.headers.get("location")!.startsWith("/enter")) ||
        (answer.status === 302 && answer.headers.get("location")?.startsWith("/enter")) ||
        (answer.status === 202 && text.includes("/enter"));
      expect(shut, `${path}${end} answered ${answer.status}: ${text.slice(0, 120)}`).toBe(true);
      expect(text).not.toContain("Oda");
    }
  }
});

test("and can write nothing", async ({ served }) => {
  for (const path of [
    "/household",
    "/table",
    "/larder",
    "/records/backups",
    `/fire/${served.run}/taps`,
    "/household/access",
  ]) {
    for (const end of ["", ".data"]) {
      const answer = await post(`${served.url}${path}${end}`, `key=${randomUUID()}&intent=person&person=Eve`);
      const text = await answer.text();
      expect(answer.status === 401 || text.includes("/enter"), `${path}${end} ${answer.status}`).toBe(true);
    }
  }
  const larder = (await (
    await fetch(`${served.url}/api/v1/lists/changes`, { headers: bearer(served.tokens.read) })
  ).json()) as { rows: { detail: string }[] };
  expect(larder.rows.some((r) => r.detail.includes("Eve"))).toBe(false);
});

const bearer = (token: string) => ({ Authorization: `Bearer ${token}` });

test("with the passphrase a screen is in, in the browser as well", async ({ served, page }) => {
  await page.goto(`${served.url}/larder`);
  await expect(page).toHaveURL(/\/enter\?back=%2Flarder/);
  await page.getByLabel("Passphrase").fill("not the words at all");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("alert")).toContainText("This is not the passphrase");
  await page.getByLabel("Passphrase").fill(WORDS);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page).toHaveURL(`${served.url}/larder`);
  await page.goto(`${served.url}/household/access`);
  await expect(page.getByText("On the network: every screen signs in once.")).toBeVisible();
  await expect(page.getByRole("heading", { name: "Devices signed in" })).toBeVisible();
});

test("a token does the one thing it is for", async ({ served }) => {
  const { tokens, run, otherRun, url } = served;
  const runs = (code: string) => `${url}/api/v1/runs/${code}/readings`;
  expect((await post(runs(run), reading())).status).toBe(401);
  expect((await post(runs(run), reading(), bearer(tokens.gauge))).status).toBe(200);
  // Another canner's run, another kind of reading, and reading at all are not its own.
  expect((await post(runs(otherRun), reading(), bearer(tokens.gauge))).status).toBe(403);
  expect((await post(runs(run), reading(), bearer(tokens.probe))).status).toBe(403);
  expect((await post(runs(run), reading(), bearer(tokens.read))).status).toBe(403);
  expect((await fetch(`${url}/api/v1/stock`, { headers: bearer(tokens.gauge) })).status).toBe(403);
  expect((await fetch(`${url}/api/v1/stock`, { headers: bearer(tokens.read) })).status).toBe(200);
  // No token opens a page, nor writes a form.
  for (const token of Object.values(tokens)) {
    expect((await fetch(`${url}/larder`, { headers: bearer(token), redirect: "manual" })).status).toBe(403);
    expect((await post(`${url}/household`, "intent=person&person=Eve", bearer(token))).status).toBe(403);
  }
});

test("a write from another site is refused, from a screen that is in as well", async ({ served }) => {
  const cookie = await enter(served);
  const body = `key=${randomUUID()}&intent=person&person=Mallory`;
  const elsewhere: Record<string, string>[] = [
    { Origin: "https://evil.example" },
    { Origin: "null" },
    { Origin: served.url, "Sec-Fetch-Site": "cross-site" },
    { Origin: served.url.replace("http:", "https:").replace("127.0.0.1", "127.0.0.2") },
  ];
  for (const headers of elsewhere)
    expect((await post(`${served.url}/household`, body, { Cookie: cookie, ...headers })).status).toBe(403);
  expect(
    (
      await post(`${served.url}/household`, body.replace("Mallory", "Ode"), {
        Cookie: cookie,
        Origin: served.url,
      })
    ).status,
  ).toBe(302);
});

test("a made-up cookie, and one whose screen was put out, are strangers", async ({ served }) => {
  const cookie = await enter(served);
  const at = (c: string) =>
    fetch(`${served.url}/household/access`, { headers: { Cookie: c }, redirect: "manual" });
  expect((await at(cookie)).status).toBe(200);
  expect((await at(`${cookie}x`)).status).toBe(303);
  expect((await at("in=%E0%A4%A")).status).toBe(303);
  expect((await at("who=%E0%A4%A; in=")).status).toBe(303);
});

/** Guesses at the passphrase: ten thousand in the long run. */
const guesses = Number(process.env.GUESSES ?? 300);

test(`${guesses} guesses at the passphrase: all refused, and nearly all not even looked at`, async ({
  served,
}) => {
  const began = Date.now();
  const counts: Record<number, number> = {};
  let n = 0;
  await Promise.all(
    Array.from({ length: 20 }, async () => {
      while (n++ < guesses) {
        const guess = `passphrase=four plain salted word${n}`;
        const say = () => post(`${served.url}/enter`, guess);
        // A connection that was closed as it was used again (TypeError) says nothing of the guess: it is made anew.
        const answer = await say().catch((error: unknown) => {
          if (error instanceof TypeError) return say();
          throw error;
        });
        counts[answer.status] = (counts[answer.status] ?? 0) + 1;
        await answer.arrayBuffer();
      }
    }),
  );
  // Five of an address are looked at in a quarter of an hour, whatever it sends.
  expect(counts[422] ?? 0).toBeLessThanOrEqual(5);
  expect(counts[429]).toBeGreaterThanOrEqual(guesses - 5);
  expect(counts[302]).toBeUndefined();
  const right = await post(`${served.url}/enter`, `passphrase=${encodeURIComponent(WORDS)}`);
  expect(right.status).toBe(429);
  expect(Number(right.headers.get("retry-after"))).toBeGreaterThan(60);
  console.log(
    `${guesses} guesses in ${((Date.now() - began) / 1000).toFixed(0)} s: ${JSON.stringify(counts)}; at five a quarter of an hour all ten thousand would take three weeks`,
  );
});

test("guessed codes and guessed tokens are slowed", async ({ served }) => {
  const statuses = new Set<number>();
  for (let i = 0; i < 80; i++)
    statuses.add((await fetch(`${served.url}/api/v1/stock`, { headers: bearer(`lard_${i}`) })).status);
  expect([...statuses]).toEqual([401, 429]);
  const codes = new Set<number>();
  for (let i = 0; i < 80; i++)
    codes.add(
      (await fetch(`${served.url}/api/v1/trace/Z${i}-A`, { headers: bearer(served.tokens.read) })).status,
    );
  expect(codes).toContain(429);
  // A gauge from the same address is heard all the same, and so is the stove.
  const readings = `${served.url}/api/v1/runs/${served.run}/readings`;
  expect((await post(readings, reading(), bearer(served.tokens.gauge))).status).toBe(200);
  const run = await fetch(`${served.url}/api/v1/runs/${served.run}`, { headers: bearer(served.tokens.read) });
  expect(run.status).toBe(200);
});

test("on this machine alone it answers to names of this machine only", async ({ demo }) => {
  const { hostname, port } = new URL(demo.url);
  const { request } = await import("node:http");
  const ask = (host: string) =>
    new Promise<number>((done) => {
      request({ hostname, port, path: "/", headers: { Host: host } }, (res) => {
        res.resume();
        done(res.statusCode!);
      }).end();
    });
  expect(await ask(`localhost:${port}`)).toBe(200);
  for (const host of ["evil.example", `127.0.0.1.evil.example:${port}`, "192.168.1.4"])
    expect(await ask(host), host).toBe(421);
});

test("a person with a PIN is asked for it on a shared screen, and nobody else is taken for them", async ({
  own,
  page,
}) => {
  await page.goto(`${own.url}/household/access`);
  await page.getByLabel("Owner").selectOption({ index: 0 });
  await page.locator("#pin").getByLabel("PIN").fill("4711");
  await page.getByRole("button", { name: "Save PIN" }).click();
  const says = page.getByText(/^(?!Nobody)\w+ is asked for a PIN\.$/);
  await expect(says).toBeVisible();
  const name = (await says.textContent())!.split(" ")[0]!;
  // Nobody else takes it off again.
  await page.getByRole("button", { name: "Save PIN" }).click();
  await expect(page.getByText("Only who it belongs to changes it")).toBeVisible();
  await page.goto(`${own.url}/household`);
  // Whoever was at the screen has a PIN now and has not said it: somebody without one is.
  await page.getByRole("button", { name, exact: true }).click();
  await expect(page).toHaveURL(/\/who\?/);
  await page.getByRole("textbox", { name: "PIN" }).fill("0000");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("alert")).toContainText(`This is not ${name}’s PIN.`);
  await page.getByRole("textbox", { name: "PIN" }).fill("4711");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page).toHaveURL(`${own.url}/household`);
  await expect(page.getByRole("button", { name, exact: true })).toHaveAttribute("aria-pressed", "true");
});
