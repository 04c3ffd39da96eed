import type { Page } from "@playwright/test";

/** What somebody presses and types on the way, counted. Safety answers count apart. */
export class Newcomer {
  presses = 0;
  typed = 0;
  safety = 0;
  constructor(readonly page: Page) {}

  /** Presses a button or a link by its name. */
  async press(name: string | RegExp, role: "button" | "link" = "button"): Promise<void> {
    await this.page.getByRole(role, { name }).first().click();
    this.presses++;
  }

  /** Chooses one of a few by its name. */
  async pick(name: string | RegExp): Promise<void> {
    await this.page.getByRole("radio", { name }).first().check();
    this.presses++;
  }

  async type(field: string | RegExp, text: string): Promise<void> {
    await this.page.getByLabel(field).first().fill(text);
    this.typed++;
  }

  /** Chooses among many: opens the list, types, and takes the first that is left. */
  async choose(field: string, wanted: string): Promise<void> {
    await this.page.getByLabel(field).and(this.page.locator("button")).click();
    const list = this.page.getByRole("dialog", { name: field });
    await list.getByRole("combobox").fill(wanted);
    await list.getByRole("combobox").press("Enter");
    this.presses += 2;
    this.typed++;
  }

  /** Answers a question of safety, one press each. */
  async answer(name: string): Promise<void> {
    await this.page.getByRole("button", { name, exact: true }).click();
    this.safety++;
  }
}
