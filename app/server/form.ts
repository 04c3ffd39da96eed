import { parseWithZod } from "@conform-to/zod/v4";
import type { SubmissionResult } from "@conform-to/react";
import { createHash } from "node:crypto";
import { data } from "react-router";
import { v7 as uuid } from "uuid";
import { z } from "zod";
import { Refused, scopeNow, type Write } from "#store/db";
import { CAME_TWICE, WHICH } from "../ui/form/which";
import { problemOf } from "../ui/form/result";
import { troubleAnswer } from "./trouble";
import { readWallText, type WallReading, type WallTime } from "#core/calendar";
import { parseQuantity, readNumber, type Dimension, type UnitSystem, type Writing } from "#core/quantity";

/** A fresh key for a form: made with the page, so that sending it twice does it once. */
export function formKey(): string {
  return uuid();
}

/** The hidden key every form carries. */
export const keyField = z.uuid("This form has no key. Reload the page and try again.");

/** A quantity as typed, read to SI. What cannot be read becomes a sentence at the field. */
export function quantity(dimension: Dimension, writing: UnitSystem | Writing, what: string) {
  return z.string({ error: `${what} is missing.` }).transform((text, ctx) => {
    const parsed = parseQuantity(text, dimension, writing);
    if (parsed.ok) return parsed.si;
    ctx.addIssue({ code: "custom", message: parsed.message });
    return z.NEVER;
  });
}

/** A weight above zero, kg. */
export function weight(writing: UnitSystem | Writing, what = "The weight") {
  return quantity("mass", writing, what)
    .refine((kg) => kg > 0, "Weight must be more than 0.")
    .refine((kg) => kg <= HEAVIEST_KG, "Nothing here weighs over a ton. Check the number and its unit.");
}

/** Heaviest anything may be that is typed as a weight, kg. Common practice, no source. */
const HEAVIEST_KG = 1000;

/** A plain number as typed, by the household's sign of decimals. Digits that can be read two ways are asked about. */
export function amount(writing: Writing, what: string) {
  return z.string({ error: `${what} is missing.` }).transform((text, ctx) => {
    const values = readNumber(text, writing.decimal);
    if (values.length === 1) return values[0]!;
    ctx.addIssue({
      code: "custom",
      message:
        values.length === 0
          ? `${what}: write a number.`
          : `“${text.trim()}” can be read as ${Math.min(...values)} or as ${Math.max(...values)}. Type the one you mean just like that.`,
    });
    return z.NEVER;
  });
}

/**
 * A day and time as a screen gives it (`2026-11-20T14:05`), read in the household's zone to ms since 1970 UTC. One that the
 * clocks skipped is refused; one that came twice is asked about, and the answer stands behind it (`… first`, `… second`).
 */
export function instant(zone: string, what = "The time") {
  return z.string({ error: `${what} is missing.` }).transform((text, ctx) => {
    const [, wall = "", which] = /^(.*?)(?: (first|second))?$/.exec(text.trim()) ?? [];
    const read = readWallText(wall, zone);
    if (read?.is === "once") return read.at;
    if (read?.is === "twice" && which) return read.at[which === "first" ? 0 : 1];
    ctx.addIssue({ code: "custom", message: whyNoInstant(read, what) });
    return z.NEVER;
  });
}

function whyNoInstant(read: WallReading | null, what: string): string {
  if (read?.is === "twice") return CAME_TWICE;
  if (read?.is === "skipped")
    return `This time did not exist: the clocks went forward from ${clockOf(read.from)} to ${clockOf(read.to)}. Type what the clock showed.`;
  return `${what} does not read as a day and time, like 2026-11-20 14:05.`;
}

