/** Whole kitchens: from what was brought home to a container with its label and its history. */
import type { Page } from "@playwright/test";
import { Forms } from "./forms";
import { textOf } from "./pdf";
import { expect, test, type Running } from "./server";

const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();
const ready = (page: Page) => expect(page.locator("html")).toHaveAttribute("data-unsent", "");

/** A canner that takes two layers of pints, as measured. */
const BIG = {
  name: "Big canner",
  quarts: "23",
  pieces: "5 10 15",
  inside: "12.25 in",
  height: "11.3 in",
  racks: "2",
};

/** A household with a canner of a size and gauge of its own, at an altitude of its own. */
async function kitchen(
  server: Running,
  canner: Record<string, string>,
  altitude = "2,300 ft",
): Promise<Forms> {
  const house = await new Forms(server).settle({ altitude, gauge: "weighted" });
  await house.done("/shed", { gauge: "weighted", safeMax: "20 lb", ...canner });
  return house;
}

/** Looks at every seal of a run, the first of them bad where that is wanted, and adds a shelf. Returns their codes. */
async function toTheShelf(page: Page, house: Forms, run: string, failing = 0): Promise<string[]> {
  await page.goto(`${house.server.url}/rest`);
  await ready(page);
  const section = page.getByRole("region", { name: new RegExp(run) });
  const codes = await section.locator("li .code").allTextContents();
  const numbered = codes.filter((c) => /^[2-9A-Z]{3}-[2-9A-Z]$/.test(c));
  for (const [i, code] of numbered.entries())
    await press(page, i < failing ? `${code}: it flexes` : `${code}: lid is down`);
  await expect(page.getByRole("button", { name: /^\S+: lid is down$/ })).toHaveCount(0);
  await house.done("/larder", { intent: "add", room: "Cellar", name: "Top" });
  return numbered;
}

/** Loads what is chosen at Fire. Returns the code of its run. */
async function loadCanner(page: Page): Promise<string> {
  await press(page, "Load the canner");
  await expect(page).toHaveURL(/fire\/.+/);
  return page.url().split("/").at(-1)!;
}

/** The words on the label of a jar. */
async function labelOf(server: Running, code: string): Promise<string> {
  const pdf = await fetch(`${server.url}/larder/labels.pdf?of=${code}`);
  return textOf(Buffer.from(await pdf.arrayBuffer()));
}

/** The whole of a run as everybody does it, watched the whole time, to the end of its rest. */
async function processed(house: Forms, run: string, minutes: number): Promise<void> {
  const looks = Array.from({ length: Math.floor(minutes / 10) }, () => [10, "weight-rocking"] as const);
  await house.stove(run, [
    [0, "heat-on"],
    [12, "steam-steady"],
    [10, "weight-on"],
    [4, "weight-rocking"],
    ...looks,
    [(minutes % 10) + 1, "weight-rocking"],
    [0, "heat-off"],
    [45, "pressure-zero"],
    [0, "lock-down"],
    [0, "weight-off"],
    [10, "lid-off"],
    [1, "unloaded"],
  ]);
  await house.server.pass(12 * 60 + 1);
}

test("cooked wild turkey in pints with broth from its own bones, and quarter-pints with water, in one load", async ({
  page,
  empty,
}) => {
  const house = await kitchen(empty, BIG);
  const meat = await house.lot("wild-turkey", "Breast", "9 lb");
  const code = house.get("select code from lot");
  await house.done("/table", {
    harvestId: house.get("select id from harvest"),
    part: "Carcass bones",
    form: "bones",
    inKg: "4 lb",
    confirmed: "yes",
  });
  const bones = house.get("select code from lot where form = 'bones'");
  await house.done(`/cold/${bones}`, { intent: "broth", bonesKg: "4 lb", litres: "3 qt" });
  const broth = house.get("select code from lot where form = 'broth'");
  await house.done(`/cold/${code}`, { intent: "change", kind: "cook", afterKg: "6 lb" });

  // Cooked meat is a hot pack: raw is refused, and nothing is lost.
  await page.goto(`${empty.url}/pack?lot=${meat}`);
  await ready(page);
  await page.getByRole("radio", { name: /^raw/ }).check();
  await page.getByLabel("How many filled").fill("3");
  await page.getByLabel("Meat in them").fill("2 lb 12 oz");
  await press(page, "Record 3 filled jars");
  await expect(page.getByText(`Lot ${code} is cooked. Cooked food is a hot pack.`)).toBeVisible();
  await expect(page.getByLabel("Meat in them")).toHaveValue("2 lb 12 oz");
  await page.getByRole("radio", { name: /^hot/ }).check();
  await page.getByRole("radio", { name: "broth", exact: true }).check();
  await page.getByRole("radio", { name: new RegExp(broth) }).check();
  await press(page, "Record 3 filled jars");
  await expect(page.getByText("3 pints of wild turkey, hot pack")).toBeVisible();
  const small = await house.pack(meat, {
    product: "poultry-rabbit-boneless",
    method: "hot",
    container: "jar-quarter-pint regular",
    count: "4",
    massKg: "13 oz",
    liquid: "water",
    confirmed: "yes",
  });
  expect(small.status, small.words.slice(0, 500)).toBe(302);

  await page.goto(`${empty.url}/fire`);
  await ready(page);
  for (const box of await page.locator("[name=packIds]").all()) await box.check();
  await page.getByLabel("Canner").selectOption({ label: "Big canner" });
  await expect(page.getByRole("region", { name: "The load's schedule" })).toContainText("75");
  const run = await loadCanner(page);
  await processed(house, run, 75);
  const [jar] = await toTheShelf(page, house, run);
  await page.goto(`${empty.url}/c/${jar}`);
  const story = page.locator("main");
  await expect(story).toContainText(new RegExp(`broth of lot ${broth}`));
  await expect(story).toContainText(bones);
  await expect(story).toContainText("Wild turkey taken");
});

