import { z } from "zod";
import type { ContainerKey, Mouth } from "#core/schedule";
import type { SupplyInput, SupplyKind } from "#store/supply";
import type { Writing } from "#core/quantity";
import { keyField, quantity, words } from "../../server/form";

/** Something counted into the Shed. */
export const supplySchema = z.object({
  key: keyField,
  what: z.string({ error: "Choose what." }).regex(/^(jar|can|lid|end) [a-z -]+$/, "Choose what."),
  label: words("A name for it", 40),
  count: z.coerce
    .number("How many, as a number.")
    .int("Whole ones only.")
    .min(1, "At least one: there cannot be fewer than none.")
    .max(10_000, "At most 10,000 at a time."),
});

/** A stack or box counted anew. */
export const countSchema = z.object({
  key: keyField,
  supplyId: z.string(),
  left: z.coerce
    .number("How many there are, as a number.")
    .int("Whole ones only.")
    .min(0, "0 or more: there cannot be fewer than none.")
    .max(10_000, "At most 10,000."),
});

/** `jar jar-pint regular`, `lid wide`, `end can-half-pound` as the store takes it. */
export function supplyInput(v: z.output<typeof supplySchema>): SupplyInput {
  const [kind, first, second] = v.what.split(" ") as [SupplyKind, string, string?];
  const lid = kind === "lid";
  return {
    kind,
    container: lid ? null : (first as ContainerKey),
    mouth: (lid ? first : (second ?? null)) as Mouth | null,
    label: v.label,
    count: v.count,
  };
}

/** A burner, a can sealer or a thermometer. */
export const toolSchema = (units: Writing) =>
  z.object({
    key: keyField,
    kind: z.enum(["burner", "sealer", "thermometer"]),
    name: words("Its name", 40),
    powerW: z.coerce
      .number("Its power in watts, like 3500.")
      .min(100, "A burner has at least 100 W.")
      .max(60_000, "That is more than any kitchen burner: give watts, not BTU.")
      .optional(),
    lowest: quantity("gaugePressure", units, "The lowest pressure")
      .refine((kPa) => kPa <= 210, "That is more than any canner is run at.")
      .optional(),
    outdoors: z.boolean().default(false),
    induction: z.boolean().default(false),
    note: words("The note", 120).optional(),
  });
