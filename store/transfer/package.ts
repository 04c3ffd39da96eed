import { z } from "zod";
import { keyOf, type Table } from "./tables.ts";

/** What a file of the archive is, as the description says. */
export interface Resource {
  path: string;
  bytes: number;
  /** `sha256:` and 64 hexadecimal figures */
  hash: string;
}

const TYPES = { INTEGER: "integer", REAL: "number", TEXT: "string" } as const;
export const FORMAT = "patient-larder-1";

/**
 * Returns the description of an archive.
 *
 * Source: Frictionless Data Package, version 1 (specs.frictionlessdata.io), from memory.
 * @param about `head` is the history code of the activity log; null without one
 */
export function describePackage(
  tables: readonly Table[],
  files: readonly Resource[],
  about: { created: string; layout: number; program: string; head: string | null },
): object {
  const byPath = new Map(files.map((f) => [f.path, f]));
  const photos = files.filter((f) => f.path.startsWith("photos/"));
  return {
    profile: "data-package",
    name: "patient-larder",
    title: "A larder: everything that was written down in it",
    created: about.created,
    format: FORMAT,
    // How many times the layout of the tables has changed until now.
    layout: about.layout,
    // The version that made it, and that can read it; a later one can as well.
    program: about.program,
    // Last hash of the audit: two copies that say the same of it hold the same past.
    head: about.head,
    resources: [
      ...tables.map((table) => ({
        name: table.name,
        ...byPath.get(pathOf(table))!,
        profile: "tabular-data-resource",
        format: "csv",
        mediatype: "text/csv",
        encoding: "utf-8",
        dialect: { delimiter: ",", quoteChar: '"', doubleQuote: true, lineTerminator: "\r\n", header: true },
        schema: {
          fields: table.columns.map((c) => ({
            name: c.name,
            type: TYPES[c.type],
            ...(c.required && { constraints: { required: true } }),
          })),
          missingValues: [""],
          primaryKey: keyOf(table).map((c) => c.name),
          ...(table.foreign.length && {
            foreignKeys: table.foreign.map((f) => ({
              fields: f.field,
              reference: { resource: f.table === table.name ? "" : f.table, fields: f.column },
            })),
          }),
        },
      })),
      ...photos.map((p) => ({ name: p.path.slice(7, -4), ...p, format: "jpg", mediatype: "image/jpeg" })),
    ],
  };
}

/** Returns the path of a table's CSV file in an archive. */
export const pathOf = (table: { name: string }) => `data/${table.name}.csv`;

/** What must be known of a description before anything is taken from its archive. */
export const Described = z.object({
  format: z.literal(FORMAT, "It is not an archive of a larder, or of a later make than this program."),
  layout: z.int("It does not say its layout.").min(1, "There never was such a layout."),
  program: z.string().max(40).optional(),
  created: z.iso.datetime(),
  resources: z
    .array(
      z.object({
        name: z.string().max(100),
        path: z.string().max(200),
        bytes: z.int().min(0),
        hash: z.string().regex(/^sha256:[0-9a-f]{64}$/),
        schema: z.object({ fields: z.array(z.object({ name: z.string() })) }).optional(),
      }),
    )
    .max(200_000),
});
export type Described = z.output<typeof Described>;
