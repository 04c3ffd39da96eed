import { useForm } from "@conform-to/react";
import { writingOf } from "#store/household";
import { useState } from "react";
import { Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { formatFraction, formatMass, formatVolume, type UnitSystem, mmFromIn } from "#core/quantity";
import {
  DISHES,
  dishRow,
  readIngredients,
  scaleDish,
  divideDish,
  whyNotIn,
  type Dish,
  type DishAnswer,
} from "#core/recipe";
import {
  SHAPES,
  isCan,
  jarMinutes,
  JAR_ROWS,
  shapeOf,
  scheduledProcess,
  type ContainerShape,
} from "#core/schedule";
import { listRecipes, saveRecipe } from "#store/recipe";
import { Refused } from "#store/db";
import { Button } from "#ui/button";
import { among, FormErrors, KeyedForm, Notice, PickField, TextField } from "#ui/form";
import { ContainerGlyph } from "#ui/glyph";
import { Page, Part } from "#ui/page";
import { jarPartWords } from "../../words/pack";
import { atHome } from "../../server/context";
import { formKey, keyField, submit, words, writeBy } from "../../server/form";
import { SourceLine } from "../ask/answer";
import { keptUntilTaken } from "../../outbox";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  return {
    key: formKey(),
    units: household.units,
    altitudeM: household.altitudeM,
    recipes: listRecipes(larder),
  };
}

const schema = z.object({
  key: keyField,
  name: words("A name", 60),
  dish: z.enum(DISHES),
  ingredients: words("What goes in", 4000),
});

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = atHome(context, request);
  return submit(request, schema, (v) => {
    const ingredients = readIngredients(v.ingredients, writingOf(household));
    if (ingredients.length > 40) throw new Refused({ ingredients: "At most 40 ingredients." });
    const huge = ingredients.find((i) => i.amount > 1000);
    if (huge) throw new Refused({ ingredients: `More than a tonne of ${huge.name}? Check its amount.` });
    saveRecipe(larder, writeBy(me, v.key), { name: v.name, dish: v.dish, ingredients });
    return redirect("/plan/dishes");
  });
}
/** The form stays as it is while the clocks are looked at. */
export { stayWhileTyping as shouldRevalidate } from "../places/stay";

const EXAMPLE: Record<UnitSystem, string> = {
  us: "6 lb boar, cubed\n2 lb carrots\n2 lb potatoes\n3 qt broth\nsalt, thyme",
  metric: "2.7 kg boar, cubed\n0.9 kg carrots\n0.9 kg potatoes\n2.8 l broth\nsalt, thyme",
};
const DISH_NAMES: Record<Dish, string> = {
  stew: "a stew",
  soup: "a soup",
  chilli: "chilli with meat",
  broth: "broth",
};

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Dishes({ loaderData, actionData }: Route.ComponentProps) {
  const { key, units, altitudeM, recipes } = loaderData;
  const [form, fields] = useForm<z.input<typeof schema>>({ id: "dish", lastResult: actionData?.result });
  const typed = fields.ingredients.initialValue;
  const [text, setText] = useState(typeof typed === "string" ? typed : "");
  const [dish, setDish] = useState<Dish>(among(fields.dish.initialValue, DISHES) ?? "stew");
  const ingredients = readIngredients(text, units);
  const answer = ingredients.length > 0 ? dishRow(dish, ingredients) : null;
  return (
    <Page
      title="Mixed dishes"
      lead="Stews, chilli, soups and broth: what may go in, which row of the table governs, and what goes into each jar."
      aside={
        <Button asChild weight="bare">
          <Link to="/plan">Back to the plan</Link>
        </Button>
      }
    >
      <title>Mixed dishes · Patient Larder</title>
      <div className="grid gap-10 lg:grid-cols-[26rem_1fr]">
        <div>
          <KeyedForm form={form} formKey={key} className="space-y-4">
            <PickField
              field={fields.dish}
              label="It is"
              fallback="stew"
              onPick={(v) => setDish(v as Dish)}
              options={DISHES.map((d) => ({ value: d, label: DISH_NAMES[d] }))}
            />
            <div>
              <label htmlFor={fields.ingredients.id} className="block font-[650]">
                What goes in, a line each
              </label>
              <p className="text-[0.92rem] text-soft">
                Weight, volume or a count first. Where a thing is not known, say what it is behind it:
                (vegetable).
              </p>
              <textarea
                id={fields.ingredients.id}
                name={fields.ingredients.name}
                rows={9}
                value={text}
                onChange={(e) => setText(e.target.value)}
                placeholder={EXAMPLE[units]}
                aria-invalid={fields.ingredients.errors?.length ? true : undefined}
                className="mt-1 w-full rounded border-2 border-ink bg-sheet px-3 py-2 text-[1.06rem] placeholder:text-soft"
              />
              {fields.ingredients.errors && (
                <p role="alert" className="mt-1 font-[600] text-stop">
                  ✕ {fields.ingredients.errors.join(" ")}
                </p>
              )}
            </div>
            <TextField field={fields.name} label="Keep it as" hint="To plan with it: Hunter’s stew" />
            <FormErrors form={form} />
            <Button weight="do">Keep the recipe</Button>
          </KeyedForm>
        </div>
        <div aria-live="polite" className="min-w-0">
          {answer ? (
            <Answer answer={answer} dish={dish} units={units} altitudeM={altitudeM} />
          ) : (
            <p className="text-[1.15rem] text-soft">
              Write down what goes in. Flour, starch, noodles, rice, dairy and the like are refused, each with
              what to do instead.
            </p>
          )}
          {recipes.length > 0 && (
            <Part title="Kept recipes" className="mt-10">
              <ul>
                {recipes.map((r) => (
                  <li key={r.id} className="border-t-2 border-rule py-2">
                    <b>{r.name}</b>{" "}
                    <span className="text-soft">
                      {DISH_NAMES[r.dish]} of {r.ingredients.map((i) => i.name).join(", ")}
                    </span>
                  </li>
                ))}
              </ul>
              <p className="mt-2 text-soft">On the plan a lot can go in “as” one of these.</p>
            </Part>
          )}
        </div>
      </div>
    </Page>
  );
}

