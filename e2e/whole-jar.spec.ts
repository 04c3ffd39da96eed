import type { Page } from "@playwright/test";
import { Forms } from "./forms";
import { expect, test } from "./server";

const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();

test("broth from an animal's own bones: made, poured, named in the jar's story, and stopped with the bones", async ({
  page,
  empty,
}) => {
  const house = await new Forms(empty).settle();
  const meat = await house.lot("wild-boar", "Shoulder", "9 lb");
  await house.done("/table", {
    harvestId: house.get("select id from harvest"),
    part: "Bones",
    form: "bones",
    inKg: "4 lb",
    confirmed: "yes",
  });
  const bones = house.get("select code from lot where form = 'bones'");
  await page.goto(`${empty.url}/cold/${bones}`);
  await page.getByLabel("Bones that went in").fill("4 lb");
  await page.getByLabel("Broth that came out").fill("3 qt");
  await press(page, "Make the broth");
  const broth = await (async () => {
    await expect.poll(() => house.get("select count(*) from lot where form = 'broth'")).toBe("1");
    return house.get("select code from lot where form = 'broth'");
  })();

  await page.goto(`${empty.url}/pack?lot=${meat}`);
  await expect(page.locator("html")).toHaveAttribute("data-unsent", "");
  await page.getByRole("radio", { name: /^hot/ }).check();
  await page.getByRole("radio", { name: "broth", exact: true }).check();
  await page.getByLabel("How many filled").fill("4");
  await page.getByLabel("Meat in them").fill("3 lb 10 oz");
  await press(page, "Record 4 filled jars");
  await expect(
    page.getByText("Say which broth: a lot of yours, or what was bought, by its name."),
  ).toBeVisible();
  await expect(page.getByLabel("Meat in them")).toHaveValue("3 lb 10 oz");
  await page.getByRole("radio", { name: new RegExp(`Broth of wild boar, ${broth}`) }).check();
  await press(page, "Record 4 filled jars");
  await expect(page.getByText("4 pints of wild boar, hot pack")).toBeVisible();
  const jar = house.get("select code from container order by number");

  // What is in the jar, and all the way back.
  await page.goto(`${empty.url}/c/${jar}`);
  await expect(page.getByText(new RegExp(`broth of lot ${broth}, 0\\.5 qt in all`))).toBeVisible();
  await expect(page.locator("main")).toContainText(bones);
  // A doubt about the bones stops the jar.
  await house.done(`/cold/${bones}`, { intent: "hold", kind: "doubt", condition: "They smelled" });
  await page.goto(`${empty.url}/c/${jar}`);
  await expect(page.getByText(/They smelled/).first()).toBeVisible();
  expect(
    (
      await house.pack(meat, {
        method: "hot",
        liquid: "broth",
        broth: house.get("select id from lot where form = 'broth'"),
      })
    ).words,
  ).toContain("on hold");
});

