import { execFileSync } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { startBuilt } from "../bench/server";
import { filesIn } from "../store/testing/zip";
import { expect, newFolder, startServer, test } from "./server";

test("everything goes out from the page, comes into an empty larder there, and goes out again the same", async ({
  own,
  empty,
  page,
}) => {
  await page.goto(`${own.url}/records`);
  const first = await (async () => {
    const waiting = page.waitForEvent("download");
    await page.getByRole("link", { name: "Take everything out" }).click();
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
  await page.getByRole("button", { name: "Check it and bring it in" }).click();
  await expect(page.getByRole("alert")).toContainText("This file is damaged or not a zip.");
  const bytes = readFileSync(first);
  await page
    .getByLabel("The archive")
    .setInputFiles({ name: "larder.zip", mimeType: "application/zip", buffer: bytes });
  await page.getByRole("button", { name: "Check it and bring it in" }).click();
  await expect(page).toHaveURL(/\/records\/history\?verify=1/, { timeout: 30_000 });
  await expect(page.getByText(/^It fits: /)).toBeVisible();
  await page.goto(`${empty.url}/records`);
  const waiting = page.waitForEvent("download");
  await page.getByRole("link", { name: "Take everything out" }).click();
  const [a, b] = [await filesIn(first), await filesIn(await (await waiting).path())];
  expect([...b.keys()]).toEqual([...a.keys()]);
  for (const [name, text] of a) {
    if (name === "datapackage.json") continue;
    expect(b.get(name) === text, name).toBe(true);
  }
});

test("a copy is made, looked into and restored, with a reason that stays in the history", async ({
  own,
  page,
}) => {
  await page.goto(`${own.url}/records/copies`);
  await page.getByRole("button", { name: "Make a copy now" }).click();
  await expect(page.getByText("asked for").first()).toBeVisible();
  await page.goto(`${own.url}/household`);
  await page.getByLabel("Somebody else").fill("Visitor");
  await page.getByRole("button", { name: "Add them" }).click();
  await expect(page.getByRole("button", { name: "Visitor" })).toBeVisible();
  await page.goto(`${own.url}/records/copies`);
  await page
    .getByRole("listitem")
    .filter({ hasText: "asked for" })
    .getByRole("link", { name: "Look into it" })
    .click();
  await expect(page.getByRole("cell", { name: "animals" })).toBeVisible();
  await page.getByLabel("Why the larder goes back to it").fill("the visitor was a slip");
  await page.getByRole("button", { name: "Put it in the place of the larder" }).click();
  await expect(page.getByText(/^It fits: /)).toBeVisible({ timeout: 30_000 });
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
  await page.getByRole("button", { name: "Look at it" }).click();
  await expect(page.getByText("“Unicorn” is no animal known here.")).toBeVisible();
  await expect(page.getByText("Elk of 2026-10-01 gets the code")).toBeVisible();
  await page.getByRole("button", { name: "Do the 1 row that can be done" }).click();
  await expect(page.getByText("Done. This is what each row did.")).toBeVisible();
  await page.goto(`${own.url}/records/history?what=harvest`);
  await expect(page.getByText("wrote down an animal").first()).toBeVisible();
  // What a person typed is text wherever it stands.
  await page.locator("summary").first().click();
  await expect(page.getByText("<b>bold</b>", { exact: true })).toBeVisible();
  await page.getByRole("textbox", { name: "Code" }).fill("NOPE");
  await page.getByRole("button", { name: "Show these" }).click();
  await expect(page.getByRole("heading", { name: "Nothing of the kind" })).toBeVisible();
});

test("the palette finds codes, lots, shelves and help", async ({ demo, page }) => {
  await page.goto(`${demo.url}/`);
  await page.keyboard.press("Control+k");
  const box = page.getByPlaceholder("A code, a place, something to do");
  await box.fill("throw");
  await page.getByRole("option", { name: /Throwing suspect food out safely/ }).click();
  await expect(page.getByRole("heading", { name: "Throwing suspect food out safely" })).toBeVisible();
  await page.keyboard.press("Control+k");
  await box.fill("boar");
  await expect(page.getByRole("option", { name: /animal/ }).first()).toBeVisible();
  await page
    .getByRole("option", { name: /animal/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/field\//);
  await page.keyboard.press("Control+k");
  await box.fill("history");
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
  await page.goto(`${first.url}/records/copies`);
  await page.getByRole("button", { name: "Make a copy now" }).click();
  await expect(page.getByText("asked for")).toBeVisible();
  await first.stop();
  writeFileSync(join(folder, "larder.db"), "spoiled ".repeat(3000));
  const child = await startBuilt(folder, {}, undefined, [200, 503]);
  const answer = await page.goto(`${child.url}/larder`);
  expect(answer!.status()).toBe(503);
  await expect(page.getByRole("heading", { name: "The larder’s file is damaged." })).toBeVisible();
  await page.getByRole("button", { name: /the newest that is sound/ }).click();
  await expect(page.getByRole("heading", { name: "The backup is in place." })).toBeVisible();
  await page.getByRole("link", { name: "To Today" }).click();
  await expect(page).toHaveTitle(/Today/);
  expect(readdirSync(join(folder, "backups")).some((n) => n.startsWith("damaged-"))).toBe(true);
  await child.stop();
  rmSync(folder, { recursive: true });
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