function Answer({
  answer,
  dish,
  units,
  altitudeM,
}: {
  answer: DishAnswer;
  dish: Dish;
  units: UnitSystem;
  altitudeM: number;
}) {
  if (!answer.product)
    return (
      <Notice tone="stop">
        <p className="text-[1.2rem] font-[650]">This is not canned as it stands</p>
        <ul className="mt-1 space-y-2">
          {answer.refusals.map((r) => (
            <li key={r.reason}>
              <b>{r.reason}</b> {r.instead.join(" ")}
            </li>
          ))}
        </ul>
      </Notice>
    );
  const row = JAR_ROWS.find((r) => r.key === answer.product)!;
  return (
    <>
      <ul className="list-disc space-y-1 pl-5">
        {answer.each
          .filter((i) => i.pieces !== undefined)
          .map((i) => (
            <li key={`${i.pieces} ${i.name}`}>
              {formatFraction(i.pieces!)} {i.name}: counted as {formatMass(i.amount, units)}, at the usual
              weight.
            </li>
          ))}
        {answer.why.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
      <SourceLine source={row.source} />
      <ul className="mt-4">
        {SHAPES.filter((s) => !isCan(s.key)).map((s) => (
          <Jar
            key={`${s.key} ${s.mouth}`}
            shape={s}
            answer={answer}
            dish={dish}
            units={units}
            altitudeM={altitudeM}
          />
        ))}
      </ul>
    </>
  );
}

/** What the dish makes in one size of jar, and what goes into each. */
function Jar({
  shape,
  answer,
  dish,
  units,
  altitudeM,
}: {
  shape: ContainerShape;
  answer: DishAnswer;
  dish: Dish;
  units: UnitSystem;
  altitudeM: number;
}) {
  const why = whyNotIn(answer, shape.key);
  const row = JAR_ROWS.find((r) => r.key === answer.product)!;
  const schedule = scheduledProcess({
    product: row.key,
    pack: "hot",
    container: shape.key,
    gauge: "weighted",
    altitudeM,
  });
  return (
    <li className="flex items-end gap-5 border-t-2 border-rule py-3">
      <ContainerGlyph
        shape={shapeOf(shape.key, shape.mouth)}
        state={why === null ? "filled" : "open"}
        contents="broth"
        headspaceMm={mmFromIn(row.headspaceIn)}
        scale={0.42}
        label=""
      />
      {why !== null || schedule.outcome === "none" ? (
        <p className="self-center text-soft">{why ?? (schedule.outcome === "none" && schedule.reason)}</p>
      ) : (
        <Share
          shape={shape}
          answer={answer}
          dish={dish}
          units={units}
          minutes={jarMinutes(row, shape.key)!}
        />
      )}
    </li>
  );
}

function Share({
  shape,
  answer,
  dish,
  units,
  minutes,
}: {
  shape: ContainerShape;
  answer: DishAnswer;
  dish: Dish;
  units: UnitSystem;
  minutes: number;
}) {
  const share = divideDish(dish, answer, shape.key, shape.mouth);
  const full = scaleDish(dish, answer.each, shape.key, shape.mouth, share.jars + 1);
  return (
    <div className="self-center">
      <span className="fig text-[2rem] leading-none font-bold">{share.jars}</span>{" "}
      <b>{share.jars === 1 ? shape.name : shape.plural}</b>, {minutes} min at pressure
      <p>
        Into each: {formatMass(share.solidsKgEach, units)} of solids ({Math.round(share.solidsPart * 100)} %
        of the way up), then {formatVolume(share.liquidLitresEach, units)} of liquid.
        {share.addLiquidLitres > 0.05 && (
          <b> Add {formatVolume(share.addLiquidLitres, units)} of broth or water to the pot first.</b>
        )}
      </p>
      <p className="text-[0.95rem] text-soft">
        {share.leftLitres > 0.02 ? `${formatVolume(share.leftLitres, units)} left over: eat it. ` : ""}
        For {share.jars + 1}:{" "}
        {full
          .map((i, at) => `${jarPartWords({ ...i, role: answer.each[at]!.role }, units)} ${i.name}`.trim())
          .join(", ")}
        .
      </p>
    </div>
  );
}
