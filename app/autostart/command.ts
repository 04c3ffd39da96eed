/** `npm run autostart -- [--network]`: writes what starts the larder by itself after a power cut, and says how to switch it on. */
import { mkdirSync, writeFileSync } from "node:fs";
import { homedir } from "node:os";
import { dirname, resolve } from "node:path";
import { PROGRAM_FOLDER } from "#store/db";
import { entryFor } from "./entry";

const entry = entryFor(process.platform, {
  node: process.execPath,
  program: PROGRAM_FOLDER,
  data: resolve(process.env.LARDER_DATA ?? "data"),
  home: homedir(),
  args: process.argv.includes("--network") ? ["--network"] : [],
});
if (!entry) {
  console.error(
    `How ${process.platform} starts programs by itself is not known here. Let it run: node server.js`,
  );
  process.exit(1);
}
if (entry.path) {
  mkdirSync(dirname(entry.path), { recursive: true });
  writeFileSync(entry.path, entry.text);
  console.log(`Written: ${entry.path}\n`);
}
const part = (title: string, lines: string[]) =>
  console.log(`${title}\n${lines.map((l) => `  ${l}`).join("\n")}\n`);
part("Build the pages once, then switch it on:", ["npm run build:once", ...entry.on]);
part("To see how it goes:", entry.look);
part("To take it off again (your data stays):", entry.off);
