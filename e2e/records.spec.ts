import { execFileSync } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import jsQR from "jsqr";
import { printPages } from "../bench/printer";
import { startBuilt } from "../bench/server";
import { filesIn } from "../store/testing/zip";
import { openJump } from "./jump";
import { expect, newFolder, startServer, test } from "./server";

test("everything goes out from the page, comes into an empty larder there, and goes out again the same", async ({
  own,
  empty,
  page,
}) => {
  await page.goto(`${own.url}/records`);
  const first = await (async () => {
    const waiting = page.waitForEvent("download");
    await page.getByRole("link", { name: "Export everything" }).click();
    return (await waiting).path();
  })();
  // It never writes over a larder that holds something.
  await page.goto(`${own.url}/records/restore`);
  await expect(
    page.getByText("This larder is not empty, and an archive never writes over one."),
  ).toBeVisible();
  await page.goto(`${empty.url}/welcome`);
  await page.getByRole("link", { name: /archive/ }).click();
  await page.getByLabel("The archive").setInputFiles(join(process.cwd(), "package.json"));
  await page.getByRole("button", { name: "Check and import" }).click();
  await expect(page.getByRole("alert")).toContainText("This file is damaged or not a zip.");
  const bytes = readFileSync(first);
  await page
    .getByLabel("The archive")
    .setInputFiles({ name: "larder.zip", mimeType: "application/zip", buffer: bytes });
  await page.getByRole("button", { name: "Check and import" }).click();
  await expect(page).toHaveURL(/\/records\/history\?verify=1/, { timeout: 60_000 });
  await expect(page.getByText(/^No change found in /)).toBeVisible();
  await page.goto(`${empty.url}/records`);
  const waiting = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export everything" }).click();
  const [a, b] = [await filesIn(first), await filesIn(await (await waiting).path())];
  expect([...b.keys()]).toEqual([...a.keys()]);
  // The new machine's first backup may have been made meanwhile: its key is one line in the activity log.
  const more =
    b.get("data/audit.csv")!.includes("witness.key") && !a.get("data/audit.csv")!.includes("witness.key");
  for (const [name, text] of a) {
    if (name === "datapackage.json" || (more && /audit|chain_link|write_key|README|history/.test(name)))
      continue;
    expect(b.get(name) === text, name).toBe(true);
  }
  expect(a.get("README.txt")).toMatch(/^ {2}LOG\/\d+\/([2-9A-Z]{5}-){3}[2-9A-Z]{5}$/m);
});

test("a record's history code reads by camera, and typed from paper it is checked", async ({ own, page }) => {
  await page.goto(`${own.url}/fire`);
  const runs = (await (await fetch(`${own.url}/api/v1/runs`)).json()) as { runs: { code: string }[] };
  const { code } = runs.runs.at(-1)!;
  await page.goto(`${own.url}/fire/${code}/record`);
  const typed = (await page.getByText(new RegExp(`^${code}/\\d+/`)).textContent())!;
  const pdf = await page.request.get(`${own.url}/fire/${code}/record.pdf`, {
    headers: { connection: "close" },
  });
  const [paper] = await printPages(new Uint8Array(await pdf.body()), 200);
  const { width, height, pixels } = paper!;
  expect(jsQR(pixels, width, height)?.data).toMatch(new RegExp(`^${code}/\\d+/[0-9a-f]{64}$`));
  await page.goto(`${own.url}/records/history`);
  const field = page.getByLabel("History code from a paper");
  const check = page.getByRole("button", { name: "Check the paper" });
  await field.fill("R3T-7/41");
  await check.click();
  await expect(page.getByText("This is not a history code.")).toBeVisible();
  await expect(field).toHaveValue("R3T-7/41");
  await field.fill(typed.toLowerCase());
  await check.click();
  await expect(page.getByText("The code from your paper matches.")).toBeVisible({ timeout: 30_000 });
  await field.fill(typed.replace(/.{5}$/, "22222"));
  await check.click();
  await expect(page.getByText("The records were changed outside this program.")).toBeVisible({
    timeout: 30_000,
  });
  await expect(page.getByRole("listitem").filter({ hasText: "what was printed or signed" })).toContainText(
    code,
  );
});

test("backups go to a second place: chosen, tried, filled, missed and found again", async ({ own, page }) => {
  const stick = newFolder();
  await page.goto(`${own.url}/records/backups`);
  const folder = page.getByLabel("Folder");
  const use = page.getByRole("button", { name: "Use this folder" });
  await folder.fill(join(stick, "nowhere"));
  await use.click();
  await expect(page.getByText("There is no such folder.")).toBeVisible();
  await expect(folder).toHaveValue(join(stick, "nowhere"));
  await folder.fill(stick);
  await use.click();
  await expect(
    page.getByText("on the same disk as the larder. If the disk fails, both are lost."),
  ).toBeVisible();
  await page.getByRole("button", { name: "Make a backup now" }).click();
  await expect(page.getByText("It was read back and is the same.")).toBeVisible({ timeout: 30_000 });
  await expect
    .poll(() => readdirSync(stick).filter((n) => n.endsWith("-by-hand.db")), { timeout: 30_000 })
    .toHaveLength(1);
  expect(readdirSync(join(stick, "witness")).length).toBeGreaterThan(0);
  renameSync(stick, `${stick}-away`);
  await page.getByRole("button", { name: "Copy the newest backup there now" }).click();
  await expect(page.getByText("is not there. Plug the disk in").first()).toBeVisible();
  renameSync(`${stick}-away`, stick);
  await page.getByRole("button", { name: "Copy the newest backup there now" }).click();
  await expect(page.getByText("is not there. Plug the disk in")).toHaveCount(0);
  await page.getByRole("button", { name: "Stop using this place" }).click();
  await expect(folder).toBeVisible();
});

