import { createWriteStream, existsSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "vitest";
import { ZipFile } from "yazl";
import { isEmpty, replaceLarder } from "#store/backup";
import { openLarder, Refused } from "#store/db";
import { storePhoto, preparePhoto } from "#store/harvest";
import { readArchive, writeArchive } from "#store/transfer";
import sharp from "sharp";
import { openTestRun, packPints, runToTowel, testLarder } from "./testing/larder.ts";
import { filesIn, packed } from "./testing/zip.ts";

const folder = () => mkdtempSync(join(tmpdir(), "larder-zip-"));

async function archive(): Promise<{ path: string; at: string; files: Map<string, string> }> {
  const at = folder();
  const t = testLarder(at);
  const red = await sharp({ create: { width: 40, height: 30, channels: 3, background: "#a33" } })
    .png()
    .toBuffer();
  storePhoto(t.larder, t.write(), t.harvestId, await preparePhoto(red, false), false);
  const run = openTestRun(t, [packPints(t).id]);
  runToTowel(t, run.id);
  const path = join(at, "all.zip");
  await writeArchive(t.larder, createWriteStream(path));
  return { path, at, files: await filesIn(path) };
}

const refusal = async (path: string, at: string): Promise<string> => {
  try {
    await readArchive(path, at, Date.now);
  } catch (error) {
    expect(error).toBeInstanceOf(Refused);
    expect((error as Error).message).toMatch(/Nothing was changed\.$/);
    expect(existsSync(join(at, "arriving", "raw"))).toBe(false);
    return (error as Error).message;
  }
  return "taken";
};

test("an archive has a CSV for each list, the photos, and a description by which another program can read them", async () => {
  const { files } = await archive();
  const described = JSON.parse(files.get("datapackage.json")!);
  expect(described.profile).toBe("data-package");
  const runs = described.resources.find((r: { name: string }) => r.name === "run_event");
  expect(runs).toMatchObject({ path: "data/run_event.csv", format: "csv", profile: "tabular-data-resource" });
  expect(runs.schema.primaryKey).toEqual(["seq"]);
  expect(runs.schema.foreignKeys).toEqual([
    { fields: "run_id", reference: { resource: "run", fields: "id" } },
  ]);
  expect([...files.keys()].filter((n) => n.startsWith("photos/"))).toHaveLength(1);
  // No key of the house leaves with it.
  expect([...files.keys()].filter((n) => /secret|session|token/.test(n))).toEqual([]);
});

test("an empty larder takes an archive in, photos and all, and goes on from there", async () => {
  const { path } = await archive();
  const at = folder();
  const larder = openLarder(at);
  expect(isEmpty(larder)).toBe(true);
  const arrived = await readArchive(path, at, Date.now);
  expect(arrived).toMatchObject({ photos: 1, rows: { harvest: 1, container: 4 } });
  await replaceLarder(larder, arrived.folder);
  expect(isEmpty(larder)).toBe(false);
  const id = larder.sqlite.prepare("select id from photo").pluck().get() as string;
  expect(existsSync(join(at, "photos", `${id}.jpg`))).toBe(true);
  // What was derived is derived on: the triggers are back.
  expect(() => larder.sqlite.exec("delete from run_event")).toThrow("append-only");
});

test("one cut off anywhere is refused", async () => {
  const { path, at } = await archive();
  const whole = readFileSync(path);
  for (const share of [0, 0.01, 0.3, 0.6, 0.9, 0.99, 0.9999]) {
    const cut = join(at, "cut.zip");
    writeFileSync(cut, whole.subarray(0, Math.floor(whole.length * share)));
    expect(await refusal(cut, at), `${share}`).toMatch(/damaged or not a zip|cannot be trusted|cut off/);
  }
});

test("one with a byte changed in the middle is refused", async () => {
  const { path, at } = await archive();
  const whole = readFileSync(path);
  for (let i = 60; i < whole.length - 200; i += Math.floor(whole.length / 40)) {
    const bad = Buffer.from(whole);
    bad[i]! ^= 0x41;
    writeFileSync(join(at, "bad.zip"), bad);
    const why = await refusal(join(at, "bad.zip"), at);
    // A name in a local header says nothing: the directory at the end is what counts, and it fits.
    if (why !== "taken") expect(why).toMatch(/Nothing was changed/);
  }
});

test.each<[string, (f: Map<string, string>) => Map<string, string>, boolean, RegExp]>([
  ["its files are in another order", (f) => new Map([...f].reverse()), false, /last file is not datapackage/],
  [
    "two tables change places",
    (f) =>
      new Map(
        [...f].sort(
          ([a], [b]) =>
            Number(a === "datapackage.json") - Number(b === "datapackage.json") || (a < b ? 1 : -1),
        ),
      ),
    false,
    /in their order/,
  ],
  ["a table is left out", (f) => (f.delete("data/audit.csv"), f), false, /not those its description names/],
  [
    "a cell is changed",
    (f) => f.set("data/lot.csv", f.get("data/lot.csv")!.replace("Shoulder", "shoulder")),
    false,
    /is not what it was/,
  ],
  [
    "a reading is changed and the description mended",
    (f) => f.set("data/run_event.csv", f.get("data/run_event.csv")!.replace('"at-target"', '"checked-in"')),
    true,
    /was changed after it was made.*Line \d+/,
  ],
  [
    "a weight is words",
    (f) => f.set("data/lot.csv", f.get("data/lot.csv")!.replace(",9,", ",heavy,")),
    true,
    /line \d: “heavy” is no number/,
  ],
  [
    "a row is left out",
    (f) => f.set("data/container.csv", f.get("data/container.csv")!.replace(/\r\n[^\r]+\r\n$/, "\r\n")),
    true,
    /point at nothing|does not agree|code names nothing|was changed after/,
  ],
  [
    "rows change places",
    (f) => {
      const [h, a, b, ...r] = f.get("data/container.csv")!.split("\r\n");
      return f.set("data/container.csv", [h, b, a, ...r].join("\r\n"));
    },
    true,
    /not in their order/,
  ],
  [
    "how a jar stands is made up",
    (f) =>
      f.set(
        "data/container.csv",
        f.get("data/container.csv")!.replace(/,,,,,,,,,\r\n/, ',"sealed",5,,,,,,,\r\n'),
      ),
    true,
    /does not agree|was changed|no whole number|no number/,
  ],
  [
    "a code is another's",
    (f) => f.set("data/code_register.csv", f.get("data/code_register.csv")!.replace('"run"', '"pack"')),
    true,
    /CHECK|agree|changed|UNIQUE|names nothing/,
  ],
  [
    "a column has another name",
    (f) => f.set("data/lot.csv", f.get("data/lot.csv")!.replace("part", "parts")),
    true,
    /columns are not those/,
  ],
  [
    "its make is another's",
    (f) => f.set("datapackage.json", f.get("datapackage.json")!.replace("patient-larder-1", "other-7")),
    false,
    /not an archive of a larder/,
  ],
  [
    "its layout is to come",
    (f) => f.set("datapackage.json", f.get("datapackage.json")!.replace(/"layout": \d+/, '"layout": 999')),
    false,
    /later version of the program/,
  ],
])("it is refused when %s", async (_what, change, mend, why) => {
  const { at, files } = await archive();
  const before = files.get("data/container.csv");
  const changed = change(files);
  expect(before !== undefined).toBe(true);
  const path = await packed(at, changed, mend);
  expect(await refusal(path, at)).toMatch(why);
});

/** A zip with one file of any name, written by hand, since the packer would refuse to. */
function rawZip(name: string, content: Buffer, claimed = content.length): Buffer {
  const local = Buffer.alloc(30);
  local.writeUInt32LE(0x04034b50, 0);
  local.writeUInt16LE(20, 4);
  local.writeUInt32LE(content.length, 18);
  local.writeUInt32LE(claimed, 22);
  local.writeUInt16LE(Buffer.byteLength(name), 26);
  const central = Buffer.alloc(46);
  central.writeUInt32LE(0x02014b50, 0);
  central.writeUInt32LE(content.length, 20);
  central.writeUInt32LE(claimed, 24);
  central.writeUInt16LE(Buffer.byteLength(name), 28);
  const body = Buffer.concat([local, Buffer.from(name), content]);
  const directory = Buffer.concat([central, Buffer.from(name)]);
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  end.writeUInt16LE(1, 8);
  end.writeUInt16LE(1, 10);
  end.writeUInt32LE(directory.length, 12);
  end.writeUInt32LE(body.length, 16);
  return Buffer.concat([body, directory, end]);
}

test.each([
  ["../../larder.db", /invalid relative path/],
  ["/etc/cron.d/x", /absolute path/],
  ["data\\..\\x.csv", /invalid characters/],
  ["photos/x.html", /last file is not datapackage/],
])("a file called %s leads nowhere", async (name, why) => {
  const at = folder();
  writeFileSync(join(at, "hostile.zip"), rawZip(name, Buffer.from("x")));
  expect(await refusal(join(at, "hostile.zip"), at)).toMatch(why);
});

test("what would unpack to far more than it is, is not unpacked", async () => {
  const at = folder();
  writeFileSync(join(at, "bomb.zip"), rawZip("data/audit.csv", Buffer.alloc(1000), 4_000_000_000));
  expect(await refusal(join(at, "bomb.zip"), at)).toMatch(/far more than a larder can be|cannot be trusted/);
  // One that says it is small and is not: a gigabyte of nothing, well packed.
  const zip = new ZipFile();
  zip.addBuffer(Buffer.alloc(50_000_000), "data/audit.csv");
  zip.end();
  await new Promise((done) =>
    zip.outputStream.pipe(createWriteStream(join(at, "well.zip"))).on("close", done as () => void),
  );
  expect(await refusal(join(at, "well.zip"), at)).toMatch(/far more than a larder can be/);
});

test("a file that is no zip at all is refused in words", async () => {
  const at = folder();
  writeFileSync(join(at, "no.zip"), "<html>".repeat(1000));
  expect(await refusal(join(at, "no.zip"), at)).toMatch(/^This file is damaged or not a zip/);
});
