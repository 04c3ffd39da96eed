import { resolve } from "node:path";
import { buildAlone } from "../alone";
import { CHECK_SCRIPT } from "./script";

/** Builds what the page that checks a jar runs: one script without parts, which the page takes into itself. */
export const buildRecallCheck = (client: string): Promise<void> =>
  buildAlone(client, resolve(import.meta.dirname, "main.ts"), CHECK_SCRIPT);
