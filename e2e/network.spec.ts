import { execFileSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { mkdirSync, mkdtempSync, rmSync, statSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createCanvas } from "@napi-rs/canvas";
import { chromium, type Browser, type Page } from "@playwright/test";
import { DAY_MS } from "#core/quantity";
import { fillDemo } from "#demo/household";
import { setPassphrase } from "#store/access";
import { openLarder } from "#store/db";
import { onShelf } from "#store/shelf";
import { CHROMIUM } from "../bench/chromium";
import { printPages } from "../bench/printer";
import { startBuilt, type RunningServer } from "../bench/server";
import { cameraFrom, holdUp } from "./camera";
import { boarHouse } from "./house";
import { newerBuild } from "./newer";
import { expect, newFolder, test as base } from "./server";

const WORDS = "four plain salted words";
const NAME = "larder.local";

interface Network extends RunningServer {
  folder: string;
  /** the plain port, by the larder's own name, as another device reaches it */
  plain: string;
  secure: string;
}

/** A larder with a passphrase in a folder of its own: the made-up household, or what somebody else fills it with. */
async function withPassphrase(
  fill: (folder: string) => void = (f) => fillDemo(f, Date.now()),
): Promise<string> {
  const folder = newFolder();
  fill(folder);
  const larder = openLarder(folder);
  await setPassphrase(larder, { key: randomUUID(), byId: null }, WORDS);
  larder.close();
  return folder;
}

/** Serves a larder to its network. @param env beside the usual */
async function serve(folder: string, env: Record<string, string> = {}): Promise<Network> {
  const server = await startBuilt(folder, { HOST: "0.0.0.0", ...env });
  const plain = `http://${NAME}:${new URL(server.url).port}`;
  return { ...server, folder, plain, secure: `https://${NAME}:${server.securePort}` };
}

/** The made-up household, served to its network. */
const test = base.extend<object, { net: Network }>({
  net: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads the dependencies of a fixture from this pattern
    async ({}, use) => {
      const net = await serve(await withPassphrase());
      await use(net);
      await net.stop();
      rmSync(net.folder, { recursive: true, force: true });
    },
    { scope: "worker" },
  ],
});

/** Another device of the network: it finds the larder by its name, and trusts what its own store of certificates says. */
async function device(
  authority: Buffer | null,
): Promise<{ browser: Browser; camera: string; close(): Promise<void> }> {
  const home = mkdtempSync(join(tmpdir(), "larder-device-"));
  const store = join(home, ".pki", "nssdb");
  mkdirSync(store, { recursive: true });
  const certutil = (...args: string[]) => execFileSync("certutil", ["-d", `sql:${store}`, ...args]);
  certutil("-N", "--empty-password");
  if (authority) {
    writeFileSync(join(home, "authority.crt"), authority);
    certutil("-A", "-t", "C,,", "-n", "household", "-i", join(home, "authority.crt"));
  }
  const camera = join(home, "camera.mjpeg");
  await holdUp(camera, createCanvas(4, 3).toBuffer("image/png"));
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    env: { ...process.env, HOME: home },
    args: [
      "--no-sandbox",
      "--disable-gpu",
      "--disable-background-networking",
      `--host-resolver-rules=MAP ${NAME} 127.0.0.2`,
      ...cameraFrom(camera),
      "--use-fake-ui-for-media-stream",
    ],
  });
  return {
    browser,
    camera,
    async close() {
      await browser.close();
      rmSync(home, { recursive: true, force: true });
    },
  };
}

/** The code of a jar on a shelf of a larder. */
function aJar(folder: string): string {
  const larder = openLarder(folder);
  const { code } = onShelf(larder, null, 1)[0]!;
  larder.close();
  return code;
}

/** The big screen, signed in, shows a code. */
async function showCode(page: Page, net: Network): Promise<string> {
  await page.goto(`${net.url}/household/access`);
  if (page.url().includes("/enter")) {
    await page.getByLabel("Passphrase").fill(WORDS);
    await page.getByRole("button", { name: "Sign in" }).click();
  }
  await page.getByRole("button", { name: /^Show a (QR|new) code$/ }).click();
  await expect(page.getByRole("img", { name: "QR code to connect a device" })).toBeVisible();
  return (await page.getByRole("status").filter({ hasText: "Works once" }).textContent())!.match(
    /[A-Z0-9]{4}-[A-Z0-9]{4}/,
  )![0];
}

