import type { FieldMetadata } from "@conform-to/react";
import type { DecimalSign, UnitSystem, Writing } from "#core/quantity";
import { PickField } from "#ui/form";

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
        label="You write one and a half"
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