test("a recipe as people write it: half of it, for ten pints, kept, opened, renamed, filled, put away", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/plan/dishes`);
  await expect(page.locator("html")).toHaveAttribute("data-unsent", "");
  const lines = page.getByLabel("Ingredients, one per line");
  await lines.fill("4 lb boar\n2 onions\n5 cups broth\n1 tsp cloves");
  const scale = page.getByLabel("Scale the recipe");
  await scale.fill("twice");
  await press(page, "Scale recipe");
  await expect(page.getByText(/Write a number like ½ or 2/)).toBeVisible();
  await expect(scale).toHaveValue("twice");
  await scale.fill("1/2");
  await press(page, "Scale recipe");
  await expect(lines).toHaveValue("2 lb boar\n1 onion\n2.5 cups broth\n½ tsp cloves");
  await scale.fill("for 10 pints");
  await press(page, "Scale recipe");
  await expect(page.getByRole("listitem").filter({ hasText: /^10 pints,/ })).toBeVisible();
  await page.getByLabel("Recipe name").fill("Hollow stew");
  await press(page, "Save recipe");
  await expect(page.getByRole("heading", { level: 1, name: "Hollow stew" })).toBeVisible();
  const written = await lines.inputValue();
  expect(written).toMatch(/boar\n.* onions\n.* broth\n.* tsp cloves/);

  // Renamed, and the same lines again after a reload.
  await page.getByLabel("Recipe name").fill("Valley stew");
  await press(page, "Save changes");
  await expect(page.getByRole("heading", { level: 1, name: "Valley stew" })).toBeVisible();
  await page.reload();
  await expect(lines).toHaveValue(written);

  // To the bench: each jar by the recipe, its broth by its name.
  const from = page.getByLabel("Lot for the meat");
  const hams = await from.locator("option", { hasText: "Hams of wild boar" }).getAttribute("value");
  await from.selectOption(hams);
  await press(page, "Accept this common practice");
  await expect(page.getByRole("button", { name: "Accept this common practice" })).toHaveCount(0);
  await page.getByLabel("How many").fill("2");
  await press(page, "Start filling");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("1 of 2");
  const each = page.getByRole("region", { name: "What goes into each pint" });
  for (const what of ["boar", "onion", "broth"]) await expect(each).toContainText(what);
  await press(page, "Filled and lidded");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("2 of 2");
  const code = await page
    .getByText(/Write on lid 1:/)
    .locator(".code")
    .innerText();

  // While it is filled the recipe stays what it is.
  await page.goto(`${own.url}/plan/dishes`);
  const kept = page.getByRole("listitem").filter({ hasText: "Valley stew" });
  await kept.getByRole("button", { name: "Archive recipe" }).click();
  await expect(page.getByText(/A load of Valley stew is on the bench/)).toBeVisible();

  // The jar says what went into it.
  await page.goto(`${own.url}/c/${code}`);
  await expect(page.getByText("A mixed dish: Valley stew.")).toBeVisible();
  await expect(
    page.getByText(/In each: .*boar, .*broth, .*onion|In each: .*boar, .*onion.*, .*broth/),
  ).toBeVisible();
});

test("extra minutes of the household's own, and what was begun at Fire stays through the check and a reload", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/household`);
  await page.getByLabel("Extra minutes for every load").fill("61");
  await press(page, "Save settings");
  await expect(page.getByText("Add from 0 to 60 whole minutes.")).toBeVisible();
  await page.getByLabel("Extra minutes for every load").fill("5");
  await press(page, "Save settings");
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(`${own.url}/plan`);
  await expect(page.getByText("75 + 5 = 80 min (your choice)").first()).toBeVisible();
  await page.goto(`${own.url}/plan/day`);
  await expect(page.getByText(/75 \+ 5 = 80 min \(your choice\)/).first()).toBeVisible();

  await page.goto(`${own.url}/fire`);
  await expect(page.locator("html")).toHaveAttribute("data-unsent", "");
  // Nothing is chosen for anybody; the household's minutes stand there.
  await expect(page.getByRole("checkbox", { checked: true })).toHaveCount(0);
  await expect(page.getByLabel("Extra minutes")).toHaveValue("5");
  await expect(page.getByText("Choose the packs and the canner.")).toBeVisible();
  await page.getByRole("checkbox", { name: /wide-mouth pints/ }).check();
  await page.getByLabel("Canner").selectOption({ label: "Small canner" });
  await page.getByLabel("Extra minutes").fill("7");
  await page.getByRole("link", { name: "Check the equipment first" }).click();
  await expect(page.getByText(/75 \+ 7 = 82 min \(your choice\)/)).toBeVisible();
  await page.getByRole("button", { name: "OK", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^1 of \d+ looked at$/);
  await page.getByRole("button", { name: "OK", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^2 of \d+ looked at$/);
  await page.reload();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^2 of \d+ looked at$/);
  await page.getByRole("link", { name: "Back to Fire" }).click();
  await expect(page.getByLabel("Extra minutes")).toHaveValue("7");
  await expect(page.getByRole("checkbox", { name: /wide-mouth pints/ })).toBeChecked();
  await expect(page.getByLabel("Canner").locator("option:checked")).toContainText("Small canner");
});