test("hare soup in pints by its recipe, half solids and half liquid, with its label", async ({
  page,
  empty,
}) => {
  const house = await kitchen(empty, BIG);
  await house.lot("hare", "Meat off the bone", "5 lb");
  await page.goto(`${empty.url}/plan/dishes`);
  await ready(page);
  await page.getByRole("radio", { name: /soup/i }).check();
  await page
    .getByLabel("Ingredients, one per line")
    .fill("2 lb hare\n1 lb carrots\n2 onions\n1 lb potatoes\n3 qt chicken broth\n1 tsp salt");
  await page.getByLabel("Scale the recipe").fill("for 10 pints");
  await press(page, "Scale recipe");
  await page.getByLabel("Recipe name").fill("Hare soup");
  await press(page, "Save recipe");
  await expect(page.getByRole("heading", { level: 1, name: "Hare soup" })).toBeVisible();
  const from = page.getByLabel("Lot for the meat");
  await from.selectOption(await from.locator("option", { hasText: "hare" }).getAttribute("value"));
  await press(page, "Start filling");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("1 of 10");
  // Each pint asks for its share of the meat, and not for a jar full of it.
  const each = page.getByRole("region", { name: "What goes into each pint" });
  await expect(each).toContainText("hare");
  await expect(each).toContainText("broth");
  await page.getByLabel("Meat in it").fill("1 lb");
  await press(page, /^Filled/);
  await expect(page.getByText(/does not cover that\. Take meat out, or pack it as plain food/)).toBeVisible();
  await expect(page.getByLabel("Meat in it")).toHaveValue("1 lb");
  await page.getByLabel("Meat in it").fill("");
  for (let n = 1; n <= 10; n++) {
    await press(page, /^Filled/);
    await expect(page.getByText(new RegExp(`Write on lid ${n}:`))).toBeVisible();
  }
  await press(page, /^(Finish this load|Stop here)/);
  await expect(page).toHaveURL(/fire/);
  // Many run it for 75 minutes: one tap, and the label says which of them were the table's.
  await ready(page);
  await page.getByLabel("Canner").selectOption({ label: "Big canner" });
  await expect(page.getByText("Many people add: 75 minutes.")).toBeVisible();
  await press(page, "Add 15 minutes");
  await expect(page.getByLabel("Extra minutes")).toHaveValue("15");
  const run = await loadCanner(page);
  await processed(house, run, 75);
  const [jar] = await toTheShelf(page, house, run);
  await page.goto(`${empty.url}/c/${jar}`);
  await expect(page.getByText("A mixed dish: Hare soup.")).toBeVisible();
  expect(await labelOf(empty, jar!)).toMatch(/Hare soup[^]*60 \+ 15 min/);
});

test("chilli in twelve pints with four pints of raw meat in two layers: signed for, and one fails", async ({
  page,
  empty,
}) => {
  const house = await kitchen(empty, BIG);
  await house.lot("pronghorn", "Ground", "7 lb");
  await house.lot("wild-boar", "Shoulder", "5 lb");
  await house.done("/plan/dishes", {
    intent: "keep",
    dish: "chilli",
    name: "Valley chili",
    ingredients:
      "3 kg ground pronghorn\n3 cups dry beans, soaked\n1 lb onions\n2 qt crushed tomatoes\n3 Tbsp chili powder",
  });
  await page.goto(`${empty.url}/plan/dishes`);
  await page.getByRole("link", { name: "Valley chili" }).click();
  await ready(page);
  const from = page.getByLabel("Lot for the meat");
  await from.selectOption(await from.locator("option", { hasText: "pronghorn" }).getAttribute("value"));
  await page.getByLabel("How many").fill("12");
  await press(page, "Start filling");
  for (let n = 1; n <= 12; n++) {
    await press(page, /^Filled/);
    await expect(page.getByText(new RegExp(`Write on lid ${n}:`))).toBeVisible();
  }
  await press(page, /^(Finish this load|Stop here)/);
  await expect(page).toHaveURL(/fire/);
  const raw = await house.pack(house.get("select id from lot where part = 'Shoulder'"), {
    count: "4",
    massKg: "4 lb",
  });
  expect(raw.status).toBe(302);
  await page.goto(`${empty.url}/fire`);
  await ready(page);
  for (const box of await page.locator("[name=packIds]").all()) await box.check();
  await page.getByLabel("Canner").selectOption({ label: "Big canner" });
  await expect(page.getByRole("img", { name: /^Layer 2 from above/ })).toBeVisible();
  await press(page, "Load the canner");
  await expect(page.getByText(/no published process has both in one canner/).first()).toBeVisible();
  await page.getByLabel("Go ahead anyway: write why").fill("one fire for both, hot jars in last");
  await page.getByRole("checkbox", { name: /raw jars are in first/ }).check();
  const run = await loadCanner(page);
  await processed(house, run, 75);
  const [failed, whole] = await toTheShelf(page, house, run, 1);
  await page.goto(`${empty.url}/c/${whole}`);
  await expect(page.locator("main")).toContainText("one fire for both, hot jars in last");
  await page.goto(`${empty.url}/c/${failed}`);
  await expect(page.locator("main")).toContainText(/flex/);
});

