import { chromium, type Browser } from "@playwright/test";
import { existsSync } from "node:fs";

/** Debian's Chromium, or the one that CHROMIUM names; undefined when there is none. */
export const CHROMIUM =
  process.env.CHROMIUM ?? ["/usr/bin/chromium", "/usr/bin/chromium-browser"].find((p) => existsSync(p));

/**
 * The same engine without the browser's own window around it, which a test never looks at: a fifth to a third less work
 * for a machine of two cores. It knows no camera. Where it is not installed, Chromium itself.
 */
export const HEADLESS =
  process.env.CHROMIUM ??
  (existsSync("/usr/bin/chromium-headless-shell") ? "/usr/bin/chromium-headless-shell" : CHROMIUM);

/** Starts it without a window. */
export function launchChromium(): Promise<Browser> {
  return chromium.launch({ executablePath: CHROMIUM, args: ["--no-sandbox", "--disable-gpu"] });
}
