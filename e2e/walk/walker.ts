import type { Page } from "@playwright/test";
import type { randomFrom } from "#core/random";

/** What somebody who gets on with it presses, by its name, and the minutes that then usually go by. */
const ONWARD: readonly [name: RegExp, minutes: number][] = [
  [/^Burner is lit$/, 12],
  [/^Steam is steady$/, 10],
  [/^15 lb weight is on$|^10 lb weight is on$|^Weight is on$/, 5],
  [/^At [\d.½¼¾ ]+ lb|^Weight is rocking$/, 19],
  [/^Heat is off$/, 50],
  [/^Still /, 19],
  [/^Read the dial$/, 0],
  [/^(Gauge is at zero|No steam when nudged)$/, 0],
  [/^Lock has dropped$/, 0],
  [/^Weight is off$/, 10],
  [/^Lid is off$/, 1],
  [/^All on the towel$/, 725],
  [/^See the cooling jars$/, 0],
  [/: lid is down$|: drawn in, dry$/, 0],
  [/^Put on shelf$/, 0],
  [/^Seam is good$/, 0],
  [/^Record temperature$/, 0],
  [/^(Load a canner|Load the canner|Go to the stove)$/, 0],
  [/^Record \d+ filled/, 0],
];

/** What happens now and then where it can be said: a flame that falls, a doubt about an animal and its end. */
const SOMETIMES: readonly [name: RegExp, odds: number][] = [
  [/^(Pressure dropped|Weight stopped rocking)$/, 0.12],
  [/^Put on hold$/, 0.9],
  [/^Put on hold: do not use/, 0.25],
  [/^Release hold/, 0.3],
];

/** What is typed into a field, by its label; what fits none is a word. */
const TYPED: readonly [label: RegExp, texts: readonly string[]][] = [
  [/^reading/i, ["11", "11.5", "10.8", "12 lb", "9", "76"]],
  [/center of the meat/i, ["172", "180 F", "165", "76 C", "1800"]],
  [/juice/i, ["", "", "190"]],
  [/how many/i, ["2", "3", "40", "0", "2.5"]],
  [/meat in|weight/i, ["1 lb", "2 lb", "3.2", "99 lb", "1,250 kg", "-1"]],
  [/season|add/i, ["", "1 tsp bay", "flour", "1/2 cup cream"]],
  [/altitude/i, ["500 ft", "2.300 m"]],
  [/waiting for|why|reason|because/i, ["a doubt about the shot", "looked at again", ""]],
];

/** Left alone: they leave the larder, give it another past, or end the walk. */
const NOT =
  /restore|put it back|export everything|import|make a backup|delete|install|print|pdf|csv|camera|sign out|take it up again/i;

interface Control {
  index: number;
  kind: "press" | "type" | "choose";
  name: string;
}

/** What is read here of the program's own router, as the page holds it. */
interface Router {
  state: { navigation: { state: string }; revalidation: string; fetchers: Map<string, { state: string }> };
  navigate(path: string): Promise<void>;
  revalidate(): Promise<void>;
}
type Held = Window & { __reactRouterDataRouter?: Router };

/** What is done to a control: a press where it lies, a text in it, or one of its choices by a number from 0 to below 1. */
type Deed =
  | { do: "press"; index: number }
  | { do: "type"; index: number; text: string }
  | { do: "choose"; index: number; which: number };

/**
 * Does it and waits until the page neither goes anywhere nor asks for anything, never for longer than a second. All of it
 * within the page: from outside, each press takes a tenth of a second of waiting for pictures nobody looks at.
 */
