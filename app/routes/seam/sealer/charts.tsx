import { useCallback } from "react";
import { DIMENSION_NAMES, LEAST_VALUES, isPercent, type Series } from "#core/seam";
import { countOf, inFromMm } from "#core/quantity";
import { ControlChart } from "#ui/seam";
import { figureWords, rangeWords } from "../../../words/seam";
import { clockTime } from "../../../words/time";
import type { SealerData } from "./data";

/** A chart for each dimension, each with its sentence and its table. */
export function Charts({ data, series }: { data: SealerData; series: readonly Series[] }) {
  if (series.length === 0)
    return (
      <p className="text-soft">
        Nothing is measured on it since it was last adjusted. The charts begin with the setup test.
      </p>
    );
  const busy = [...series].sort((a, b) => b.values.length - a.values.length);
  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
      {busy.map((s) => (
        <DimensionChart key={s.dimension} series={s} data={data} />
      ))}
    </div>
  );
}

function DimensionChart({ series, data }: { series: Series; data: SealerData }) {
  const { dimension: d, values, drift } = series;
  const { units } = data;
  const show = useCallback((v: number) => figureWords(d, v, units), [d, units]);
  const showMove = useCallback(
    (v: number) =>
      isPercent(d)
        ? `${v.toFixed(0)} %`
        : units === "us"
          ? `${inFromMm(v).toFixed(4)} in`
          : `${v.toFixed(3)} mm`,
    [d, units],
  );
  const words = sentence(series, show);
  const numbers = values.map((v) => v.value);
  return (
    <section aria-label={DIMENSION_NAMES[d]}>
      <h2 className="text-[1.2rem]">
        {DIMENSION_NAMES[d]}
        {isPercent(d) && ", %"}
      </h2>
      <p className={drift.beyondAt !== null ? "font-[650] text-stop" : ""}>{words}</p>
      {values.length > 1 && (
        <ControlChart
          values={numbers}
          limits={drift.limits}
          maker={data.limits.ranges[d]}
          show={show}
          showMove={showMove}
          summary={`${DIMENSION_NAMES[d]}: ${words}`}
        />
      )}
      <details>
        <summary className="flex min-h-12 cursor-pointer items-center font-[650] underline decoration-rule decoration-2 underline-offset-4">
          {countOf(values.length, "value")} as a table, limits {rangeWords(d, data.limits.ranges[d], units)}
        </summary>
        <ol className="list-decimal pl-8">
          {values.map((v, i) => (
            <li key={`${v.at} ${i}`}>
              {clockTime(v.at, data.times)}: {show(v.value)}
              {i > 0 && `, moving range ${showMove(Math.abs(v.value - values[i - 1]!.value))}`}
            </li>
          ))}
        </ol>
      </details>
    </section>
  );
}

/** What a chart says, in a plain sentence. */
function sentence({ values, drift }: Series, show: (v: number) => string): string {
  const last = values.at(-1)!.value;
  if (!drift.limits)
    return `${show(last)} last. ${countOf(LEAST_VALUES - values.length, "more value")} until limits can be set.`;
  const usual = `between ${show(drift.limits.low)} and ${show(drift.limits.high)}`;
  if (drift.beyondAt !== null)
    return `No. ${drift.beyondAt + 1}, ${show(values[drift.beyondAt]!.value)}, is outside its control limits (${usual}).`;
  if (drift.run)
    return `The last ${drift.run.length} were all ${drift.run.side === "low" ? "below" : "above"} the mean: it is moving, still ${usual}.`;
  return `${show(last)} last, as usual (${usual}, from ${drift.base}).`;
}
