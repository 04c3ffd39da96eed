import { expect, test } from "./server";
import { Newcomer } from "./newcomer";

/** Answers every item of the equipment check by itself. */
async function checkAll(n: Newcomer): Promise<number> {
  const { page } = n;
  const figure = page.getByTestId("step-figure");
  let items = 0;
  await expect(page.getByRole("heading", { name: "Check the equipment" })).toBeVisible();
  while (await page.getByRole("heading", { name: "Check the equipment" }).isVisible()) {
    const before = await figure.textContent();
    await n.answer("OK");
    items++;
    await expect(async () => {
      const still = await page.getByRole("heading", { name: "Check the equipment" }).isVisible();
      expect(still && (await figure.textContent()) === before).toBe(false);
    }).toPass();
  }
  return items;
}

test("a newcomer from an empty larder to the canner lit with 6 pints of venison, by the screen alone", async ({
  page,
  empty,
}) => {
  const n = new Newcomer(page);
  await page.goto(empty.url);
  await n.type("Altitude", "2,300 ft");
  await n.pick(/a weight/);
  await n.type("Your name", "Oda");
  await n.press("Show a schedule");
  await expect(page.getByRole("region", { name: "The schedule" })).toBeVisible();
  await n.press("Today", "link");
  await n.press("Can something", "link");
  await n.press(/^Game meat/, "link");
  await n.choose("Which animal", "white-tailed");
  await n.type("How much", "7 lb");
  await n.press("Go on to the jars");
  await n.type("How many", "6");
  await n.press("Can 6 pints");
  await n.press("All of it is here");
  expect(await checkAll(n)).toBeGreaterThan(10);
  await n.press("It is cut");
  for (let jar = 1; jar <= 6; jar++) {
    await expect(page.getByTestId("step-figure")).toContainText(`${jar} of 6`);
    await n.press("Filled and lidded");
  }
  await n.press(/refrigerat/i);
  await n.press("Jars are in: load the canner");
  await n.press("Burner is lit");
  await expect(page.getByRole("button", { name: "Steam is steady" })).toBeVisible();
  expect(n.presses).toBeLessThanOrEqual(25);
  expect(n.typed).toBeLessThanOrEqual(8);
});
