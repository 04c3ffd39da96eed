import { describe, expect, test } from "vitest";
import { z } from "zod";
import { Refused } from "#store/db";
import { isUpload, submitUpload, wholeFile, type Upload } from ".";

const schema = z.object({
  intent: z.literal("log"),
  probe: z.string().optional(),
  file: z.string().optional(),
});

function uploads(over: Partial<Upload<typeof schema>> = {}): Record<string, Upload<z.ZodObject>> {
  const log: Upload<typeof schema> = {
    schema,
    field: "file",
    limitBytes: 5000,
    work: async (v, file) => ({ probe: v.probe, bytes: (await wholeFile(file)).length }),
    ...over,
  };
  return { log: log as unknown as Upload<z.ZodObject> };
}

/** A form as a browser sends it. */
function sent(fields: Record<string, string>, file: Uint8Array | null): Request {
  const form = new FormData();
  for (const [k, v] of Object.entries(fields)) form.set(k, v);
  if (file) form.set("file", new Blob([new Uint8Array(file)]), "night.csv");
  return new Request("http://x/field/AAA-A", { method: "POST", body: form });
}

type Reply = {
  data: { result: { error?: Record<string, string[]> }; done: unknown };
  init: { status: number };
};
const take = async (request: Request, u = uploads()) => (await submitUpload(request, u)) as unknown as Reply;

describe("a form with a file", () => {
  test("is told from one without", () => {
    expect(isUpload(sent({}, null))).toBe(true);
    expect(isUpload(new Request("http://x", { method: "POST", body: new URLSearchParams({ a: "b" }) }))).toBe(
      false,
    );
  });
  test("gives its fields and its file, in pieces", async () => {
    const answer = await take(sent({ intent: "log", probe: "A" }, new Uint8Array(4000)));
    expect(answer.init.status).toBe(200);
    expect(answer.data.done).toEqual({ probe: "A", bytes: 4000 });
  });
  test("without a file chosen has an empty one", async () =>
    expect((await take(sent({ intent: "log" }, null))).data.done).toEqual({ probe: undefined, bytes: 0 }));
  test("a wrong field is said at the field, and the file is let through unread", async () => {
    const answer = await take(sent({ intent: "other" }, new Uint8Array(4000)));
    expect(answer.init.status).toBe(422);
    expect(answer.data.result.error).toHaveProperty("intent");
  });
  test("a file that grows past the limit is refused on the way", async () => {
    const answer = await take(sent({ intent: "log" }, new Uint8Array(9000)));
    expect(answer.init.status).toBe(422);
    expect(answer.data.result.error?.file?.[0]).toMatch(/larger than/);
  });
  test("one that says it is far too large is not read at all", async () => {
    const request = sent({ intent: "log" }, new Uint8Array(10));
    request.headers.set("Content-Length", "80000000");
    const answer = await take(request);
    expect(answer.init.status).toBe(413);
    expect(answer.data.result.error?.file?.[0]).toMatch(/nothing of it was taken in/);
    expect(request.bodyUsed).toBe(false);
  });
  test("what its work refuses midway is heard, though the rest was never read", async () => {
    const answer = await take(
      sent({ intent: "log" }, new Uint8Array(4900)),
      uploads({
        async work(_, file) {
          for await (const _piece of file) throw new Refused({ file: "Enough." });
          return null;
        },
      }),
    );
    expect(answer.data.result.error?.file).toEqual(["Enough."]);
  });
});
