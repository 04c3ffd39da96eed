import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["{core,store,app,demo,bench}/**/*.test.ts"],
    environment: "node",
    // On two cores it would leave one of them idle.
    maxWorkers: "100%",
    testTimeout: 60_000,
  },
});