test("eleven pints at 5,000 ft, some hot and some raw, on a canner with a dial and a 15-lb weight", async ({
  page,
  empty,
}) => {
  const house = await kitchen(
    empty,
    { ...BIG, name: "Tall canner", pieces: "15", gauge: "both" },
    "5,000 ft",
  );
  const lot = await house.lot("wild-boar", "Shoulder", "14 lb");
  expect((await house.pack(lot, { count: "6", massKg: "6 lb" })).status).toBe(302);
  const hot = await house.pack(lot, { count: "5", massKg: "4 lb 6 oz", method: "hot", liquid: "water" });
  expect(hot.status, hot.words.slice(0, 300)).toBe(302);
  await page.goto(`${empty.url}/fire`);
  await ready(page);
  for (const box of await page.locator("[name=packIds]").all()) await box.check();
  await page.getByLabel("Canner").selectOption({ label: "Tall canner" });
  const schedule = page.getByRole("region", { name: "The load's schedule" });
  await expect(schedule).toContainText("15");
  await expect(schedule).toContainText("by the weight");
  await page.getByRole("checkbox", { name: /raw jars are in first, hot jars go in last/ }).check();
  const run = await loadCanner(page);
  await processed(house, run, 75);
  const codes = await toTheShelf(page, house, run);
  expect(codes).toHaveLength(11);
  await page.goto(`${empty.url}/fire/${run}/record`);
  await expect(page.getByText(/The water is at about 140 °F/)).toBeVisible();
  await page.goto(`${empty.url}/c/${codes[0]}`);
  await expect(page.locator("main")).toContainText("75 minutes at 15 lb or more");
});

test("53 lb in quarts over two canners with five extra minutes, filled up with a jar of water", async ({
  page,
  empty,
}) => {
  const house = await kitchen(empty, { ...BIG, minLoad: "4" });
  await house.done("/shed", {
    name: "Other canner",
    quarts: "16",
    gauge: "weighted",
    pieces: "5 10 15",
    safeMax: "20 lb",
  });
  await house.lot("wild-boar", "Shoulder", "53 lb");
  await page.goto(`${empty.url}/household`);
  await ready(page);
  await page.getByLabel("Extra minutes for every load").fill("5");
  await press(page, "Save settings");
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(`${empty.url}/plan`);
  await ready(page);
  const row = page.locator("main fieldset li", { hasText: "Shoulder" }).first();
  await row.getByRole("checkbox").check();
  await row.getByRole("combobox").first().selectOption("jar-quart regular");
  await expect(page.getByText("90 + 5 = 95 min (your choice)").first()).toBeVisible();
  await expect(page.getByRole("heading", { level: 2, name: /Big canner/ }).first()).toBeVisible();
  await expect(page.getByRole("heading", { level: 2, name: /Other canner/ }).first()).toBeVisible();

  // Three quarts of it in a canner that is made for four: filled up with a jar of water.
  const lot = house.get("select id from lot");
  const packed = await house.pack(lot, { container: "jar-quart regular", count: "3", massKg: "6 lb" });
  expect(packed.status, packed.words.slice(0, 300)).toBe(302);
  await page.goto(`${empty.url}/fire`);
  await ready(page);
  await page.locator("[name=packIds]").check();
  await page.getByLabel("Canner").selectOption({ label: "Big canner" });
  await expect(page.getByText(/made for at least 4 containers, and this load has 3/)).toBeVisible();
  await page.getByLabel("How many").fill("1");
  await expect(page.getByText(/made for at least 4 containers/)).toHaveCount(0);
  await expect(page.getByRole("img", { name: /4 containers, 1 of water/ })).toBeVisible();
  const run = await loadCanner(page);
  await processed(house, run, 95);
  const codes = await toTheShelf(page, house, run);
  expect(codes).toHaveLength(3);
  await page.goto(`${empty.url}/fire/${run}/record`);
  await expect(page.getByText("1 quart of water, not stock")).toBeVisible();
  await expect(page.getByText(/90 \+ 5 = 95 min/).first()).toBeVisible();
  expect(await labelOf(empty, codes[0]!)).toMatch(/90 \+ 5 min at 15 lb/);
});
