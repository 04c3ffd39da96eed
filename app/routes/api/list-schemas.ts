import { z } from "zod";

const wholeNumber = (most: number, what: string) =>
  z
    .string()
    .regex(/^\d{1,9}$/, "A whole number.")
    .transform(Number)
    .refine((n) => n <= most, `At most ${most}.`)
    .optional()
    .describe(what);

/** Query of GET /api/v1/lists/{name}. */
export const ListQuery = z.strictObject({
  limit: wholeNumber(10_000, "rows at most, 1,000 when left out"),
  offset: wholeNumber(100_000_000, "rows left out at the beginning"),
});

const Column = z.object({ head: z.string(), kind: z.enum(["text", "whole", "number", "day", "instant"]) });

export const ListsAnswer = z.object({
  lists: z.array(z.object({ name: z.string(), title: z.string(), columns: z.array(Column) })),
});

export const ListAnswer = z.object({
  name: z.string(),
  total: z.number().int(),
  rows: z.array(z.record(z.string(), z.union([z.string(), z.number(), z.null()]))),
});

/** Query of GET /api/v1/runs. */
export const RunsQuery = z.strictObject({
  active: z.enum(["yes", "no"], "yes or no.").optional().describe("yes: only those that have not ended"),
  limit: wholeNumber(200, "runs at most, 20 when left out"),
});

export const RunsAnswer = z.object({
  now: z.string().describe("the larder's own clock"),
  runs: z.array(
    z.object({
      id: z.string(),
      code: z.string(),
      canner: z.string(),
      openedAt: z.string(),
      phase: z.string(),
      finishAt: z.string().nullable(),
      outcome: z.string(),
    }),
  ),
});

export const VerifyAnswer = z.object({
  at: z.string(),
  runs: z.number().int(),
  lines: z.number().int(),
  head: z.string().nullable().describe("hash of the audit's last line"),
  broken: z.array(
    z.object({ code: z.string().nullable(), line: z.number().int().nullable(), what: z.string() }),
  ),
  signatures: z
    .object({
      key: z.string().nullable().describe("fingerprint of the larder's own key"),
      count: z.number().int(),
      newest: z.string().nullable(),
      lines: z.number().int().describe("lines held against a signature or a paper"),
      notes: z.array(z.string()),
    })
    .nullable()
    .describe("what was signed with each backup; null when the file is not sound"),
});
