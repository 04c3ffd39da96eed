import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { resolve } from "node:path";
import { defineConfig, type Plugin } from "vite";

/**
 * What stays outside the server's build: what is compiled for the machine, starts threads from files of its own, or is
 * only loaded when somebody asks for it; and React, which must be one and the same for all.
 */
const OUTSIDE = ["better-sqlite3", "sharp", "pino", "pdfkit", "jsqr", "echarts", "react", "react-dom"];

/** What looks at a larder's file is a program of its own, which the server starts: it is built beside it. */
const inspector: Plugin = {
  name: "inspector",
  apply: (_, { isSsrBuild }) => isSsrBuild === true,
  buildStart() {
    this.emitFile({ type: "chunk", id: resolve("store/backup/inspect-main.ts"), fileName: "inspect.js" });
  },
};

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [tailwindcss(), reactRouter(), inspector],
  // Everything else is built in: the server is up in half the time it takes to read every package's own files.
  ssr: isSsrBuild ? { noExternal: true as const, external: OUTSIDE } : {},
  build: {
    rollupOptions: isSsrBuild ? { input: "./app/server/app.ts" } : {},
    // The typefaces are files of their own, so that they are cached and fit the content policy.
    assetsInlineLimit: 0,
  },
}));
