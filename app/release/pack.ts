import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, relative } from "node:path";
import { create } from "tar";
import { OUTSIDE, READ } from "./outside.ts";
import { isNeeded, packagesFor } from "./packages.ts";

/** What of the program itself goes in: the built pages and programs, what starts them, and how a larder's file is laid out. */
const PARTS = ["build", "server.js", "solver.js", "store/migrations", "CHANGELOG.md", "docs/running.md"];

/** Starts the program, or says why it cannot on this machine: the native parts are for one system and one Node. */
const starter = (made: Made) => `// Starts Patient Larder. Add --network for the kitchen's other screens.
const made = ${JSON.stringify(made)};
const here = { platform: process.platform, arch: process.arch, modules: process.versions.modules };
if (made.platform !== here.platform || made.arch !== here.arch || made.modules !== here.modules) {
  console.error(
    \`This release was made for \${made.platform} on \${made.arch} with Node \${made.node}. This is \${here.platform} on \${here.arch} with Node \${process.versions.node}. Take the release for this machine, or install that Node.\`,
  );
  process.exit(1);
}
await import("./server.js");
`;

interface Made {
  version: string;
  node: string;
  modules: string;
  platform: string;
  arch: string;
}

/**
 * Packs the built program with all it needs but Node into one archive for the machine it is run on.
 *
 * @param root the folder of the program, with its pages built
 * @param out folder the archive is put into
 * @returns the archive's path
 */
export async function packRelease(root: string, out: string): Promise<string> {
  const { version } = JSON.parse(readFileSync(join(root, "package.json"), "utf8")) as { version: string };
  const { versions, platform, arch } = process;
  const made: Made = { version, node: versions.node, modules: versions.modules, platform, arch };
  const name = `patient-larder-${version}-${platform}-${arch}`;
  const stage = mkdtempSync(join(tmpdir(), "larder-release-"));
  const folder = join(stage, name);
  try {
    for (const part of PARTS) cpSync(join(root, part), join(folder, part), { recursive: true });
    for (const from of packagesFor(root, [...OUTSIDE, ...READ]))
      cpSync(from, join(folder, relative(root, from)), {
        recursive: true,
        filter: (file) =>
          statSync(file).isDirectory() ||
          isNeeded(relative(join(root, "node_modules"), file).replaceAll("\\", "/")),
      });
    writeFileSync(join(folder, "start.js"), starter(made));
    writeFileSync(
      join(folder, "package.json"),
      JSON.stringify(
        {
          name: "patient-larder",
          version,
          private: true,
          type: "module",
          scripts: {
            start: "node start.js",
            autostart: "node build/server/autostart.js",
            verify: "node build/server/verify.js",
          },
        },
        null,
        2,
      ),
    );
    mkdirSync(out, { recursive: true });
    const archive = join(out, `${name}.tgz`);
    await create({ gzip: true, file: archive, cwd: stage, portable: true }, [name]);
    return archive;
  } finally {
    rmSync(stage, { recursive: true, force: true });
  }
}
