import { defineConfig } from "@playwright/test";
import { HEADLESS } from "./bench/chromium";

export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/household.ts",
  workers: 2,
  fullyParallel: false,
  // Generous: a small machine runs two of these, a browser and a server each. What hangs still ends.
  timeout: 300_000,
  // What a page must show in time is held by the tests that are about it, with figures of their own.
  expect: { timeout: 20_000 },
  reporter: [["list"], ["json", { outputFile: "test-results/e2e.json" }]],
  outputDir: "test-results/e2e",
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 30_000,
    // What is kept for days without a network is tested by itself; elsewhere every test would fetch all of it again.
    serviceWorkers: "block",
    timezoneId: "America/Denver",
    launchOptions: {
      executablePath: HEADLESS,
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        // What moves is drawn anew sixty times a second, and nobody looks at it here.
        "--force-prefers-reduced-motion",
      ],
    },
  },
});
