import { parseWithZod } from "@conform-to/zod/v4";
import type { SubmissionResult } from "@conform-to/react";
import { createHash } from "node:crypto";
import { data } from "react-router";
import type { z } from "zod";
import { Refused, scopeNow, type Write } from "#store/db";
import { WHICH } from "../../ui/form/which";
import { problemOf } from "../../ui/form/result";
import { troubleAnswer } from "../trouble";

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
    // A field of a list is known by the list: `lines[1].count`.
    if (field.split("[")[0]! in schema.shape) fieldErrors[field] = [message];
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
