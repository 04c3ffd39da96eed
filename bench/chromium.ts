import { chromium, type Browser } from "@playwright/test";
import { existsSync } from "node:fs";

/** Debian's Chromium, or the one that CHROMIUM names; undefined when there is none. */
export const CHROMIUM =
  process.env.CHROMIUM ?? ["/usr/bin/chromium", "/usr/bin/chromium-browser"].find((p) => existsSync(p));

/** Starts it without a window. */
export function launchChromium(): Promise<Browser> {
  return chromium.launch({ executablePath: CHROMIUM, args: ["--no-sandbox", "--disable-gpu"] });
}
