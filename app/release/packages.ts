import { existsSync, readFileSync, realpathSync } from "node:fs";
import { dirname, join } from "node:path";

interface Manifest {
  dependencies?: Record<string, string>;
  optionalDependencies?: Record<string, string>;
}

/** Returns the folder of a package as another one finds it; null where it is not installed, as for another system. */
function folderOf(name: string, from: string): string | null {
  for (let folder = from; ; folder = dirname(folder)) {
    const found = join(folder, "node_modules", name);
    if (existsSync(join(found, "package.json"))) return realpathSync(found);
    if (folder === dirname(folder)) return null;
  }
}

/**
 * Returns the folders of packages and of all they need, each once.
 *
 * @param root the folder whose `node_modules` they are in
 */
export function packagesFor(root: string, names: readonly string[]): string[] {
  const found = new Set<string>();
  const add = (name: string, from: string, optional: boolean) => {
    const folder = folderOf(name, from);
    if (!folder && !optional) throw new Error(`${name} is not installed. Run node setup.js first.`);
    if (!folder || found.has(folder)) return;
    found.add(folder);
    const { dependencies = {}, optionalDependencies = {} } = JSON.parse(
      readFileSync(join(folder, "package.json"), "utf8"),
    ) as Manifest;
    for (const one of Object.keys(dependencies)) add(one, folder, one in optionalDependencies);
    for (const one of Object.keys(optionalDependencies)) add(one, folder, true);
  };
  for (const name of names) add(name, root, false);
  return [...found].sort();
}

/** Parts of packages that are only needed to build them, or by a browser that gets them from the pages' own build. */
const NOT_NEEDED =
  /(^|\/)(better-sqlite3\/(deps|src|binding\.gyp|build\/(?!Release\/better_sqlite3\.node$).*\.\w+)|.*\.(d\.[cm]?ts|map|md|markdown|flow)$|echarts\/(dist|i18n|build|theme|asset|ssr)\/|pdfkit\/js\/pdfkit\.standalone\.js|(test|tests|__tests__|docs|examples?|benchmarks?)\/)/;

/** Whether a file of a package goes into a release. @param path from `node_modules` on, with `/` */
export const isNeeded = (path: string): boolean => !NOT_NEEDED.test(path);
