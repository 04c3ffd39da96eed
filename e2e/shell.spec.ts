import type { Page } from "@playwright/test";
import { expect, test } from "./server";

const WORKING = [
  "/field",
  "/cold",
  "/table",
  "/plan",
  "/pack",
  "/seam",
  "/fire",
  "/rest",
  "/larder",
  "/shed",
];

/** How far down the head of a page reaches, px: the line of clocks and the row of places. */
async function headOf(page: Page): Promise<number> {
  const row = (await page.getByRole("navigation", { name: "Places of the work" }).boundingBox())!;
  return row.y + row.height;
}

test("with two runs, a hold and an alarm the head of a working page is at most 104 px high", async ({
  page,
  own,
}) => {
  // The made-up household has a run at pressure, one on the towel, and two lots on hold.
  await own.pass(25);
  await page.goto(`${own.url}/table`);
  const alarm = page.getByRole("alert").filter({ hasText: "Big canner. Nobody has checked" });
  for (const path of WORKING) {
    await page.goto(own.url + path);
    await expect(alarm).toBeVisible();
    expect(await headOf(page), path).toBeLessThanOrEqual(104);
    // What there is to do begins in the upper 60 % of the screen.
    const first = page
      .locator("main :is(button, a, input:not([type=hidden]), select, textarea)")
      .filter({ visible: true })
      .first();
    expect((await first.boundingBox())!.y, path).toBeLessThan(480);
  }
  // A finger finds its answers all the same, here and on a telephone.
  for (const size of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    for (const role of ["link", "button"] as const) {
      const box = (await alarm.getByRole(role).first().boundingBox())!;
      expect(box.height, `${role} at ${size.width}`).toBeGreaterThanOrEqual(48);
    }
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  // What stands where is said in words there, and drawn on Today, whose head it is.
  await expect(page.getByRole("navigation", { name: "Places of the work" })).toContainText(/\d+ filled/);
  await page.goto(own.url);
  expect(await headOf(page)).toBeGreaterThan(180);
  await page.goto(`${own.url}/larder`);
  // However far a page is scrolled, what calls stays in sight.
  await page.evaluate(() => scrollTo(0, document.body.scrollHeight));
  await expect(alarm).toBeInViewport();
  // The line of clocks has its room back once it is answered, and the most urgent is its first.
  await alarm.getByRole("button", { name: /^Silence/ }).click();
  await expect(alarm).toHaveCount(0);
  const clocks = page.getByRole("region", { name: "Running clocks" }).getByRole("link");
  await expect(clocks.first()).toContainText("Big canner");
  await expect(page.getByRole("navigation", { name: "Other pages" })).toContainText("Records");
});

test("clocks and the pages beside the work have room side by side, from a tablet's width on", async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/field`);
  const clocks = page.getByRole("region", { name: "Running clocks" }).locator(":scope > a, summary");
  const beside = page.getByRole("navigation", { name: "Other pages" });
  for (const width of [768, 820, 1023, 1024, 1112, 1279, 1280, 1440]) {
    await page.setViewportSize({ width, height: 800 });
    const from = (await beside.boundingBox())!.x;
    const shown = await clocks.filter({ visible: true }).all();
    expect(shown.length, `${width}`).toBeGreaterThanOrEqual(2);
    for (const clock of shown) {
      const box = (await clock.boundingBox())!;
      expect(box.x + box.width, `${width}`).toBeLessThanOrEqual(from + 1);
    }
  }
});

test("on a phone five ways stand at the foot, everything else is two taps away, and nothing is cut off", async ({
  browser,
  own,
}) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await page.goto(`${own.url}/table`);
  const bar = page.getByRole("navigation", { name: "Main pages" });
  await expect(bar.getByRole("link")).toHaveText([/^Today/, /^Table/, /^Scan/, /^Ask/, /^More/]);
  await expect(page.getByRole("navigation", { name: "Places of the work" })).toBeHidden();
  for (const link of await bar.getByRole("link").all()) {
    const box = (await link.boundingBox())!;
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(390);
    expect(box.height).toBeGreaterThanOrEqual(48);
  }
  // The most urgent clock whole, and how many more there are; they open from there.
  const line = page.getByRole("region", { name: "Running clocks" });
  await expect(line.getByText("left at pressure")).toBeInViewport();
  const more = line.getByText(/^\+\d$/).filter({ visible: true });
  const [n] = [Number((await more.innerText()).slice(1))];
  await more.click();
  await expect(line.getByRole("listitem")).toHaveCount(n + 1);
  // Every page is listed, and leads there.
  await bar.getByRole("link", { name: /^More/ }).click();
  await expect(page.getByRole("heading", { name: "All pages" })).toBeVisible();
  for (const name of [
    "Shed: canners, gauges and supplies",
    "Seam school",
    "Backups",
    "Charts: stock, age, seals, yields",
  ]) {
    await page.getByRole("link", { name }).click();
    await expect(page.getByRole("heading", { name: "All pages" })).toHaveCount(0);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    await bar.getByRole("link", { name: /^More/ }).click();
    await expect(page.getByRole("heading", { name: "All pages" })).toBeVisible();
  }
  // At none of the places it leads to where work goes on.
  await page.goto(`${own.url}/records`);
  await expect(bar.getByRole("link").nth(1)).toHaveText(/^Fire/);
  // At the stove the pressure is seen beside the clock, without scrolling.
  await page.goto(`${own.url}/fire`);
  await page.getByRole("link", { name: "Go to the stove" }).click();
  await expect(page.getByRole("img", { name: /^Last reading/ }).filter({ visible: true })).toBeInViewport({
    ratio: 1,
  });
  await expect(page.getByRole("button", { name: "Pressure dropped" })).toBeInViewport({ ratio: 1 });
  // At the packing bench the one button is within reach, however long the steps are.
  await page.goto(`${own.url}/pack`);
  await page.getByRole("link", { name: "Continue filling" }).first().click();
  await expect(page.getByRole("button", { name: /^Filled/ })).toBeInViewport({ ratio: 1 });
  await page.close();
});

test("working forms fit the screen: nothing of the common case has to be scrolled to", async ({
  page,
  own,
}) => {
  for (const [path, last] of [
    ["/table", page.getByRole("button", { name: "Make the lot" })],
    ["/seam", page.getByRole("button", { name: "Record temperature" })],
    ["/seam/set-up", page.getByRole("button", { name: "Check this setup" })],
    ["/fire", page.getByRole("button", { name: "Load the canner" })],
  ] as const) {
    await page.goto(own.url + path);
    await expect(last, path).toBeInViewport({ ratio: 1 });
  }
  // An animal of many parts, with a hold on it.
  await page.goto(`${own.url}/table`);
  const boar = page.getByLabel("Animal on the table").locator("option", { hasText: "Wild boar" }).first();
  await page.getByLabel("Animal on the table").selectOption((await boar.getAttribute("value"))!);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Wild boar");
  const foot = (await page.getByRole("button", { name: "Make the lot" }).boundingBox())!;
  const last = (await page.getByText("thrown out", { exact: true }).first().boundingBox())!;
  expect(last.y + last.height).toBeLessThan(foot.y - 20);
  expect(foot.y + foot.height).toBeLessThanOrEqual(800);
});

/** How much of the middle of a drawn zero is ink, 0 to 1: the figure as an element of a page draws it. */
async function inkInZero(page: Page, of: string): Promise<number> {
  return page
    .locator(of)
    .first()
    .evaluate(async (element) => {
      const { fontFamily, fontWeight, fontVariantNumeric } = getComputedStyle(element);
      await document.fonts.load(`${fontWeight} 200px ${fontFamily}`, "0");
      const canvas = document.createElement("canvas");
      canvas.width = canvas.height = 300;
      // Only a canvas in the page takes its features from the style.
      canvas.style.cssText = `font-variant-numeric:${fontVariantNumeric}`;
      document.body.append(canvas);
      const c = canvas.getContext("2d")!;
      c.font = `${fontWeight} 200px ${fontFamily}`;
      c.textAlign = "center";
      c.textBaseline = "alphabetic";
      c.fillText("0", 150, 250);
      const high = c.measureText("0").actualBoundingBoxAscent;
      const { data } = c.getImageData(148, Math.round(250 - high / 2) - 2, 4, 4);
      canvas.remove();
      return data.filter((_, i) => i % 4 === 3).reduce((sum, a) => sum + a, 0) / (16 * 255);
    });
}

test("prose and figures have an ordinary zero", async ({ page, own }) => {
  await page.goto(`${own.url}/ask`);
  // The check itself: the font that prose is otherwise set in has ink there.
  await page.addStyleTag({ content: ".slashed{font-family:'Atkinson Hyperlegible Next Variable'}" });
  await page.evaluate(() => {
    const p = document.createElement("p");
    p.className = "slashed";
    p.textContent = "0";
    document.body.append(p);
  });
  expect(await inkInZero(page, ".slashed")).toBeGreaterThan(0.9);
  for (const of of ["main p", "main b", "main h1", "main .fig"])
    expect(await inkInZero(page, of), of).toBe(0);
});
