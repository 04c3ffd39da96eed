import { rmSync } from "node:fs";
import { onShelf } from "#store/shelf";
import { openLarder } from "#store/db";
import { listHarvests } from "#store/harvest";
import { fillLifetime } from "../bench/lifetime";
import { expect, newFolder, startServer, test } from "./server";

test("a long book and a full shelf are turned over page by page, nothing left out and nothing twice", async ({
  page,
}) => {
  test.slow();
  const folder = newFolder();
  // 6,500 jars of 33 animals: more than 160 on each of the forty shelves.
  fillLifetime(folder, 130, 6_500, Date.now());
  const larder = openLarder(folder);
  const animals = listHarvests(larder, 1000).map((h) => h.code);
  const shelf = larder.sqlite
    .prepare("select id from shelf_place order by position limit 1")
    .pluck()
    .get() as string;
  const jars = onShelf(larder, shelf).map((c) => c.code);
  larder.close();
  expect(animals.length).toBeGreaterThan(30);
  expect(jars.length).toBeGreaterThan(120);
  const server = await startServer(folder);
  try {
    /** Codes shown by links of a page, turned over by its button until there is none. */
    const turned = async (path: string, links: string, on: string) => {
      const seen: string[][] = [];
      await page.goto(server.url + path);
      for (;;) {
        const hrefs = await page.locator(links).evaluateAll((all) => all.map((a) => a.getAttribute("href")!));
        seen.push(hrefs.map((h) => h.split("/").at(-1)!));
        const next = page.getByRole("link", { name: on });
        if ((await next.count()) === 0) return seen;
        const before = page.url();
        await next.click();
        await expect(page).not.toHaveURL(before);
        // The address changes before the page does.
        await expect(page.locator(links).first()).not.toHaveAttribute("href", hrefs[0]!);
      }
    };
    const book = await turned("/field", "main li a[href^='/field/']", "Older");
    expect(book.flat()).toEqual(animals);
    expect(book[0]).toHaveLength(30);
    await page.getByRole("link", { name: "Newer" }).click();
    await expect(page.locator(`main li a[href='/field/${animals[0]}']`)).toBeVisible();

    const stood = await turned(`/larder/shelf/${shelf}`, "main ul a[href^='/c/']", "Younger ones");
    expect(stood.flat()).toEqual(jars);
    expect(stood[0]).toHaveLength(60);
    await expect(page.getByText("younger ones behind them")).toHaveCount(0);
    await page.getByRole("link", { name: "Older ones" }).click();
    await expect(page.getByText(/And [\d,]+ younger ones behind them/)).toBeVisible();

    // An address somebody typed wrong shows the first page.
    for (const skip of ["-60", "many", "1e9999", ""]) {
      await page.goto(`${server.url}/field?skip=${skip}`);
      await expect(page.locator(`main li a[href='/field/${animals[0]}']`)).toBeVisible();
    }
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
