import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    // The core can be tested before the database is compiled, so test.js asks for the rooms one after the other.
    include: [`${process.env.TESTED_ROOMS ?? "{core,store,app,demo,bench}"}/**/*.test.ts`],
    environment: "node",
    // On two cores it would leave one of them idle.
    maxWorkers: "100%",
    testTimeout: 60_000,
  },
});
