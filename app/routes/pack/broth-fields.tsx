import type { FieldMetadata } from "@conform-to/react";
import { useState } from "react";
import { PickField, TextField } from "#ui/form";
import type { BrothChoice } from "../../features/packing/broth.server";

/** Which broth food is covered with: a lot of the household's, or bought, by its name. Nothing is chosen for anybody. */
export function BrothFields({
  broth,
  liquidName,
  choices,
  picked,
  name,
}: {
  broth: FieldMetadata<string>;
  liquidName: FieldMetadata<string>;
  choices: readonly BrothChoice[];
  /** what was chosen before: the id of a lot, or `bought` */
  picked?: string | null | undefined;
  /** how it was called before */
  name?: string | null | undefined;
}) {
  const [chosen, setChosen] = useState(
    (typeof broth.initialValue === "string" ? broth.initialValue : null) ?? picked ?? "",
  );
  return (
    <div className="space-y-3 border-l-[6px] border-bench pl-4">
      <PickField
        field={broth}
        label="Which broth"
        hint="A jar can then be found by its bones, too."
        fallback={picked ?? ""}
        onPick={setChosen}
        options={[
          ...choices.map((c) => ({ value: c.id, label: `${c.title}, ${c.code}`, note: c.note })),
          { value: "bought", label: "Bought, or from a cube", note: "by its name" },
        ]}
      />
      {chosen === "bought" && (
        <TextField
          field={liquidName}
          label="Its name"
          hint="As on the package. Clear broth only."
          {...(liquidName.initialValue === undefined && name ? { defaultValue: name } : {})}
          className="max-w-[24rem]"
        />
      )}
    </div>
  );
}
