import { containerOf, type KindKey } from "#core/capacity";
import { isCan } from "#core/schedule";
import { SelectField, TextField } from "#ui/form";
import { kindWords } from "../../words/plan";
import { fillerChoices, type FillerSaid } from "./fillers";

type Said = Record<keyof FillerSaid, string>;
type Fields = Record<keyof FillerSaid, Parameters<typeof TextField>[0]["field"]>;

/** What fills up a canner that its load leaves half empty: jars of water, or of beans. Folded away until it is wanted. */
export function FillerFields({
  fields,
  said,
  keep,
  kinds,
  open,
}: {
  fields: Fields;
  said: Said;
  keep: (next: Partial<Said>) => void;
  /** containers of the load; what fills it up is of their sort */
  kinds: readonly KindKey[];
  /** shown at once: the canner wants more than the load has */
  open: boolean;
}) {
  const cans = kinds.some((k) => isCan(containerOf(k)));
  const choices = fillerChoices(kinds);
  return (
    <details
      open={open || Boolean(said.fillers) || Boolean(fields.fillers.errors?.length)}
      className="border-t-2 border-rule"
    >
      <summary className="flex min-h-12 cursor-pointer items-center font-[650] underline decoration-rule decoration-2 underline-offset-4">
        Fill up the canner
      </summary>
      <div className="grid items-end gap-x-4 gap-y-3 pb-2 sm:grid-cols-2">
        <TextField
          field={fields.fillers}
          label="How many"
          hint="Containers that only fill up the canner. Leave blank for none."
          inputMode="numeric"
          placeholder="none"
          value={said.fillers}
          onChange={(e) => keep({ fillers: e.target.value })}
        />
        <SelectField
          field={fields.fillKind}
          label="Of which size"
          choices={choices.map((k) => ({ value: k, label: kindWords(k, 2).replace(/^\S+ /, "") }))}
          value={said.fillKind}
          onChange={(e) => keep({ fillKind: e.target.value })}
        />
        {!cans && (
          <>
            <SelectField
              field={fields.fillOf}
              label="With what in them"
              hint="Beans by their own row: pints 75 minutes, quarts 90, in jars only."
              choices={[
                { value: "water", label: "water" },
                { value: "beans", label: "dry beans, soaked and boiled" },
              ]}
              value={said.fillOf}
              onChange={(e) => keep({ fillOf: e.target.value })}
            />
            <SelectField
              field={fields.fillLids}
              label="Their lids"
              hint="New lids are taken off the count in the Shed."
              choices={[
                { value: "new", label: "new" },
                ...(said.fillOf === "water" ? [{ value: "used", label: "used before" }] : []),
              ]}
              value={said.fillLids}
              onChange={(e) => keep({ fillLids: e.target.value })}
            />
          </>
        )}
      </div>
    </details>
  );
}
