import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { PRICE_KEYS, type PriceKey } from "#core/cost";
import { LEAST_MONTHS } from "#core/shelf";
import { countOf, formatDecimal, formatMassShort, type UnitSystem } from "#core/quantity";
import { shapeOf } from "#core/schedule";
import { setPrices } from "#store/eating";
import { changeHousehold } from "#store/household";
import { Button } from "#ui/button";
import { ContainerGlyph, contentsOf, patternOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Empty, Page, Part } from "#ui/page";
import { containersWords, foodWords } from "../../../words/load";
import { GROUP_WORDS, ageWords } from "../../../words/shelf";
import { pricesKept } from "../../../words/price";
import { longDay, type Times, timesOf } from "../../../words/time";
import { homeContext } from "../../../server/context";
import { toEat } from "./eating.server";
import { formKey, keyField, submit, writeBy } from "../../../server/form";
import { Prices } from "./prices";
import { keptUntilTaken } from "../../../outbox";

export function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { household, larder } = home;
  const { units, eaters, currency } = household;
  return {
    key: formKey(),
    units,
    times: timesOf(household),
    eaters,
    currency,
    now: larder.now(),
    ...toEat(home),
  };
}

const money = z.coerce
  .number({ error: "A number, or nothing." })
  .min(0, "Not below nothing.")
  .max(1e6, "Less than a million.")
  .optional();
const said = z.object({
  key: keyField,
  eaters: z.coerce
    .number({ error: "How many people?" })
    .int("Whole people.")
    .min(1, "Somebody eats.")
    .max(50, "At most 50."),
  currency: z.string({ error: "A sign, like $ or kr." }).trim().min(1).max(4, "At most four letters."),
  ...(Object.fromEntries(PRICE_KEYS.map((k) => [k, money])) as Record<PriceKey, typeof money>),
});

