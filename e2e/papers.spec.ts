import { createCanvas, ImageData } from "@napi-rs/canvas";
import jsQR from "jsqr";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { labelPlaces, stockOf } from "#core/label";
import { printPages } from "../bench/printer";
import { expect, test } from "./server";
import { textOf } from "./pdf";

test("a recall from bones to broth to jars to a neighbor: told, answered, and on paper", async ({
  page,
  own,
}) => {
  const press = (name: string | RegExp) => page.getByRole("button", { name }).click();
  // Two jars of broth from the same bones: one goes to a neighbor, the other turns out to bulge.
  await page.goto(`${own.url}/larder?q=broth`);
  const found = await page
    .locator("section a[href^='/c/']")
    .evaluateAll((links) => links.map((a) => a.getAttribute("href")!.split("/").at(-1)!));
  const [gone, bad] = found;
  await page.goto(`${own.url}/c/${bad}`);
  await expect(page.getByRole("main")).toContainText(/bones/i);
  await page.goto(`${own.url}/larder`);
  await page.getByRole("checkbox", { name: new RegExp(`^${gone}:`) }).check({ force: true });
  await page.getByLabel("given to").fill("Sanna");
  await press("Given away");
  await expect(page.getByRole("checkbox", { name: new RegExp(`^${gone}:`) })).toHaveCount(0);
  await page.goto(`${own.url}/larder/recall/${bad}`);
  await page.getByLabel("What was wrong").fill("the lid bulges");
  await press(/^Set \d+ containers aside$/);
  await expect(page.getByText("1 person to tell today: Sanna.")).toBeVisible();
  // What she is to be told, ready to send, with the danger first.
  await page.getByText("Message to send").click();
  const message = page.getByLabel("Message to Sanna");
  await expect(message).toHaveValue(new RegExp(`^Do not eat this jar or can: ${gone}\\.`));
  await expect(message).toHaveValue(/Why: the lid bulges\.[\s\S]*Do not open or taste it/);
  const sheet = await page.getByRole("link", { name: "Print the notices (PDF)" }).getAttribute("href");
  const paper = await textOf(await (await page.request.get(`${own.url}${sheet}`)).body());
  expect(paper.replace(/\s+/g, " ")).toContain(`Do not eat this jar or can: ${gone}`);
  expect(paper).toContain("Sanna");
  // She is told, and answers; nothing is recorded without words.
  await page.getByText("Record what Sanna was told or answered").click();
  await press("Record it");
  await expect(page.getByText("What was said is missing.").first()).toBeVisible();
  await page.getByLabel("How, or what").fill("by phone");
  await press("Record it");
  await expect(page.getByText("told, no answer yet")).toBeVisible();
  await expect(page.getByText("Everyone was told.")).toBeVisible();
  await page.getByText("Record what Sanna was told or answered").click();
  await expect(page.getByRole("radio", { name: "answered" })).toBeChecked();
  await page.getByLabel("How, or what").fill("Not opened, thrown out");
  await press("Record it");
  await expect(page.getByText(/Not opened, thrown out \(Oda\)/)).toBeVisible();
});

test("the season's packet is asked for by its days, and says what is in the larder", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/records`);
  await page.getByRole("link", { name: "Season’s packet" }).click();
  await expect(page.getByRole("heading", { name: "Season’s packet" })).toBeVisible();
  await page.getByLabel("First day").fill("2010-01-01");
  await page.getByRole("button", { name: "Use these days" }).click();
  await expect(page.getByText("A packet covers at most 10 years. Make several.")).toBeVisible();
  await expect(page.getByLabel("First day")).toHaveValue("2010-01-01");
  await page.getByLabel("First day").fill("2024-09-01");
  await page.getByRole("button", { name: "Use these days" }).click();
  const to = await page.getByRole("link", { name: "Open the packet (PDF)" }).getAttribute("href");
  const answer = await page.request.get(`${own.url}${to}`);
  expect(answer.headers()["content-type"]).toBe("application/pdf");
  const text = (await textOf(await answer.body())).replace(/\s+/g, " ");
  expect(text).toContain("Deviations, and what went ahead anyway");
  expect(text).toContain("Hollin valley office");
  expect(text).toMatch(/LOG\/\d+\//);
  const bad = await page.request.get(`${own.url}/records/packet.pdf?from=2026-02-30&to=x`);
  expect(bad.status()).toBe(422);
});

test("a gift label is read off the print by any decoder, at 203 and 300 dots an inch, and says all of it", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/larder`);
  await page.getByRole("link", { name: "Gift labels" }).click();
  await page.getByLabel("All of an older load").selectOption({ index: 1 });
  const said = page.getByRole("main").getByText(/RECALL: code/);
  await expect(said.first()).toBeVisible();
  const whole = await said.allTextContents();
  for (const name of [
    "Letter sheet, 10 labels, 4 × 2 in",
    "Roll, 4 × 2 in",
    "A4 sheet, 8 labels, 3⅞ × 2⅝ in",
  ]) {
    await page.getByLabel("Printed on").selectOption({ label: name });
    await expect(page.getByRole("img", { name: new RegExp(`^${name}`) })).toBeVisible();
    const to = (await page.getByRole("link", { name: /gift labels? as PDF/ }).getAttribute("href"))!;
    const pdf = Uint8Array.from(await (await page.request.get(`${own.url}${to}`)).body());
    const stock = stockOf(new URLSearchParams(to.split("?")[1]).get("stock")!)!;
    for (const dpi of [203, 300]) {
      const pages = (await printPages(pdf, dpi)).map((p) => {
        const canvas = createCanvas(p.width, p.height);
        canvas.getContext("2d").putImageData(new ImageData(p.pixels, p.width, p.height), 0, 0);
        return canvas;
      });
      const dots = (mm: number) => Math.round((mm * dpi) / 25.4);
      const read = labelPlaces(stock, whole.length).map(({ page: n, x, y }) => {
        const [wide, high] = [dots(stock.label.width), dots(stock.label.height)];
        const cut = createCanvas(wide, high).getContext("2d");
        cut.drawImage(pages[n]!, -dots(x), -dots(y));
        return jsQR(cut.getImageData(0, 0, wide, high).data, wide, high)?.data ?? "nothing was read";
      });
      expect(read, `${name} at ${dpi}`).toEqual(whole);
    }
  }
  // A label that is too small is not printed: it is said, with those that have room.
  await page.getByLabel("Printed on").selectOption({ label: "A4 sheet, 65 labels, 1½ × ⅞ in" });
  await expect(page.getByText(/is too long for this label.*Choose a larger one: .*4 × 2 in/)).toBeVisible();
  await expect(page.getByRole("link", { name: /as PDF/ })).toHaveCount(0);
  await page.getByLabel("Or the codes on their lids").pressSequentially("NO-SUCH");
  await expect(page.getByText("Nothing in this larder carries")).toHaveCount(0);
  await page.getByRole("button", { name: "Add" }).click();
  await expect(page.getByText("Nothing in this larder carries NO-SUCH.")).toBeVisible();
  // The giver's book has the same words.
  const book = await page.getByRole("link", { name: "Sheet for your own book (PDF)" }).getAttribute("href");
  const paper = await textOf(await (await page.request.get(`${own.url}${book}`)).body());
  for (const text of whole) expect(paper).toContain(text.split("\n").at(-1)!);
});