test("a copy is made, looked into and restored, with a reason that stays in the history", async ({
  own,
  page,
}) => {
  await page.goto(`${own.url}/records/backups`);
  await page.getByRole("button", { name: "Make a backup now" }).click();
  await expect(page.getByText("made by hand").first()).toBeVisible();
  await page.goto(`${own.url}/household`);
  await page.getByLabel("Add a person").fill("Visitor");
  await page.getByRole("button", { name: "Add person" }).click();
  await expect(page.getByRole("button", { name: "Visitor" })).toBeVisible();
  await page.goto(`${own.url}/records/backups`);
  await page
    .getByRole("listitem")
    .filter({ hasText: "made by hand" })
    .getByRole("link", { name: "Details" })
    .click();
  await expect(page.getByRole("cell", { name: "animals" })).toBeVisible();
  await page.getByLabel("Why you restore it").fill("the visitor was a slip");
  await page.getByRole("button", { name: "Restore this backup" }).click();
  await expect(page.getByText(/^No change found in /)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText("“the visitor was a slip”")).toBeVisible();
  await page.goto(`${own.url}/household`);
  await expect(page.getByRole("button", { name: "Visitor" })).toHaveCount(0);
});

test("a list comes in from its page: looked at first, then done, and it is in the history", async ({
  own,
  page,
}) => {
  await page.goto(`${own.url}/records/lists/animals`);
  const csv =
    "species,taken on,weight kg,weighed,note\nElk,2026-10-01,120,hanging,<b>bold</b>\nUnicorn,2026-10-01,1,live,\n";
  await page
    .getByLabel("The file")
    .setInputFiles({ name: "a.csv", mimeType: "text/csv", buffer: Buffer.from(csv) });
  await page.getByRole("button", { name: "Check the file" }).click();
  await expect(page.getByText("“Unicorn” is no animal known here.")).toBeVisible();
  await expect(page.getByText("Elk of 2026-10-01 gets the code")).toBeVisible();
  await page.getByRole("button", { name: "Do the 1 row that can be done" }).click();
  await expect(page.getByText("Done. This is what each row did.")).toBeVisible();
  await page.goto(`${own.url}/records/history?what=harvest`);
  await expect(page.getByText("added an animal or catch").first()).toBeVisible();
  // What a person typed is text wherever it stands.
  await page.locator("main summary").first().click();
  await expect(page.getByText("<b>bold</b>", { exact: true })).toBeVisible();
  await page.getByRole("textbox", { name: "Code", exact: true }).fill("NOPE");
  await page.getByRole("button", { name: "Show these" }).click();
  await expect(page.getByRole("heading", { name: "Nothing of the kind" })).toBeVisible();
});

