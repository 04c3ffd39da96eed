import { parseArgs } from "node:util";
import { readFileSync } from "node:fs";
import { Stryker } from "@stryker-mutator/core";
import { EQUIVALENT } from "./equivalent";
import { PROGRAM_FOLDER } from "#store/db";

/**
 * Changes the safety modules one condition, comparison or constant at a time, and counts how many changes a test notices.
 * `npm run mutate` goes through all of them and prints the score of each; `npm run mutate -- core/guard` through one, with
 * every change that nobody noticed. Changes of texts count apart, with `--strings`. Not for `npm test`: it takes an hour.
 */
type MutantResult = Awaited<ReturnType<Stryker["runMutationTest"]>>[number];

interface Module {
  name: string;
  mutate: string[];
  tests: string[];
}

const MODULES: Module[] = [
  {
    name: "core/schedule",
    mutate: ["core/schedule/*.ts"],
    tests: ["core/schedule/*.test.ts", "core/guard/*.test.ts"],
  },
  { name: "core/guard", mutate: ["core/guard/*.ts"], tests: ["core/guard/*.test.ts"] },
  {
    name: "core/lot",
    mutate: ["core/lot/{packable,permit,fresh,state,merge}.ts"],
    tests: ["core/lot/*.test.ts"],
  },
  {
    name: "core/cold (warm time)",
    mutate: ["core/cold/warm.ts"],
    tests: ["core/cold/cold.test.ts", "core/lot/*.test.ts"],
  },
  { name: "core/rest", mutate: ["core/rest/*.ts"], tests: ["core/rest/*.test.ts"] },
  { name: "core/exhaust", mutate: ["core/exhaust/*.ts"], tests: ["core/exhaust/*.test.ts"] },
  {
    name: "core/seam (verdicts)",
    mutate: ["core/seam/{sheet,standing,limits,measure}.ts"],
    tests: ["core/seam/*.test.ts"],
  },
  { name: "core/recipe", mutate: ["core/recipe/*.ts"], tests: ["core/recipe/*.test.ts"] },
  {
    name: "core/run",
    mutate: ["core/run/*.ts"],
    tests: [
      "core/run/{run,permit,gauges,observation,judge,instant,alarm,course,folded,said,run.property,streams.property}.test.ts",
    ],
  },
  // The gates of the store, each with the tests of its own room: together they would run every test for every change.
  {
    name: "store/pack (gate)",
    mutate: ["store/pack/permit.ts"],
    tests: ["store/{permit,guards,fresh,filling}.test.ts"],
  },
  {
    name: "store/run (gates)",
    mutate: ["store/run/{take-out,open}.ts"],
    tests: ["store/{guards,run-gate,shed}.test.ts"],
  },
  {
    name: "store/rest (gates)",
    mutate: ["store/rest/{rest,repack}.ts"],
    tests: ["store/{rest-gate,larder-room}.test.ts"],
  },
  {
    name: "store/seam (gates)",
    mutate: ["store/seam/{close,exhaust}.ts"],
    tests: ["store/{seam,seam-gate}.test.ts"],
  },
];

const { values, positionals } = parseArgs({
  options: { strings: { type: "boolean", default: false } },
  allowPositionals: true,
});

/** What it is proven that nobody can notice. */
function isEquivalent({ fileName, location, replacement }: MutantResult): boolean {
  const line = readFileSync(fileName, "utf8").split("\n")[location.start.line - 1]!;
  const into = (replacement ?? "").replace(/\s+/g, " ");
  return EQUIVALENT.some(
    (e) => fileName.endsWith(e.file) && line.includes(e.line) && into.startsWith(e.into),
  );
}

interface Score {
  killed: number;
  /** Counted as killed, and told: on a busy machine a test can be slow for another reason than the change. */
  timedOut: number;
  survived: MutantResult[];
  /** of the survivors: nothing comes of them */
  equivalent: number;
}

function scoreOf(results: readonly MutantResult[]): Score {
  const killed = results.filter((r) => r.status === "Killed" || r.status === "Timeout").length;
  const timedOut = results.filter((r) => r.status === "Timeout").length;
  const survived = results.filter((r) => r.status === "Survived" || r.status === "NoCoverage");
  return { killed, timedOut, survived, equivalent: survived.filter(isEquivalent).length };
}

const percent = ({ killed, timedOut, survived, equivalent }: Score) =>
  killed + survived.length === 0
    ? "none"
    : `${((100 * killed) / (killed + survived.length)).toFixed(1)} % of ${killed + survived.length}` +
      (timedOut > 0 ? `, ${timedOut} of them by running out of time` : "") +
      (survived.length > 0 ? `; ${survived.length} stand, ${equivalent} of them proven equivalent` : "");

async function mutate(module: Module): Promise<MutantResult[]> {
  process.env.MUTATE_TESTS = module.tests.join(" ");
  // What thousands of streams of events find, some find for one change.
  Object.assign(process.env, { RUNS: "150", STREAMS: "250" });
  return new Stryker({
    mutate: [...module.mutate, "!**/*.test.ts", "!**/index.ts"],
    testRunner: "vitest",
    vitest: { configFile: "vitest.mutate.config.ts", related: false },
    plugins: ["@stryker-mutator/vitest-runner"],
    reporters: [],
    mutator: { plugins: null, excludedMutations: values.strings ? [] : ["StringLiteral"] },
    concurrency: 2,
    timeoutMS: 20_000,
    allowEmpty: true,
    tempDirName: "/tmp/larder-mutate",
    ignorePatterns: ["build", "docs", "test-results", ".demo-larder", "e2e"],
    logLevel: "error",
  } as never).runMutationTest();
}

const chosen =
  positionals.length > 0 ? MODULES.filter((m) => positionals.some((p) => m.name.startsWith(p))) : MODULES;
for (const module of chosen) {
  const began = Date.now();
  const results = await mutate(module);
  const score = scoreOf(results.filter((r) => r.mutatorName !== "StringLiteral"));
  console.log(`${module.name}: ${percent(score)} (${Math.round((Date.now() - began) / 1000)} s)`);
  if (values.strings)
    console.log(`  texts: ${percent(scoreOf(results.filter((r) => r.mutatorName === "StringLiteral")))}`);
  if (positionals.length > 0)
    for (const s of score.survived.filter((r) => !isEquivalent(r))) {
      const { fileName, location, mutatorName, replacement, status } = s;
      console.log(
        `  ${fileName.replace(`${PROGRAM_FOLDER}/`, "")}:${location.start.line}:${location.start.column} ${mutatorName} ${status === "NoCoverage" ? "(no test) " : ""}→ ${(replacement ?? "").replace(/\s+/g, " ").slice(0, 80)}`,
      );
    }
}
