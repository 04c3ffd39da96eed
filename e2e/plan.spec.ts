import { choose } from "./choose";
import type { Page } from "@playwright/test";
import ICAL from "ical.js";
import { expect, test, type Running } from "./server";

const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();
const loads = (page: Page) => page.getByRole("listitem", { name: /^Load \d+$/ });
const planSaid = (page: Page) =>
  page.getByRole("region", { name: "The loads" }).getByRole("heading", { level: 2 }).first();
const row = (page: Page, part: RegExp) => page.locator("main fieldset li", { hasText: part }).first();

/** Takes the cans out of the next load, which are not all exhausted yet, and leaves the jars. */
async function onlyJars(page: Page) {
  for (const box of await page.locator("input[name=packIds]").all()) await box.uncheck();
  await page.locator("label", { hasText: "wide-mouth pints" }).getByRole("checkbox").check();
}

async function planned(page: Page, server: Running) {
  await page.goto(`${server.url}/plan`);
  await expect(planSaid(page)).toContainText("the fewest found");
}

test("a plan is chosen, bound, moved about and told as a day", async ({ page, own }) => {
  await planned(page, own);
  const before = await loads(page).count();
  expect(before).toBeGreaterThan(1);
  // Each load is drawn from above with as many containers as it says.
  for (const load of await loads(page).all()) {
    const said = (await load.locator("li b").allTextContents()).reduce((n, t) => n + Number.parseInt(t), 0);
    expect(await load.locator("[data-canner=above] [data-container]").count()).toBe(said);
  }

  // Another size is planned at once.
  const into = row(page, /Hams of wild boar/).locator("select[name^='into.']");
  await into.focus();
  await into.selectOption("jar-quart wide");
  await expect(loads(page).filter({ hasText: "wide-mouth quart" }).first()).toBeVisible();
  await expect(loads(page).filter({ hasText: "90 min" }).first()).toBeVisible();
  // Whoever chooses by keyboard goes on from there.
  await expect(row(page, /Hams of wild boar/).locator("select[name^='into.']")).toBeFocused();
  await row(page, /Hams of wild boar/)
    .locator("select[name^='into.']")
    .selectOption("jar-pint regular");
  await expect(loads(page).filter({ hasText: "wide-mouth quart" })).toHaveCount(0);

  // One load is kept; it stays while the rest is planned anew.
  await loads(page).first().getByRole("button", { name: "Keep this load" }).click();
  await expect(page.getByText("kept as it is")).toHaveCount(1);
  await expect(planSaid(page)).toContainText("with what you have settled");
  await press(page, "Plan this load again");
  await expect(page.getByText("kept as it is")).toHaveCount(0);

  // A size is kept out of a canner, and allowed again.
  await loads(page)
    .first()
    .getByRole("button", { name: /^No pints in/ })
    .click();
  await press(page, /^Allow pints in .* again$/);
  await expect(planSaid(page)).toContainText("the fewest found");

  // Some of one load is sent to another that has room.
  const room = (await loads(page).allInnerTexts()).findIndex((t) => t.includes("Room for")) + 1;
  await page
    .getByRole("button", { name: `to load ${room}`, exact: true })
    .first()
    .click();
  await expect(page.getByText("kept as it is")).toHaveCount(1);

  // The same, dragged, on a screen tall enough to see both.
  await page.setViewportSize({ width: 1280, height: 2600 });
  await press(page, "Plan this load again");
  await expect(page.getByText("kept as it is")).toHaveCount(0);
  const from = await loads(page)
    .nth(room === 1 ? 1 : 0)
    .locator("li span b")
    .first()
    .boundingBox();
  const target = await loads(page)
    .nth(room - 1)
    .boundingBox();
  await page.mouse.move(from!.x + 5, from!.y + 5);
  await page.mouse.down();
  await page.mouse.move(from!.x + 30, from!.y - 30, { steps: 4 });
  await page.mouse.move(target!.x + 60, target!.y + 60, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByText("kept as it is")).toHaveCount(1);

  // What is to be laid out: lids by the box, salt, water.
  const out = page.getByRole("region", { name: "What you need" });
  await expect(out).toContainText(/\d+ from box \d/);
  await expect(out).toContainText("Salt");
});

