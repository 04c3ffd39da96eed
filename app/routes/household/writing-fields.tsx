import type { FieldMetadata } from "@conform-to/react";
import type { DecimalSign, UnitSystem, Writing } from "#core/quantity";
import { PickField } from "#ui/form";

/** How it writes days and times of day: by its units, or as it chose. */
export function TimeFields({
  fields,
  was,
}: {
  fields: { dates: FieldMetadata<unknown>; hours: FieldMetadata<unknown> };
  /** what is chosen at first; null: by the units */
  was: { dates: UnitSystem | null; hours: 12 | 24 | null };
}) {
  return (
    <>
      <PickField
        field={fields.dates}
        label="Dates"
        fallback={was.dates ?? "auto"}
        options={[
          { value: "auto", label: "same as units" },
          { value: "us", label: "Nov 26, 2026" },
          { value: "metric", label: "26 Nov 2026" },
        ]}
      />
      <PickField
        field={fields.hours}
        label="Clock"
        fallback={String(was.hours ?? "auto")}
        options={[
          { value: "auto", label: "same as units" },
          { value: "12", label: "8:12 PM" },
          { value: "24", label: "20:12" },
        ]}
      />
    </>
  );
}

/** How a household writes amounts: its units and its sign of decimals. */
export function WritingFields({
  fields,
  label,
  was,
  onChange,
}: {
  fields: { units: FieldMetadata<unknown>; decimal: FieldMetadata<unknown> };
  label: string;
  /** what is chosen at first */
  was?: Required<Writing>;
  onChange: (now: Partial<Writing>) => void;
}) {
  return (
    <>
      <PickField
        field={fields.units}
        label={label}
        {...(was && { fallback: was.units })}
        options={[
          { value: "us", label: "lb, °F, ft" },
          { value: "metric", label: "kg, °C, m" },
        ]}
        onPick={(v) => onChange({ units: v as UnitSystem })}
      />
      <PickField
        field={fields.decimal}
        label="Decimals"
        {...(was && { fallback: was.decimal })}
        options={[
          { value: "point", label: "1.5" },
          { value: "comma", label: "1,5" },
        ]}
        onPick={(v) => onChange({ decimal: v as DecimalSign })}
      />
    </>
  );
}
