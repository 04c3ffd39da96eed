import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { request } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { setPassphrase } from "#store/access";
import { takeBackup } from "#store/backup";
import { openLarder } from "#store/db";
import { listHarvests } from "#store/harvest";
import { testLarder } from "#store/testing";
import { rescueApp } from "./rescue";

let folder: string;
let told: string[];
let server: ReturnType<ReturnType<typeof rescueApp>["listen"]>;

const DAMAGED = { kind: "damaged", words: "", error: "" } as const;

/** A larder with one sound copy and one spoiled one, whose own file is spoiled as well. */
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "larder-rescue-"));
  told = [];
  const t = testLarder(folder);
  await takeBackup(t.larder, "daily");
  t.pass(24 * 60);
  const later = await takeBackup(t.larder, "by-hand");
  t.larder.close();
  writeFileSync(join(folder, "backups", later.name), "spoiled ".repeat(2000));
  writeFileSync(join(folder, "larder.db"), "spoiled ".repeat(3000));
  const restart = { letGo: () => void told.push("let go"), again: () => void told.push("again") };
  server = rescueApp(folder, () => t.larder.now(), restart, DAMAGED).listen(0, "127.0.0.1");
  await new Promise((resolve) => server.once("listening", resolve));
});
afterEach(() => {
  server.close();
  rmSync(folder, { recursive: true });
});

const here = () => `http://127.0.0.1:${(server.address() as AddressInfo).port}`;

/** Sent by node's own client, which says of its origin what it is told to say. */
function post(body: string, headers: Record<string, string> = { Origin: here() }) {
  return new Promise<{ status: number; text: string }>((resolve, reject) => {
    const type = {
      "Content-Type": "application/x-www-form-urlencoded",
      "Content-Length": String(body.length),
    };
    const sent = request(here(), { method: "POST", headers: { ...type, ...headers } }, (answer) => {
      let text = "";
      answer.on("data", (piece: Buffer) => (text += piece.toString()));
      answer.on("end", () => resolve({ status: answer.statusCode!, text }));
    });
    sent.on("error", reject);
    sent.end(body);
  });
}
/** What was told in the data folder, as it was in the terminal. */
const code = async () => {
  await fetch(here());
  return readFileSync(join(folder, "rescue-code.txt"), "utf8").trim();
};
const asked = async (name: string) => `name=${encodeURIComponent(name)}&code=${await code()}`;
const names = () => readdirSync(join(folder, "backups")).filter((n) => n.startsWith("larder-"));
const sound = () => names().find((n) => n.includes("daily"))!;
const spoiled = () => names().find((n) => n.includes("by-hand"))!;

