import { expect, test } from "./server";
import { textOf } from "./pdf";

test("a recall from bones to broth to jars to a neighbor: told, answered, and on paper", async ({
  page,
  own,
}) => {
  const press = (name: string | RegExp) => page.getByRole("button", { name }).click();
  // Two jars of broth from the same bones: one goes to a neighbor, the other turns out to bulge.
  await page.goto(`${own.url}/larder?q=broth`);
  const found = await page
    .locator("section a[href^='/c/']")
    .evaluateAll((links) => links.map((a) => a.getAttribute("href")!.split("/").at(-1)!));
  const [gone, bad] = found;
  await page.goto(`${own.url}/c/${bad}`);
  await expect(page.getByRole("main")).toContainText(/bones/i);
  await page.goto(`${own.url}/larder`);
  await page.getByRole("checkbox", { name: new RegExp(`^${gone}:`) }).check({ force: true });
  await page.getByLabel("given to").fill("Sanna");
  await press("Given away");
  await expect(page.getByRole("checkbox", { name: new RegExp(`^${gone}:`) })).toHaveCount(0);
  await page.goto(`${own.url}/larder/recall/${bad}`);
  await page.getByLabel("What was wrong").fill("the lid bulges");
  await press(/^Set \d+ containers aside$/);
  await expect(page.getByText("1 person to tell today: Sanna.")).toBeVisible();
  // What she is to be told, ready to send, with the danger first.
  await page.getByText("Message to send").click();
  const message = page.getByLabel("Message to Sanna");
  await expect(message).toHaveValue(new RegExp(`^Do not eat this jar or can: ${gone}\\.`));
  await expect(message).toHaveValue(/Why: the lid bulges\.[\s\S]*Do not open or taste it/);
  const sheet = await page.getByRole("link", { name: "Print the notices (PDF)" }).getAttribute("href");
  const paper = await textOf(await (await page.request.get(`${own.url}${sheet}`)).body());
  expect(paper.replace(/\s+/g, " ")).toContain(`Do not eat this jar or can: ${gone}`);
  expect(paper).toContain("Sanna");
  // She is told, and answers; nothing is recorded without words.
  await page.getByText("Record what Sanna was told or answered").click();
  await press("Record it");
  await expect(page.getByText("What was said is missing.").first()).toBeVisible();
  await page.getByLabel("How, or what").fill("by phone");
  await press("Record it");
  await expect(page.getByText("told, no answer yet")).toBeVisible();
  await expect(page.getByText("Everyone was told.")).toBeVisible();
  await page.getByText("Record what Sanna was told or answered").click();
  await expect(page.getByRole("radio", { name: "answered" })).toBeChecked();
  await page.getByLabel("How, or what").fill("Not opened, thrown out");
  await press("Record it");
  await expect(page.getByText(/Not opened, thrown out \(Oda\)/)).toBeVisible();
});

test("the season's packet is asked for by its days, and says what is in the larder", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/records`);
  await page.getByRole("link", { name: "Season’s packet" }).click();
  await expect(page.getByRole("heading", { name: "Season’s packet" })).toBeVisible();
  await page.getByLabel("First day").fill("2010-01-01");
  await page.getByRole("button", { name: "Use these days" }).click();
  await expect(page.getByText("A packet covers at most 10 years. Make several.")).toBeVisible();
  await expect(page.getByLabel("First day")).toHaveValue("2010-01-01");
  await page.getByLabel("First day").fill("2024-09-01");
  await page.getByRole("button", { name: "Use these days" }).click();
  const to = await page.getByRole("link", { name: "Open the packet (PDF)" }).getAttribute("href");
  const answer = await page.request.get(`${own.url}${to}`);
  expect(answer.headers()["content-type"]).toBe("application/pdf");
  const text = (await textOf(await answer.body())).replace(/\s+/g, " ");
  expect(text).toContain("Deviations, and what went ahead anyway");
  expect(text).toContain("Hollin valley office");
  expect(text).toMatch(/LOG\/\d+\//);
  const bad = await page.request.get(`${own.url}/records/packet.pdf?from=2026-02-30&to=x`);
  expect(bad.status()).toBe(422);
});
