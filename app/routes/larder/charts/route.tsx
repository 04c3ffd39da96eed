import type { Route } from "./+types/route";
import { countOf } from "#core/quantity";
import { agesOnShelf, sealsByMonth, seasonsOf, yieldsBySeason } from "#store/eating";
import { BarChart, type BarSeries } from "#ui/chart";
import { Drawer } from "#ui/drawer";
import { Empty, Page, Part } from "#ui/page";
import { GROUP_WORDS } from "../../../words/shelf";
import { homeContext } from "../../../server/context";
import type { FollowHandle } from "../../../live/follow";

const GROUP_INK = { "red-meat": "meat", "bird-rabbit": "bird", fish: "fish", tuna: "steam" } as const;
const AGES = ["under 3 months", "3 to 6", "6 to 9", "9 to 12", "1 to 2 years", "older"] as const;
const AGE_DAYS = [91, 183, 274, 365, 730, Infinity];

export function loader({ context }: Route.LoaderArgs) {
  const { larder } = context.get(homeContext);
  const now = larder.now();
  const stock = seasonsOf(larder, now);
  const ages = AGES.map(() => 0);
  for (const { days, count } of agesOnShelf(larder, now))
    ages[AGE_DAYS.findIndex((most) => days < most)]! += count;
  return {
    stock,
    ages,
    seals: sealsByMonth(larder),
    yields: yieldsBySeason(larder),
  };
}

export const handle: FollowHandle = { shows: ["container", "seal", "lot", "harvest"] };

export default function Charts({ loaderData }: Route.ComponentProps) {
  const { stock, ages, seals, yields } = loaderData;
  const months = stock[0]?.months ?? [];
  const seasons = [...new Set(yields.map((y) => y.season))];
  const groups = [...new Set(yields.map((y) => y.group))];
  const onShelf = ages.reduce((a, b) => a + b, 0);
  if (stock.length === 0 && seals.length === 0 && yields.length === 0)
    return (
      <Page title="Charts">
        <title>Charts · Patient Larder</title>
        <Empty title="Nothing to draw yet.">
          It begins with the first lot that is cut and the first jar shelved.
        </Empty>
      </Page>
    );
  return (
    <Page title="Charts" lead="The shelves over the seasons. Each chart has its numbers below it.">
      <title>Charts · Patient Larder</title>
      <div className="grid gap-x-10 gap-y-10 lg:grid-cols-2">
        {stock.length > 0 && (
          <Charted
            title="On the shelves at the end of each month, containers"
            labels={months}
            unit="containers"
            stacked
            series={stock.map((s) => ({
              name: GROUP_WORDS[s.group],
              values: s.standing,
              ink: GROUP_INK[s.group],
            }))}
            summary={`Containers on the shelves over ${countOf(months.length, "month")}, ${onShelf} now`}
          />
        )}
        {onShelf > 0 && (
          <Charted
            title="How long they have stood, containers"
            labels={AGES}
            unit="containers"
            series={[{ name: "On the shelves", values: ages }]}
            summary={`${ages[4]! + ages[5]!} of ${onShelf} containers are older than a year`}
          />
        )}
        {seals.length > 0 && (
          <Charted
            title="Seals that failed, of 100 looked at"
            labels={seals.map((s) => s.month)}
            unit="%"
            series={[
              { name: "Failed", values: seals.map((s) => Math.round((1000 * s.failed) / s.all) / 10) },
            ]}
            summary={`${seals.reduce((n, s) => n + s.failed, 0)} of ${seals.reduce((n, s) => n + s.all, 0)} seals failed`}
          />
        )}
        {yields.length > 0 && (
          <Charted
            title="Yield at the table, usable weight of what was cut"
            labels={seasons}
            unit="%"
            series={groups.map((g) => ({
              name: GROUP_WORDS[g],
              ink: GROUP_INK[g],
              values: seasons.map((s) =>
                Math.round(yields.find((y) => y.season === s && y.group === g)?.percent ?? 0),
              ),
            }))}
            summary={yields
              .map((y) => `${GROUP_WORDS[y.group]} ${y.season}: ${Math.round(y.percent)} %`)
              .join(", ")}
          />
        )}
      </div>
    </Page>
  );
}

/** A chart with its numbers as a table beneath it. */
function Charted({
  title,
  labels,
  series,
  unit,
  summary,
  stacked = false,
}: {
  title: string;
  labels: readonly string[];
  series: readonly BarSeries[];
  unit: string;
  summary: string;
  stacked?: boolean;
}) {
  return (
    <Part title={title}>
      <BarChart labels={labels} series={series} unit={unit} stacked={stacked} summary={summary} />
      <Drawer title="The numbers">
        <div
          className="max-h-80 overflow-auto"
          tabIndex={0}
          role="region"
          aria-label={`${title}: the numbers`}
        >
          <table className="w-full text-left">
            <thead>
              <tr className="border-b-2 border-ink">
                <th className="py-1 pr-4" />
                {series.map((s) => (
                  <th key={s.name} className="py-1 pr-4">
                    {s.name}, {unit}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {labels.map((l, i) => (
                <tr key={l} className="border-b-2 border-rule">
                  <th scope="row" className="py-1 pr-4 font-normal">
                    {l}
                  </th>
                  {series.map((s) => (
                    <td key={s.name} className="py-1 pr-4">
                      {s.values[i]}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </Drawer>
    </Part>
  );
}