test("a phone without a network checks a jar by the household's page, and takes only its own newer lists", async ({
  page,
  own,
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), "larder-check-"));
  await page.goto(`${own.url}/larder`);
  const codes = await page
    .locator("section a[href^='/c/']")
    .evaluateAll((links) => links.map((a) => a.getAttribute("href")!.split("/").at(-1)!));
  const [bad, sound] = [codes[0]!, codes.at(-1)!];
  const save = async (name: string) => {
    await page.goto(`${own.url}/larder/recalls`);
    const file = page.waitForEvent("download");
    await page.getByRole("link", { name }).click();
    const path = join(folder, (await file).suggestedFilename());
    await (await file).saveAs(path);
    return path;
  };
  // Handed over with the gift: nothing is recalled yet.
  const check = await save("Save the page that checks a jar");
  await page.goto(`${own.url}/larder/recall/${bad}`);
  await page.getByLabel("What was wrong").fill("the lid bulges");
  await page.getByRole("button", { name: /^Set \d+ containers? aside$/ }).click();
  await expect(page.getByRole("heading", { name: /recalled$/ })).toBeVisible();
  const newest = await save("Save the newest list");

  const phone = await browser.newContext({ offline: true });
  const screen = await phone.newPage();
  const wrong: string[] = [];
  screen.on("console", (m) => wrong.push(m.text()));
  screen.on("request", (r) => !r.url().startsWith("file:") && wrong.push(r.url()));
  await screen.goto(`file://${check}`);
  const ask = async (code: string) => {
    await screen.getByLabel("The code on the lid or the label").fill(code);
    await screen.getByRole("button", { name: "Check it" }).click();
  };
  await ask(bad.toLowerCase());
  await expect(screen.getByRole("heading", { name: `${bad} was not recalled by` })).toBeVisible();
  await ask("7K4-X");
  await expect(screen.getByText("do not eat it")).toBeVisible();
  // The list that comes later is taken; one that somebody changed on the way is not.
  await screen.getByText("I have a newer list").click();
  const forged = join(folder, "forged.txt");
  const text = await (await page.request.get(`${own.url}/larder/recalls/list.txt`)).text();
  writeFileSync(forged, text.replace(/^Do not eat: \d+$/m, "Do not eat: 0").replace(/^\S+-\S, .*\n/gm, ""));
  await screen.getByLabel("Or choose its file").setInputFiles(forged);
  await screen.getByRole("button", { name: "Use this list" }).click();
  await expect(screen.getByRole("heading", { name: "changed after it was signed" })).toBeVisible();
  await screen.getByLabel("Or choose its file").setInputFiles(newest);
  await screen.getByRole("button", { name: "Use this list" }).click();
  await expect(screen.getByRole("heading", { name: "is used now" })).toBeVisible();
  await ask(bad);
  await expect(screen.getByRole("heading", { name: `${bad}: do not eat it` })).toBeVisible();
  await expect(screen.getByText("the lid bulges").first()).toBeVisible();
  await expect(screen.getByText("1. Do not open or taste it.")).toBeVisible();
  await ask(sound);
  await expect(screen.getByRole("heading", { name: `${sound} was not recalled by` })).toBeVisible();
  expect(wrong).toEqual([]);
  // A page whose list was changed says so, and checks nothing.
  const altered = join(folder, "altered.html");
  const html = await (await page.request.get(`${own.url}/larder/recalls/check.html`)).text();
  writeFileSync(altered, html.replace(`${bad}, 20`, `${sound}, 20`));
  await screen.goto(`file://${altered}`);
  await expect(screen.getByRole("heading", { name: "Do not rely on this page" })).toBeVisible();
  await expect(screen.getByRole("button", { name: "Check it" })).toBeHidden();
  await phone.close();
  rmSync(folder, { recursive: true, force: true });
});