const clockOf = ({ hour, minute }: WallTime) =>
  `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;

/** Puts which of two like times was meant behind the time it was asked about. */
function withWhich(form: FormData): FormData {
  for (const [name, which] of [...form]) {
    const of = name.startsWith(WHICH) ? name.slice(WHICH.length) : null;
    const time = of === null ? null : form.get(of);
    if (of !== null && typeof time === "string" && (which === "first" || which === "second"))
      form.set(of, `${time.slice(0, 16)} ${which}`);
  }
  return form;
}

/** Text that must be there. */
export function words(what: string, max = 120) {
  return z
    .string({ error: `${what} is missing.` })
    .trim()
    .max(max, `Keep it under ${max} characters.`);
}

/** The form of a request; a body that is none is answered as such. */
export async function formOf(request: Request): Promise<FormData> {
  try {
    return await request.clone().formData();
  } catch {
    throw new Response("This was not sent as a form.", { status: 400 });
  }
}

/**
 * Does what the form of a page with several asks for, told by its hidden `intent`.
 * @param usual the page's main form, by which any other is read and told what it lacks; without it such a form is refused
 */
export async function byIntent<T>(
  request: Request,
  forms: Record<string, () => T>,
  usual?: string,
): Promise<Awaited<T>> {
  const intent = String((await formOf(request)).get("intent"));
  const form = Object.hasOwn(forms, intent) ? forms[intent] : usual && forms[usual];
  if (!form) throw new Response("This form is not known here.", { status: 400 });
  return await form();
}

/** Hash of what a form says, its key left out: the same key may not come with anything else. */
function hashOf(form: FormData): string {
  const said = [...form].filter(([name, value]) => name !== "key" && typeof value === "string");
  return createHash("sha256").update(JSON.stringify(said)).digest("base64url");
}

type Work<T> = (value: T) => Response | object | null | Promise<Response | object | null>;

/**
 * Reads a form by a schema and does its work. Bad input, and anything the rules refuse, comes back with status 4xx,
 * a sentence at each field and everything that was typed.
 */
export async function submit<S extends z.ZodObject>(request: Request, schema: S, work: Work<z.output<S>>) {
  const form = withWhich(await formOf(request));
  scopeNow().payload = hashOf(form);
  const submission = parseWithZod(form, { schema });
  if (submission.status !== "success") return answer(submission.reply(), 422);
  try {
    const done = await work(submission.value as z.output<S>);
    return done instanceof Response ? done : answer(submission.reply({ resetForm: true }), 200, done);
  } catch (error) {
    return troubledAnswer(submission, schema, error);
  }
}

/** What became of a form whose work was stopped: by the rules, or by a full disk. Anything else is an error. */
export function troubledAnswer(
  submission: { reply(options: object): SubmissionResult },
  schema: z.ZodObject,
  error: unknown,
) {
  if (error instanceof Refused) return refusedAnswer(submission, schema, error);
  const trouble = troubleAnswer(error);
  if (!trouble) throw error;
  return answer(submission.reply({ formErrors: [trouble.title] }), trouble.status);
}

/** What the rules refused, said at the fields of a form that know it, and above its button otherwise. */
function refusedAnswer(
  submission: { reply(options: object): SubmissionResult },
  schema: z.ZodObject,
  error: Refused,
) {
  const fieldErrors: Record<string, string[]> = {};
  const formErrors: string[] = [];
  for (const [field, message] of Object.entries(error.fields)) {
    if (field in schema.shape) fieldErrors[field] = [message];
    else formErrors.push(message);
  }
  return answer(submission.reply({ fieldErrors, formErrors }), error.status);
}

/** A form's answer: what became of it, and anything to show beside. */
export function answer(result: SubmissionResult, status: number, done: object | null = null) {
  if (status >= 400) sayBeside(result);
  return data({ result, done }, { status });
}

/** A form that is delivered later is heard by no page: why it was not taken is said in a header. */
function sayBeside(result: SubmissionResult): void {
  const { delivered, header } = scopeNow();
  const problem = problemOf(result);
  if (delivered) header?.("Larder-Problem", encodeURIComponent(problem.slice(0, 600)));
}

/** Who writes, and with which key. */
export function writeBy(me: { id: string; name: string }, key: string): Write & { byName: string } {
  return { key, byId: me.id, byName: me.name };
}

/** A refusal outside a form (a page that cannot be shown) as a response with its sentence. */
export function orNotFound<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof Refused) throw new Response(error.message, { status: error.status });
    throw error;
  }
}
