import type { FieldMetadata } from "@conform-to/react";
import { SelectField, TextField } from "#ui/form";
import type { placeShape } from "./place-shape";

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
