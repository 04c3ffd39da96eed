import { ImageData, createCanvas } from "@napi-rs/canvas";
import type { Page } from "@playwright/test";
import ICAL from "ical.js";
import jsQR from "jsqr";
import { readLabel } from "#core/code";
import { STOCKS, labelPlaces } from "#core/label";
import { printPages } from "../bench/printer";
import { textOf } from "./pdf";
import { withHouse } from "./rest-house";
import { sealAll } from "./sealed";
import { expect, test } from "./server";

const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();

test("every label stock prints its square so that a decoder reads it, with the code in clear", async ({
  request,
}) => {
  await withHouse(async (server, _, codes) => {
    sealAll(server.folder, codes.slice(0, 3));
    for (const stock of STOCKS) {
      const answer = await request.get(
        `${server.url}/larder/labels.pdf?stock=${stock.key}&of=${codes.slice(0, 3).join(",")}`,
        // Reading a page keeps this process busy for longer than a server leaves a quiet connection open.
        { headers: { connection: "close" } },
      );
      expect(answer.headers()["content-type"], stock.key).toBe("application/pdf");
      const body = await answer.body();
      const text = await textOf(body);
      for (const code of codes.slice(0, 3)) expect(text, stock.key).toContain(code);
      // Off a roll at the printer's own 203 dots an inch; sheets come from finer printers. Each label by itself, as it is held.
      const dpi = stock.form === "single" ? 203 : 300;
      const pages = (await printPages(new Uint8Array(body), dpi)).map((p) => {
        const whole = createCanvas(p.width, p.height);
        whole.getContext("2d").putImageData(new ImageData(p.pixels, p.width, p.height), 0, 0);
        return whole;
      });
      const dots = (mm: number) => Math.round((mm * dpi) / 25.4);
      const read = labelPlaces(stock, 3).map(({ page, x, y }) => {
        const [wide, high] = [dots(stock.label.width), dots(stock.label.height)];
        const cut = createCanvas(wide, high).getContext("2d");
        cut.drawImage(pages[page]!, -dots(x), -dots(y));
        return jsQR(cut.getImageData(0, 0, wide, high).data, wide, high)?.data ?? "nothing was read";
      });
      expect(read.map((r) => readLabel(r).code).sort(), stock.key).toEqual(codes.slice(0, 3).sort());
      expect(
        read.every((r) => r.startsWith(`${server.url}/c/`)),
        stock.key,
      ).toBe(true);
    }
  });
});

test("bad input at the shelves: each is a sentence and a way on", async ({ browser, own }) => {
  const context = await browser.newContext({ timezoneId: "America/Denver" });
  const page = await context.newPage();
  await page.goto(`${own.url}/larder`);
  const jar = (await page.locator("section ul a[href^='/c/'] .code").first().textContent())!;

  // One wrong character; a label of a neighbour's larder, whose code may well exist here too; a lot's code; a camera refused.
  const look = async (text: string) => {
    await page.getByRole("textbox", { name: "Code" }).fill(text);
    await press(page, "Look up");
  };
  await page.goto(`${own.url}/larder/scan`);
  await look(`${jar.slice(0, 2)}${jar[2] === "A" ? "B" : "A"}${jar.slice(3)}`);
  await expect(page.getByRole("alert")).toContainText(/check character does not fit/);
  await look(`${jar.slice(0, 2)}?${jar.slice(3)}`);
  await press(page, `Look up ${jar}`);
  await expect(page.locator("main")).toContainText("History");
  await look(`http://192.168.7.9:4310/c/${jar}?h=zzzz`);
  await expect(page.getByRole("alert")).toContainText("printed by another household");
  await page.goto(`${own.url}/c/${jar}?h=zzzz`);
  await expect(page.getByRole("alert")).toContainText("printed by another household");
  await look(`https://elsewhere.example/${jar}`);
  await expect(page.getByRole("alert")).toBeVisible();
  await press(page, "Use the camera");
  await expect(page.getByText(/camera was refused|No camera is to be had/)).toBeVisible();

  // Taken by a slip and put back; taken twice.
  await page.goto(`${own.url}/larder`);
  await page.getByRole("checkbox", { name: new RegExp(`^${jar}:`) }).check({ force: true });
  await page.getByLabel("given to").fill("Bram");
  await press(page, "Given away");
  await expect(page.getByRole("checkbox", { name: new RegExp(`^${jar}:`) })).toHaveCount(0);
  await page.goto(`${own.url}/c/${jar}`);
  await expect(page.locator("main")).toContainText("to Bram");
  await page.goto(`${own.url}/larder/open/${jar}`);
  await expect(page.getByRole("alert").first()).toContainText("It was given away.");
  await page.goto(`${own.url}/c/${jar}`);
  await press(page, "Undo: it is still on the shelf");
  await expect(page.getByRole("link", { name: "Open it" })).toBeVisible();

  // Nothing ticked; a box that is full.
  await page.goto(`${own.url}/larder`);
  await press(page, "Opened");
  await expect(page.getByRole("alert").first()).toContainText("Choose at least one.");
  await page.getByRole("link", { name: "Left", exact: true }).click();
  await page.getByText("Rename it or change its capacity").click();
  await page.getByLabel("Capacity").fill("2");
  await press(page, "Save");
  await expect(page.getByRole("alert")).toContainText("3 stand on it already");
  await expect(page.getByLabel("Capacity")).toHaveValue("2");
  await page.getByLabel("Capacity").fill("3");
  await press(page, "Save");
  await expect(page.locator("main")).toContainText("3 containers, takes 3");
  await page.goto(`${own.url}/larder`);
  await page.getByRole("checkbox", { name: new RegExp(`^${jar}:`) }).check({ force: true });
  await page.getByLabel("or move to").selectOption({ label: "Stair cupboard, Left" });
  await press(page, "Move");
  await expect(page.getByRole("alert").first()).toContainText("takes 3, and has room for 0 more");

  // A thermometer nobody believes, and a frost that flags what stands there.
  await page.goto(`${own.url}/larder/rooms`);
  await page.getByLabel("Temperature", { exact: true }).fill("300 F");
  await press(page, "Record temperature");
  await expect(page.getByRole("alert")).toContainText("Read the thermometer again");
  await expect(page.getByLabel("Temperature", { exact: true })).toHaveValue("300 F");
  await page.getByLabel("Temperature", { exact: true }).fill("20 F");
  await press(page, "Record temperature");
  await expect(page.locator("main")).toContainText(/Cellar froze \(20 °F\)/);
  await page.goto(`${own.url}/larder`);
  await expect(page.locator("main")).toContainText("Ice breaks seals");
  await context.close();
});

