import { build } from "vite";

/**
 * Builds a script that stands alone, as one file without parts, into the folder of the built pages.
 *
 * @param entry path of its source
 * @param fileName as it is called there
 * @param define words of the source that are known now, as JavaScript
 */
export async function buildAlone(
  client: string,
  entry: string,
  fileName: string,
  define: Record<string, string> = {},
): Promise<void> {
  await build({
    configFile: false,
    logLevel: "warn",
    publicDir: false,
    define,
    build: {
      outDir: client,
      emptyOutDir: false,
      lib: { entry, formats: ["iife"], name: "alone", fileName: () => fileName },
    },
  });
}
