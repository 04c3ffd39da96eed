import { z } from "zod";
import { Refused } from "#store/db";
import { troubleAnswer } from "../../server/trouble";

export interface FieldProblem {
  field: string;
  message: string;
}

/** A refusal as RFC 9457 problem details, naming each field. */
export function problem(status: number, title: string, errors: FieldProblem[] = []): Response {
  const body = { type: "about:blank", title, status, ...(errors.length ? { errors } : {}) };
  return new Response(JSON.stringify(body), {
    status,
    headers: { "Content-Type": "application/problem+json", "Cache-Control": "no-store" },
  });
}

/** An answer as JSON, not to be kept by anyone. */
export function json(body: unknown, status = 200): Response {
  return new Response(JSON.stringify(body), {
    status,
    headers: { "Content-Type": "application/json", "Cache-Control": "no-store" },
  });
}

/** Runs a handler; what the rules refuse becomes problem details instead of an error. */
export async function answering(work: () => Promise<Response> | Response): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Refused) {
      const errors = Object.entries(error.fields).map(([field, message]) => ({ field, message }));
      return problem(
        error.status,
        error.message,
        errors.filter((e) => e.field !== ""),
      );
    }
    if (error instanceof z.ZodError) {
      return problem(422, "Some of this could not be taken.", error.issues.map(fieldProblem));
    }
    const trouble = troubleAnswer(error);
    if (trouble) return problem(trouble.status, trouble.title);
    throw error;
  }
}

function fieldProblem(issue: z.core.$ZodIssue): FieldProblem {
  if (issue.code === "unrecognized_keys")
    return { field: issue.keys.join(", "), message: "This key is not known here." };
  return { field: issue.path.join("."), message: issue.message };
}

/** The JSON of a posted body, read by its schema; anything but a POST is refused. */
export async function posted<S extends z.ZodType>(request: Request, schema: S): Promise<z.output<S>> {
  if (request.method !== "POST") throw problem(405, "Only POST is taken here.");
  const body: unknown = await request.json().catch(() => {
    throw new Refused({ "": "The body is not JSON." });
  });
  return schema.parse(body);
}

/** A query as an object for a schema; a key given twice is refused. */
export function queryOf(request: Request): Record<string, string> {
  const query: Record<string, string> = {};
  for (const [key, value] of new URL(request.url).searchParams) {
    if (key in query) throw new Refused({ [key]: "Given twice." });
    query[key] = value;
  }
  return query;
}
