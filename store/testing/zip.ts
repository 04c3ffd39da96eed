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
