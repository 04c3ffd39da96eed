import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["{core,store,app,demo,bench}/**/*.test.ts"],
    environment: "node",
    testTimeout: 60_000,
  },
});