/** Freezers are sold by cubic feet or by litres. */
const freezerWords = (litres: number, units: UnitSystem) =>
  units === "us" ? `${formatDecimal(litres / 28.316847, 1)} cu ft` : `${formatDecimal(litres, 0)} L`;

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me, household } = context.get(homeContext);
  return submit(request, said, (v) => {
    const { key, eaters, currency, ...prices } = v;
    setPrices(larder, writeBy(me, key), pricesKept(prices, household.units));
    changeHousehold(larder, { ...writeBy(me, key), key: `${key} table` }, { eaters, currency });
    return redirect(href("/larder/eating"));
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Eating({ loaderData, actionData }: Route.ComponentProps) {
  const { kinds, groups, meals, freezerLitres, massKg, units, eaters, times, now } = loaderData;
  return (
    <Page
      title="Eating"
      lead="The oldest of each kind first, and how long your stock lasts."
      aside={
        <Button asChild>
          <a href={href("/larder/best-by.ics")}>Best-by days as calendar</a>
        </Button>
      }
    >
      <title>Eating · Patient Larder</title>
      {kinds.length === 0 ? (
        <Empty title="Nothing to eat on the shelves yet.">It fills as you shelve jars and cans.</Empty>
      ) : (
        <>
          <dl className="mb-8 flex flex-wrap gap-x-12 gap-y-4">
            {[
              [
                meals.toLocaleString("en"),
                `meals for ${eaters === 1 ? "one" : eaters}`,
                "half a pint of meat a person, common practice",
              ],
              [formatMassShort(massKg, units), "of meat and fish", "as it was packed"],
              [
                freezerWords(freezerLitres, units),
                "of freezer free",
                units === "us" ? "assuming 50 lb per cu ft" : "assuming 0.8 kg per liter",
              ],
            ].map(([figure, what, why]) => (
              <div key={what}>
                <dt className="fig text-[3.2rem] leading-none font-bold">{figure}</dt>
                <dd className="font-[650]">{what}</dd>
                <dd className="text-[0.92rem] text-soft">{why}</dd>
              </div>
            ))}
          </dl>
          <Part title="Eat next, the oldest sound one of each kind" className="mb-9">
            <ul>
              {kinds.map((k) => (
                <KindRow
                  key={`${k.product} ${k.kind} ${k.mouth} ${k.species.join()}`}
                  k={k}
                  data={loaderData}
                  now={now}
                  times={times}
                />
              ))}
            </ul>
          </Part>
          <Part title="How fast you eat it" className="mb-9">
            <ul>
              {groups.map((g) => (
                <li key={g.group} className="border-t-2 border-rule py-3">
                  <b className="font-[650]">{GROUP_WORDS[g.group]}</b>: {forecastWords(g)}
                </li>
              ))}
            </ul>
            <p className="mt-2 text-[0.92rem] text-soft">
              Simple exponential smoothing of what was opened each month (α 0.25); 9 months of 10 lie between
              the two figures. Fewer than {LEAST_MONTHS} months say nothing.
            </p>
          </Part>
        </>
      )}
      <Prices key={loaderData.key} data={loaderData} result={actionData?.result} />
    </Page>
  );
}

type Data = Route.ComponentProps["loaderData"];

function forecastWords(g: Data["groups"][number]): string {
  const there = `${countOf(g.standing, "container")} on the shelf`;
  const { forecast: f, lasts } = g;
  if (!f)
    return `${there}. ${g.months === 0 ? "None was opened in a whole month yet" : `${countOf(g.months, "month")} of opening so far`}: too little to say how long it lasts.`;
  const a = (n: number) => formatDecimal(n, n < 10 ? 1 : 0);
  const rate = `about ${a(f.perMonth)} a month, between ${a(f.low)} and ${a(f.high)}`;
  if (!lasts) return `${there}; ${rate}.`;
  return `${there}; ${rate}: lasts about ${countOf(Math.round(lasts.expected), "month")}${lasts.most === null ? `, at least ${a(lasts.least)}` : `, between ${a(lasts.least)} and ${a(lasts.most)}`}.`;
}

function KindRow({
  k,
  data,
  now,
  times,
}: {
  k: Data["kinds"][number];
  data: Data;
  now: number;
  times: Times;
}) {
  const { next, cost } = k;
  const { currency } = data;
  return (
    <li className="flex flex-wrap items-center gap-x-5 gap-y-2 border-t-2 border-rule py-2">
      <span className="flex w-14 justify-center">
        <ContainerGlyph
          shape={shapeOf(k.kind, k.mouth)}
          state="sealed"
          contents={contentsOf(k.product, k.species)}
          pattern={patternOf(next?.packCode ?? k.product)}
          scale={0.34}
          label=""
        />
      </span>
      <span className="min-w-[15rem] flex-1">
        <b className="font-[650]">
          {containersWords(k.kind, k.mouth, k.sound)} of {foodWords(k.product, k.species)}
        </b>
        <span className="block text-[0.92rem] text-soft">
          {countOf(k.meals, "meal")}
          {k.lasts && `, lasts about ${countOf(Math.round(k.lasts.expected), "month")}`}
          {k.kept > 0 && <b className="text-stop"> · {k.kept} kept back</b>}
          {cost && cost.lines.length > 0 && (
            <>
              {" "}
              · cost {currency}
              {cost.total.toFixed(2)} each
              {cost.worth !== null && `, worth ${currency}${cost.worth.toFixed(2)} to you`}
            </>
          )}
        </span>
      </span>
      {next ? (
        <>
          <span className="min-w-[13rem]">
            <Link
              to={href("/c/:code", { code: next.code })}
              className="inline-flex min-h-12 min-w-12 items-center text-ink"
            >
              <Code>{next.code}</Code>
            </Link>{" "}
            <span className={next.bestBy < now ? "text-amber" : "text-soft"}>
              {ageWords(now - next.cannedAt)} old, best by {longDay(next.bestBy, times)}
            </span>
          </span>
          <Button asChild>
            <Link to={href("/larder/open/:code", { code: next.code })}>Open it</Link>
          </Button>
        </>
      ) : (
        <span className="text-stop">none of it may be eaten now</span>
      )}
    </li>
  );
}
