// `npm run soak`: the long reliability run, some hours. In Node and not in a shell, so that it runs on every system.
import { spawnSync } from "node:child_process";

const vitest = ["npx", "vitest", "run"];
const playwright = ["npx", "playwright", "test"];

/** @type {[env: Record<string, string>, command: string[]][]} */
const STEPS = [
  [
    { STREAMS: "100000", EVENINGS: "10000", LARDERS: "200", KILLS_EACH: "100", HISTORIES: "300" },
    [
      ...vitest,
      ...["core/run/streams", "core/run/evenings", "store/transfer.property", "store/kill"],
      ...["store/recall.property", "store/whole-jar"],
    ],
  ],
  [{}, ["npm", "run", "-s", "build:once"]],
  [
    { KILLS: "300", REQUESTS: "20000", GUESSES: "10000", TAPS: "72" },
    [...playwright, "crash", "fuzz", "access", "network", "outbox"],
  ],
  [{ WALKS: "300" }, [...playwright, "walk.spec"]],
  [{}, ["npm", "run", "-s", "mutate"]],
  [{}, ["npm", "run", "-s", "unguard"]],
  [{ LOAD_SECONDS: "600" }, [...playwright, "load"]],
];

for (const [env, [program, ...args]] of STEPS) {
  // npm and npx are scripts on Windows, which only its shell starts.
  const shell = process.platform === "win32";
  const { status } = spawnSync(program ?? "", args, {
    stdio: "inherit",
    shell,
    env: { ...process.env, ...env },
  });
  if (status !== 0) process.exit(status ?? 1);
}
