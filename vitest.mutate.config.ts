import { defineConfig } from "vitest/config";

/** The tests that a change in one module is held against: named in MUTATE_TESTS by bench/mutate.ts. */
export default defineConfig({
  test: {
    include: (process.env.MUTATE_TESTS ?? "").split(" "),
    environment: "node",
    testTimeout: 60_000,
  },
});
