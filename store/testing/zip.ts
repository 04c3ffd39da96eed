import { createHash } from "node:crypto";
import { createWriteStream } from "node:fs";
import { join } from "node:path";
import { ZipFile } from "yazl";
import yauzl from "yauzl";

/** Every file of a zip as text, in the order it holds them. */
export function filesIn(path: string): Promise<Map<string, string>> {
  return new Promise((resolve, reject) => {
    yauzl.open(path, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error);
      const files = new Map<string, string>();
      zip.on("entry", (entry: yauzl.Entry) => {
        zip.openReadStream(entry, (problem, stream) => {
          if (problem) return reject(problem);
          const pieces: Buffer[] = [];
          stream.on("data", (piece: Buffer) => pieces.push(piece));
          stream.on("end", () => {
            files.set(entry.fileName, Buffer.concat(pieces).toString("latin1"));
            zip.readEntry();
          });
        });
      });
      zip.on("end", () => resolve(files));
      zip.on("error", reject);
      zip.readEntry();
    });
  });
}

/** Packs files anew, as somebody who changed them would: with lengths and hashes that fit, when asked. @returns its path */
export async function packed(at: string, files: Map<string, string>, mend: boolean): Promise<string> {
  if (mend) {
    const d = JSON.parse(files.get("datapackage.json")!) as {
      resources: { path: string; bytes: number; hash: string }[];
    };
    for (const r of d.resources) {
      const bytes = Buffer.from(files.get(r.path) ?? "", "latin1");
      r.bytes = bytes.length;
      r.hash = `sha256:${createHash("sha256").update(bytes).digest("hex")}`;
    }
    files.set("datapackage.json", JSON.stringify(d));
  }
  const zip = new ZipFile();
  for (const [name, text] of files) zip.addBuffer(Buffer.from(text, "latin1"), name);
  zip.end();
  const path = join(at, "changed.zip");
  await new Promise((done) => zip.outputStream.pipe(createWriteStream(path)).on("close", done as () => void));
  return path;
}