/** Asked by a name, at the plain port, as a program of another device does. */
const ask = (net: Network, path: string, host = `${NAME}:${new URL(net.url).port}`) =>
  new Promise<{ status: number; body: Buffer }>((resolve, reject) => {
    request(net.url + path, { headers: { Host: host } }, (answer) => {
      const pieces: Buffer[] = [];
      answer.on("data", (piece: Buffer) => pieces.push(piece));
      answer.on("end", () => resolve({ status: answer.statusCode!, body: Buffer.concat(pieces) }));
    })
      .once("error", reject)
      .end();
  });
const authorityOf = async (net: Network) => (await ask(net, "/authority.crt")).body;

test("a device that trusts the household is let in by a code, once, and everything of it works", async ({
  net,
  page,
}) => {
  test.setTimeout(60_000);
  const code = await showCode(page, net);
  const phone = await device(await authorityOf(net));
  const context = await phone.browser.newContext({
    viewport: { width: 390, height: 844 },
    serviceWorkers: "allow",
  });
  const screen = await context.newPage();
  // What the QR code says: the plain port, with the code behind the #.
  await screen.goto(`${net.plain}/connect#${code}`);
  await screen.waitForURL(`${net.secure}/pair#${code}`);
  await expect(screen.getByLabel("Code")).toHaveValue(code);
  await screen.getByLabel("Name of this device").fill("Tablet at the stove");
  await screen.getByRole("button", { name: "Connect this device" }).click();
  // It says at once what this device can do, and offers to install the program.
  await screen.waitForURL(`${net.secure}/household/device?new`);
  await expect(screen.getByText("Connected. This device stays signed in.")).toBeVisible();
  const can = (what: string) => screen.getByRole("listitem").filter({ hasText: what });
  await expect(can("Opened pages work without a network")).toContainText("✓");
  await expect(can("This screen stays awake")).toContainText("✓");
  await expect(can("Camera works")).toContainText("✓");
  await expect(can("Not installed as an app")).toContainText(/Install the app|Add to Home Screen/);

  // The key is bound to this very server, and to https.
  const kept = (await context.cookies()).find((c) => c.name === "__Host-in")!;
  expect(kept).toMatchObject({ secure: true, httpOnly: true, path: "/", domain: NAME });
  // What a browser gives to secure pages only.
  const given = await screen.evaluate(async () => {
    const camera = await navigator.mediaDevices.getUserMedia({ video: true, audio: true });
    const tracks = camera.getTracks().map((t) => t.kind);
    for (const track of camera.getTracks()) track.stop();
    return {
      secure: isSecureContext,
      wakeLock: "wakeLock" in navigator,
      notification: "Notification" in window,
      worker: "serviceWorker" in navigator,
      tracks: tracks.sort(),
    };
  });
  expect(given).toEqual({
    secure: true,
    wakeLock: true,
    notification: true,
    worker: true,
    tracks: ["audio", "video"],
  });
  await expect
    .poll(() =>
      screen.evaluate(async () => Boolean((await navigator.serviceWorker.getRegistration())?.active)),
    )
    .toBe(true);

  // It reads a printed lid.
  const jar = aJar(net.folder);
  const label = await screen.evaluate(async (code) => {
    const answer = await fetch(`/larder/labels.pdf?stock=single-57x32&of=${code}`);
    return [...new Uint8Array(await answer.arrayBuffer())];
  }, jar);
  await holdUp(phone.camera, (await printPages(Uint8Array.from(label)))[0]!.png());
  await screen.goto(`${net.secure}/larder/scan`);
  await screen.getByRole("button", { name: "Use the camera" }).click();
  await expect(screen.locator("main")).toContainText(jar);
  await expect(screen.getByRole("link", { name: "Open it" })).toBeVisible();

  // An alarm shows over other apps, while the page is behind them.
  await context.grantPermissions(["notifications"], { origin: net.secure });
  await screen.goto(`${net.secure}/larder`);
  await screen.evaluate(() => {
    Object.defineProperty(document, "visibilityState", { get: () => "hidden" });
  });
  await screen.evaluate(async () => {
    const reading = { id: crypto.randomUUID(), at: new Date().toISOString(), gaugeKPa: 40 };
    await fetch("/api/v1/runs/BJR-E/readings", {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ gauge: "dial", readings: [reading] }),
    });
  });
  await expect
    .poll(() =>
      screen.evaluate(async () => {
        const worker = await navigator.serviceWorker.ready;
        return (await worker.getNotifications()).map((n) => n.body).join();
      }),
    )
    .toMatch(/^Big canner: /);

  // Without a network what it saw stays readable; back on it, it is as before.
  await screen.goto(`${net.secure}/larder`);
  await context.setOffline(true);
  await screen.goto(`${net.secure}/larder`);
  await expect(screen.getByRole("status").filter({ hasText: "Can’t reach Patient Larder" })).toBeVisible();
  await context.setOffline(false);
  await expect(screen.getByRole("status").filter({ hasText: "Can’t reach" })).toHaveCount(0);

  // A second phone with the same code is told why it stays outside.
  const other = await phone.browser.newContext();
  const late = await other.newPage();
  await late.goto(`${net.secure}/pair#${code}`);
  await late.getByRole("button", { name: "Connect this device" }).click();
  await expect(late.getByRole("alert").first()).toContainText("This code was used already.");
  await late.getByLabel("Code").fill("AAAA-AAAA");
  await late.getByRole("button", { name: "Connect this device" }).click();
  await expect(late.getByRole("alert").first()).toContainText("not a code that is shown now");

  // It stands in the list of devices and in the history, and is signed out from there.
  await page.goto(`${net.url}/household/access`);
  const row = page.getByRole("listitem").filter({ hasText: "Tablet at the stove" });
  await expect(row).toContainText("last seen");
  await row.getByRole("button", { name: "Sign out" }).click();
  await expect(row).toBeHidden();
  await screen.goto(`${net.secure}/larder`);
  await expect(screen).toHaveURL(/\/enter\?back=%2Flarder/);
  await page.goto(`${net.url}/records/history`);
  await expect(page.getByText("connected a device").first()).toBeVisible();
  await phone.close();
});