test("a load that was given up is packed anew whole with one press", async ({ page, empty }) => {
  const house = await new Forms(empty).settle();
  await house.testGauge("0");
  const lot = await house.lot("wild-boar", "Shoulder", "9 lb");
  await house.pack(lot, { count: "4", massKg: "4 lb" });
  const code = await house.load();
  await house.stove(code, [
    [0, "heat-on"],
    [12, "steam-steady"],
  ]);
  await house.send(`/fire/${code}`, { type: "abort", reason: "The gas ran out" });
  await page.goto(`${empty.url}/rest`);
  const all = page.getByRole("region", { name: `All of run ${code}` });
  await expect(all).toContainText(`All 4 of run ${code}: not processed.`);
  await all.getByRole("button", { name: "Reprocess them all" }).click();
  await expect(all).toHaveCount(0);
  const lids = page.getByText(/to reprocess\. Write on the new lids/);
  expect((await lids.innerText()).match(/[2-9A-Z]{3}-[2-9A-Z]/g)).toHaveLength(5);
  await page.goto(`${empty.url}/fire`);
  await expect(page.getByText(/4 pints of wild boar, raw pack/).first()).toBeVisible();
});

test("stock of fish has no process by itself, and goes over no meat", async ({ page, empty }) => {
  const house = await new Forms(empty).settle();
  const meat = await house.lot("wild-boar", "Shoulder", "9 lb");
  await house.lot("lake-trout", "Sides", "4 lb");
  await house.done("/table", {
    harvestId: house.get("select id from harvest where species = 'lake-trout'"),
    part: "Frames",
    form: "bones",
    inKg: "2 lb",
    confirmed: "yes",
  });
  const bones = house.get("select code from lot where form = 'bones'");
  await house.done(`/cold/${bones}`, { intent: "broth", bonesKg: "2 lb", litres: "2 qt" });
  const broth = house.get("select id from lot where form = 'broth'");
  await page.goto(`${empty.url}/pack?lot=${broth}`);
  await expect(page.getByText("No tested process for this lot")).toBeVisible();
  await page.goto(`${empty.url}/pack?lot=${meat}`);
  await expect(page.locator("html")).toHaveAttribute("data-unsent", "");
  await page.getByRole("radio", { name: /^hot/ }).check();
  await page.getByRole("radio", { name: "broth", exact: true }).check();
  await page.getByRole("radio", { name: /Broth of lake trout/ }).check();
  await press(page, /^Record \d+ filled jars$/);
  await expect(page.getByText(/Fish stock makes it food with fish/)).toBeVisible();
});

test("what may not go into a jar is said at its field, and nothing of it is kept", async ({ empty }) => {
  const house = await new Forms(empty).settle();
  const lot = await house.lot("wild-boar", "Shoulder", "9 lb");
  const counts = () =>
    house.get("select (select count(*) from recipe) || ' ' || (select count(*) from pack)");
  // Each as somebody writes it, with the reason.
  const refused: [line: string, why: RegExp][] = [
    ["2 Tbsp flour", /flour|thicken/i],
    ["1 lb egg noodles", /noodles|pasta/i],
    ["1 cup cream", /dairy|milk|cream/i],
    ["1/2 lb corned beef", /cured/i],
    ["1 lb mashed potatoes", /mash/i],
    ["1 cup instant potato flakes", /mash|thick/i],
    ["1 lb refried beans", /mash|thick/i],
  ];
  for (const [line, why] of refused) {
    const lines = `3 lb boar\n${line}\n2 qt broth`;
    const answer = await house.send("/plan/dishes", {
      intent: "keep",
      dish: "stew",
      name: `With ${line}`,
      ingredients: lines,
    });
    expect([302, 422], line).toContain(answer.status);
    // It may be written down; what it may not is be canned, and the page says why at once.
    const page = answer.to ? await house.page(answer.to) : answer.words;
    expect(page, line).toMatch(why);
    expect(page, line).not.toContain("Start filling");
  }
  const kept = counts();
  const dry = await house.send("/plan/dishes", {
    intent: "keep",
    dish: "soup",
    name: "Dry",
    ingredients: "3 lb boar\n1 lb carrots",
  });
  expect(dry.to ? await house.page(dry.to) : dry.words).toMatch(/liquid/i);
  for (const count of ["0", "400", "2½"]) {
    const answer = await house.pack(lot, { count });
    expect(answer.status, count).toBe(422);
    expect(answer.words, count).toMatch(/At least one|At most 200|Write how many as a number|Whole/);
  }
  expect(counts().split(" ")[1]).toBe(kept.split(" ")[1]);
});

