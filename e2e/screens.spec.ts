import type { Page } from "@playwright/test";
import axe from "axe-core";
import { openJump } from "./jump";
import { PAGES, more } from "./pages";
import { expect, test } from "./server";

// The longest file by far: its tests only look, so both workers share them.
test.describe.configure({ mode: "parallel" });

const LEVELS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];

const CONTRAST = "color-contrast";

/** What axe calls serious or critical on the page as it stands, one line a rule; `only` narrows it to one rule, or to all but one. */
async function faults(page: Page, only: { rule?: string; but?: string } = {}): Promise<string[]> {
  // A page is given axe once, however often it is asked.
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(axe.source);
  const runOnly = only.rule ? { type: "rule", values: [only.rule] } : { type: "tag", values: LEVELS };
  const rules = only.but ? { [only.but]: { enabled: false } } : {};
  const violations = await page.evaluate(
    // Only what is wrong is worked out to the end, and styles are read as they are applied.
    async (asked) =>
      (await (window as unknown as { axe: typeof axe }).axe.run(document, asked as axe.RunOptions))
        .violations,
    { runOnly, rules, resultTypes: ["violations"], preload: false },
  );
  return violations
    .filter((v) => v.impact === "serious" || v.impact === "critical")
    .map((v) => {
      const where = v.nodes.map((n) => `${n.target.join(" ")} ${n.any[0]?.message ?? ""}`);
      return `${new URL(page.url()).pathname} ${v.id}: ${where.slice(0, 3).join(" | ")}`;
    });
}

/** The same for every theme. One changes only colours, so the others are asked only about contrast. */
async function faultsInEveryTheme(page: Page): Promise<string[]> {
  const found = (await faults(page)).map((fault) => `light: ${fault}`);
  for (const theme of ["dark", "glare", "light"]) {
    await page.evaluate((t) => void (document.documentElement.dataset.theme = t), theme);
    if (theme !== "light")
      found.push(...(await faults(page, { rule: CONTRAST })).map((fault) => `${theme}: ${fault}`));
  }
  return found;
}

test("axe finds nothing on an empty larder either", async ({ page, empty }) => {
  await page.goto(empty.url);
  const found: string[] = [];
  // Contrast takes most of the time and is asked below in every theme: an empty page has no colors of its own.
  found.push(...(await faults(page)));
  await page.getByLabel("Altitude").fill("900 ft");
  await page.getByLabel("Your name").fill("Oda");
  await page.getByRole("button", { name: "Show a schedule" }).click();
  await page.waitForURL(/ask/);
  for (const path of PAGES) {
    await page.goto(empty.url + path);
    found.push(...(await faults(page, { but: CONTRAST })));
  }
  expect(found).toEqual([]);
});

/** What of the page that is open runs over the edge, or is too small for a finger. */
const misfits = () => {
  const out: string[] = [];
  const over = document.documentElement.scrollWidth - document.documentElement.clientWidth;
  if (over > 1) out.push(`page is ${over} px too wide`);
  for (const el of document.querySelectorAll<HTMLElement>(
    "a, button, select, summary, input:not([type=hidden])",
  )) {
    const style = getComputedStyle(el);
    // A tick or a picture in a label is hit by its label; a link inside a sentence is measured by its line.
    const hit =
      el.closest("label") ?? (el.matches("input[type=checkbox], input[type=radio]") ? el.parentElement! : el);
    const box = hit.getBoundingClientRect();
    const inSentence = style.display === "inline" && el.closest("p, li, h2, dd") !== null;
    if (box.width === 0 || inSentence || el.closest(".sr-only") || el.className.includes("sr-only")) continue;
    if (box.height < 47.5 || box.width < 47.5)
      out.push(
        `${el.tagName} “${(el.textContent || el.getAttribute("name") || "").trim().slice(0, 24)}” is ${Math.round(box.width)}×${Math.round(box.height)}`,
      );
  }
  return out;
};

const SIZES = [
  [1280, 800],
  [1024, 1366],
  [390, 844],
] as const;