test("a device that does not trust it yet gets the connect page, and nothing else", async ({ net }) => {
  const phone = await device(null);
  const screen = await phone.browser.newPage();
  for (const path of ["/", "/larder", "/household/access", "/records/archive.zip"]) {
    await screen.goto(net.plain + path);
    await expect(screen.getByRole("heading", { level: 1 })).toHaveText("Connect this phone or tablet");
    await expect(screen.locator("body")).not.toContainText("Oda");
  }
  await screen.getByRole("button", { name: "Check and continue" }).click();
  await expect(screen.getByRole("status")).toContainText("Not trusted yet.");
  // How to trust it, for this system and others; what it means; how to take it off again.
  await expect(screen.getByRole("link", { name: "Download the certificate" })).toBeVisible();
  await expect(screen.getByText(/it can vouch for no other site/)).toBeVisible();
  await expect(screen.getByText(/To take it off again/).first()).toBeVisible();
  await expect(screen.goto(`${net.secure}/`)).rejects.toThrow(/ERR_CERT_AUTHORITY_INVALID/);
  await phone.close();
  // A program is told where to go.
  const refused = await ask(net, "/api/v1/stock");
  expect(refused.status).toBe(421);
  expect(refused.body.toString()).toMatch(/Use https and port \d+/);
});

test("a device takes a new version over https, and stays signed in", async () => {
  const folder = await withPassphrase((empty) => {
    const larder = openLarder(empty);
    boarHouse(larder, { name: "Quiet house", altitudeM: 300, gauge: "dial" });
    larder.close();
  });
  // Somebody takes it before the browser has fetched all of it.
  const newer = newerBuild(5_000);
  const net = await serve(folder);
  const port = Number(new URL(net.url).port);
  const phone = await device(await authorityOf(net));
  const screen = await (await phone.browser.newContext({ serviceWorkers: "allow" })).newPage();
  await screen.goto(`${net.secure}/field`);
  await screen.getByLabel("Passphrase").fill(WORDS);
  await screen.getByRole("button", { name: "Sign in" }).click();
  await screen.getByLabel("Where").fill("Upper meadow");
  await screen.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await net.stop();
  const env = { HOST: "0.0.0.0", HTTPS_PORT: String(net.securePort) };
  const after = await startBuilt(folder, env, port, [200], newer);
  const offer = screen.getByRole("status").filter({ hasText: "A new version is here" });
  await offer.getByRole("button", { name: "Reload" }).click();
  await expect(offer).toHaveCount(0);
  await expect(screen.getByLabel("Where")).toHaveValue("Upper meadow");
  await expect
    .poll(() =>
      screen.evaluate(async () => {
        const worker = await navigator.serviceWorker.getRegistration();
        return Boolean(worker?.installing ?? worker?.waiting);
      }),
    )
    .toBe(false);
  await phone.close();
  await after.stop();
  for (const gone of [folder, newer]) rmSync(gone, { recursive: true, force: true });
});

