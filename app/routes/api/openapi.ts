import { z } from "zod";
import {
  CanReadingsAnswer,
  CanReadingsBody,
  InstrumentAnswer,
  InstrumentBody,
  SeamAnswer,
  SeamBody,
} from "./seam-schemas";
import { ColdReadingsAnswer, ColdReadingsBody } from "./cold-schemas";
import { CapacityAnswer, CapacityBody, PlanAnswer, PlanBody } from "./plan-schemas";
import { json } from "./problem";
import { StockAnswer } from "./stock-schemas";
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

const schemaOf = (schema: z.ZodType, io: "input" | "output" = "output") =>
  z.toJSONSchema(schema, { io, unrepresentable: "any", target: "draft-2020-12" });

function answers(schema: z.ZodType) {
  const refused = {
    description: "Refused, naming each field",
    content: { "application/problem+json": { schema: schemaOf(Problem) } },
  };
  return {
    "200": { description: "The answer", content: { "application/json": { schema: schemaOf(schema) } } },
    "404": refused,
    "422": refused,
  };
}

function query(schema: z.ZodType) {
  const { properties = {}, required = [] } = schemaOf(schema, "input") as {
    properties?: Record<string, object>;
    required?: string[];
  };
  return Object.entries(properties).map(([name, s]) => ({
    name,
    in: "query",
    required: required.includes(name),
    schema: s,
  }));
}

const body = (schema: z.ZodType) => ({
  required: true,
  content: { "application/json": { schema: schemaOf(schema, "input") } },
});

const path = (name: string) => ({ name, in: "path", required: true, schema: { type: "string" } });

/** The description of this interface, made from the schemas that check it. */
export function loader() {
  return json({
    openapi: "3.1.0",
    info: {
      title: "Patient Larder",
      version: "1",
      description:
        "SI in and out unless a name carries another unit. Nothing here changes data except readings.",
    },
    paths: {
      "/api/v1/schedule": {
        get: {
          summary: "Tested schedule, or why there is none",
          parameters: query(ScheduleQuery),
          responses: answers(ScheduleAnswer),
        },
      },
      "/api/v1/steam": {
        get: {
          summary: "Steam in a canner at an altitude and gauge",
          parameters: query(SteamQuery),
          responses: answers(SteamAnswer),
        },
      },
      "/api/v1/capacity": {
        post: {
          summary: "What a canner holds of one kind of container, and where each stands",
          requestBody: body(CapacityBody),
          responses: answers(CapacityAnswer),
        },
      },
      "/api/v1/plan": {
        post: {
          summary: "Loads for lots, canners and a stock: the fewest that hold it all. Changes nothing",
          requestBody: body(PlanBody),
          responses: answers(PlanAnswer),
        },
      },
      "/api/v1/seam": {
        post: {
          summary: "What follows from the measures of a double seam. Changes nothing",
          requestBody: body(SeamBody),
          responses: answers(SeamAnswer),
        },
      },
      "/api/v1/cans/{code}/readings": {
        post: {
          summary: "A batch of centre temperatures from a probe in an open can, idempotent by id",
          parameters: [path("code")],
          requestBody: body(CanReadingsBody),
          responses: answers(CanReadingsAnswer),
        },
      },
      "/api/v1/instruments/{name}": {
        get: {
          summary: "What a scale or a seam gauge showed last, when that was moments ago",
          parameters: [path("name")],
          responses: answers(InstrumentAnswer),
        },
        post: {
          summary:
            "What a scale or a seam gauge shows now. It is offered on the screens and written down by nobody",
          parameters: [path("name")],
          requestBody: body(InstrumentBody),
          responses: answers(InstrumentAnswer),
        },
      },
      "/api/v1/stock": {
        get: {
          summary: "What stands on the shelves, by shelf and by kind",
          responses: answers(StockAnswer),
        },
      },
      "/api/v1/trace/{code}": {
        get: {
          summary: "Everything that went into and came out of what a code names",
          parameters: [path("code")],
          responses: answers(TraceAnswer),
        },
      },
      "/api/v1/runs/{id}": {
        get: {
          summary: "A run, by id or code",
          parameters: [path("id"), ...query(RunQuery)],
          responses: answers(RunAnswer),
        },
      },
      "/api/v1/runs/{id}/readings": {
        post: {
          summary:
            "A batch of readings, idempotent by id: each taken, known already, or refused with its reason",
          parameters: [path("id")],
          requestBody: body(ReadingsShape),
          responses: answers(ReadingsAnswer),
        },
      },
      "/api/v1/harvests/{code}/readings": {
        post: {
          summary: "A batch of temperatures from a probe in an animal, idempotent by id",
          parameters: [path("code")],
          requestBody: body(ColdReadingsBody),
          responses: answers(ColdReadingsAnswer),
        },
      },
    },
  });
}
