import { z } from "zod";
import { ColdReadingsAnswer, ColdReadingsBody } from "./cold-schemas";
import { ListAnswer, ListQuery, ListsAnswer, RunsAnswer, RunsQuery, VerifyAnswer } from "./list-schemas";
import { CapacityAnswer, CapacityBody, PlanAnswer, PlanBody } from "./plan-schemas";
import { ReadingsAnswer, ReadingsShape } from "./reading-schemas";
import {
  Problem,
  RunAnswer,
  RunQuery,
  ScheduleAnswer,
  ScheduleQuery,
  SteamAnswer,
  SteamQuery,
  TraceAnswer,
} from "./schemas";
import {
  CanReadingsAnswer,
  CanReadingsBody,
  InstrumentAnswer,
  InstrumentBody,
  SeamAnswer,
  SeamBody,
} from "./seam-schemas";
import { StockAnswer } from "./stock-schemas";
import { EXAMPLES } from "./examples";

interface Parameter {
  name: string;
  in: "query" | "path";
  required: boolean;
  schema: object;
  example?: unknown;
  /** what it takes, for reading */
  words?: string;
}

/** One thing the interface does. */
export interface Operation {
  summary: string;
  parameters?: Parameter[];
  requestBody?: { required: true; content: Record<string, { schema: object; example?: unknown }> };
  responses: object;
  /** which token may do it */
  "x-right": string;
  /** an answer, as an example */
  example?: unknown;
}

const schemaOf = (schema: z.ZodType, io: "input" | "output" = "output"): object =>
  z.toJSONSchema(schema, { io, unrepresentable: "any", target: "draft-2020-12" });

const problem = (description: string) => ({
  description,
  content: { "application/problem+json": { schema: schemaOf(Problem) } },
});

const answers = (schema: z.ZodType | null, example: unknown, type = "application/json") => ({
  "200": {
    description: "The answer",
    content: {
      [type]: { schema: schema ? schemaOf(schema) : {}, ...(example !== undefined && { example }) },
    },
  },
  "401": problem("No token, or one that is not known here"),
  "403": problem("A token that may not do this"),
  "404": problem("Nothing of that code or name"),
  "422": problem("Refused, naming each field"),
  "429": problem("Too many wrong guesses"),
});

/** What a schema of a parameter takes, in a few words. */
function wordsOf(s: { type?: string; enum?: unknown[]; description?: string; const?: unknown }): string {
  const kind = s.enum ? s.enum.join(", ") : (s.type ?? "text");
  return s.description ? `${kind}: ${s.description}` : kind;
}

function query(schema: z.ZodType, examples: Record<string, unknown>): Parameter[] {
  const { properties = {}, required = [] } = schemaOf(schema, "input") as {
    properties?: Record<string, object>;
    required?: string[];
  };
  return Object.entries(properties).map(([name, s]) => ({
    name,
    in: "query",
    required: required.includes(name),
    schema: s,
    words: wordsOf(s),
    ...(name in examples && { example: examples[name] }),
  }));
}

interface Way {
  method: "get" | "post";
  path: string;
  summary: string;
  right: string;
  query?: z.ZodType;
  body?: z.ZodType;
  answer: z.ZodType | null;
  type?: string;
}

