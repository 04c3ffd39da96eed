import { expect, test } from "./server";

test("a child looks and taps, a guest looks; what is beyond them says who can, and nothing is lost", async ({
  page,
  own,
}) => {
  // The household's eldest says who may do what.
  await page.goto(`${own.url}/household`);
  const add = async (name: string, may: string) => {
    await page.getByLabel("Add a person").fill(name);
    await page.getByLabel("May").selectOption({ label: may });
    await page.getByRole("button", { name: "Add person" }).click();
    await expect(page.getByRole("button", { name, exact: true })).toBeVisible();
  };
  await add("Nell", "look and tap");
  await add("Visitor", "only look");
  await page.goto(`${own.url}/household/access`);
  const rights = page.locator("section", {
    has: page.getByRole("heading", { name: "What each person may do" }),
  });
  await expect(rights).toContainText("Nell may look and tap");
  await expect(rights).toContainText("Anyone can choose a name without a PIN.");

  const be = async (name: string) => {
    await page.goto(`${own.url}/household`);
    await page.getByRole("button", { name, exact: true }).click();
    await expect(page.getByRole("button", { name, exact: true })).toHaveAttribute("aria-pressed", "true");
  };
  await own.pass(9 * 60);
  // She presses lids, and cannot change the household.
  await be("Nell");
  await page.goto(`${own.url}/rest`);
  const lids = page.getByRole("button", { name: "Lid is down" });
  const before = await lids.count();
  await lids.first().click();
  await expect(lids).toHaveCount(before - 1);
  await page.goto(`${own.url}/household`);
  await page.getByLabel("Name", { exact: true }).fill("Mine now");
  await page.getByRole("button", { name: "Save settings" }).click();
  await expect(page.getByText("You may look and tap. Ask somebody who may do everything.")).toBeVisible();
  await expect(page.getByLabel("Name", { exact: true })).toHaveValue("Mine now");
  // Nor give herself more.
  await page.goto(`${own.url}/household/access`);
  await rights.getByLabel("Person").selectOption({ label: "Nell" });
  await rights.getByLabel("May").selectOption({ label: "do everything" });
  await rights.getByRole("button", { name: "Save what they may do" }).click();
  await expect(rights).toContainText("You may look and tap. Ask somebody who may do everything.");

  // A guest sees it all, and a press changes nothing.
  await page.goto(`${own.url}/household`);
  await page.getByRole("button", { name: "Visitor", exact: true }).click();
  // What she typed is asked about once, and kept.
  await page.getByRole("button", { name: "Leave" }).click();
  await expect(page.getByRole("button", { name: "Visitor" })).toHaveAttribute("aria-pressed", "true");
  await page.goto(`${own.url}/rest`);
  const left = await lids.count();
  await lids.first().click();
  await expect(page.getByText(/You may look, and change nothing/).first()).toBeVisible();
  await page.reload();
  await expect(lids).toHaveCount(left);

  // Nor do the ways beside the pages: what a screen's scripts post, and the clock said by hand.
  const status = (path: string, body: object) =>
    page.evaluate(
      async ([to, text]) => {
        const headers = { "Content-Type": "application/json" };
        return (await fetch(to!, { method: "POST", headers, body: text! })).status;
      },
      [path, JSON.stringify(body)],
    );
  const reading = {
    id: crypto.randomUUID(),
    at: new Date(Date.now() + own.aheadMs).toISOString(),
    gaugeKPa: 90,
  };
  expect(await status("/api/v1/runs/BJR-E/readings", { gauge: "mine", readings: [reading] })).toBe(403);
  expect(await status("/clock", { is: Date.now(), byHand: true })).toBe(403);
});
