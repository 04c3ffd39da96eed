import { Form, useSubmit } from "react-router";
import type { LabelStock } from "#core/label";
import type { UnitSystem } from "#core/quantity";
import { Button } from "#ui/button";
import { ListField } from "#ui/form";
import { stockWords } from "../../../words/label";
import type { LabelChoice } from "./choice.server";

const FORM_NAMES = {
  sheet: "Sheets",
  disc: "Discs for lids",
  single: "One by one, off a roll",
  wrap: "Round a can",
};

/** What labels are printed for, and on what. Each change shows at once. @param children more to choose by */
export function LabelForm({
  offered,
  older,
  olderAs,
  stocks,
  stock,
  skip,
  units,
  children,
}: {
  offered: readonly LabelChoice[];
  older: readonly { value: string; label: string }[];
  olderAs: string;
  stocks: readonly LabelStock[];
  stock: LabelStock;
  skip: number;
  units: UnitSystem;
  children?: React.ReactNode;
}) {
  const send = useSubmit();
  const each = stock.columns * stock.rows;
  return (
    <Form
      onChange={(e) => void send(e.currentTarget)}
      className="mb-6 flex flex-wrap items-end gap-4 print:hidden"
    >
      <input type="hidden" name="chosen" value="1" />
      <fieldset className="basis-full">
        <legend className="font-[650]">Print labels for</legend>
        <ul>
          {offered.map((o) => (
            <li key={o.code}>
              <label className="flex min-h-12 cursor-pointer items-center gap-3">
                <input
                  type="checkbox"
                  name="of"
                  value={o.code}
                  defaultChecked={o.chosen}
                  className="size-6 shrink-0 accent-copper"
                />
                {o.words}
              </label>
            </li>
          ))}
        </ul>
        {older.length > 0 && (
          <ListField
            key={offered.map((o) => o.code).join()}
            label={olderAs}
            count={older.length}
            name="of"
            wrap="max-w-[36rem]"
            className="input mt-1"
          >
            <option value="">Choose jars or cans</option>
            {older.map((o) => (
              <option key={o.value} value={o.value}>
                {o.label}
              </option>
            ))}
          </ListField>
        )}
        {children}
      </fieldset>
      <label className="max-md:w-full">
        <span className="block font-[650]">Printed on</span>
        <select name="stock" defaultValue={stock.key} className="input mt-1 max-md:w-full w-auto">
          {Object.entries(FORM_NAMES).map(([form, name]) => (
            <optgroup key={form} label={name}>
              {stocks
                .filter((s) => s.form === form)
                .map((s) => (
                  <option key={s.key} value={s.key}>
                    {stockWords(s, units)}
                  </option>
                ))}
            </optgroup>
          ))}
        </select>
      </label>
      {each > 1 && (
        <label>
          <span className="block font-[650]">Labels already used on the first sheet</span>
          <input
            key={stock.key}
            type="number"
            name="skip"
            min={0}
            max={each - 1}
            defaultValue={skip}
            className="input mt-1 w-24"
          />
        </label>
      )}
      <noscript>
        <Button>Show preview</Button>
      </noscript>
    </Form>
  );
}
