import { defineConfig } from "drizzle-kit";

export default defineConfig({
  dialect: "sqlite",
  schema: "./store/schema/index.ts",
  out: "./store/migrations",
});
