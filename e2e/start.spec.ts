import { spawnSync } from "node:child_process";
import { rmSync } from "node:fs";
import { fillDemo } from "#demo/household";
import { startBuilt } from "../bench/server";
import { expect, newFolder, test } from "./server";

test("started for a user, the clock cannot be moved by anyone", async () => {
  const folder = newFolder();
  fillDemo(folder, Date.now());
  const server = await startBuilt(folder, { LARDER_TEST_CLOCK: "" });
  const answer = await fetch(`${server.url}/test/clock`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: `{"ms":60000}`,
  });
  expect([404, 405]).toContain(answer.status);
  expect((await fetch(`${server.url}/ui`)).status).toBe(404);
  await server.stop();
  expect(server.child.exitCode).toBe(0);
  rmSync(folder, { recursive: true, force: true });
});

test("it refuses to listen to the network", () => {
  const { status, stdout } = spawnSync("node", ["server.js"], {
    env: { ...process.env, HOST: "0.0.0.0", LARDER_DATA: newFolder() },
    encoding: "utf8",
    timeout: 20_000,
  });
  expect(status).toBe(2);
  expect(stdout).toContain("without a passphrase");
});

test("a card's form that nobody knows is refused too", async ({ demo }) => {
  const page = await (await fetch(`${demo.url}/cold`)).text();
  const [lot] = /\/cold\/[2-9A-Z]+-[2-9A-Z]/.exec(page)!;
  const field = await (await fetch(`${demo.url}/field`)).text();
  const [animal] = /\/field\/[2-9A-Z]+-[2-9A-Z]/.exec(field)!;
  for (const path of [lot, animal]) {
    const answer = await fetch(demo.url + path, {
      method: "POST",
      body: new URLSearchParams({ intent: "nothing" }),
    });
    expect(answer.status, path).toBe(400);
    const upload = new FormData();
    upload.set("intent", "nothing");
    const half = await fetch(demo.url + path, { method: "POST", body: upload });
    expect(half.status, `${path} with an upload`).toBe(path === lot ? 400 : 422);
  }
});

test("a body that is no form, or half a form, is refused and not an error of ours", async ({ demo }) => {
  for (const path of [
    "/field",
    "/table",
    "/pack",
    "/seam",
    "/fire",
    "/rest",
    "/larder",
    "/shed",
    "/household",
    "/prefs",
    "/cold",
  ]) {
    const json = await fetch(demo.url + path, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: "{}",
    });
    expect(json.status, `${path} with JSON`).toBe(400);
    const half = await fetch(demo.url + path, {
      method: "POST",
      headers: { "Content-Type": "application/x-www-form-urlencoded" },
      body: "key=1&intent=nothing&containerIds=x",
      redirect: "manual",
    });
    expect(half.status, `${path} with half a form`).toBe(path === "/prefs" ? 302 : 422);
  }
});

test("what is long to make is made for no other site, and data is kept by nobody in between", async ({
  demo,
}) => {
  const ask = (path: string, site: string | null) =>
    fetch(demo.url + path, { headers: site ? { "Sec-Fetch-Site": site } : {} });
  for (const path of [
    "/records/archive.zip",
    "/api/v1/stock",
    "/records/events.jsonld",
    "/records/lists/animals/csv",
  ]) {
    expect((await ask(path, "cross-site")).status, path).toBe(403);
    for (const site of ["same-origin", "none", null]) {
      const answer = await ask(path, site);
      expect(answer.status, `${path} from ${site}`).toBe(200);
      expect(answer.headers.get("cache-control"), path).toContain("no-store");
      await answer.body?.cancel();
    }
  }
  // A page may be linked to from anywhere; what it is made from stays with who asked.
  expect((await ask("/larder", "cross-site")).status).toBe(200);
  expect((await ask("/larder.data", "same-origin")).headers.get("cache-control")).toContain("no-store");
});
