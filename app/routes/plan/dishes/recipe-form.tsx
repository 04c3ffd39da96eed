import { type SubmissionResult, useForm } from "@conform-to/react";
import { useState } from "react";
import type { UnitSystem, Writing } from "#core/quantity";
import { DISHES, dishRow, readIngredients, writeIngredient, type Dish } from "#core/recipe";
import { Button } from "#ui/button";
import { among, FormErrors, keyFor, KeyedForm, PickField, resultOf, TextField } from "#ui/form";
import { Answer } from "./answer";
import { DISH_NAMES, type DishesData, type LoadedRecipe } from "./data";
import { FillIt } from "./fill-it";
import { scaled, ScaleIt } from "./scale-it";

const EXAMPLE: Record<UnitSystem, string> = {
  us: "6 lb boar, cubed\n2 lb carrots\n2 lb potatoes\n3 qt broth\nsalt, thyme",
  metric: "2.7 kg boar, cubed\n0.9 kg carrots\n0.9 kg potatoes\n2.8 l broth\nsalt, thyme",
};
/** A recipe in the lines it was written in, or as it was kept before lines were. */
const linesOf = ({ lines, ingredients }: LoadedRecipe, writing: Writing): string =>
  lines ?? ingredients.map((i) => writeIngredient(i, writing)).join("\n");

/** The dish and how many jars: its lines, how much of it to make, and what then goes into each jar. */
export function RecipeForm({ data, result }: { data: DishesData; result: SubmissionResult | undefined }) {
  const { key, units, altitudeM, rows, open, writing } = data;
  const [form, fields] = useForm<Record<"recipe" | "name" | "dish" | "ingredients", string>>({
    id: "dish",
    lastResult: resultOf(result, "keep"),
  });
  const typed = fields.ingredients.initialValue;
  const [text, setText] = useState(typeof typed === "string" ? typed : open ? linesOf(open, writing) : "");
  const [dish, setDish] = useState<Dish>(among(fields.dish.initialValue, DISHES) ?? open?.dish ?? "stew");
  const ingredients = readIngredients(text, writing);
  const answer = ingredients.length > 0 ? dishRow(dish, ingredients) : null;
  return (
    <div className="grid gap-10 lg:grid-cols-[26rem_1fr]">
      <div>
        <KeyedForm form={form} formKey={keyFor(key, "keep")} intent="keep" className="space-y-4">
          {open && <input type="hidden" name="recipe" value={open.id} />}
          <PickField
            field={fields.dish}
            label="Kind of dish"
            fallback={dish}
            onPick={(v) => setDish(v as Dish)}
            options={DISHES.map((d) => ({ value: d, label: DISH_NAMES[d] }))}
          />
          <div>
            <label htmlFor={fields.ingredients.id} className="block font-[650]">
              Ingredients, one per line
            </label>
            <p className="text-[0.92rem] text-soft">
              Amount first. If an ingredient is not known, add what it is: (vegetable).
            </p>
            <textarea
              id={fields.ingredients.id}
              name={fields.ingredients.name}
              rows={9}
              value={text}
              onChange={(e) => setText(e.target.value)}
              placeholder={EXAMPLE[units]}
              aria-invalid={fields.ingredients.errors?.length ? true : undefined}
              className="input mt-1"
            />
            {fields.ingredients.errors && (
              <p role="alert" className="mt-1 font-[600] text-stop">
                ✕ {fields.ingredients.errors.join(" ")}
              </p>
            )}
          </div>
          <ScaleIt
            onScale={(scale) => {
              const lines = scaled(text.split("\n"), scale, dish, writing, rows);
              if (lines) setText(lines.join("\n"));
              return lines !== null;
            }}
            writing={writing}
          />
          <TextField
            field={fields.name}
            label="Recipe name"
            hint="Example: Hunter’s stew"
            defaultValue={
              typeof fields.name.initialValue === "string" ? fields.name.initialValue : open?.name
            }
          />
          <FormErrors form={form} />
          <Button weight={open ? "quiet" : "do"}>{open ? "Save changes" : "Save recipe"}</Button>
        </KeyedForm>
        {open && !open.archived && <FillIt data={data} recipe={open} result={result} />}
      </div>
      <div aria-live="polite" className="min-w-0">
        {answer ? (
          <Answer answer={answer} dish={dish} units={units} altitudeM={altitudeM} rows={rows} />
        ) : (
          <p className="text-[1.15rem] text-soft">
            Write down what goes in. Flour, starch, noodles, rice, dairy and the like are refused, each with
            what to do instead.
          </p>
        )}
      </div>
    </div>
  );
}
