import type { Page } from "@playwright/test";
import { PAGES, more } from "./pages";
import { expect, test } from "./server";

/** Opens a jar, gives it away, spreads a hold, goes past a rule, or cannot be taken back: each is pressed by itself. */
const CONSEQUENTIAL =
  /^(No sign of spoilage|Opened|Given away|Thrown out|Move$|Merge them|Load the canner|All looked at|Lift |Set .* aside|Correct the record|Write the run down|Judge by these|Number \d|Number them|Put it in the place|Set the passphrase|Change it|Give it up|Sign)/;
/** These are on some page of the made-up household, so that the check looks at something. */
const MET = [
  "No sign of spoilage",
  "Opened",
  "Given away",
  "Merge them",
  "Load the canner",
  "Lift ",
  "Set ",
  "Sign",
  "Write the run down",
  "Number ",
  "Judge by these",
];

interface Pressed {
  /** every button of the form that sends it */
  buttons: string[];
  /** the one that Enter pressed; null when it pressed none */
  sent: string | null;
}

/** Presses Enter in every text field of the page; nothing is really sent. */
async function enterEverywhere(page: Page): Promise<Pressed[]> {
  await page.evaluate(() => {
    document.querySelectorAll("details").forEach((d) => (d.open = true));
    const held = window as unknown as { sent: string | null };
    window.addEventListener(
      "submit",
      (e) => {
        e.preventDefault();
        e.stopImmediatePropagation();
        held.sent = (e.submitter?.textContent ?? "").trim() || "the form";
      },
      { capture: true },
    );
    // What a field asks for is not what is looked at here.
    document.querySelectorAll("form").forEach((f) => (f.noValidate = true));
  });
  // One field of each sort in each form: what Enter does hangs on no more than that.
  const n = await page.evaluate(() => {
    let marked = 0;
    for (const form of document.forms) {
      const sorts = new Set<string>();
      for (const e of form.elements) {
        if (!(e instanceof HTMLInputElement) || e.disabled || !e.checkVisibility()) continue;
        if (["hidden", "file", "submit", "button"].includes(e.type) || sorts.has(e.type)) continue;
        sorts.add(e.type);
        e.dataset.enter = String(marked++);
      }
    }
    return marked;
  });
  const found: Pressed[] = [];
  for (let i = 0; i < n; i++) {
    const buttons = await page.evaluate((at) => {
      (window as unknown as { sent: string | null }).sent = null;
      const field = document.querySelector<HTMLInputElement>(`[data-enter="${at}"]`)!;
      field.focus();
      return [...field.form!.elements]
        .filter((b) => b instanceof HTMLButtonElement && b.type === "submit" && !b.hidden)
        .map((b) => (b.textContent ?? "").trim());
    }, i);
    await page.keyboard.press("Enter");
    const sent = await page.evaluate(() => (window as unknown as { sent: string | null }).sent);
    found.push({ buttons, sent });
  }
  return found;
}

test("Enter on every form: it never presses one of several buttons, nor one that is consequential", async ({
  page,
  own,
}) => {
  test.setTimeout(180_000);
  await page.goto(`${own.url}/cold`);
  const held = await page.locator("main a[href^='/cold/']").first().getAttribute("href");
  await page.goto(own.url + held);
  await page.getByText("Put it on hold").click();
  await page.getByLabel("What it waits for").fill("a doubt about the shot");
  await page.getByRole("button", { name: "Hold it" }).click();
  await expect(page.getByRole("button", { name: "Lift the hold" })).toBeVisible();
  const wrong: string[] = [];
  const met = new Set<string>();
  let sentOnes = 0;
  const look = async (where: string) => {
    for (const { buttons, sent } of await enterEverywhere(page)) {
      for (const b of buttons) met.add(b);
      if (sent === null) continue;
      sentOnes++;
      if (buttons.length > 1) wrong.push(`${where}: Enter pressed “${sent}”, one of ${buttons.join(", ")}`);
      if (CONSEQUENTIAL.test(sent)) wrong.push(`${where}: Enter pressed “${sent}”`);
    }
  };
  const paths = [...PAGES, ...(await more(page, own)), held!];
  for (const path of paths) {
    // A page without a field needs no browser to say so.
    const html = await (await page.request.get(own.url + path)).text();
    if (!/<input(?![^>]*type="(hidden|file)")/.test(html)) continue;
    await page.goto(own.url + path);
    await look(path);
  }
  // What is asked over the stove.
  const stove = paths.find((p) => /^\/fire\/[A-Z]/.test(p) && !/record|heat/.test(p))!;
  await page.goto(own.url + stove);
  await page.getByRole("button", { name: "Give this run up" }).click();
  await expect(page.getByRole("dialog")).toBeVisible();
  await look("giving a run up");
  expect(wrong).toEqual([]);
  expect([...met].some((b) => b === "Give it up")).toBe(true);
  for (const name of MET)
    expect(
      [...met].some((b) => b.startsWith(name)),
      name,
    ).toBe(true);
  // It does press where there is one thing to do: a search, a name, a weight.
  expect(sentOnes).toBeGreaterThan(10);
});
