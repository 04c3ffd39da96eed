import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { resolve } from "node:path";
import { defineConfig, type Plugin } from "vite";
import { OUTSIDE, PROGRAMS } from "./app/release/outside";

/** Programs that are started by themselves, or by the server, are built beside it. */
const programs: Plugin = {
  name: "programs",
  apply: (_, { isSsrBuild }) => isSsrBuild === true,
  buildStart() {
    for (const [name, id] of Object.entries(PROGRAMS))
      this.emitFile({ type: "chunk", id: resolve(id), fileName: `${name}.js` });
  },
};

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [tailwindcss(), reactRouter(), programs],
  // Everything else is built in: the server is up in half the time it takes to read every package's own files.
  ssr: isSsrBuild ? { noExternal: true as const, external: OUTSIDE } : {},
  build: {
    rollupOptions: isSsrBuild ? { input: "./app/server/app.ts" } : {},
    // The typefaces are files of their own, so that they are cached and fit the content policy.
    assetsInlineLimit: 0,
  },
}));
