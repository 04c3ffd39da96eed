import {
  cpSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { PROGRAM_FOLDER } from "#store/db";

/**
 * Returns a checkout like this one whose build is another: what the next release is to a screen that is open.
 *
 * @param fetchedInMs a browser takes so long to fetch what its worker needs, ms
 */
export function newerBuild(fetchedInMs = 0): string {
  const folder = mkdtempSync(join(tmpdir(), "larder-newer-"));
  for (const name of ["node_modules", "store", "solver.js"])
    symlinkSync(join(PROGRAM_FOLDER, name), join(folder, name));
  for (const name of ["package.json", "server.js", "build"])
    cpSync(join(PROGRAM_FOLDER, name), join(folder, name), { recursive: true });
  const assets = join(folder, "build/client/assets");
  const manifest = readdirSync(assets).find((f) => f.startsWith("manifest-"))!;
  const version = /manifest-(\w+)\.js/.exec(manifest)![1]!;
  const other = version.replace(/^./, (first) => (first === "0" ? "1" : "0"));
  renameSync(join(assets, manifest), join(assets, manifest.replace(version, other)));
  const server = readdirSync(join(folder, "build/server/assets")).map((f) => `build/server/assets/${f}`);
  for (const file of ["build/client/sw.js", `build/client/assets/manifest-${other}.js`, ...server]) {
    const path = join(folder, file);
    writeFileSync(path, readFileSync(path, "utf8").replaceAll(version, other));
  }
  const worker = join(folder, "build/client/sw.js");
  const slow = `self.addEventListener("install",(e)=>e.waitUntil(new Promise((r)=>setTimeout(r,${fetchedInMs}))));`;
  writeFileSync(worker, slow + readFileSync(worker, "utf8"));
  return folder;
}