test("the palette finds codes, lots, shelves and help", async ({ demo, page }) => {
  await page.goto(`${demo.url}/`);
  await (await openJump(page)).fill("throw");
  await page.getByRole("option", { name: /Throwing suspect food out safely/ }).click();
  await expect(page.getByRole("heading", { name: "Throwing suspect food out safely" })).toBeVisible();
  await (await openJump(page)).fill("boar");
  await expect(page.getByRole("option", { name: /animal/ }).first()).toBeVisible();
  await page
    .getByRole("option", { name: /animal/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/field\//);
  await (await openJump(page)).fill("history");
  await page.getByRole("option", { name: /^History/ }).click();
  await expect(page).toHaveURL(/\/records\/history/);
});

test("a damaged file has a screen of its own, and gives way to the newest sound copy", async ({ page }) => {
  const folder = newFolder();
  const first = await startServer(folder);
  await fetch(`${first.url}/welcome`, {
    method: "POST",
    headers: { "Content-Type": "application/x-www-form-urlencoded" },
    body: `key=${crypto.randomUUID()}&personName=Ada&units=us&altitude=2300 ft&gauge=dial&zone=UTC`,
    redirect: "manual",
  });
  await page.goto(`${first.url}/records/backups`);
  await page.getByRole("button", { name: "Make a backup now" }).click();
  await expect(page.getByText("made by hand")).toBeVisible({ timeout: 30_000 });
  await first.stop();
  writeFileSync(join(folder, "larder.db"), "spoiled ".repeat(3000));
  const child = await startBuilt(folder, {}, undefined, [200, 503]);
  const answer = await page.goto(`${child.url}/larder`);
  expect(answer!.status()).toBe(503);
  await expect(page.getByRole("heading", { name: "The larder’s file is damaged." })).toBeVisible();
  // Only who has the machine restores: the code is in its terminal, and in its data folder.
  await page.getByLabel("Code from the terminal").first().fill("ABCD-EFGH");
  await page.getByRole("button", { name: /the newest that is OK/ }).click();
  await expect(page.getByRole("alert")).toContainText("This is not the code.");
  await page
    .getByLabel("Code from the terminal")
    .first()
    .fill(readFileSync(join(folder, "rescue-code.txt"), "utf8").trim());
  await page.getByRole("button", { name: /the newest that is OK/ }).click();
  await expect(page.getByRole("heading", { name: "The backup is in place." })).toBeVisible();
  await page.getByRole("link", { name: "Go to Today" }).click();
  await expect(page).toHaveTitle(/Today/);
  expect(readdirSync(join(folder, "backups")).some((n) => n.startsWith("damaged-"))).toBe(true);
  await child.stop();
  rmSync(folder, { recursive: true });
});

test("a folder that cannot be written to is not called damaged, and is tried again", async ({ page }) => {
  const disk = newFolder();
  const mount = (...args: string[]) => execFileSync("mount", args, { stdio: "ignore" });
  let mounted = true;
  try {
    mount("-t", "tmpfs", "-o", "size=20m", "tmpfs", disk);
  } catch {
    mounted = false;
  }
  // Where nothing can be mounted the codes of the errors are tested alone, in app/server/opening.test.ts.
  test.skip(!mounted, "no file system of its own can be mounted here");
  try {
    const folder = join(disk, "data");
    await (await startServer(folder)).stop();
    mount("-o", "remount,ro", disk);
    const server = await startBuilt(folder, {}, undefined, [503]);
    await page.goto(`${server.url}/larder`);
    await expect(page.getByRole("heading", { name: "The larder cannot be written to." })).toBeVisible();
    await expect(page.getByText("The records are not damaged.")).toBeVisible();
    mount("-o", "remount,rw", disk);
    await page.getByRole("button", { name: "Try again" }).click();
    await expect(page.getByRole("heading", { name: "The larder cannot be written to." })).toHaveCount(0);
    expect((await page.request.get(`${server.url}/healthz`)).status()).toBe(200);
    // Another program that has it open is said as well.
    const second = await startBuilt(folder, {}, undefined, [503]);
    await page.goto(second.url);
    await expect(page.getByRole("heading", { name: "The larder is already open." })).toBeVisible();
    await second.stop();
    await server.stop();
  } finally {
    execFileSync("umount", [disk], { stdio: "ignore" });
  }
});

test("a full disk is said in words, nothing acknowledged is lost, and with room again it goes on", async ({
  request,
}) => {
  const disk = newFolder();
  const tmpfs = (() => {
    try {
      execFileSync("mount", ["-t", "tmpfs", "-o", "size=3m", "tmpfs", disk], { stdio: "ignore" });
      return true;
    } catch {
      return false;
    }
  })();
  // Where no small disk can be made the limit of SQLite's pages stands for one, in store/kill.test.ts.
  test.skip(!tmpfs, "no small file system can be mounted here");
  const folder = join(disk, "data");
  mkdirSync(folder);
  const server = await startServer(folder);
  try {
    const form = (path: string, body: Record<string, string>) =>
      request.post(`${server.url}${path}`, { form: { key: crypto.randomUUID(), ...body }, maxRedirects: 0 });
    expect(
      (
        await form("/welcome", {
          personName: "Ada",
          units: "us",
          altitude: "2300 ft",
          gauge: "dial",
          zone: "UTC",
        })
      ).status(),
    ).toBe(302);
    const acknowledged: string[] = [];
    let full = 0;
    for (let i = 0; i < 3000 && full < 3; i++) {
      const name = `Person ${i} ${"x".repeat(20)}`;
      const answer = await form("/household", { intent: "person", person: name });
      if (answer.status() === 302) acknowledged.push(name);
      else {
        expect(answer.status()).toBe(507);
        expect(await answer.text()).toContain("The disk is full.");
        full++;
      }
      // The disk is filled by something else meanwhile.
      if (i === 5) writeFileSync(join(disk, "other"), Buffer.alloc(1_500_000));
    }
    expect(full).toBe(3);
    rmSync(join(disk, "other"), { force: true });
    expect((await form("/household", { intent: "person", person: "After" })).status()).toBe(302);
    const names = await (await request.get(`${server.url}/household`)).text();
    for (const name of acknowledged) expect(names).toContain(name);
    const { broken } = (await (await request.get(`${server.url}/api/v1/verify`)).json()) as {
      broken: unknown[];
    };
    expect(broken).toEqual([]);
    console.log(`${acknowledged.length} writes acknowledged before the disk was full, none lost`);
  } finally {
    await server.stop();
    execFileSync("umount", [disk]);
    if (existsSync(disk)) rmSync(disk, { recursive: true, force: true });
  }
});