test("loads that are known stand there from the first moment, and stay", async ({ page, own }) => {
  await planned(page, own);
  await page.addInitScript(() => {
    const seen = window as unknown as { waited: boolean };
    new MutationObserver(() => {
      if (document.body?.innerText.includes("Working out the loads")) seen.waited = true;
    }).observe(document, { childList: true, subtree: true });
  });
  // What draws the page comes late, as in a kitchen at the end of the network, and clocks tick meanwhile.
  await page.route(/\/assets\/.*\.js$/, async (route) => {
    await new Promise((done) => setTimeout(done, 150));
    await route.continue();
  });
  await page.reload();
  await page.waitForTimeout(2_500);
  await expect(loads(page).first()).toBeVisible();
  expect(await page.evaluate(() => (window as unknown as { waited?: boolean }).waited ?? false)).toBe(false);
});

test("the day forwards, backwards, later by a quarter of an hour, and as a calendar file", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/plan/day`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Done by");
  const bar = page.locator("[data-load]").first();
  await expect(bar).toBeVisible();

  // An end that would have had to begin in the past is refused, and what was typed stays.
  await page.getByRole("radio", { name: "finish by" }).check();
  await page.getByLabel("Day and hour").fill("2020-01-05T18:00");
  await press(page, "Plan the day");
  await expect(page.getByRole("alert").first()).toContainText("which is past");
  await expect(page.getByLabel("Day and hour")).toHaveValue("2020-01-05T18:00");

  const day = new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel("Day and hour").fill(`${day}T21:00`);
  await press(page, "Plan the day");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("9:00 PM");

  // Read again by another library than the one that wrote it.
  const text = await (await page.request.get(`${own.url}/plan/day.ics`)).text();
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[] as never);
  const events = calendar.getAllSubcomponents("vevent").map((c) => new ICAL.Event(c));
  expect(events.length).toBeGreaterThan(8);
  const ends = Math.max(...events.map((e) => e.endDate.toJSDate().getTime()));
  const local = new Intl.DateTimeFormat("en-GB", {
    timeZone: "America/Denver",
    hour: "2-digit",
    minute: "2-digit",
  });
  expect(local.format(ends)).toBe("21:00");
  for (const e of events) {
    expect(e.endDate.toJSDate().getTime()).toBeGreaterThan(e.startDate.toJSDate().getTime());
    expect(e.component.getAllSubcomponents("valarm")).toHaveLength(1);
  }
  expect(
    events.filter((e) => /lb|kPa/.test(e.description) && /2,300 ft/.test(e.description)).length,
  ).toBeGreaterThan(3);

  // A load is lit later, and then again as early as can be.
  await page.getByRole("button", { name: "load 1, 15 min" }).click();
  await expect(page.getByRole("button", { name: "As early as possible" })).toBeVisible();
  await press(page, "As early as possible");
  await expect(page.getByRole("button", { name: "As early as possible" })).toBeHidden();
});

test("the Shed: supplies counted, a canner measured, a look that stops a load", async ({ page, own }) => {
  await page.goto(`${own.url}/shed`);
  await page.getByText("Jars, lids or cans").click();
  await choose(page, "What", "lids wide");
  await page.getByLabel("Label (optional)").fill("box 9");
  await page.getByLabel("How many").fill("-3");
  await press(page, "Add to the Shed");
  await expect(page.getByText("there cannot be fewer than none")).toBeVisible();
  await expect(page.getByLabel("Label (optional)")).toHaveValue("box 9");
  await page.getByLabel("How many").fill("12");
  await press(page, "Add to the Shed");
  await expect(page.getByText("wide-mouth lids, box 9").first()).toBeVisible();

  await page.getByRole("link", { name: "Small canner" }).click();
  await page.getByLabel("Inside, across").fill("2 in");
  await press(page, "Save measurements");
  await expect(page.getByText(/A smaller pot is a cooker/)).toBeVisible();
  await page.getByLabel("Inside, across").fill("12 1/4 in");
  await page.getByLabel("Inside, height").fill("7 7/8 in");
  await press(page, "Save measurements");
  await expect(page.getByRole("heading", { name: "What it holds", exact: true })).toBeVisible();
  await expect(page.getByText("9 pints").first()).toBeVisible();
  await page.locator("li", { hasText: "Vent pipe" }).getByRole("button", { name: "Not OK" }).click();
  await expect(page.getByText("Do not run a load with it.")).toBeVisible();

  // Fire refuses the load, and says what would work.
  await page.goto(`${own.url}/fire`);
  await onlyJars(page);
  await page.getByLabel("Canner").selectOption({ label: "Small canner" });
  await page.getByRole("button", { name: "Load the canner" }).click();
  await expect(page.getByRole("alert").first()).toContainText("Vent pipe was not OK");
});

test("the equipment check is made from the load, tapped through, and kept with the run", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/fire`);
  await page.getByLabel("Canner").selectOption({ label: "Small canner" });
  await onlyJars(page);
  // Never fewer: on the load's own form, and by the address of the check.
  await page.getByLabel("Extra minutes").fill("-5");
  await press(page, "Load the canner");
  await expect(page.getByText("The scheduled minutes are never fewer.")).toBeVisible();
  await expect(page.getByLabel("Extra minutes")).toHaveValue("-5");
  await page.getByRole("link", { name: "Check the equipment first" }).click();
  await expect(page.getByText("The scheduled minutes are never fewer.")).toBeVisible();
  await page.goto(`${own.url}/fire`);
  await page.getByLabel("Canner").selectOption({ label: "Small canner" });
  await onlyJars(page);
  await page.getByLabel("Extra minutes").fill("5");
  await expect(page.getByText("75 + 5, your choice")).toBeVisible();
  await page.getByRole("link", { name: "Check the equipment first" }).click();
  await expect(page.getByText("75 + 5 = 80 min (your choice) at 15 lb")).toBeVisible();
  await expect(page.getByText("set to 15 lb: every piece of it on")).toBeHidden();
  await expect(page.getByText("Sealer set-up")).toHaveCount(0);
  const sound = page.getByRole("button", { name: "OK", exact: true });
  await expect(page.getByRole("heading", { name: /^0 of \d+ looked at$/ })).toBeVisible();
  let tapped = 0;
  while (await sound.isVisible()) {
    if (await page.getByText("set to 15 lb: every piece of it on").isVisible()) tapped = 100;
    await sound.click();
    tapped++;
  }
  expect(tapped).toBeGreaterThan(105);
  await press(page, "All checked: load the canner");
  await page.waitForURL(/\/fire\/.+/);
  await expect(page.getByText("75 + 5 = 80 min (your choice)").first()).toBeVisible();
  await page.getByText("Why these numbers, and what happened").click();
  await expect(page.getByText(/things looked at before lighting; all OK/)).toBeVisible();
});

