import { parseWithZod } from "@conform-to/zod/v4";
import busboy from "busboy";
import { Readable } from "node:stream";
import type { z } from "zod";
import { Refused } from "#store/db";
import { answer, troubledAnswer } from "./submit";

/** A form with a file, by its intent: how its fields are read, and what is done with the file as it arrives. */
export interface Upload<S extends z.ZodObject> {
  schema: S;
  /** name of the file field, to which what is wrong with the file is said */
  field: string;
  limitBytes: number;
  /** takes the file in pieces; it is empty when none was chosen */
  work(value: z.output<S>, file: AsyncIterable<Uint8Array>): Promise<Response | object | null>;
}

/** Whether a request brings a file. */
export function isUpload(request: Request): boolean {
  return (request.headers.get("Content-Type") ?? "").startsWith("multipart/form-data");
}

/**
 * Reads a form with a file without ever holding the whole of it. The file must be the form's last field, so that
 * everything said about it is known when it begins. Too large a file is refused before a byte of it is read.
 */
export async function submitUpload(request: Request, uploads: Record<string, Upload<z.ZodObject>>) {
  const any = Object.values(uploads)[0]!;
  const length = Number(request.headers.get("Content-Length") ?? 0);
  const largest = Math.max(...Object.values(uploads).map((u) => u.limitBytes));
  if (length > largest + 10_000 || !request.body) {
    const tooLarge = `This file is larger than ${Math.round(largest / 1e6)} MB, and nothing of it was taken in. Send it in parts, or set the logger to fewer readings.`;
    // Which form it came from is inside the body that is not read: the one with the largest limit is the one that meets it.
    const upload = Object.entries(uploads).find(([, u]) => u.limitBytes === largest)!;
    const form = new FormData();
    form.set("intent", upload[0]);
    return answer(
      parseWithZod(form, { schema: upload[1].schema }).reply({
        fieldErrors: { [upload[1].field]: [request.body ? tooLarge : "Nothing was sent."] },
      }),
      413,
    );
  }
  const fields = new FormData();
  const take = async (file: AsyncIterable<Uint8Array>) => {
    const intent = String(fields.get("intent"));
    const upload = Object.hasOwn(uploads, intent) ? uploads[intent]! : any;
    const submission = parseWithZod(fields, { schema: upload.schema });
    if (submission.status !== "success") return answer(submission.reply(), 422);
    try {
      const done = await upload.work(submission.value, limited(file, upload));
      return done instanceof Response ? done : answer(submission.reply({ resetForm: true }), 200, done);
    } catch (error) {
      return troubledAnswer(submission, upload.schema, error);
    }
  };
  return receive(request, fields, take);
}

type Answer = ReturnType<typeof answer> | Response;

function receive(
  request: Request,
  fields: FormData,
  take: (file: AsyncIterable<Uint8Array>) => Promise<Answer>,
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    let answered: Promise<Answer> | null = null;
    let parser: busboy.Busboy;
    try {
      parser = busboy({
        headers: Object.fromEntries(request.headers),
        limits: { files: 1, fields: 20, fieldSize: 2000, parts: 22 },
      });
    } catch {
      return reject(new Response("This was not sent as a form.", { status: 400 }));
    }
    parser.on("field", (name, value) => fields.set(name, value));
    parser.on("file", (_name, file) => {
      const pieces = file[Symbol.asyncIterator]() as AsyncIterator<Uint8Array>;
      // Whoever reads may stop early; the rest is then let through here, so that the answer can be heard.
      answered = take({ [Symbol.asyncIterator]: () => ({ next: () => pieces.next() }) }).finally(() =>
        drain(pieces),
      );
      answered.catch(reject);
    });
    parser.on("error", () => reject(new Response("This was not sent as a form.", { status: 400 })));
    parser.on("close", () => resolve(answered ?? take(nothing())));
    Readable.fromWeb(request.body as import("node:stream/web").ReadableStream)
      .on("error", () => reject(new Response("The upload broke off.", { status: 400 })))
      .pipe(parser);
  });
}

async function drain(pieces: AsyncIterator<Uint8Array>): Promise<void> {
  while (!(await pieces.next()).done);
}

async function* nothing(): AsyncIterable<Uint8Array> {
  // No file came with the form.
}

async function* limited(
  file: AsyncIterable<Uint8Array>,
  upload: Upload<z.ZodObject>,
): AsyncIterable<Uint8Array> {
  let seen = 0;
  for await (const piece of file) {
    seen += piece.length;
    if (seen > upload.limitBytes)
      throw new Refused({
        [upload.field]: `This file is larger than ${Math.round(upload.limitBytes / 1e6)} MB. Send it smaller, or in parts.`,
      });
    yield piece;
  }
}

/** All of a small file at once. */
export async function wholeFile(file: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
  const pieces: Uint8Array[] = [];
  for await (const piece of file) pieces.push(piece);
  return Buffer.concat(pieces);
}