const act = async (deed: Deed | null) => {
  const el = deed && document.querySelector<HTMLElement>(`[data-walk="${deed.index}"]`);
  if (el) {
    el.scrollIntoView({ block: "center", behavior: "instant" });
    el.focus();
    if (deed.do === "press") {
      // What lies over a control is what is hit.
      const { left, top, width, height } = el.getBoundingClientRect();
      const hit = document.elementFromPoint(left + width / 2, top + height / 2);
      ((hit as HTMLElement | null) ?? el).click();
    } else if (deed.do === "type") {
      // Past the setter that React keeps an eye on, as a key press is.
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!.call(el, deed.text);
      el.dispatchEvent(new Event("input", { bubbles: true }));
      el.dispatchEvent(new Event("change", { bubbles: true }));
    } else if (el instanceof HTMLSelectElement) {
      el.selectedIndex = Math.floor(deed.which * el.options.length);
      el.dispatchEvent(new Event("input", { bubbles: true }));
      el.dispatchEvent(new Event("change", { bubbles: true }));
    }
  }
  const busy = () => {
    const state = (window as Held).__reactRouterDataRouter?.state;
    if (!state || document.readyState === "loading") return true;
    const fetching = [...state.fetchers.values()].some((f) => f.state !== "idle");
    return state.navigation.state !== "idle" || state.revalidation !== "idle" || fetching;
  };
  for (let i = 0, still = 0; i < 100 && still < 2; i++) {
    await new Promise((resolve) => setTimeout(resolve, 10));
    still = busy() ? 0 : still + 1;
  }
};

/** What can be pressed or typed into as the page stands; with a dialog open only what is in it. */
async function controlsOf(page: Page): Promise<Control[]> {
  const look = () => {
    document.querySelectorAll("[data-walk]").forEach((e) => e.removeAttribute("data-walk"));
    const dialog = document.querySelector("[role=dialog]");
    const root = dialog ?? document.documentElement;
    const found: { index: number; kind: "press" | "type" | "choose"; name: string }[] = [];
    root
      .querySelectorAll<HTMLElement>(
        "button:enabled, a[href^='/'], input:enabled, select:enabled, summary, [role=option]",
      )
      .forEach((e) => {
        if (!(e as HTMLElement).checkVisibility()) return;
        if (e instanceof HTMLInputElement && ["hidden", "file", "submit"].includes(e.type)) return;
        const label =
          e instanceof HTMLInputElement || e instanceof HTMLSelectElement ? e.labels?.[0]?.textContent : null;
        const name = (e.getAttribute("aria-label") ?? label ?? e.textContent ?? "").trim().slice(0, 80);
        const typed = e instanceof HTMLInputElement && !["checkbox", "radio", "range"].includes(e.type);
        e.setAttribute("data-walk", String(found.length));
        found.push({
          index: found.length,
          kind: typed ? "type" : e instanceof HTMLSelectElement ? "choose" : "press",
          name,
        });
      });
    return found;
  };
  // A page that is just being left has nothing to press.
  return page.evaluate(look).catch(() => []);
}

/** Somebody at a larder who mostly gets on with the work, and now and then presses or types anything at all. */
export class Walker {
  readonly problems: string[] = [];
  readonly did: string[] = [];
  #screen = 0;
  #last = "";
  #again = 0;

  constructor(
    private readonly page: Page,
    private readonly url: string,
    private readonly screens: readonly string[],
    private readonly pass: (minutes: number) => Promise<void>,
    private readonly random: ReturnType<typeof randomFrom>,
  ) {
    page.on("pageerror", (e) => {
      // What was asked for and not waited for, because somebody went on, is nothing that went wrong.
      if (!/signal is aborted/.test(e.message)) this.problems.push(`${page.url()}: ${e.message}`);
    });
    page.on("response", (r) => {
      if (r.status() >= 500) this.problems.push(`${r.request().method()} ${r.url()}: ${r.status()}`);
    });
    page.on("dialog", (d) => void d.dismiss().catch(() => undefined));
  }

  async begin(): Promise<void> {
    await this.#go(this.screens[0]!);
  }

  /** One press, one typing, one choice, or some time. */
  async step(): Promise<void> {
    const dice = this.random();
    const controls = (await controlsOf(this.page)).filter((c) => !NOT.test(c.name));
    const presses = controls.filter((c) => c.kind === "press");
    for (const [name, odds] of SOMETIMES) {
      const found = presses.find((c) => name.test(c.name));
      if (found && this.random() < odds) return this.#press(found, 0);
    }
    if (dice < 0.72) {
      const next = this.#onward(presses);
      if (next) return this.#press(next[0], this.random() < 0.15 ? this.#one([0, 1, 3, 8, 30]) : next[1]);
      return this.#next();
    }
    if (dice < 0.77) return this.#later(this.#one([1, 5, 10, 15, 40, 80, 800]));
    if (dice < 0.85) {
      const fields = controls.filter((c) => c.kind !== "press");
      if (fields.length > 0) return this.#fill(this.#one(fields));
    }
    if (dice < 0.88) return this.#next();
    if (presses.length === 0) return this.#next();
    return this.#press(this.#one(presses), 0);
  }

