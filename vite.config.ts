import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [tailwindcss(), reactRouter()],
  build: {
    rollupOptions: isSsrBuild ? { input: "./app/server/app.ts" } : {},
    // The typefaces are files of their own, so that they are cached and fit the content policy.
    assetsInlineLimit: 0,
  },
}));