test("a mixed dish: flour is refused with what to do instead; without it there are jars, and it is planned", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/plan/dishes`);
  await page
    .getByLabel("Ingredients, one per line")
    .fill("6 lb boar\n2 lb carrots\n3 qt broth\n1/2 lb flour");
  await expect(page.getByText("This cannot be canned")).toBeVisible();
  await page.getByLabel("Recipe name").fill("Gravy stew");
  await press(page, "Save recipe");
  await expect(
    page.getByText("thicken it when serving").or(page.getByText("thicken when serving")).first(),
  ).toBeVisible();
  await expect(page.getByLabel("Ingredients, one per line")).toHaveValue(/flour/);
  await page.getByLabel("Ingredients, one per line").fill("6 lb boar\n2 lb carrots\n2 onions\n3 qt broth");
  await expect(page.getByText("2 onions: counted as 10½ oz, at the usual weight.")).toBeVisible();
  await expect(page.getByText("Stewed meat and vegetables").first()).toBeVisible();
  await press(page, "Save recipe");
  await expect(page.getByText("Gravy stew").first()).toBeVisible();
  await page.goto(`${own.url}/plan`);
  await row(page, /Hams of wild boar/)
    .locator("select[name^='recipe.']")
    .selectOption({ label: "Gravy stew" });
  await expect(loads(page).filter({ hasText: "hams of wild boar, hot" }).first()).toBeVisible();
  // The bench packs the dish: each jar has its meat, its vegetables and its broth, and is no jar full of meat.
  const load = loads(page).filter({ hasText: "hams of wild boar, hot" }).first();
  const [, canner] = /Load \d+, (.+)/.exec(await load.innerText())!;
  await load.getByRole("button", { name: "Accept this common practice" }).click();
  await expect(load.getByRole("button", { name: "Accept this common practice" })).toHaveCount(0);
  await load.getByRole("button", { name: "Fill this load" }).click();
  await page
    .getByRole("group", { name: "Parts of this load, raw before hot" })
    .getByRole("button", { name: /hot hams/ })
    .first()
    .click();
  const each = page.getByRole("region", { name: /^What goes into each/ });
  await expect(each).toContainText("boar");
  await expect(each).toContainText("carrots");
  await expect(each).toContainText("onions");
  await expect(each).toContainText("broth");
  await page.getByLabel("Meat in it").fill("1 lb");
  await press(page, "Filled and lidded");
  await expect(page.getByText(/“Stewed meat and vegetables” does not cover that/)).toBeVisible();
  await expect(page.getByLabel("Meat in it")).toHaveValue("1 lb");
  // At the stove the load comes as it was planned: what was filled of it, in its canner.
  await page.getByLabel("Meat in it").fill("");
  await press(page, "Filled and lidded");
  await expect(page.getByText(/Write on lid 1:/)).toBeVisible();
  await press(page, "Stop here: nothing more goes in");
  await expect(page).toHaveURL(/fire/);
  await expect(page.getByLabel("Canner").locator("option:checked")).toContainText(canner!);
  await expect(page.getByRole("checkbox", { checked: true })).toHaveCount(1);
  await expect(page.getByRole("checkbox", { checked: true, name: /of Gravy stew, hot pack/ })).toBeVisible();
});

test("what cannot be planned is said on the plan itself", async ({ page, own }) => {
  await page.goto(`${own.url}/plan`);
  await row(page, /Hams of wild boar/)
    .locator("select[name^='into.']")
    .selectOption("can-half-pound");
  await expect(page.getByLabel("What could not be planned")).toContainText("no altitude row for cans");
  await expect(page.getByLabel("What could not be planned")).toContainText("glass jars");
  // A frozen lot may be planned, and says when it has to come out.
  await row(page, /Middle sections of pike/)
    .getByRole("checkbox")
    .check();
  await expect(page.getByRole("region", { name: "What you need" })).toContainText("thaws about");
  await page.goto(`${own.url}/plan/day`);
  await expect(page.getByText("will still be frozen in the middle")).toBeVisible();
});

test("POST capacity and plan answer by the published packings, and name each bad field", async ({ demo }) => {
  const post = (path: string, body: unknown) =>
    fetch(`${demo.url}/api/v1/${path}`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(body),
    });
  const pot = { insideDiameterMm: 311, usableHeightMm: 287, rackHeightMm: 5 };
  const capacity = (await (
    await post("capacity", { ...pot, gapMm: 3, container: { outsideDiameterMm: 82, heightMm: 130 } })
  ).json()) as { perLayer: number; layers: number; total: number; positions: unknown[] };
  expect([capacity.perLayer, capacity.layers, capacity.total, capacity.positions.length]).toEqual([
    9, 2, 18, 18,
  ]);
  const bad = await post("capacity", {
    ...pot,
    insideDiameterMm: -1,
    container: { outsideDiameterMm: 82 },
    extra: 1,
  });
  expect(bad.status).toBe(422);
  expect(((await bad.json()) as { errors: { field: string }[] }).errors.map((e) => e.field).sort()).toEqual([
    "container.heightMm",
    "extra",
    "insideDiameterMm",
  ]);
  const body = {
    altitudeFt: 2300,
    lots: [
      {
        id: "boar",
        massKg: 7.3,
        into: [{ container: "jar-pint", product: "red-meat-pieces", pack: "raw", kgEach: 0.455 }],
      },
    ],
    canners: [
      { id: "c", quarts: 16, insideDiameterMm: 311, usableHeightMm: 200, weightPiecesPsi: [5, 5, 5] },
    ],
  };
  const plan = (await (await post("plan", body)).json()) as {
    loads: { minutes: number; pressurePsi: number; parts: { count: number }[] }[];
    proven: string[];
  };
  expect(plan.loads.map((l) => [l.minutes, l.pressurePsi])).toEqual([
    [75, 15],
    [75, 15],
  ]);
  expect(plan.loads.reduce((n, l) => n + l.parts[0]!.count, 0)).toBe(16);
  expect(plan.proven).toContain("loads");
  const { altitudeFt: _, ...nowhere } = body;
  const lost = await post("plan", nowhere);
  expect(lost.status).toBe(422);
  expect(await lost.text()).toContain("no pressure is known");
  const half = await post("plan", {
    ...body,
    lots: [{ ...body.lots[0]!, into: [{ ...body.lots[0]!.into[0]!, container: "jar-half-gallon" }] }],
  });
  expect(half.status).toBe(422);
});
