import { useForm, type SubmissionResult } from "@conform-to/react";
import { PRICE_KEYS, type PriceKey } from "#core/cost";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, TextField } from "#ui/form";
import { PRICE_WORDS, priceShown } from "../../../words/price";
import type { Route } from "./+types/route";

type Data = Route.ComponentProps["loaderData"];

/** Who eats, and what things cost. */
export function Prices({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { units, prices, eaters, currency, key } = data;
  const [form, fields] = useForm<Record<PriceKey | "eaters" | "currency", string>>({
    id: "prices",
    lastResult: result,
    defaultValue: {
      eaters: String(eaters),
      currency,
      ...Object.fromEntries(PRICE_KEYS.map((k) => [k, priceShown(k, prices, units)])),
    },
  });
  return (
    <Drawer title="People and costs" open={result?.error !== undefined} ruled>
      <KeyedForm form={form} formKey={key} className="space-y-4">
        <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
          <TextField field={fields.eaters} label="People at the table" inputMode="numeric" />
          <TextField field={fields.currency} label="Money" hint="its sign" />
          {PRICE_KEYS.map((k) => (
            <TextField key={k} field={fields[k]} inputMode="decimal" {...PRICE_WORDS[k](units)} />
          ))}
        </div>
        <p className="text-[0.92rem] text-soft">
          A jar costs its share of the jar, its lid, and its share of what the burner took over its whole
          load: an estimate from the burner’s power and the time it was lit, at 55 % of full on the whole
          (assumed).
        </p>
        <FormErrors form={form} />
        <Button>Save</Button>
      </KeyedForm>
    </Drawer>
  );
}