const READ = "reading";
const WAYS: Way[] = [
  {
    method: "get",
    path: "/schedule",
    summary: "Tested schedule, or why there is none",
    right: READ,
    query: ScheduleQuery,
    answer: ScheduleAnswer,
  },
  {
    method: "get",
    path: "/steam",
    summary: "Steam in a canner at an altitude and gauge",
    right: READ,
    query: SteamQuery,
    answer: SteamAnswer,
  },
  {
    method: "post",
    path: "/capacity",
    summary: "What a canner holds of one kind of container, and where each stands",
    right: READ,
    body: CapacityBody,
    answer: CapacityAnswer,
  },
  {
    method: "post",
    path: "/plan",
    summary: "Loads for lots, canners and a stock: the fewest that hold it all. Changes nothing",
    right: READ,
    body: PlanBody,
    answer: PlanAnswer,
  },
  {
    method: "post",
    path: "/seam",
    summary: "What follows from the measures of a double seam. Changes nothing",
    right: READ,
    body: SeamBody,
    answer: SeamAnswer,
  },
  {
    method: "get",
    path: "/stock",
    summary: "What stands on the shelves, by shelf and by kind",
    right: READ,
    answer: StockAnswer,
  },
  {
    method: "get",
    path: "/lists",
    summary: "The lists there are, with their columns",
    right: READ,
    answer: ListsAnswer,
  },
  {
    method: "get",
    path: "/lists/{name}",
    summary: "Rows of a list: animals, lots, packs, runs, jars, seals and more",
    right: READ,
    query: ListQuery,
    answer: ListAnswer,
  },
  {
    method: "get",
    path: "/trace/{code}",
    summary: "Everything that went into and came out of what a code names",
    right: READ,
    answer: TraceAnswer,
  },
  {
    method: "get",
    path: "/events",
    summary: "What happened, as EPCIS 2.0 JSON-LD; of one code with ?code=",
    right: READ,
    query: z.object({ code: z.string().optional().describe("only what is connected with it") }),
    answer: null,
    type: "application/ld+json",
  },
  {
    method: "get",
    path: "/verify",
    summary: "Whether the hash chains of the runs and of the audit fit",
    right: READ,
    answer: VerifyAnswer,
  },
  {
    method: "get",
    path: "/runs",
    summary: "Runs, newest first",
    right: READ,
    query: RunsQuery,
    answer: RunsAnswer,
  },
  {
    method: "get",
    path: "/runs/{id}",
    summary: "A run, by id or code",
    right: READ,
    query: RunQuery,
    answer: RunAnswer,
  },
  {
    method: "post",
    path: "/runs/{id}/readings",
    summary: "Readings of a gauge: each taken, known already by its id, or refused with its reason",
    right: "a gauge, for the runs of its canner",
    body: ReadingsShape,
    answer: ReadingsAnswer,
  },
  {
    method: "post",
    path: "/harvests/{code}/readings",
    summary: "Temperatures of a probe in an animal, each once by its id",
    right: "a probe",
    body: ColdReadingsBody,
    answer: ColdReadingsAnswer,
  },
  {
    method: "post",
    path: "/cans/{code}/readings",
    summary: "Centre temperatures of a probe in an open can, each once by its id",
    right: "a probe",
    body: CanReadingsBody,
    answer: CanReadingsAnswer,
  },
  {
    method: "get",
    path: "/instruments/{name}",
    summary: "What a scale or a seam gauge showed last, when that was moments ago",
    right: READ,
    answer: InstrumentAnswer,
  },
  {
    method: "post",
    path: "/instruments/{name}",
    summary: "What a scale or a seam gauge shows now: offered on the screens, written down by nobody",
    right: "a scale",
    body: InstrumentBody,
    answer: InstrumentAnswer,
  },
];

function operationOf(way: Way): Operation {
  const key = `${way.method.toUpperCase()} ${way.path}`;
  const { parameters = {}, body, answer } = EXAMPLES[key] ?? {};
  const inPath = [...way.path.matchAll(/\{(\w+)\}/g)].map(([, name]): Parameter => ({
    name: name!,
    in: "path",
    required: true,
    schema: { type: "string" },
    words: "text",
    ...(name! in parameters && { example: parameters[name!] }),
  }));
  const all = [...inPath, ...(way.query ? query(way.query, parameters) : [])];
  return {
    summary: way.summary,
    ...(all.length && { parameters: all }),
    ...(way.body && {
      requestBody: {
        required: true as const,
        content: {
          "application/json": {
            schema: schemaOf(way.body, "input"),
            ...(body !== undefined && { example: body }),
          },
        },
      },
    }),
    responses: answers(way.answer, answer, way.type),
    "x-right": way.right === READ ? "a reader" : way.right,
    ...(answer !== undefined && { example: answer }),
  };
}

/** The interface, described from the schemas that check it (OpenAPI 3.1). */
export function describeInterface() {
  const paths: Record<string, Partial<Record<"get" | "post", Operation>>> = {};
  for (const way of WAYS) (paths[`/api/v1${way.path}`] ??= {})[way.method] = operationOf(way);
  return {
    openapi: "3.1.0",
    info: {
      title: "Patient Larder",
      version: "1",
      description:
        "SI in and out unless a name carries another unit. Nothing here changes data except readings. What is described here stays as it is within version 1; keys may be added to answers.",
    },
    security: [{ token: [] }, {}],
    components: { securitySchemes: { token: { type: "http", scheme: "bearer" } } },
    paths,
  };
}
