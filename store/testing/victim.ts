/**
 * Works on a larder until it is killed, in a process of its own: `victim.ts <what> <folder> [archive]`. Each line it
 * prints is an acknowledgement: what it says was done survives whatever comes.
 */
import { existsSync, mkdirSync } from "node:fs";
import { v7 as uuid } from "uuid";
import {
  removePartialFiles,
  isEmpty,
  listBackups,
  replaceLarder,
  restoreBackup,
  takeBackup,
} from "#store/backup";
import { openLarder, type Larder } from "#store/db";
import { recordHarvest } from "#store/harvest";
import { readArchive } from "#store/transfer";

const [what = "", folder = "", archive = ""] = process.argv.slice(2);
const say = (line: string): void => void process.stdout.write(`${line}\n`);

function write(larder: Larder): void {
  const key = uuid();
  const { code } = recordHarvest(
    larder,
    { key, byId: null },
    {
      species: "wild-boar",
      takenOn: "2026-11-18",
      place: null,
      tag: key,
      count: 1,
      weightKg: 40,
      weightKind: "dressed",
      note: null,
      holdFor: null,
    },
    "2026-11-20",
  );
  say(`wrote ${code} ${key}`);
}

async function work(): Promise<void> {
  mkdirSync(folder, { recursive: true });
  removePartialFiles(folder);
  say("ready");
  const larder = openLarder(folder);
  say("open");
  for (let i = 0; ; i++) {
    if (what === "write") write(larder);
    if (what === "backup") {
      write(larder);
      const { name } = await takeBackup(larder, "by-hand");
      say(`copied ${name}`);
    }
    if (what === "restore") {
      write(larder);
      if (i % 3 === 0) await takeBackup(larder, "by-hand");
      else
        await restoreBackup(larder, listBackups(folder).find((c) => c.why === "by-hand")!.name, {
          write: { key: uuid(), byId: null },
          reason: "a test",
        });
      say("restored");
    }
    if (what === "import") {
      if (!isEmpty(larder)) return say("imported");
      const arrived = await readArchive(archive, folder, Date.now);
      await replaceLarder(larder, arrived.folder);
      say("imported");
    }
    if (what === "migrate") return say("migrated");
    // Lets copies and files be waited for.
    await new Promise((r) => setImmediate(r));
  }
}

if (!existsSync("store/migrations")) throw new Error("run from the project's root");
await work();
