// Makes a fresh machine ready: packages, the one native module, and on request Chromium or a build.
// With --packages only the packages, which is enough to look at the code but not to run it.
// Needs only Node 20.19 or later and a C++ compiler. Does nothing that is already done.
import { execFileSync, spawn, spawnSync } from "node:child_process";
import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";

const run = (command, args) => execFileSync(command, args, { stdio: "inherit" });
/** The same without waiting; the promise is kept when it ends well. */
const start = (command, args) =>
  new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: "inherit" });
    child.on("error", reject);
    child.on("exit", (code) => (code === 0 ? resolve() : reject(new Error(`${command} ended with ${code}`))));
  });
const wants = (flag) => process.argv.includes(flag);

const [major, minor] = process.versions.node.split(".").map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Node 20.19 or later is needed; this is ${process.versions.node}.`);
  process.exit(1);
}

/** Packages whose install script must run, by name: no other script of any package does (.npmrc). */
const NATIVE = ["better-sqlite3"];

function installPackages() {
  const done = "node_modules/.package-lock.json";
  if (!existsSync(done) || statSync(done).mtimeMs < statSync("package-lock.json").mtimeMs)
    // Not `npm ci`: that refuses a lock file without the packages for other platforms, which some mirrors do not carry.
    // Versions are exact in package.json and in the lock file, and --no-save leaves both as they are.
    run("npm", ["install", "--no-save", "--no-audit", "--no-fund"]);
}

async function compileNative() {
  if (!existsSync("node_modules/better-sqlite3/build/Release/better_sqlite3.node"))
    await start("npm", ["rebuild", ...NATIVE, "--ignore-scripts=false"]);
}

function newest(folder) {
  let at = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    at = Math.max(at, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return at;
}

function buildWhenOld() {
  const built = "build/server/index.js";
  const sources = Math.max(
    ...["app", "core", "store", "public"].map(newest),
    statSync("package-lock.json").mtimeMs,
  );
  if (!existsSync(built) || statSync(built).mtimeMs < sources) run("npx", ["react-router", "build"]);
}

async function findChromium() {
  const named = process.env.CHROMIUM;
  const found = [named, "/usr/bin/chromium", "/usr/bin/chromium-browser"].find((p) => p && existsSync(p));
  // A device of the tests trusts the household's certificate through the store that this writes.
  const certutil = spawnSync("certutil", ["-H"]).error === undefined;
  if (found && certutil) return;
  // The second is Chromium without its window, which tests faster; a distribution that lacks it does without.
  const install = "apt-get install -y --no-install-recommends";
  const command = `apt-get update && (${install} chromium chromium-headless-shell libnss3-tools openssl || ${install} chromium libnss3-tools openssl)`;
  const permitted = process.getuid?.() === 0 && spawnSync("apt-get", ["--version"]).status === 0;
  if (!permitted) {
    console.error(
      `Chromium and certutil are needed for the browser tests. Install them with:\n  sudo sh -c '${command}'\nor name a Chromium with CHROMIUM=/path/to/chromium.`,
    );
    process.exit(1);
  }
  await start("sh", ["-c", command]);
}

// A lock file that cannot be read says so here and not in the middle of an install.
JSON.parse(readFileSync("package-lock.json", "utf8"));
installPackages();
if (!wants("--packages")) {
  // The compiler and the package manager's downloads do not get in each other's way.
  await Promise.all([compileNative(), wants("--chromium") ? findChromium() : null]);
  if (wants("--build")) buildWhenOld();
}
