import type { FieldMetadata } from "@conform-to/react";
import { z } from "zod";
import { SelectField, TextField } from "#ui/form";

/** What is said of a shelf or box: where, how it is called, how much it takes. */
export const placeShape = {
  room: z.string({ error: "The room is missing." }).trim().max(40, "Keep it under 40 characters."),
  name: z.string({ error: "The shelf is missing." }).trim().max(40, "Keep it under 40 characters."),
  kind: z.enum(["shelf", "box"]).default("shelf"),
  capacity: z.coerce
    .number({ error: "A number of jars and cans, or nothing." })
    .int("Whole jars and cans.")
    .min(1, "At least one.")
    .max(10_000, "At most 10,000.")
    .optional(),
};

/** The fields of a shelf or box, for naming a new one and for changing one. */
export function PlaceFields({
  fields,
  takes,
}: {
  fields: Record<keyof typeof placeShape, FieldMetadata<unknown>>;
  /** label of how much it takes */
  takes: string;
}) {
  return (
    <>
      <TextField field={fields.room} label="Room" />
      <TextField field={fields.name} label="Shelf" />
      <SelectField
        field={fields.kind}
        label="It is a"
        choices={[
          { value: "shelf", label: "shelf" },
          { value: "box", label: "box" },
        ]}
      />
      <TextField field={fields.capacity} label={takes} inputMode="numeric" className="w-44" />
    </>
  );
}
