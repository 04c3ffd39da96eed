import { spawnSync } from "node:child_process";
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { extract } from "tar";
import { PROGRAM_FOLDER } from "#store/db";
import { packRelease } from "../app/release/pack";
import { startBuilt } from "../bench/server";
import { filledHousehold } from "./household";
import { textOf } from "./pdf";
import { expect, newFolder, test } from "./server";

test("a release, unpacked where only Node is, serves, plans, prints and backs up", async ({ page }) => {
  const folder = newFolder();
  const archive = await packRelease(PROGRAM_FOLDER, join(folder, "release"));
  const elsewhere = join(folder, "elsewhere");
  mkdirSync(elsewhere);
  await extract({ file: archive, cwd: elsewhere });
  const [name] = readdirSync(elsewhere);
  const program = join(elsewhere, name!);
  // A machine with Node and nothing else: no compiler, no package manager, no way to a registry.
  const bin = join(folder, "bin");
  mkdirSync(bin);
  symlinkSync(process.execPath, join(bin, "node"));
  const env = { PATH: bin, HOME: folder, npm_config_registry: "http://127.0.0.1:1", NODE_PATH: "" };
  const data = join(folder, "data");
  cpSync(filledHousehold().folder, data, { recursive: true });
  const at = `${Date.now()},${filledHousehold().at},1`;
  const clock = { LARDER_TEST_CLOCK: "1", LARDER_TEST_CLOCK_AT: at };
  const server = await startBuilt(data, { ...env, ...clock }, undefined, [200], program);

  await page.goto(`${server.url}/fire`);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  // The planner's solver, papers with their typefaces, and the program that looks at a backup.
  await page.goto(`${server.url}/plan`);
  await expect(page.getByRole("heading", { name: /^Load 1/ }).first()).toBeVisible({ timeout: 60_000 });
  const paper = await page.request.get(`${server.url}/records/paper.pdf`);
  expect((await textOf(await paper.body())).length).toBeGreaterThan(500);
  await page.goto(`${server.url}/records/backups`);
  await page.getByRole("button", { name: /^Make a backup/ }).click();
  await expect(page.getByText("made by hand").first()).toBeVisible();
  await page.getByRole("link", { name: "Details" }).first().click();
  await expect(page.locator("main")).toContainText("Checked and OK", { timeout: 30_000 });
  await server.stop();

  const run = (...args: string[]) =>
    spawnSync("node", args, { cwd: program, env: { ...env, LARDER_DATA: data }, encoding: "utf8" });
  // What makes photos small is compiled for the machine, and goes along.
  const photo =
    "const { default: sharp } = await import('sharp'); console.log(Object.keys(sharp.format).includes('jpeg'))";
  expect(run("--input-type=module", "-e", photo).stdout.trim()).toBe("true");
  const verified = run("build/server/verify.js");
  expect(verified.status, verified.stderr).toBe(0);
  const written = run("build/server/autostart.js");
  expect(written.status, written.stderr).toBe(0);
  expect(written.stdout).toContain("systemctl --user");
  // On another kind of machine it says so, instead of failing somewhere inside.
  const starter = join(program, "start.js");
  writeFileSync(starter, readFileSync(starter, "utf8").replace(/"arch":"\w+"/, '"arch":"riscv64"'));
  const refused = run("start.js");
  expect(refused.status).toBe(1);
  expect(refused.stderr).toMatch(/made for \w+ on riscv64 with Node .* Take the release for this machine/);
  rmSync(folder, { recursive: true, force: true });
});
