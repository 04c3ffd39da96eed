import AxeBuilder from "@axe-core/playwright";
import { type Page } from "@playwright/test";
import { expect, test, type Running } from "./server";

// The longest file by far: its tests only look, so both workers share them.
test.describe.configure({ mode: "parallel" });

const PAGES = [
  "/",
  "/ask",
  "/ask?what=no:noodles",
  "/field",
  "/cold",
  "/table",
  "/plan",
  "/plan/day",
  "/plan/dishes",
  "/pack",
  "/seam",
  "/seam/set-up",
  "/seam/sealer",
  "/practice",
  "/practice/stove",
  "/fire",
  "/rest",
  "/larder",
  "/larder?q=boar",
  "/larder/scan",
  "/larder/rooms",
  "/larder/eating",
  "/larder/charts",
  "/larder/labels",
  "/larder/recalls",
  "/shed",
  "/household",
  "/household/keys",
  "/records",
  "/records/history?verify=1",
  "/records/copies",
  "/records/lists/animals",
  "/records/paper",
  "/records/interface",
  "/records/restore",
  "/help",
  "/help/throw-out",
  "/help/checks",
  "/who",
  "/find?code=O",
  "/ui",
];

/** The stove of the run under way in the demo, the story of a jar on its shelf, and the cards of an animal and of two lots. */
async function more(page: Page, demo: Running): Promise<string[]> {
  await page.goto(`${demo.url}/fire`);
  const stove = await page.getByRole("link", { name: "To the stove" }).first().getAttribute("href");
  await page.goto(`${demo.url}/larder`);
  const story = await page.locator("section a[href^='/c/']").first().getAttribute("href");
  const shelf = await page.locator("a[href^='/larder/shelf/']").first().getAttribute("href");
  await page.goto(`${demo.url}/field`);
  const animal = await page
    .locator("main li", { hasText: "B-204" })
    .locator("a[href^='/field/']")
    .first()
    .getAttribute("href");
  await page.goto(`${demo.url}/cold`);
  const card = (what: string) =>
    page.locator("main li", { hasText: what }).locator("a[href^='/cold/']").first().getAttribute("href");
  const [sausage, hams] = [await card("Sausage meat"), await card("Hams of wild boar")];
  await page.goto(`${demo.url}/shed`);
  const canner = await page.locator("article a[href^='/shed/']").first().getAttribute("href");
  await page.goto(`${demo.url}/pack`);
  const bench = await page.getByRole("link", { name: "Go on filling" }).first().getAttribute("href");
  await page.goto(`${demo.url}/fire`);
  const ready = await readyFor(page);
  const past = await page
    .locator("section", { hasText: "Runs before" })
    .locator("a")
    .first()
    .getAttribute("href");
  const record = past!.replace("/c/", "/fire/");
  return [
    `${record}/record`,
    `${record}/heat`,
    stove!,
    bench!,
    story!,
    shelf!,
    story!.replace("/c/", "/larder/open/"),
    story!.replace("/c/", "/larder/recall/"),
    animal!,
    canner!,
    ready,
    sausage!,
    hams!,
  ];
}

/** The equipment check of the jars that wait. */
async function readyFor(page: Page): Promise<string> {
  for (const box of await page.locator("input[name=packIds]").all()) await box.uncheck();
  await page.locator("label", { hasText: "wide-mouth pints" }).getByRole("checkbox").check();
  return (await page.getByRole("link", { name: "Check the equipment first" }).getAttribute("href"))!;
}

async function wear(page: Page, demo: Running, theme: string) {
  await page.context().addCookies([{ name: "theme", value: theme, url: demo.url }]);
}

/** What axe calls serious or critical, one line a rule; `only` narrows it to one rule. */
async function faults(page: Page, only?: string): Promise<string[]> {
  // Legacy mode: these pages have no frames, and the other mode opens a second page for every look.
  const axe = new AxeBuilder({ page }).setLegacyMode(true);
  if (only) axe.withRules([only]);
  else axe.withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]);
  const { violations } = await axe.analyze();
  return violations
    .filter((v) => v.impact === "serious" || v.impact === "critical")
    .map((v) => {
      const where = v.nodes.map((n) => `${n.target.join(" ")} ${n.any[0]?.message ?? ""}`);
      return `${new URL(page.url()).pathname} ${v.id}: ${where.slice(0, 3).join(" | ")}`;
    });
}

