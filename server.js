// Starts the server: the built one, or with --dev the sources with reload; with --network for the kitchen's other screens.
// Everything else is in app/server.
import { createServer } from "node:http";

const dev = process.argv.includes("--dev");
if (process.argv.includes("--network")) process.env.HOST ??= "0.0.0.0";
process.env.NODE_ENV ??= dev ? "development" : "production";

async function load() {
  if (!dev) return (await import("./build/server/index.js")).start;
  const { createServer: createVite } = await import("vite");
  const vite = await createVite({ server: { middlewareMode: true }, appType: "custom" });
  return async (make) => (await vite.ssrLoadModule("./app/server/app.ts")).start(make, vite.middlewares);
}

const start = await load();
await start(createServer);
