import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

/**
 * What stays outside the server's build: what is compiled for the machine, starts threads from files of its own, or is
 * only loaded when somebody asks for it; and React, which must be one and the same for all.
 */
const OUTSIDE = ["better-sqlite3", "sharp", "pino", "pdfkit", "jsqr", "echarts", "react", "react-dom"];

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [tailwindcss(), reactRouter()],
  // Everything else is built in: the server is up in half the time it takes to read every package's own files.
  ssr: isSsrBuild ? { noExternal: true as const, external: OUTSIDE } : {},
  build: {
    rollupOptions: isSsrBuild ? { input: "./app/server/app.ts" } : {},
    // The typefaces are files of their own, so that they are cached and fit the content policy.
    assetsInlineLimit: 0,
  },
}));