test("a jar is dragged to another shelf, a shelf is counted and put right, and what is searched is found", async ({
  page,
  own,
}) => {
  // All shelves in sight: what is dragged does not scroll.
  await page.setViewportSize({ width: 1280, height: 1900 });
  await page.goto(`${own.url}/larder`);
  const top = page.getByRole("region", { name: "Cellar, Top shelf" });
  const middle = page.getByRole("region", { name: "Cellar, Middle shelf" });
  await expect(top).toContainText("6 containers");
  const jar = top.locator("li label").first();
  const code = (await top.locator("li .code").first().textContent())!;
  const [from, to] = [(await jar.boundingBox())!, (await middle.boundingBox())!];
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y + 40, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + 60, { steps: 12 });
  await page.mouse.up();
  await expect(top).toContainText("5 containers");
  await expect(middle).toContainText("14 containers");
  await expect(middle.locator(".code", { hasText: code })).toHaveCount(1);

  // Counted: one that is written down there is not seen, and one of the other shelf is.
  const seen = await top.locator("li .code").allTextContents();
  await top.getByRole("link", { name: "Top shelf" }).click();
  await page.getByLabel("Codes on this shelf").fill([...seen.slice(1), code, "QQQ-Q"].join("\n"));
  await press(page, "Compare");
  await expect(page.getByText("3 differences from the records")).toBeVisible();
  await expect(page.getByText("written down on Cellar, Middle shelf: it will stand here")).toBeVisible();
  await press(page, "Update; mark the rest as missing");
  // The heading and the count stand there before as well.
  await expect(page.getByText("3 differences from the records")).toHaveCount(0);
  await expect(page.getByRole("heading", { name: "Cellar, Top shelf" })).toBeVisible();
  await expect(page.locator("main")).toContainText("5 containers");
  await page.goto(`${own.url}/c/${seen[0]}`);
  await expect(page.locator("main")).toContainText("Not found when its shelf was counted");

  await page.goto(`${own.url}/larder`);
  await page.getByRole("searchbox").fill("pronghorn broth");
  await press(page, "Search");
  await expect(page.getByRole("region", { name: "Found" })).toContainText("6 containers");
  await page.getByRole("searchbox").fill("unicorn");
  await press(page, "Search");
  await expect(page.getByText("Nothing on the shelves is called “unicorn”.")).toBeVisible();

  // The calendar of best-by days, by another reader of the standard, and the stock by the interface.
  const ics = await (await page.request.get(`${own.url}/larder/best-by.ics`)).text();
  const events = new ICAL.Component(ICAL.parse(ics))
    .getAllSubcomponents("vevent")
    .map((e) => new ICAL.Event(e));
  expect(events.length).toBeGreaterThan(3);
  for (const e of events) expect(e.startDate.isDate).toBe(true);
  const stock = (await (await page.request.get(`${own.url}/api/v1/stock`)).json()) as {
    places: { standing: number }[];
    kinds: { sound: number; keptBack: number }[];
  };
  const standing = stock.places.reduce((n, p) => n + p.standing, 0);
  expect(standing).toBe(21);
  expect(stock.kinds.reduce((n, k) => n + k.sound + k.keptBack, 0)).toBe(standing);
  expect((await page.request.get(`${own.url}/api/v1/stock?room=Cellar`)).status()).toBe(422);

  // Prices are said in the household's own units and shown on each kind.
  await page.goto(`${own.url}/larder/eating`);
  await page.getByText("People and costs").click();
  await page.getByLabel("People at the table").fill("nobody");
  await press(page, "Save");
  await expect(page.getByText("How many people?")).toBeVisible();
  await page.getByLabel("People at the table").fill("4");
  await page.getByLabel("You would pay for a lb").fill("12");
  await press(page, "Save");
  await expect(page.locator("dl")).toContainText("meals for 4");
  await expect(page.locator("main")).toContainText(/cost \$\d+\.\d\d each, worth \$1\d\.\d\d to you/);
});
