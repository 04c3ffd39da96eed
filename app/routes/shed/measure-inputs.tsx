import type { FieldMetadata } from "@conform-to/react";
import { formatFraction, formatLength, formatVolume, type UnitSystem } from "#core/quantity";
import type { CannerMeasures } from "#store/equipment";
import { PickField, TextField } from "#ui/form";

type Names =
  | "inside"
  | "height"
  | "racks"
  | "water"
  | "deep"
  | "minLoad"
  | "zeroMinutes"
  | "metal"
  | "manualQuarts"
  | "manualPints"
  | "manualHalfPints";
type Fields = Record<Names, FieldMetadata<unknown>>;

/** What can be measured of a canner or read in its manual. What is left out is taken from its plain size. */
export function MeasureInputs({
  fields,
  units,
  known,
}: {
  fields: Fields;
  units: UnitSystem;
  known?: CannerMeasures;
}) {
  const typed = (name: Names, was: string | undefined) =>
    (fields[name].initialValue as string | undefined) ?? was;
  const number = (n: number | null | undefined) => (n == null ? undefined : formatFraction(n, 2));
  const length = (mm: number | null | undefined) => (mm == null ? undefined : formatLength(mm / 1000, units));
  return (
    <div className="space-y-3 pb-3">
      <div className="grid grid-cols-2 gap-3">
        <TextField
          field={fields.inside}
          label="Inside, across"
          hint={units === "us" ? "12 1/4 in" : "311 mm"}
          defaultValue={typed("inside", length(known?.insideDiameterMm))}
        />
        <TextField
          field={fields.height}
          label="Inside, height"
          hint="under the lid"
          defaultValue={typed("height", length(known?.usableHeightMm))}
        />
        <TextField
          field={fields.racks}
          label="Racks"
          inputMode="numeric"
          defaultValue={typed("racks", number(known?.racks))}
        />
        <TextField
          field={fields.water}
          label="Water"
          hint="as its manual says"
          defaultValue={typed(
            "water",
            known?.waterLitres == null ? undefined : formatVolume(known.waterLitres, units),
          )}
        />
        <TextField
          field={fields.deep}
          label="Water, deep"
          hint="over the bottom"
          defaultValue={typed("deep", length(known?.waterDepthMm))}
        />
        <TextField
          field={fields.minLoad}
          label="Least load"
          hint="containers"
          inputMode="numeric"
          defaultValue={typed("minLoad", number(known?.minLoad))}
        />
        <TextField
          field={fields.zeroMinutes}
          label="Cooling to zero"
          hint="minutes"
          inputMode="numeric"
          defaultValue={typed("zeroMinutes", number(known?.depressuriseMin))}
        />
      </div>
      <p className="text-[0.92rem] text-soft">Most its manual allows in a load, which is the limit:</p>
      <div className="grid grid-cols-3 gap-3">
        <TextField
          field={fields.manualQuarts}
          label="Quarts"
          inputMode="numeric"
          defaultValue={typed("manualQuarts", number(known?.manual?.["jar-quart"]))}
        />
        <TextField
          field={fields.manualPints}
          label="Pints"
          inputMode="numeric"
          defaultValue={typed("manualPints", number(known?.manual?.["jar-pint"]))}
        />
        <TextField
          field={fields.manualHalfPints}
          label="Half-pints"
          inputMode="numeric"
          defaultValue={typed("manualHalfPints", number(known?.manual?.["jar-half-pint"]))}
        />
      </div>
      <PickField
        field={fields.metal}
        label="Made of"
        fallback={known?.aluminium === 0 ? "steel" : "aluminium"}
        options={[
          { value: "aluminium", label: "aluminum" },
          { value: "steel", label: "steel" },
        ]}
      />
    </div>
  );
}
