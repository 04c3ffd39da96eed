import { useForm, type SubmissionResult } from "@conform-to/react";
import { href, Link } from "react-router";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, SelectField, keyFor, resultOf } from "#ui/form";
import type { Route } from "./+types/route";

type Data = Route.ComponentProps["loaderData"];

/** A dish by a saved recipe, and the lot its meat comes from. */
export function DishForm({
  data,
  result,
  recipes,
}: {
  data: Data;
  result: SubmissionResult | undefined;
  recipes: Data["recipes"];
}) {
  const [form, fields] = useForm<Record<"recipeId" | "lotId", string>>({
    id: "dish",
    lastResult: resultOf(result, "dish"),
  });
  if (recipes.length === 0 || data.lots.length === 0)
    return (
      <p className="text-[1.1rem]">
        {recipes.length === 0
          ? "There is no recipe yet. "
          : "There is no meat in the records to make it from. Add some above first. "}
        {recipes.length === 0 && (
          <Link to={href("/plan/dishes")} className="font-[650] text-ink underline underline-offset-4">
            Write a recipe
          </Link>
        )}
      </p>
    );
  return (
    <KeyedForm
      form={form}
      formKey={keyFor(data.key, "dish")}
      intent="dish"
      className="grid max-w-[56rem] gap-x-8 gap-y-4 lg:grid-cols-2"
    >
      <SelectField
        field={fields.recipeId}
        label="Recipe"
        choices={recipes.map((r) => ({ value: r.id, label: r.name }))}
      />
      <SelectField
        field={fields.lotId}
        label="Lot for the meat"
        choices={data.lots.map((l) => ({ value: l.id, label: `${l.code}, ${l.title}, ${l.amount}` }))}
      />
      <FormErrors form={form} />
      <Button weight="do">Go on to the jars</Button>
    </KeyedForm>
  );
}
