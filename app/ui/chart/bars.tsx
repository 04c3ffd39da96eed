import { useCallback } from "react";
import type { EChartsCoreOption } from "echarts/core";
import { useECharts, type ChartLook } from "./use-echarts";
import { ChartBox } from "./box";

export interface BarSeries {
  name: string;
  /** one for each label */
  values: readonly number[];
  /** colour of the theme by its name; without it one after the other */
  ink?: string;
}

export interface BarChartProps {
  labels: readonly string[];
  series: readonly BarSeries[];
  /** what the values are in, beside every number */
  unit: string;
  /** one series on top of the other */
  stacked?: boolean;
  /** the same in words, for whoever does not see it */
  summary: string;
  height?: number;
}

/** How series are told apart without colour: solid, striped, dotted, crossed. */
const DECALS = [
  undefined,
  { symbol: "rect", dashArrayX: [1, 0], dashArrayY: [3, 4], rotation: 0.785 },
  { symbol: "circle", dashArrayX: [[5, 5]], dashArrayY: [6, 4], symbolSize: 0.7 },
  { symbol: "rect", dashArrayX: [1, 0], dashArrayY: [2, 5], rotation: -0.785 },
];
const INKS = ["meat", "bird", "fish", "steam"];

/** Amounts side by side or stacked, drawn by ECharts once the page has come to life; the numbers stand in a table beside it. */
export function BarChart({ labels, series, unit, stacked = false, summary, height = 260 }: BarChartProps) {
  const box = useECharts(
    useCallback((look) => optionOf({ labels, series, unit, stacked }, look), [labels, series, unit, stacked]),
  );
  return <ChartBox box={box} summary={summary} height={height} />;
}

function optionOf(
  { labels, series, unit, stacked }: Required<Omit<BarChartProps, "summary" | "height">>,
  { colour, text, tooltip }: ChartLook,
): EChartsCoreOption {
  return {
    grid: { left: 60, right: 12, top: series.length > 1 ? 40 : 16, bottom: 34 },
    ...(series.length > 1 && { legend: { top: 0, right: 12, textStyle: text, itemWidth: 26 } }),
    tooltip: { ...tooltip, valueFormatter: (v: unknown) => `${Math.round(Number(v) * 10) / 10} ${unit}` },
    xAxis: {
      type: "category",
      data: [...labels],
      axisLine: { lineStyle: { color: colour("ink") } },
      axisTick: { show: false },
      axisLabel: { ...text, hideOverlap: true },
    },
    yAxis: {
      type: "value",
      minInterval: 1,
      axisLabel: {
        ...text,
        formatter: (v: number) => `${v.toLocaleString("en-US")}${unit === "%" ? " %" : ""}`,
      },
      splitLine: { lineStyle: { color: colour("rule") } },
    },
    series: series.map((s, i) => ({
      type: "bar",
      name: s.name,
      data: [...s.values],
      barMaxWidth: 46,
      ...(stacked && { stack: "all" }),
      itemStyle: {
        color: colour(s.ink ?? INKS[i % INKS.length]!),
        borderColor: colour("ink"),
        borderWidth: 1,
        decal: DECALS[i % DECALS.length] && { color: colour("mark"), ...DECALS[i % DECALS.length] },
      },
    })),
  };
}
