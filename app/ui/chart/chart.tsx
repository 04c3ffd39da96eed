import { useCallback } from "react";
import type { EChartsCoreOption } from "echarts/core";
import { DAY_MS } from "#core/quantity";
import { useECharts, type ChartLook } from "./use-echarts";
import { ChartBox } from "./box";
import { type Times, clockTime, monthDay } from "../../words/time";

export interface LineSeries {
  name: string;
  /** [ms since 1970 UTC, value] in order */
  points: [number, number][];
}

export interface TimeChartProps {
  series: LineSeries[];
  /** what the values are in, beside every number */
  unit: string;
  /** a level that matters, drawn across */
  limit?: { value: number; name: string };
  times: Times;
  /** the same in words, for whoever does not see it */
  summary: string;
  height?: number;
}

/**
 * Values over time, drawn by ECharts once the page has come to life. What it shows stands beside it in words, and the
 * numbers in a table, so nothing is lost before that or without it.
 */
export function TimeChart({ series, unit, limit, times, summary, height = 240 }: TimeChartProps) {
  const box = useECharts(
    useCallback((look) => optionOf({ series, unit, limit, times }, look), [series, unit, limit, times]),
  );
  return <ChartBox box={box} summary={summary} height={height} />;
}

/** Over so long a time the hour says nothing, ms. */
const MONTHS_MS = 45 * DAY_MS;

function optionOf(
  { series, unit, limit, times }: Pick<TimeChartProps, "series" | "unit" | "limit" | "times">,
  { colour, text, tooltip }: ChartLook,
): EChartsCoreOption {
  const instants = series.flatMap((s) => s.points.map(([at]) => at));
  const span = Math.max(...instants) - Math.min(...instants);
  const words = (at: number) =>
    span < DAY_MS
      ? clockTime(at, times)
      : span > MONTHS_MS
        ? monthDay(at, times)
        : `${monthDay(at, times)} ${clockTime(at, times)}`;
  return {
    grid: { left: 56, right: 18, top: series.length > 1 ? 40 : 24, bottom: 30 },
    // Lines are told apart by their stroke, and named where there is more than one.
    ...(series.length > 1 && {
      legend: { top: 0, right: 18, textStyle: text, itemWidth: 34 },
    }),
    tooltip: {
      ...tooltip,
      valueFormatter: (value: unknown) => `${Number(value).toFixed(1)} ${unit}`,
    },
    xAxis: {
      type: "time",
      axisLine: { lineStyle: { color: colour("ink") } },
      splitNumber: 4,
      axisLabel: {
        ...text,
        hideOverlap: true,
        formatter: words,
      },
      splitLine: { show: false },
    },
    yAxis: {
      type: "value",
      scale: true,
      // The level that matters is on the picture, however far the values still are from it.
      ...(limit && {
        max: (v: { max: number }) => Math.ceil(Math.max(v.max, limit.value * 1.03)),
        min: (v: { min: number }) => Math.floor(Math.min(v.min, limit.value * 0.97)),
      }),
      axisLabel: { ...text, formatter: `{value} ${unit}` },
      splitLine: { lineStyle: { color: colour("rule") } },
    },
    series: series.map((s, i) => ({
      type: "line",
      name: s.name,
      data: s.points,
      symbol: s.points.length > 60 ? "none" : ["circle", "rect", "triangle", "diamond"][i % 4],
      symbolSize: 7,
      lineStyle: { color: colour("steam"), width: 2.5, type: i === 0 ? "solid" : "dashed" },
      itemStyle: { color: colour("steam") },
      markLine:
        i === 0 && limit
          ? {
              symbol: "none",
              silent: true,
              lineStyle: { color: colour("stop"), width: 2, type: "dashed" },
              label: {
                formatter: limit.name,
                position: "insideEndTop",
                color: colour("stop"),
                fontSize: 14,
              },
              data: [{ yAxis: limit.value }],
            }
          : undefined,
    })),
  };
}
