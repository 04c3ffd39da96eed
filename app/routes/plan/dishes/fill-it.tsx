import { useForm, type SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { kindKey } from "#core/capacity";
import { dishRow, divideDish, whyNotIn } from "#core/recipe";
import { SHAPES, isCan, scheduledProcess } from "#core/schedule";
import { Button } from "#ui/button";
import {
  among,
  FormErrors,
  keyFor,
  KeyedForm,
  Notice,
  problemOf,
  resultOf,
  SelectField,
  TextField,
  useBusy,
} from "#ui/form";
import { Part } from "#ui/page";
import { cutWords } from "../../../words/load";
import { AcceptRow } from "../../household/accept-row";
import { JARS, type DishesData, type LoadedRecipe } from "./data";

/** From a kept recipe to the bench: which lot its meat comes from, in which jars, how many. */
export function FillIt({
  data,
  recipe,
  result,
}: {
  data: DishesData;
  recipe: LoadedRecipe;
  result: SubmissionResult | undefined;
}) {
  // What is kept is what the bench goes by, and not what stands in the lines above and is not kept.
  const busy = useBusy();
  const { dish } = recipe;
  const answer = dishRow(dish, recipe.ingredients);
  const [form, fields] = useForm<Record<"recipe" | "lotId" | "jar" | "count", string>>({
    id: "fill",
    lastResult: resultOf(result, "fill"),
  });
  const shapes = SHAPES.filter((s) => !isCan(s.key) && whyNotIn(answer, s.key, data.rows) === null);
  const [jar, setJar] = useState<string>(
    among(fields.jar.initialValue, JARS) ?? kindKey("jar-pint", "regular"),
  );
  const shape = shapes.find((s) => kindKey(s.key, s.mouth) === jar) ?? shapes[0]!;
  if (!answer.product || shapes.length === 0 || data.lots.length === 0) return null;
  const { jars } = divideDish(dish, answer, shape.key, shape.mouth);
  const process = scheduledProcess({
    product: answer.product,
    pack: "hot",
    container: shape.key,
    gauge: "weighted",
    altitudeM: data.altitudeM,
    rows: data.rows,
  });
  const { lotId: _, jar: __, count: ___, "": ____, ...other } = resultOf(result, "fill")?.error ?? {};
  const elsewhere = problemOf({ error: other });
  if (process.outcome === "none") return null;
  return (
    <Part title="Fill jars with it" className="mt-8">
      <KeyedForm form={form} formKey={keyFor(data.key, "fill")} intent="fill" className="space-y-4">
        <input type="hidden" name="recipe" value={recipe.id} />
        <SelectField
          field={fields.lotId}
          label="Lot for the meat"
          choices={[
            { value: "", label: "choose a lot" },
            ...data.lots.map((l) => ({
              value: l.id,
              label: `${l.code}, ${cutWords(l.part, l.species)}`,
            })),
          ]}
        />
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            field={fields.jar}
            label="In"
            choices={shapes.map((s) => ({ value: kindKey(s.key, s.mouth), label: s.plural }))}
            defaultValue={kindKey(shape.key, shape.mouth)}
            onChange={(e) => setJar(e.target.value)}
          />
          <TextField
            key={jars}
            field={fields.count}
            label="How many"
            hint={`the recipe makes ${jars}`}
            inputMode="numeric"
            defaultValue={
              typeof fields.count.initialValue === "string" ? fields.count.initialValue : String(jars)
            }
          />
        </div>
        {elsewhere && <Notice tone="stop">{elsewhere}</Notice>}
        <FormErrors form={form} />
        <Button weight="do" disabled={busy}>
          Start filling
        </Button>
      </KeyedForm>
      <AcceptRow process={process} accepted={data.accepted} formKey={data.acceptKey} />
    </Part>
  );
}
