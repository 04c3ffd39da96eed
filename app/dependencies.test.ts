import { readFileSync } from "node:fs";
import { expect, test } from "vitest";

interface Locked {
  version: string;
  resolved?: string;
  integrity?: string;
  inBundle?: boolean;
  hasInstallScript?: boolean;
  license?: string;
  dev?: boolean;
}

const { packages } = JSON.parse(readFileSync("package-lock.json", "utf8")) as {
  packages: Record<string, Locked>;
};
const all = Object.entries(packages).filter(([name]) => name !== "");

test("every package is one exact version with a checksum, or lies inside one that has", () => {
  for (const [name, p] of all) {
    if (p.inBundle) continue;
    expect(p.integrity, name).toMatch(/^sha512-/);
    if (p.resolved) expect(p.resolved, name).toMatch(/^https:\/\/registry\.npmjs\.org\//);
  }
});

test("what is asked for is asked for exactly", () => {
  const { dependencies, devDependencies } = JSON.parse(readFileSync("package.json", "utf8")) as Record<
    "dependencies" | "devDependencies",
    Record<string, string>
  >;
  for (const [name, version] of Object.entries({ ...dependencies, ...devDependencies }))
    expect(version, name).toMatch(/^\d+\.\d+\.\d+$/);
});

test("no package runs a script when it is installed, but the one that is compiled by name", () => {
  expect(readFileSync(".npmrc", "utf8")).toContain("ignore-scripts=true");
  const scripts = all
    .filter(([, p]) => p.hasInstallScript)
    .map(([name]) => name.split("node_modules/").at(-1));
  // esbuild's only looks for its own binary, and works without it.
  expect([...new Set(scripts)].sort()).toEqual(["better-sqlite3", "esbuild"]);
});

test("no licence that runs with the program asks for more than to be named", () => {
  const asks = all
    .filter(([, p]) => !p.dev && /GPL|MPL|SSPL|BUSL/.test(p.license ?? ""))
    .map(([name]) => name);
  expect(
    asks.every((name) => name.startsWith("node_modules/@img/sharp")),
    asks.join(),
  ).toBe(true);
});