describe("a larder whose file is damaged", () => {
  test("any page is the way back: the sound copy can be chosen, the spoiled one says what is wrong with it", async () => {
    for (const path of ["/", "/larder", "/api/v1/stock"]) {
      const answer = await fetch(here() + path);
      expect(answer.status).toBe(503);
      expect(answer.headers.get("content-security-policy")).toContain("default-src");
      const html = await answer.text();
      expect(html).toContain("The larder’s file is damaged.");
      expect(html.match(/<form/g)).toHaveLength(1);
      expect(html).toContain(`value="${sound()}"`);
      expect(html).toMatch(/made automatic, daily, [\d.]+ (k|M)B/);
      expect(html).toMatch(/made by hand, [\d.]+ kB<\/span> Damaged: \S/);
    }
    const health = await fetch(`${here()}/healthz`);
    expect([health.status, await health.json()]).toEqual([503, { status: "damaged" }]);
    expect(told).toEqual([]);
  });
  test("chosen, the sound copy stands in its place, the damaged file is kept, and the larder begins anew", async () => {
    const before = readFileSync(join(folder, "larder.db"));
    const answer = await post(await asked(sound()));
    expect(answer).toMatchObject({ status: 200 });
    expect(answer.text).toContain("The backup is in place.");
    expect(told).toEqual(["let go", "again"]);
    const larder = openLarder(folder);
    expect(listHarvests(larder)).toHaveLength(1);
    larder.close();
    const kept = readdirSync(join(folder, "backups")).find((n) => n.startsWith("damaged-"))!;
    expect(readFileSync(join(folder, "backups", kept))).toEqual(before);
  });
  test.each([
    ["the spoiled copy", () => spoiled(), /Choose another copy/],
    ["a file outside the folder", () => "../larder.db", /no copy|no such/i],
    ["a name that is markup", () => "<img src=x onerror=alert(1)>", /no copy|no such/i],
    ["nothing", () => "", /no copy|no such/i],
  ])("asked for %s it says why not, and leaves everything as it is", async (_what, name, why) => {
    const before = [...names()];
    const answer = await post(await asked(name()));
    expect(answer.status).toBe(503);
    expect(/role="alert"><strong>([^<]*)/.exec(answer.text)?.[1]).toMatch(why);
    expect(answer.text).not.toContain("<img");
    expect(names()).toEqual(before);
    expect(told).not.toContain("again");
    expect(existsSync(join(folder, "larder.db"))).toBe(true);
  });
  test.each([
    ["another site", { Origin: "http://evil.example" }],
    ["a site that will not say which", { Origin: "null" }],
    ["no site at all", {}],
  ])("a write from %s is refused", async (_what, headers) => {
    const answer = await post(await asked(sound()), headers as Record<string, string>);
    expect(answer).toMatchObject({ status: 403 });
    expect(told).toEqual([]);
  });
  test.each([
    ["a name that is not this machine's", { Host: "evil.example", Origin: "http://evil.example" }],
    ["a proxy", { "X-Forwarded-For": "10.0.0.9" }],
  ])("asked through %s there is nothing to choose", async (_what, headers) => {
    const answer = await post(await asked(sound()), {
      Origin: here(),
      ...(headers as Record<string, string>),
    });
    expect(answer.status).toBeGreaterThanOrEqual(421);
    expect(answer.text).not.toContain("<form");
    expect(told).toEqual([]);
  });
  test("nothing is restored without the code from the terminal, and a code is good once", async () => {
    const told1 = await code();
    expect(statSync(join(folder, "rescue-code.txt")).mode & 0o777).toBe(0o600);
    for (const wrong of ["", "&code=", "&code=ABCD-EFGH"]) {
      const answer = await post(`name=${encodeURIComponent(sound())}${wrong}`);
      expect(answer.status).toBe(403);
      expect(answer.text).toContain("This is not the code.");
    }
    expect(told).toEqual([]);
    expect((await post(await asked(sound()))).status).toBe(200);
    expect(await code()).not.toBe(told1);
  });
  test("health too is told to nobody who was led here by another name", async () => {
    const answer = await new Promise<number>((resolve) =>
      request(`${here()}/healthz`, { headers: { Host: "evil.example" } }, (a) =>
        resolve(a.statusCode!),
      ).end(),
    );
    expect(answer).toBe(421);
  });
  test("a backup that has a passphrase asks for it, and stays where it is without", async () => {
    const other = mkdtempSync(join(tmpdir(), "larder-rescue-"));
    const t = testLarder(other);
    await setPassphrase(t.larder, t.write(), "four plain words here");
    const { name } = await takeBackup(t.larder, "daily");
    t.larder.close();
    copyFileSync(join(other, "backups", name), join(folder, "backups", sound()));
    rmSync(other, { recursive: true });
    expect(await (await fetch(here())).text()).toContain('name="passphrase"');
    const say = async (passphrase: string) =>
      post(`${await asked(sound())}&passphrase=${encodeURIComponent(passphrase)}`);
    for (const wrong of ["", "four plain words"]) {
      expect((await say(wrong)).text).toContain("not the passphrase of that backup");
      expect(told).toEqual([]);
    }
    expect(await say("four plain words here")).toMatchObject({ status: 200 });
    expect(told).toEqual(["let go", "again"]);
  });
  test("without any copy it says what else can be done", async () => {
    rmSync(join(folder, "backups"), { recursive: true });
    mkdirSync(join(folder, "backups"));
    const html = await (await fetch(here())).text();
    expect(html).toContain("There is no backup in the backups folder.");
    expect(html).not.toContain("<form");
  });
});