/** What does not fit, at each size. Leaves the page at the first of them. */
async function misfitsAtEverySize(page: Page): Promise<string[]> {
  const wrong: string[] = [];
  for (const [width, height] of [...SIZES.slice(1), SIZES[0]]) {
    await page.setViewportSize({ width, height });
    let problems = await page.evaluate(misfits);
    // A chart follows a change of size by itself, a moment later; on a busy machine some moments.
    for (let n = 0; n < 10 && problems.length; n++) {
      await page.waitForTimeout(500);
      problems = await page.evaluate(misfits);
    }
    wrong.push(...problems.map((p) => `at ${width}×${height}: ${p}`));
  }
  return wrong;
}

/** Goes through a page just opened with the tabulator: how many controls it has and reached, and stops out of sight. */
async function tabThrough(page: Page): Promise<{ controls: number; reached: number; unseen: number }> {
  const controls = await page.evaluate(
    () =>
      [
        ...document.querySelectorAll<HTMLElement>(
          "main a, main button:not(:disabled), main select, main summary, main input:not([type=hidden]):not(:disabled)",
        ),
      ].filter((e) => e.checkVisibility()).length,
  );
  await page.evaluate(() => {
    const stops = { reached: new Set<Element>(), unseen: 0, over: false };
    const stopAt = (el: Element) => {
      if (el.closest("main")) stops.reached.add(el);
      const ring = el.matches("input[type=radio]") ? el.nextElementSibling! : el;
      // Inside a date the browser moves its own ring from day to month to year.
      const seen =
        el.matches("input[type=date], input[type=datetime-local]") ||
        getComputedStyle(ring).outlineStyle !== "none";
      if (!seen) stops.unseen++;
    };
    // A page that puts the cursor into its first box has reached it already.
    if (document.activeElement?.matches("main input, main button, main a"))
      stops.reached.add(document.activeElement);
    addEventListener("focusin", (e) => !stops.over && stopAt(e.target as Element));
    // Behind the last stop the focus leaves the page, and comes back to the first.
    addEventListener("focusout", (e) => (stops.over ||= e.relatedTarget === null));
    (window as unknown as { stops: typeof stops }).stops = stops;
  });
  // Keys are pressed one behind the other, and nobody waits for the screen between them.
  for (let i = 0; i < controls + 40; i += 20) {
    await Promise.all(Array.from({ length: 20 }, () => page.keyboard.press("Tab")));
    if (await page.evaluate(() => (window as unknown as { stops: { over: boolean } }).stops.over)) break;
  }
  return page.evaluate((n) => {
    const { reached, unseen } = (window as unknown as { stops: { reached: Set<Element>; unseen: number } })
      .stops;
    return { controls: n, reached: reached.size, unseen };
  }, controls);
}

// A page is opened once for all that is asked of it, because opening is what takes the time.
for (const half of [0, 1])
  test(`every screen is worked by keyboard, serves everybody in every theme, and fits a desk, a tablet and a phone, ${half + 1} of 2`, async ({
    page,
    demo,
  }) => {
    test.setTimeout(600_000);
    const wrong: string[] = [];
    page.on("pageerror", (error) => wrong.push(`${page.url()} threw ${error.message}`));
    const paths = [...PAGES, ...(await more(page, demo))].filter((_, i) => i % 2 === half);
    for (const path of paths) {
      const answer = await page.goto(demo.url + path);
      expect(answer!.status(), path).toBeLessThan(path.startsWith("/find") ? 423 : 300);
      const { controls, reached, unseen } = await tabThrough(page);
      // A group of radios is one stop, so fewer stops than controls is right; none at all is not.
      if (reached < Math.min(3, controls)) wrong.push(`${path}: ${reached} of ${controls} controls reached`);
      if (unseen > 0) wrong.push(`${path}: ${unseen} stops without a ring`);
      wrong.push(...(await faultsInEveryTheme(page)));
      wrong.push(...(await misfitsAtEverySize(page)).map((p) => `${path} ${p}`));
    }
    expect(wrong).toEqual([]);
  });

test("the shortcut sheet and the jump box", async ({ page, demo }) => {
  await page.goto(`${demo.url}/cold`);
  await expect(async () => {
    await page.keyboard.press("?");
    await expect(page.getByRole("dialog")).toContainText("Shortcuts", { timeout: 1_000 });
  }).toPass();
  await page.keyboard.press("Escape");
  await page.keyboard.press("g");
  await page.keyboard.press("l");
  await expect(page).toHaveURL(/larder/);
  const code = (await page.locator("section .code").first().textContent())!;
  await (await openJump(page)).fill(code);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: `History of ${code}` })).toBeVisible();
});
