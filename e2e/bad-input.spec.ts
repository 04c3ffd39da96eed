import { expect, test, type Running } from "./server";
import type { Page } from "@playwright/test";
import { choose } from "./choose";

/** Status of the page's last form post, watched while `work` sends it. */
async function statusOf(page: Page, work: () => Promise<void>): Promise<number> {
  const answer = page.waitForResponse((r) => r.request().method() === "POST");
  await work();
  return (await answer).status();
}

const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();

async function settle(page: Page, empty: Running) {
  await page.goto(empty.url);
  await page.getByLabel("Altitude").fill("2,300 ft");
  await page.getByLabel("Your name").fill("Oda");
  await press(page, "Show a schedule");
  await page.waitForURL(/ask/);
}

test("an altitude of 29,000 ft: at the field, with what was probably meant, and nothing typed is lost", async ({
  page,
  empty,
}) => {
  await page.goto(empty.url);
  await page.getByLabel("Altitude").fill("29,000 ft");
  await page.getByLabel("Your name").fill("Oda");
  await page.getByRole("radio", { name: /a weight/ }).check();
  expect(await statusOf(page, () => press(page, "Show a schedule"))).toBe(422);
  await expect(page.getByText("Nobody keeps a kitchen at 29,000 ft")).toContainText("Was it 2,900 ft?");
  await expect(page.getByLabel("Altitude")).toHaveAttribute("aria-invalid", "true");
  await expect(page.getByLabel("Altitude")).toHaveValue("29,000 ft");
  await expect(page.getByLabel("Your name")).toHaveValue("Oda");
  await expect(page.getByRole("radio", { name: /a weight/ })).toBeChecked();
  // Nothing was half saved: it is still the first visit.
  await page.goto(empty.url);
  await expect(page).toHaveURL(/welcome/);
});

test("zero, negative and absurd weights; an unlikely one is asked about once", async ({ page, empty }) => {
  await settle(page, empty);
  await page.goto(`${empty.url}/field`);
  await choose(page, "Animal or catch", "grouse");
  for (const [typed, message] of [
    ["0", "Weight must be more than 0."],
    ["-3 lb", "A weight cannot be below zero."],
    ["heavy", "does not read as a weight"],
    ["11 psi", "measures a pressure"],
  ] as const) {
    await page.getByLabel("Weight (optional)").fill(typed);
    expect(await statusOf(page, () => press(page, "Add animal or catch"))).toBe(422);
    await expect(page.getByText(message)).toBeVisible();
    await expect(page.getByLabel("Weight (optional)")).toHaveValue(typed);
  }
  await page.getByLabel("Weight (optional)").fill("40 lb");
  expect(await statusOf(page, () => press(page, "Add animal or catch"))).toBe(422);
  await expect(page.getByText("40 lb is heavy for one grouse. Is it right?")).toBeVisible();
  await press(page, "Yes, that is right");
  await expect(page.locator("main li")).toContainText("40 lb");
});

test("what is said against a field goes when it is changed, and comes again when it is sent as wrong again", async ({
  page,
  empty,
}) => {
  await settle(page, empty);
  await page.goto(`${empty.url}/field`);
  await choose(page, "Animal or catch", "pronghorn");
  const weight = page.getByLabel("Weight (optional)");
  for (let sent = 0; sent < 2; sent++) {
    await weight.fill("0 lb");
    expect(await statusOf(page, () => press(page, "Add animal or catch"))).toBe(422);
    await expect(page.getByText("Weight must be more than 0.")).toBeVisible();
    await expect(weight).toHaveAttribute("aria-invalid", "true");
    await weight.fill("60 lb");
    await expect(page.getByText("Weight must be more than 0.")).toHaveCount(0);
    await expect(weight).not.toHaveAttribute("aria-invalid");
  }
});

test("an unknown animal, and a day in the future", async ({ page, empty }) => {
  await settle(page, empty);
  await page.goto(`${empty.url}/field`);
  expect(await statusOf(page, () => press(page, "Add animal or catch"))).toBe(422);
  await expect(page.getByText("The animal is missing.")).toBeVisible();
  await page.goto(`${empty.url}/table?harvest=no-such-animal`);
  await expect(page.getByText("That animal is not in the records. Choose one from the list.")).toBeVisible();
});

test("a lot on hold cannot be packed, by hand or by a forged form", async ({ page, demo, request }) => {
  await page.goto(`${demo.url}/cold`);
  const held = page.locator("li", { hasText: "on hold: trichinella test result" });
  await expect(held.getByRole("link", { name: "Pack" })).toHaveCount(0);
  const id = await held.locator("input[name=lotId]").inputValue();
  const answer = await request.post(`${demo.url}/pack`, {
    form: {
      key: crypto.randomUUID(),
      lotId: id,
      product: "red-meat-pieces",
      method: "raw",
      container: "jar-pint regular",
      count: "2",
      massKg: "2 lb",
      liquid: "none",
    },
  });
  expect(answer.status()).toBe(409);
  expect(await answer.text()).toContain("is on hold (trichinella test result)");
});

