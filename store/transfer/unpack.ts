import { createHash } from "node:crypto";
import { createWriteStream } from "node:fs";
import { mkdir } from "node:fs/promises";
import { dirname, join } from "node:path";
import { Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import yauzl, { type Entry, type ZipFile } from "yauzl";
import { z } from "zod";
import { Refused } from "#store/db";
import { Described, type Resource } from "./package.ts";

/** Largest archive taken, bytes, and what all of it may unpack to. */
export const ARCHIVE_LIMIT_BYTES = 2_000_000_000;
const MOST_UNPACKED_BYTES = 8_000_000_000;
/** The ids and hashes in its lines do not pack: a larder comes to a tenth at best, and one file of it to a thirtieth. */
const MOST_RATIO = 25;
const MOST_RATIO_OF_ONE = 100;
/** What is small is never in the way, however well it packs. */
const SMALL_BYTES = 10_000_000;
const DESCRIPTION = "datapackage.json";
const DESCRIPTION_LIMIT_BYTES = 60_000_000;
/** For people, before the rest: how to read it, and the history's code as a picture. Nothing in them is taken in. */
export const README = "README.txt";
export const PICTURE = "history.svg";

const no = (why: string): never => {
  throw new Refused({ archive: `${why} Nothing was changed.` });
};

/** An archive whose description was read, and of which nothing was unpacked yet. */
export interface OpenArchive {
  described: Described;
  /** Unpacks it, and holds each file against the description. @throws Refused with the reason */
  unpack(into: string): Promise<void>;
  close(): void;
}

/**
 * Opens an archive and checks its list of files against its description, before anything is unpacked: every file that
 * is named is there, in its order and of its length, and no other, and all of it is no larger than a larder can be.
 * Throws Refused with the reason.
 */
export async function openArchive(path: string): Promise<OpenArchive> {
  const zip = await opened(path);
  try {
    const entries = (await entriesOf(zip)).filter((e, i) => i > 1 || ![README, PICTURE].includes(e.fileName));
    const last = entries.pop();
    if (last?.fileName !== DESCRIPTION)
      return no("Its last file is not datapackage.json: it was cut off or put together again.");
    if (last.uncompressedSize > DESCRIPTION_LIMIT_BYTES) return no("Its description is far too long.");
    const described = await describedIn(zip, last);
    const named = described.resources;
    if (named.length !== entries.length || named.some((r, i) => r.path !== entries[i]!.fileName))
      return no("Its files are not those its description names, in their order.");
    for (const [i, { path: at, bytes }] of named.entries()) {
      if (!/^(data\/[a-z_]+\.csv|photos\/[0-9a-f-]{36}\.jpg)$/.test(at))
        return no(`“${at.slice(0, 80)}” is no file of a larder.`);
      if (entries[i]!.uncompressedSize !== bytes) return no(`${at} is not as long as its description says.`);
    }
    return {
      described,
      async unpack(into) {
        for (const [i, resource] of named.entries()) await unpackOne(zip, entries[i]!, resource, into);
      },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function unpackOne(zip: ZipFile, entry: Entry, resource: Resource, into: string): Promise<void> {
  const at = join(into, resource.path);
  await mkdir(dirname(at), { recursive: true });
  const hash = createHash("sha256");
  const hashing = new Transform({
    transform(piece: Buffer, _encoding, next) {
      hash.update(piece);
      next(null, piece);
    },
  });
  try {
    await pipeline(await contentOf(zip, entry), hashing, createWriteStream(at));
  } catch (error) {
    // A full disk is no fault of the archive.
    if ((error as NodeJS.ErrnoException).code === "ENOSPC") throw error;
    no(`${resource.path} cannot be unpacked: the archive is damaged.`);
  }
  if (`sha256:${hash.digest("hex")}` !== resource.hash)
    no(`${resource.path} is not what it was when the archive was made.`);
}

async function describedIn(zip: ZipFile, entry: Entry): Promise<Described> {
  const pieces: Buffer[] = [];
  try {
    for await (const piece of await contentOf(zip, entry)) pieces.push(piece as Buffer);
    return Described.parse(JSON.parse(Buffer.concat(pieces).toString("utf8")));
  } catch (error) {
    const why = error instanceof z.ZodError ? ` ${error.issues[0]!.message}` : "";
    return no(`Its datapackage.json does not read as one.${why}`);
  }
}

function opened(path: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    // Names that lead out of the folder, and lengths that are a lie, are refused by the library itself.
    yauzl.open(path, { lazyEntries: true, autoClose: false, strictFileNames: true }, (error, zip) =>
      error
        ? reject(
            new Refused({
              archive: "This file is damaged or not a zip. Nothing was changed.",
            }),
          )
        : resolve(zip),
    );
  });
}

function entriesOf(zip: ZipFile): Promise<Entry[]> {
  return new Promise((resolve, reject) => {
    const entries: Entry[] = [];
    const seen = new Set<string>();
    let unpacked = 0;
    let packed = 0;
    zip.on("error", (error: Error) =>
      reject(
        new Refused({ archive: `This zip file cannot be trusted: ${error.message}. Nothing was changed.` }),
      ),
    );
    zip.on("end", () => resolve(entries));
    zip.on("entry", (entry: Entry) => {
      unpacked += entry.uncompressedSize;
      packed += entry.compressedSize;
      const why = seen.has(entry.fileName)
        ? `“${entry.fileName.slice(0, 80)}” is in it twice.`
        : entry.isEncrypted()
          ? "It is locked with a password."
          : unpacked > MOST_UNPACKED_BYTES ||
              unpacked > packed * MOST_RATIO + SMALL_BYTES ||
              (entry.uncompressedSize > SMALL_BYTES &&
                entry.uncompressedSize > entry.compressedSize * MOST_RATIO_OF_ONE)
            ? "It would unpack to far more than a larder can be."
            : null;
      if (why) return reject(new Refused({ archive: `${why} Nothing was changed.` }));
      seen.add(entry.fileName);
      entries.push(entry);
      zip.readEntry();
    });
    zip.readEntry();
  });
}

function contentOf(zip: ZipFile, entry: Entry): Promise<NodeJS.ReadableStream> {
  return new Promise((resolve, reject) =>
    zip.openReadStream(entry, (error, stream) => (error ? reject(error) : resolve(stream))),
  );
}
