import { spawnSync } from "node:child_process";
import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import ts from "typescript";
import { HAZARDS } from "../core/hazard/index.ts";

/**
 * Takes each guard of the hazard log away, one at a time, in a copy of the program, and runs the tests the log names beside
 * it: each of them must fail. `npm run unguard` goes through all, `npm run unguard -- core/guard` through some. Not for
 * `npm test`: it takes a quarter of an hour.
 */
const COPIED = ["app", "core", "store", "demo", "bench", "e2e"];
/** What tests read beside it, and never write. */
const ALONGSIDE = [
  "README.md",
  "docs",
  "eslint.config.js",
  "node_modules",
  "package.json",
  "public",
  "solver.js",
  "test-results",
  "tsconfig.base.json",
  "tsconfig.core.json",
  "tsconfig.json",
  "vitest.config.ts",
  ".react-router",
];

/**
 * What a file is with a guard taken away: its refusals left out, where it throws them; or all that turns back early; or all
 * that it does, so that it has no answer. Empty when no function of the file has this name.
 */
function withoutGuard(source: string, name: string): string[] {
  const file = ts.createSourceFile("guard.ts", source, ts.ScriptTarget.Latest, true);
  const found = file.statements.find(
    (s): s is ts.FunctionDeclaration => ts.isFunctionDeclaration(s) && s.name?.text === name,
  );
  if (!found?.body) return [];
  const gone: ts.Node[] = [];
  const refuses = (s: ts.Statement): boolean =>
    ts.isThrowStatement(s) ||
    (ts.isBlock(s) && s.statements.length > 0 && refuses(s.statements.at(-1)!)) ||
    (ts.isExpressionStatement(s) &&
      ts.isCallExpression(s.expression) &&
      s.expression.expression.getText(file) === "refuse");
  const turnsBack = (s: ts.Statement): boolean =>
    ts.isReturnStatement(s) || (ts.isBlock(s) && s.statements.length > 0 && turnsBack(s.statements.at(-1)!));
  const walk = (node: ts.Node): void => {
    if (ts.isIfStatement(node) && refuses(node.thenStatement)) gone.push(node);
    else if (ts.isStatement(node) && !ts.isBlock(node) && refuses(node)) gone.push(node);
    else ts.forEachChild(node, walk);
  };
  walk(found.body);
  // What turns back early: the same in a function that changes a state and refuses nothing.
  const early = found.body.statements.filter((s) => ts.isIfStatement(s) && turnsBack(s.thenStatement));
  const type = found.type?.getText(file) ?? "";
  const answers = type === "boolean" ? ["true", "false"] : [type.endsWith("[]") ? "[]" : "null"];
  const put = (nodes: readonly ts.Node[], text: string) =>
    [...nodes]
      .sort((a, b) => b.getStart(file) - a.getStart(file))
      .reduce((all, n) => all.slice(0, n.getStart(file)) + text + all.slice(n.getEnd()), source);
  return [
    ...(gone.length > 0 ? [put(gone, ";")] : []),
    ...(early.length > 0 ? [put(early, ";")] : []),
    ...answers.map((answer) => put([found.body!], `{ return ${answer} as never; }`)),
  ];
}

/** A title as it stands in a file, as a pattern of the titles it becomes. */
const pattern = (title: string) =>
  title.replace(/[.*+?^${}()|[\]\\]/g, "\\$&").replace(/%[sdj]|\\\$[a-zA-Z]+/g, ".*");

/** The named tests of a file that do not fail. */
function silent(root: string, file: string, titles: readonly string[]): string[] {
  const out = join(root, "unguard.json");
  rmSync(out, { force: true });
  spawnSync(
    "npx",
    ["vitest", "run", file, "-t", titles.map(pattern).join("|"), "--reporter=json", `--outputFile=${out}`],
    { cwd: root, stdio: "ignore" },
  );
  if (!existsSync(out)) return [...titles];
  const { testResults: files } = JSON.parse(readFileSync(out, "utf8")) as {
    testResults: {
      status: string;
      assertionResults: { title: string; ancestorTitles: string[]; status: string }[];
    }[];
  };
  // A file that does not even load without the guard has noticed; a title nobody ran has not.
  if (files.some((f) => f.status === "failed" && f.assertionResults.length === 0)) return [];
  const ran = files.flatMap((f) => f.assertionResults);
  // A title stands for all of its cases, and a group's for all of its tests: one that fails is enough.
  const named = (title: string) =>
    ran.filter((r) => [r.title, ...r.ancestorTitles].some((t) => new RegExp(pattern(title)).test(t)));
  return titles.filter((title) => !named(title).some((r) => r.status === "failed"));
}

const root = mkdtempSync(join(tmpdir(), "larder-unguard-"));
for (const path of COPIED) cpSync(path, join(root, path), { recursive: true });
for (const path of ALONGSIDE) symlinkSync(resolve(path), join(root, path));

const asked = process.argv.slice(2);
const guards = [...new Set(HAZARDS.map((h) => h.guard))].filter(
  (guard) => asked.length === 0 || asked.some((a) => guard.startsWith(a)),
);
let [taken, found, missed] = [0, 0, 0];
const byHand: string[] = [];
for (const guard of guards) {
  const [file, name] = guard.split("#") as [string, string];
  const source = readFileSync(file, "utf8");
  const tests = new Map<string, Set<string>>();
  for (const test of HAZARDS.filter((h) => h.guard === guard).flatMap((h) => h.tests)) {
    const at = test.indexOf(": ");
    const [where, title] = [test.slice(0, at), test.slice(at + 2)];
    if (!where.startsWith("e2e/")) tests.set(where, (tests.get(where) ?? new Set()).add(title));
  }
  const ways = withoutGuard(source, name);
  // What is drawn is looked at in the browser, and its tests are named there.
  if (ways.length === 0 || tests.size === 0 || file.endsWith(".tsx")) {
    byHand.push(guard);
    continue;
  }
  taken++;
  for (const [where, titles] of tests) {
    let left = [...titles];
    for (const way of ways) {
      if (left.length === 0) break;
      writeFileSync(join(root, file), way);
      left = silent(root, where, left);
    }
    found += titles.size - left.length;
    missed += left.length;
    for (const title of left) console.log(`${guard}: taken away, and this does not fail: ${where}: ${title}`);
  }
  writeFileSync(join(root, file), source);
}
rmSync(root, { recursive: true, force: true });
console.log(`${taken} guards taken away, ${found} named tests failed without them, ${missed} did not.`);
if (byHand.length > 0) console.log(`Seen only in a browser, or no function: ${byHand.join(", ")}`);
process.exit(missed === 0 ? 0 : 1);
