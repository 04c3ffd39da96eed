import { chromium, type Browser } from "@playwright/test";
import { existsSync } from "node:fs";

/** Debian's Chromium, or the one that CHROMIUM names, without a window. */
export function launchChromium(): Promise<Browser> {
  const executablePath =
    process.env.CHROMIUM ?? ["/usr/bin/chromium", "/usr/bin/chromium-browser"].find((p) => existsSync(p));
  return chromium.launch({ executablePath, args: ["--no-sandbox", "--disable-gpu"] });
}
