import { describe, expect, test } from "vitest";
import { redirect } from "react-router";
import { v7 as uuid } from "uuid";
import { z } from "zod";
import { Refused } from "#store/db";
import { CAME_TWICE } from "../../ui/form/which";
import { byIntent, instant, keyField, quantity, submit, weight, words } from ".";

const schema = z.object({
  key: keyField,
  part: words("The part", 10),
  kg: weight("us"),
  temp: quantity("temperature", "metric", "The temperature").optional(),
});
const post = (fields: Record<string, string>) =>
  new Request("http://x/table", { method: "POST", body: new URLSearchParams({ key: uuid(), ...fields }) });

type Answer = {
  init: { status: number };
  data: {
    result: { status?: string; initialValue: Record<string, string>; error: Record<string, string[]> | null };
  };
};
const send = async (
  fields: Record<string, string>,
  work: (v: z.output<typeof schema>) => Response | null = () => null,
) => (await submit(post(fields), schema, work)) as unknown as Answer;

describe("a form that is sent", () => {
  test("is read to SI and its work done", async () => {
    let seen: unknown;
    const answer = await send({ part: " Loin ", kg: "3 lb 5 oz", temp: "77" }, (v) => ((seen = v), null));
    expect(seen).toMatchObject({ part: "Loin", temp: 77 });
    expect((seen as { kg: number }).kg).toBeCloseTo(1.5025, 4);
    expect(answer.init.status).toBe(200);
  });
  test("with bad input comes back 422, a sentence at each field, and everything that was typed", async () => {
    const answer = await send({ part: "far too long a name", kg: "0", temp: "hot" });
    expect(answer.init.status).toBe(422);
    expect(answer.data.result.error).toEqual({
      part: ["Keep it under 10 characters."],
      kg: ["Weight must be more than 0."],
      temp: ["“hot” does not read as a temperature. Type it like 77 °C."],
    });
    expect(answer.data.result.initialValue).toMatchObject({
      part: "far too long a name",
      kg: "0",
      temp: "hot",
    });
  });
  test("without what it needs says what is missing", async () => {
    const answer = await send({ part: "", kg: "" });
    expect(answer.data.result.error).toMatchObject({
      part: ["The part is missing."],
      kg: ["The weight is missing."],
    });
  });
  test("that the rules refuse: at its field when the form has it, above the button when not", async () => {
    const answer = await send({ part: "Loin", kg: "2" }, () => {
      throw new Refused(
        { kg: "More than there is.", elsewhere: "And the animal is on hold.", "": "Nothing was saved." },
        409,
      );
    });
    expect(answer.init.status).toBe(409);
    expect(answer.data.result.error).toEqual({
      kg: ["More than there is."],
      "": ["And the animal is on hold.", "Nothing was saved."],
    });
    expect(answer.data.result.initialValue.part).toBe("Loin");
  });
  test("leads on when the work says so, and does not hide a fault of ours", async () => {
    const gone = (await submit(post({ part: "Loin", kg: "2" }), schema, () => redirect("/cold"))) as Response;
    expect([gone.status, gone.headers.get("location")]).toEqual([302, "/cold"]);
    await expect(
      submit(post({ part: "Loin", kg: "2" }), schema, () => {
        throw new TypeError("ours");
      }),
    ).rejects.toThrow("ours");
  });
  test("with a key that is none is refused; with a body that is none, too", async () => {
    expect((await send({ key: "1", part: "Loin", kg: "2" })).init.status).toBe(422);
    const json = new Request("http://x/table", {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: "{}",
    });
    await expect(submit(json, schema, () => null)).rejects.toMatchObject({ status: 400 });
  });
});

describe("a page with several forms", () => {
  const forms = { add: () => "added", take: () => "taken" };
  const ask = (intent: string | null, usual?: string) =>
    byIntent(post(intent === null ? {} : { intent }), forms, usual).catch((error: unknown) => error);
  test("does what its intent says", async () => expect(await ask("take")).toBe("taken"));
  test("reads any other by its main form, or refuses it where there is none", async () => {
    expect(await ask("nothing", "add")).toBe("added");
    expect(await ask(null, "add")).toBe("added");
    for (const intent of ["nothing", "constructor", null])
      expect(((await ask(intent)) as Response).status).toBe(400);
  });
});

describe("a time on the wall, typed into a form", () => {
  const timed = z.object({ key: keyField, at: instant("America/Denver", "The time") });
  const sendTime = async (fields: Record<string, string>) => {
    let seen: number | null = null;
    const answer = (await submit(post(fields), timed, (v) => ((seen = v.at), null))) as unknown as Answer;
    return { seen, answer };
  };
  test("is one instant on a common day", async () => {
    expect((await sendTime({ at: "2026-11-20T14:05" })).seen).toBe(Date.UTC(2026, 10, 20, 21, 5));
  });
  test("that the clocks skipped is refused, and says from when to when", async () => {
    const { seen, answer } = await sendTime({ at: "2026-03-08T02:30" });
    expect(seen).toBeNull();
    expect(answer.init.status).toBe(422);
    expect(answer.data.result.error).toEqual({
      at: [
        "This time did not exist: the clocks went forward from 02:00 to 03:00. Type what the clock showed.",
      ],
    });
  });
  test("that came twice is asked about, and the answer decides", async () => {
    const { seen, answer } = await sendTime({ at: "2026-11-01T01:30" });
    expect(seen).toBeNull();
    expect(answer.data.result.error!.at).toEqual([CAME_TWICE]);
    expect(answer.data.result.initialValue.at).toBe("2026-11-01T01:30");
    expect((await sendTime({ at: "2026-11-01T01:30", "which-at": "first" })).seen).toBe(
      Date.UTC(2026, 10, 1, 7, 30),
    );
    expect((await sendTime({ at: "2026-11-01T01:30", "which-at": "second" })).seen).toBe(
      Date.UTC(2026, 10, 1, 8, 30),
    );
    // The answer to a question about another time changes nothing.
    expect((await sendTime({ at: "2026-11-20T14:05", "which-at": "second" })).seen).toBe(
      Date.UTC(2026, 10, 20, 21, 5),
    );
  });
});