  #one<T>(of: readonly T[]): T {
    return of[Math.floor(this.random() * of.length)]!;
  }

  /** What leads on from here; the same thing three times without an end leads nowhere. */
  #onward(presses: readonly Control[]): [Control, number] | null {
    for (const [name, minutes] of ONWARD) {
      const found = presses.find((c) => name.test(c.name));
      if (!found) continue;
      this.#again = found.name === this.#last ? this.#again + 1 : 0;
      this.#last = found.name;
      if (this.#again < 8) return [found, minutes];
    }
    return null;
  }

  async #next(): Promise<void> {
    this.#screen = (this.#screen + 1) % this.screens.length;
    await this.#go(this.screens[this.#screen]!);
  }

  /** To a screen: mostly as a link leads there, now and then as if it were opened anew. */
  async #go(path: string): Promise<void> {
    this.did.push(`go ${path}`);
    const anew = this.did.length === 1 || this.random() < 0.1;
    if (anew) await this.page.goto(this.url + path, { waitUntil: "commit" }).catch(() => undefined);
    else
      await this.page
        .evaluate((to) => (window as Held).__reactRouterDataRouter?.navigate(to), path)
        .catch(() => undefined);
    await this.#act(null);
  }

  /** Time goes by, and the page hears of it as it does every few seconds, or is loaded again. */
  async #later(minutes: number): Promise<void> {
    this.did.push(`${minutes} min`);
    await this.pass(minutes);
    if (this.random() < 0.1) await this.page.reload({ waitUntil: "commit" }).catch(() => undefined);
    else
      await this.page
        .evaluate(() => (window as Held).__reactRouterDataRouter?.revalidate())
        .catch(() => undefined);
    await this.#act(null);
  }

  async #press(control: Control, minutes: number): Promise<void> {
    // What is asked for in the same form is filled in first.
    if (/^(Write the temperature|Write it|Hold it|Lift|Release|Number)/.test(control.name))
      for (const c of (await controlsOf(this.page)).filter((f) => f.kind === "type")) {
        const texts = TYPED.find(([label]) => label.test(c.name))?.[1];
        if (texts) await this.#type(c, this.random() < 0.75 ? texts[0]! : this.#one(texts));
      }
    const again = (await controlsOf(this.page)).find((c) => c.name === control.name && c.kind === "press");
    this.did.push(`press ${control.name}`);
    await this.#act({ do: "press", index: (again ?? control).index });
    if (minutes > 0) await this.#later(minutes);
  }

  async #fill(control: Control): Promise<void> {
    if (control.kind === "choose") {
      this.did.push(`choose ${control.name}`);
      await this.#act({ do: "choose", index: control.index, which: this.random() });
    } else {
      const texts = TYPED.find(([label]) => label.test(control.name))?.[1] ?? ["", "Ada", "3", "1 lb"];
      await this.#type(control, this.#one(texts));
      if (this.random() < 0.3) {
        await this.page.keyboard.press("Enter").catch(() => undefined);
        await this.#act(null);
      }
    }
  }

  async #type(control: Control, text: string): Promise<void> {
    this.did.push(`type ${text} into ${control.name}`);
    await this.#act({ do: "type", index: control.index, text });
  }

  /** A page that is left while it is waited for is waited for once more. */
  async #act(deed: Deed | null): Promise<void> {
    await this.page.evaluate(act, deed).catch(async () => {
      await this.page.waitForLoadState("domcontentloaded", { timeout: 2_000 }).catch(() => undefined);
      await this.page.evaluate(act, null).catch(() => undefined);
    });
  }
}
