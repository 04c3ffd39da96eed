import fc from "fast-check";
import { createWriteStream, mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "vitest";
import { openLarder, type Larder } from "#store/db";
import { readArchive, safeCell, textOfCell, writeArchive } from "#store/transfer";
import { anyHistory, livedThrough } from "./testing/history.ts";
import { filesIn } from "./testing/zip.ts";

/** How many larders go out and come in: 200 in the long run, fewer each day. */
const LARDERS = Number(process.env.LARDERS ?? 10);

const folder = mkdtempSync(join(tmpdir(), "larder-out-"));

async function out(larder: Larder, name: string): Promise<string> {
  const path = join(folder, name);
  await writeArchive(larder, createWriteStream(path));
  return path;
}

/** Everything in an archive, but for the one line that says when it was made. */
async function contents(path: string): Promise<Map<string, string>> {
  const files = await filesIn(path);
  const text = files.get("datapackage.json")!;
  expect(text.match(/"created": "[^"]+"/g)).toHaveLength(1);
  files.set("datapackage.json", text.replace(/"created": "[^"]+"/, '"created": ""'));
  return files;
}

test(
  `${LARDERS} random larders come out of an empty one as they went in, byte for byte`,
  { timeout: 900_000 },
  async () => {
    let lines = 0;
    await fc.assert(
      fc.asyncProperty(anyHistory, async (deeds) => {
        const { larder } = livedThrough(deeds);
        const first = await out(larder, "first.zip");
        larder.close();
        const arrived = await readArchive(first, folder, Date.now);
        const again = openLarder(arrived.folder, () => 1_800_000_000_000);
        const second = await out(again, "second.zip");
        again.close();
        rmSync(arrived.folder, { recursive: true });
        const [a, b] = [await contents(first), await contents(second)];
        expect([...b.keys()]).toEqual([...a.keys()]);
        for (const [name, text] of a) expect(b.get(name), name).toBe(text);
        // All of the file, not only what is in it: but for that one line the zips are the same to the byte.
        const [x, y] = [readFileSync(first), readFileSync(second)];
        expect(x.subarray(0, dataLength(x)).equals(y.subarray(0, dataLength(y)))).toBe(true);
        lines += arrived.rows.audit!;
      }),
      { numRuns: LARDERS, seed: 20261201 },
    );
    expect(lines).toBeGreaterThan(LARDERS * 5);
    expect(readdirSync(join(folder, "arriving"))).toEqual([]);
  },
);

/** Bytes before the description, which is the last file. */
const dataLength = (zip: Buffer) => zip.indexOf("datapackage.json") - 30;

test("any text survives a cell, and no cell begins as a formula does", () => {
  fc.assert(
    fc.property(
      fc.oneof(fc.string(), fc.constantFrom("=1+1", "+1", "-1", "@x", "\t", "'", "''=", "")),
      (text) => {
        expect(textOfCell(safeCell(text))).toBe(text);
        expect(safeCell(text)).not.toMatch(/^[=+\-@\t\r\n]/);
      },
    ),
  );
});
