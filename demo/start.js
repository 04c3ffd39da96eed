// `npm run demo`: fills the made-up household once, and serves it. In Node and not in a shell, so that it runs on every system.
import { spawnSync } from "node:child_process";

process.env.LARDER_DATA ??= ".demo-larder";
process.env.LOG_LEVEL ??= "warn";

const { status } = spawnSync(process.execPath, ["--import", "tsx", "demo/fill.ts"], { stdio: "inherit" });
if (status !== 0) process.exit(status ?? 1);
await import("../server.js");
