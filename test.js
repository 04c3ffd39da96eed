// `npm test`: everything a change must pass, on a machine that may be new. Ends with `N passed, N failed`.
import { spawn } from "node:child_process";
import { existsSync, readFileSync, rmSync } from "node:fs";

const step = (name, command, args, env = {}) =>
  new Promise((resolve) => {
    process.stdout.write(`\n── ${name}\n`);
    const began = Date.now();
    const child = spawn(command, args, { stdio: "inherit", env: { ...process.env, ...env } });
    child.on("close", (status) => {
      const took = Math.round((Date.now() - began) / 1000);
      process.stdout.write(`── ${name}: ${status === 0 ? "ok" : "FAILED"}, ${took} s\n`);
      resolve(status === 0);
    });
  });
/** The same beside others: what it prints stands together once it is done. */
const stepBeside = (name, command, args) =>
  new Promise((resolve) => {
    const began = Date.now();
    const child = spawn(command, args, { stdio: ["ignore", "pipe", "pipe"] });
    let printed = "";
    for (const from of [child.stdout, child.stderr]) from.on("data", (piece) => (printed += piece));
    child.on("close", (status) => {
      const took = Math.round((Date.now() - began) / 1000);
      process.stdout.write(
        `\n── ${name}\n${printed}── ${name}: ${status === 0 ? "ok" : "FAILED"}, ${took} s\n`,
      );
      resolve(status === 0);
    });
  });
const read = (path) => (existsSync(path) ? JSON.parse(readFileSync(path, "utf8")) : null);

let passed = 0;
let failed = 0;
/** Said again at the end, where whoever reads the last page of a long print finds it. */
const said = [];
const count = (ok, name) => {
  if (ok) passed++;
  else {
    failed++;
    said.push(`failed: ${name}`);
  }
};
const end = () => {
  for (const line of said) console.log(line);
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exit(failed === 0 ? 0 : 1);
};

/** Without this nothing can be tested. */
const needed = (ok, name) => {
  if (ok) return;
  count(ok, name);
  end();
};

needed(await step("packages", "node", ["setup.js", "--packages"]), "packages");
rmSync("test-results", { recursive: true, force: true });
// The types read those that routes are given.
count(await step("routes", "npx", ["react-router", "typegen"]), "routes");
// A new machine compiles on one core and waits for downloads: the code is looked at meanwhile.
const ready = stepBeside("set up", "node", ["setup.js", "--chromium"]);
const looks = ["types:check", "lint"];
const looked = await Promise.all(looks.map((name) => stepBeside(name, "npm", ["run", "-s", name])));
looks.forEach((name, i) => count(looked[i], name));

// On a small machine that does other things a test can be late for any wait, and a property can meet a case no run met
// before. What fails is tried once more, and named at the end when that passes: it is a defect until its cause is known.
const unitTests = async (name, rooms, files = []) => {
  const file = `test-results/${name.replaceAll(/\W+/g, "-")}.json`;
  const ok = await step(
    name,
    "npx",
    ["vitest", "run", "--reporter=default", "--reporter=json", `--outputFile=${file}`, ...files],
    { TESTED_ROOMS: rooms },
  );
  const result = read(file);
  const fell = (result?.testResults ?? []).flatMap((f) =>
    f.status === "passed"
      ? []
      : [
          {
            file: f.name,
            titles: f.assertionResults.filter((a) => a.status === "failed").map((a) => a.fullName),
          },
        ],
  );
  return { ok, passed: result?.numPassedTests ?? 0, failed: result?.numFailedTests ?? 0, fell };
};
const namesOf = ({ fell }) =>
  fell.flatMap((f) => (f.titles.length ? f.titles : [""]).map((t) => `${f.file}: ${t}`));

const unitStep = async (name, rooms) => {
  const unit = await unitTests(name, rooms);
  passed += unit.passed;
  if (unit.ok) return;
  const again = unit.fell.length
    ? await unitTests(
        `${name}, again`,
        rooms,
        unit.fell.map((f) => f.file),
      )
    : unit;
  if (again.ok) passed += unit.failed;
  else failed += Math.max(unit.failed, 1);
  for (const test of unit.fell.length ? namesOf(unit) : [`${name}: an error outside any test`])
    said.push(`${again.ok ? "passed only at the second try" : "failed"}: ${test}`);
};
// The core needs no database: it is tested while that is still being compiled.
await unitStep("unit tests of the core", "core");
needed(await ready, "set up");
await unitStep("unit tests of the rest", "{store,app,demo,bench}");

count(await step("build", "npx", ["react-router", "build"]), "build");

const e2eOk = await step("e2e", "npx", ["playwright", "test", "--retries=1"]);
const e2e = read("test-results/e2e.json");
const stats = e2e?.stats;
passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
failed += Math.max(stats?.unexpected ?? 0, e2eOk ? 0 : 1);

/** Titles of the tests of a suite that ended so. */
const titles = (suite, status) => [
  ...(suite.specs ?? [])
    .filter((spec) => spec.tests.some((t) => t.status === status))
    .map((spec) => `${spec.file}: ${spec.title}`),
  ...(suite.suites ?? []).flatMap((s) => titles(s, status)),
];
const browserTests = (status) => (e2e?.suites ?? []).flatMap((s) => titles(s, status));
said.push(...browserTests("flaky").map((t) => `passed only at the second try: ${t}`));
said.push(...browserTests("unexpected").map((t) => `failed: ${t}`));
if (!e2e) said.push("failed: e2e: it did not run");
end();