// A theme changes only colours, so the other themes are asked only about contrast, one after another on the same page.
for (const [themes, only] of [
  [["light"], undefined],
  [["dark", "glare"], "color-contrast"],
] as const) {
  test(`axe finds nothing serious or critical on any screen, ${themes.join(" and ")}`, async ({
    page,
    demo,
  }) => {
    await wear(page, demo, themes[0]);
    const found: string[] = [];
    page.on("pageerror", (error) => found.push(`${page.url()} threw ${error.message}`));
    for (const path of [...PAGES, ...(await more(page, demo))]) {
      const answer = await page.goto(demo.url + path);
      expect(answer!.status(), path).toBeLessThan(path.startsWith("/find") ? 423 : 300);
      for (const theme of themes) {
        await page.evaluate((t) => void (document.documentElement.dataset.theme = t), theme);
        found.push(...(await faults(page, only)).map((fault) => `${theme}: ${fault}`));
      }
    }
    expect(found).toEqual([]);
  });
}

test("axe finds nothing on an empty larder either", async ({ page, empty }) => {
  await page.goto(empty.url);
  const found: string[] = [];
  found.push(...(await faults(page)));
  await page.getByLabel("Altitude").fill("900 ft");
  await page.getByLabel("Your name").fill("Oda");
  await page.getByRole("button", { name: "Show me a schedule" }).click();
  await page.waitForURL(/ask/);
  for (const path of PAGES) {
    await page.goto(empty.url + path);
    found.push(...(await faults(page)));
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

test("nothing runs over the edge, and every target is 48 px, on a desk, a tablet and a phone", async ({
  page,
  demo,
}) => {
  const wrong: string[] = [];
  for (const path of [...PAGES, ...(await more(page, demo))]) {
    await page.goto(demo.url + path);
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      let problems = await page.evaluate(misfits);
      // A chart follows a change of size by itself, a moment later; on a busy machine some moments.
      for (let n = 0; n < 10 && problems.length; n++) {
        await page.waitForTimeout(500);
        problems = await page.evaluate(misfits);
      }
      wrong.push(...problems.map((p) => `${path} at ${width}×${height}: ${p}`));
    }
  }
  expect(wrong).toEqual([]);
});

test("every screen can be worked by keyboard, with focus in sight", async ({ page, demo }) => {
  for (const path of [...PAGES, ...(await more(page, demo))]) {
    await page.goto(demo.url + path);
    const expected = await page.evaluate(
      () =>
        [
          ...document.querySelectorAll<HTMLElement>(
            "main a, main button:not(:disabled), main select, main summary, main input:not([type=hidden]):not(:disabled)",
          ),
        ].filter((e) => e.checkVisibility()).length,
    );
    const reached = new Set<string>();
    // A page that puts the cursor into its first box has reached it already.
    const first = await page.evaluate(() => {
      const el = document.activeElement as HTMLElement | null;
      if (!el?.matches("main input, main button, main a")) return null;
      return (el.dataset.reached ??= String(Math.random()));
    });
    if (first) reached.add(first);
    let unseen = 0;
    for (let i = 0; i < expected + 40; i++) {
      await page.keyboard.press("Tab");
      const focus = await page.evaluate(() => {
        const el = document.activeElement as HTMLElement | null;
        if (!el || el === document.body) return null;
        el.dataset.reached ??= String(Math.random());
        const ring = el.matches("input[type=radio]") ? el.nextElementSibling! : el;
        return {
          id: el.dataset.reached,
          inMain: el.closest("main") !== null,
          radio: el.matches("input[type=radio]"),
          // Inside a date the browser moves its own ring from day to month to year.
          ring:
            el.matches("input[type=date], input[type=datetime-local]") ||
            getComputedStyle(ring).outlineStyle !== "none",
        };
      });
      if (!focus) break;
      if (focus.inMain) reached.add(focus.id);
      if (!focus.ring) unseen++;
    }
    // A group of radios is one stop, so fewer stops than controls is right; none at all is not.
    expect(reached.size, `${path}: controls reached`).toBeGreaterThan(
      expected > 0 ? Math.min(3, expected) - 1 : -1,
    );
    expect(unseen, `${path}: focus without a ring`).toBe(0);
  }
});

test("the shortcut sheet and the jump box", async ({ page, demo }) => {
  await page.goto(`${demo.url}/cold`);
  await page.waitForLoadState("networkidle");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog")).toContainText("Shortcuts");
  await page.keyboard.press("Escape");
  await page.keyboard.press("g");
  await page.keyboard.press("l");
  await expect(page).toHaveURL(/larder/);
  const code = (await page.locator("section .code").first().textContent())!;
  await page.keyboard.press("Control+k");
  await page.keyboard.type(code);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: `The story of ${code}` })).toBeVisible();
});
