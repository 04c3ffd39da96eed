import type { FieldMetadata } from "@conform-to/react";
import { useState } from "react";
import { parseQuantity, type Writing } from "#core/quantity";
import { ALTITUDE_RANGE_M } from "#core/schedule";
import { TextField } from "#ui/form";
import { altitudeWords } from "../../words/altitude";

/** Where altitude is typed: under it stands at once what was understood, in feet and meters, and the pressure it leads to. */
export function AltitudeField({
  field,
  writing,
  hint,
  was,
  autoFocus = false,
}: {
  field: FieldMetadata<unknown>;
  writing: Writing;
  hint: string;
  /** what stands in it at first */
  was?: string | undefined;
  autoFocus?: boolean;
}) {
  const [text, setText] = useState(was ?? (field.initialValue as string | undefined) ?? "");
  const read = parseQuantity(text, "altitude", writing);
  const known = read.ok && read.si >= ALTITUDE_RANGE_M.low && read.si <= ALTITUDE_RANGE_M.high;
  return (
    <div>
      <TextField
        field={field}
        label="Altitude"
        hint={hint}
        inputMode="text"
        autoFocus={autoFocus}
        {...(was === undefined ? {} : { defaultValue: was })}
        onChange={(e) => setText(e.target.value)}
      />
      <p aria-live="polite" className="mt-1 font-[650]" data-testid="altitude-read">
        {known ? altitudeWords(read.si) : ""}
      </p>
    </div>
  );
}
