import type { Page } from "@playwright/test";
import { PAGES, more } from "./pages";
import { expect, test } from "./server";

/** Opens a jar, gives it away, spreads a hold, goes past a rule, or cannot be taken back: each is pressed by itself. */
const CONSEQUENTIAL =
  /^(No sign of spoilage|Opened|Given away|Thrown out|Move$|Merge lots|Load the canner|All checked|Release |Set .* aside|Correct the record|Save this run|Use these limits|Record \d|Record them as filled|Restore this backup|Set the passphrase|Change it|Stop this run|Go ahead anyway)/;
/** These are on some page of the made-up household, so that the check looks at something. */
const MET = [
  "No sign of spoilage",
  "Opened",
  "Given away",
  "Merge lots",
  "Load the canner",
  "Release ",
  "Set ",
  "Go ahead anyway",
  "Save this run",
  "Record ",
  "Use these limits",
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
  await page.getByText("Put on hold: do not use").click();
  await page.getByLabel("What are we waiting for?").fill("a doubt about the shot");
  await page.getByRole("button", { name: "Put on hold" }).click();
  await expect(page.getByRole("button", { name: "Release hold" })).toBeVisible();
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
  await page.getByRole("button", { name: "Stop this run: jars not processed" }).click();
  await expect(page.getByRole("dialog")).toBeVisible();
  await look("giving a run up");
  expect(wrong).toEqual([]);
  expect([...met].some((b) => b === "Stop this run")).toBe(true);
  for (const name of MET)
    expect(
      [...met].some((b) => b.startsWith(name)),
      name,
    ).toBe(true);
  // It does press where there is one thing to do: a search, a name, a weight.
  expect(sentOnes).toBeGreaterThan(10);
});