test("broth that is spoiled, held or not enough, and a lot that was thrown out meanwhile", async ({
  empty,
}) => {
  const house = await new Forms(empty).settle();
  const lot = await house.lot("wild-boar", "Shoulder", "9 lb");
  const code = house.get("select code from lot");
  await house.done("/table", {
    harvestId: house.get("select id from harvest"),
    part: "Bones",
    form: "bones",
    inKg: "4 lb",
    confirmed: "yes",
  });
  const bones = house.get("select code from lot where form = 'bones'");
  await house.done(`/cold/${bones}`, { intent: "broth", bonesKg: "4 lb", litres: "1 pt" });
  const brothId = house.get("select id from lot where form = 'broth'");
  const broth = house.get("select code from lot where form = 'broth'");
  const poured = (more = {}) => house.pack(lot, { method: "hot", liquid: "broth", broth: brothId, ...more });
  const much = await poured({ count: "8", massKg: "7 lb" });
  expect(much.status).toBe(422);
  expect(much.words).toMatch(new RegExp(`Lot ${broth} holds .*and these take about`));

  // On the bench already as the meat is thrown out: nothing more is filled from it.
  const begun = await house.pack(lot, { oneByOne: "yes" });
  expect(begun.to).toMatch(/^\/pack\//);
  await house.done(`/cold/${code}`, { intent: "leave", kind: "discard", massKg: "9 lb" });
  const filled = await house.send(begun.to!, { intent: "fill", part: "0", weight: "1 lb" });
  expect(filled.status).toBe(422);
  expect(filled.words).toMatch(/Lot \S+ holds 0 oz more|Nothing is left of lot/);

  await house.done(`/cold/${broth}`, { intent: "leave", kind: "discard", massKg: "1 lb" });
  const other = await house.lot("wild-boar", "Neck", "4 lb");
  const spoiled = await house.pack(other, { method: "hot", liquid: "broth", broth: brothId });
  expect(spoiled.status).toBe(422);
  expect(spoiled.words).toMatch(/holds|on hold|Nothing is left/);
  expect(house.get("select count(*) from container")).toBe("0");
});

test("two people fill one load at once: every jar has its own number and code, and the weights agree", async ({
  browser,
  empty,
}) => {
  const house = await new Forms(empty).settle();
  const lot = await house.lot("wild-boar", "Shoulder", "9 lb");
  const { to } = await house.pack(lot, { oneByOne: "yes", count: "6", massKg: "6 lb" });
  const pages = await Promise.all([browser.newPage(), browser.newPage()]);
  for (const page of pages) {
    await page.goto(`${empty.url}${to}`);
    await expect(page.getByRole("heading", { level: 1 })).toHaveText("1 of 6");
    await expect(page.locator("html")).toHaveAttribute("data-unsent", "");
  }
  for (let n = 0; n < 3; n++)
    await Promise.all(
      pages.map(async (page) => {
        await page.getByLabel("Meat in it").fill("1 lb");
        await press(page, /^Filled/);
        await expect(page.getByLabel("Meat in it")).toHaveValue("");
      }),
    );
  await expect.poll(() => house.get("select count(*) from container")).toBe("6");
  expect(house.get("select group_concat(number) from (select number from container order by number)")).toBe(
    "1,2,3,4,5,6",
  );
  expect(house.get("select count(distinct code) from container")).toBe("6");
  expect(
    house.get("select round((select sum(mass_kg) from pack_lot) - (select sum(mass_kg) from container), 6)"),
  ).toBe("0");
  // Both see that it is full, without being told.
  for (const page of pages) await expect(page.getByText(/6 of 6|packed/i).first()).toBeVisible();
  for (const page of pages) await page.close();
});
