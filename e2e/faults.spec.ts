import { addresses, pageRoutes } from "./addresses";
import { expect, test } from "./server";

/** Tells the server which loaders fail from now on. */
const fail = (url: string, routes: string[]) =>
  fetch(`${url}/test/faults`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ routes }),
  });

test("an error in any page's loader leaves the clocks running, and says what happened", async ({ own }) => {
  const pages = pageRoutes();
  expect(pages.length).toBeGreaterThan(50);
  const withoutLoader: string[] = [];
  for (const { id, address, inShell } of pages) {
    await fail(own.url, [id]);
    const answer = await fetch(own.url + address, { redirect: "manual" });
    const html = await answer.text();
    // A page that reads nothing has no loader to fail.
    if (answer.status === 200) {
      withoutLoader.push(id);
      continue;
    }
    expect(answer.status, id).toBe(500);
    expect(html, id).toContain("This page could not be shown");
    expect(html, id).toContain("running clocks go on");
    if (!inShell) continue;
    expect(html, id).toContain('aria-label="Running clocks"');
    expect(html, id).toMatch(/Big canner/);
    expect(html, id).toContain('aria-label="Places of the work"');
  }
  expect(withoutLoader.length, withoutLoader.join(", ")).toBeLessThan(6);
  expect(addresses("X").length).toBeGreaterThan(pages.length);
});

test("in the browser the clock ticks on beside a page that failed, and beside a stove that did", async ({
  page,
  own,
}) => {
  await page.goto(own.url);
  const clock = page
    .getByRole("region", { name: "Running clocks" })
    .getByText(/^\d+:\d\d$/)
    .first();
  await expect(clock).toBeVisible();
  for (const [id, way] of [
    ["routes/table/route", () => page.getByRole("link", { name: /^Table/ }).click()],
    [
      "routes/fire/stove/route",
      () =>
        page
          .getByRole("link", { name: /Big canner/ })
          .first()
          .click(),
    ],
  ] as const) {
    await fail(own.url, [id]);
    await way();
    await expect(page.getByRole("heading", { name: "This page could not be shown" })).toBeVisible();
    const before = await clock.innerText();
    await expect(clock).not.toHaveText(before, { timeout: 3_000 });
    await fail(own.url, []);
    await page.getByRole("link", { name: "Go to Today" }).click();
    await expect(page.getByRole("link", { name: "Go to the stove" })).toBeVisible();
  }
});

test("a page that takes its time says so, and the button that was pressed shows it", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/field`);
  await page.waitForTimeout(1_000);
  await page.route(/\.data(\?|$)/, async (route) => {
    await new Promise((r) => setTimeout(r, 1_200));
    await route.continue();
  });
  await page.getByRole("link", { name: /^Cold/ }).click();
  await expect(page.getByRole("progressbar", { name: "Loading" })).toBeVisible();
  await expect(page).toHaveURL(/\/cold$/);
  await expect(page.getByRole("progressbar", { name: "Loading" })).toHaveCount(0);
  // Where one is, is said: the focus is on the heading of the page one went to.
  await expect(page.getByRole("heading", { level: 1 })).toBeFocused();
  const freeze = page.getByRole("button", { name: "Freeze" }).first();
  await freeze.click();
  await expect(page.locator("[data-sent]")).toHaveCount(1);
  await expect(page.locator("[data-sent]")).toHaveCount(0, { timeout: 10_000 });
  // The button is gone with the change it made; the focus is not.
  expect(await page.evaluate(() => document.activeElement?.tagName)).not.toBe("BODY");
});
