import { resolve } from "node:path";
import { build } from "vite";
import { CHECK_SCRIPT } from "./script";

/** Builds what the page that checks a jar runs: one script without parts, which the page takes into itself. */
export async function buildRecallCheck(client: string): Promise<void> {
  await build({
    configFile: false,
    logLevel: "warn",
    publicDir: false,
    build: {
      outDir: client,
      emptyOutDir: false,
      lib: {
        entry: resolve(import.meta.dirname, "main.ts"),
        formats: ["iife"],
        name: "recallCheck",
        fileName: () => CHECK_SCRIPT,
      },
    },
  });
}