test("a device whose clock is far off is told so, and what to do", async () => {
  // To a device a year behind, the household's certificates are of the future.
  const ahead = {
    LARDER_TEST_CLOCK: "1",
    LARDER_TEST_CLOCK_AT: `${Date.now()},${Date.now() + 400 * DAY_MS},1`,
  };
  const late = await serve(await withPassphrase(), ahead);
  const phone = await device(await authorityOf(late));
  const screen = await phone.browser.newPage();
  await screen.goto(`${late.plain}/connect`);
  await screen.getByRole("button", { name: "Check and continue" }).click();
  await expect(screen.getByRole("status")).toContainText("Set this device’s date and time to automatic");
  await expect(screen.getByRole("status")).toContainText(String(new Date().getFullYear()));
  await expect(screen.goto(`${late.secure}/`)).rejects.toThrow(/ERR_CERT_DATE_INVALID/);
  await phone.close();
  await late.stop();
  rmSync(late.folder, { recursive: true, force: true });
});

test("names that are not its own get no answer, on either port, of health neither", async ({ net }) => {
  const status = async (path: string, host: string) => (await ask(net, path, host)).status;
  for (const host of ["evil.example", "larder.local.evil.example", "127.0.0.1.evil.example"])
    for (const path of ["/", "/healthz", "/authority.crt"]) expect(await status(path, host), host).toBe(421);
  expect(await status("/", `${NAME}:4310`)).toBe(200);
});

test("its keys are its owner's, and no backup or export takes them along", async ({ net }) => {
  for (const name of ["authority.key", "server.key"])
    expect(statSync(join(net.folder, "tls", name)).mode & 0o777).toBe(0o600);
});

/** Guesses at the passphrase from one address: ten thousand in the long run. */
const GUESSES = Number(process.env.GUESSES ?? 300);

test("behind a proxy that is trusted, who asks and over what is what the proxy says", async () => {
  const folder = await withPassphrase();
  const server = await startBuilt(folder, { TRUST_PROXY: "127.0.0.1", LARDER_HOSTS: "canning.example" });
  /** As a proxy passes it on. @param client whom it names */
  const passOn = (method: string, path: string, client: string, body = "", host = "canning.example") =>
    new Promise<{ status: number; cookies: string[]; location: string }>((resolve, reject) => {
      const headers = {
        Host: "127.0.0.1",
        "X-Forwarded-Host": host,
        "X-Forwarded-For": client,
        "X-Forwarded-Proto": "https",
        "Content-Type": "application/x-www-form-urlencoded",
        "Content-Length": String(body.length),
      };
      request(server.url + path, { method, headers }, (answer) => {
        answer.resume();
        resolve({
          status: answer.statusCode!,
          cookies: answer.headers["set-cookie"] ?? [],
          location: answer.headers.location ?? "",
        });
      })
        .once("error", reject)
        .end(body);
    });
  // The proxy's own address is this machine's: whoever it serves has to sign in all the same.
  expect(await passOn("GET", "/larder", "10.0.0.1")).toMatchObject({
    status: 303,
    location: "/enter?back=%2Flarder",
  });
  expect((await passOn("GET", "/", "10.0.0.1", "", "evil.example")).status).toBe(421);
  const say = (words: string, client: string) =>
    passOn("POST", "/enter", client, `passphrase=${encodeURIComponent(words)}`);
  const client = (n: number) => `10.0.0.${n}`;
  // One of twenty guesses, all the time; it is slowed, and none of the others.
  const counts: Record<number, number> = {};
  for (let n = 0; n < GUESSES; n++) {
    const { status } = await say(`wrong words number ${n}`, client(1));
    counts[status] = (counts[status] ?? 0) + 1;
  }
  expect(counts).toEqual({ 422: 5, 429: GUESSES - 5 });
  expect((await say(WORDS, client(1))).status).toBe(429);
  for (let n = 2; n <= 20; n++) {
    expect((await say("a slip of mine", client(n))).status).toBe(422);
    const inside = await say(WORDS, client(n));
    expect(inside.status, client(n)).toBe(302);
    expect(inside.cookies.find((c) => c.startsWith("__Host-in="))).toMatch(/; Secure/);
  }
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});