test("more meat than the lot holds, part-filled jars, and quart tuna are refused at the field", async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/cold`);
  await page.locator("li", { hasText: "Hams of wild boar" }).getByRole("link", { name: "Pack" }).click();
  await page.getByLabel("How many filled").fill("90");
  await page.getByLabel("Meat in them").fill("95 lb");
  expect(await statusOf(page, () => press(page, /Record 90 filled jars/))).toBe(422);
  await expect(page.getByText(/holds .* and this is 95 lb/)).toBeVisible();
  await expect(page.getByLabel("Meat in them")).toHaveValue("95 lb");
  await page.getByLabel("How many filled").fill("2.5");
  await page.getByLabel("Meat in them").fill("2 lb");
  expect(await statusOf(page, () => press(page, /^Record .* filled/))).toBe(422);
  await expect(page.getByText("Whole containers only")).toBeVisible();
  await page.goto(`${demo.url}/ask?what=tuna&container=jar-quart`);
  await expect(page.getByText("No tested process", { exact: true })).toBeVisible();
});

test("pressure typed in the wrong unit: the likely reading is offered", async ({ page, demo }) => {
  await page.goto(`${demo.url}/fire`);
  await page.getByRole("link", { name: "Go to the stove" }).first().click();
  const clock = await page.getByTestId("stove-title").textContent();
  await press(page, "Type it");
  await page.getByRole("textbox", { name: "Reading" }).fill("92");
  // Said at once, by the page itself: the larder may be out of reach.
  await press(page, "Record reading");
  await expect(page.getByRole("dialog")).toContainText(
    "No canner shows 92 lb. Did you mean 92 kPa, which is 13.3 lb?",
  );
  await expect(page.getByRole("textbox", { name: "Reading" })).toHaveValue("92");
  await press(page, "Back");
  await expect(page.getByTestId("stove-title")).toHaveText(clock!);
  // A page without its script is told the same by the larder.
  const plain = await page.request.post(page.url(), {
    form: { key: "00000000-0000-4000-8000-000000000092", type: "reading", reading: "92" },
    headers: { Origin: demo.url },
  });
  expect(plain.status()).toBe(422);
});

test("a run by a dial that was never tested needs a signed reason, which stays with it", async ({
  page,
  empty,
}) => {
  await settle(page, empty);
  await page.goto(`${empty.url}/field`);
  await choose(page, "Animal or catch", "pronghorn");
  await page.getByLabel("Weight (optional)").fill("60 lb");
  await press(page, "Add animal or catch");
  await page.getByRole("link", { name: "Cut into lots" }).click();
  await page.getByLabel("Name").fill("Neck");
  await page.getByLabel("Weight in").fill("5 lb");
  await page.getByLabel("Weight out").fill("4 lb");
  await press(page, "Make the lot");
  await page.getByRole("link", { name: "Pack" }).last().click();
  await page.getByLabel("How many filled").fill("2");
  await press(page, /Record 2 filled jars/);
  await expect(page).toHaveURL(/#waiting/);
  await page.goto(`${empty.url}/fire`);
  await expect(page.getByText("never been tested")).toBeVisible();
  expect(await statusOf(page, () => press(page, "Load the canner"))).toBe(422);
  await expect(page.getByRole("alert").first()).toContainText("never been tested");
  await page.getByLabel("Why you go ahead anyway").fill("tested at the fair on Saturday");
  await press(page, "Load the canner");
  await expect(page).toHaveURL(/fire\/.+/);
  await page.getByText("Why these numbers, and what happened").click();
  await expect(page.locator("aside")).toContainText("used anyway: tested at the fair on Saturday");
});

test("a code with one wrong character: the one that was meant is named only when it is proven", async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/larder`);
  const code = (await page.locator("section .code").first().textContent())!;
  const answer = await page.goto(`${demo.url}/find?code=${`0${code.slice(1)}`}`);
  expect(answer!.status()).toBe(422);
  await expect(page.locator("#code-problem")).toContainText(`Most likely it was ${code}`);
  await page.getByRole("link", { name: `Open ${code}` }).click();
  await expect(page.getByRole("heading", { name: `History of ${code}` })).toBeVisible();
  await page.goto(`${demo.url}/find?code=00${code.slice(2)}`);
  await expect(page.locator("#code-problem")).toContainText("Codes never use 0");
  await expect(page.getByRole("link", { name: /^Open/ })).toHaveCount(0);
});

test("cans: not before 170 °F, not before an accepted seam, and not beside jars", async ({ page, demo }) => {
  await page.goto(`${demo.url}/seam`);
  await expect(page.getByText("whose seam was bad")).toBeVisible();
  await page.getByLabel("Center of the meat").fill("90 F");
  await press(page, "Record temperature");
  await expect(page.getByText("Last: 90 °F. Not hot enough yet.")).toBeVisible();
  await page.getByLabel("Center of the meat").fill("1700");
  expect(await statusOf(page, () => press(page, "Record temperature"))).toBe(422);
  await expect(page.getByText("Read the probe again")).toBeVisible();
  await expect(page.getByLabel("Center of the meat")).toHaveValue("1700");
  await page.getByLabel("Center of the meat").fill("77 °C");
  await press(page, "Record temperature");
  const yes = page.getByRole("button", { name: "Yes, it is in the meat" });
  await expect(yes.or(page.getByRole("button", { name: "Seam is good" }))).toBeVisible();
  if (await yes.isVisible()) await yes.click();
  await press(page, "Seam is good");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("6 of 8 closed");

  // Two cans are still open: neither they nor a mixture with jars goes into a canner.
  await page.goto(`${demo.url}/fire`);
  await page.getByLabel("Canner").selectOption({ label: "Small canner" });
  await page.getByRole("checkbox", { name: /half-pound cans/ }).check();
  await page.getByRole("checkbox", { name: /wide-mouth pints/ }).check();
  await expect(page.getByRole("region", { name: "The load's schedule" })).toContainText(
    "Cans and jars may not share a run",
  );
  await page.getByRole("checkbox", { name: /wide-mouth pints/ }).uncheck();
  const schedule = page.getByRole("region", { name: "The load's schedule" });
  await expect(schedule).toContainText("95");
  await expect(schedule).toContainText("Hollin valley office");
  expect(await statusOf(page, () => press(page, "Load the canner"))).toBe(409);
  await expect(
    page.getByText(/exhaust to 170 °F \(77 °C\) at the center, seam it and accept the seam first/),
  ).toBeVisible();
});
