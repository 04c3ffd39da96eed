import { useCallback } from "react";
import type { EChartsCoreOption } from "echarts/core";
import type { Individuals } from "#core/seam";
import { ChartBox, useECharts, type ChartLook } from "#ui/chart";

export interface ControlChartProps {
  values: readonly number[];
  /** null while there are too few values */
  limits: Individuals | null;
  /** the maker's, where there are any */
  maker: { low: number | null; high: number | null };
  /** how a value is written, with its unit */
  show: (value: number) => string;
  /** how a difference is written: one figure finer */
  showMove: (value: number) => string;
  /** the same in words, for whoever does not see it */
  summary: string;
}

/** Individuals above, moving ranges below, with the limits of each. Drawn by ECharts once the page has come to life. */
export function ControlChart({ values, limits, maker, show, showMove, summary }: ControlChartProps) {
  const box = useECharts(
    useCallback(
      (look) => optionOf({ values, limits, maker, show, showMove }, look),
      [values, limits, maker, show, showMove],
    ),
  );
  return <ChartBox box={box} summary={summary} height={290} />;
}

function optionOf(
  { values, limits, maker, show, showMove }: Omit<ControlChartProps, "summary">,
  { colour, text: usual, tooltip }: ChartLook,
): EChartsCoreOption {
  // Two charts stand side by side: a size smaller than one by itself.
  const text = { ...usual, fontSize: 13 };
  const line = (value: number | null, name: string, ink: string, type: "solid" | "dashed" | "dotted") =>
    value === null
      ? []
      : [
          {
            yAxis: value,
            lineStyle: { color: ink, width: 2, type },
            label: {
              formatter: name,
              position: "insideEndTop" as const,
              color: ink,
              fontSize: 13,
              fontFamily: text.fontFamily,
            },
          },
        ];
  const ranges = values.map((v, i) => (i === 0 ? null : Math.abs(v - values[i - 1]!)));
  const axis = (gridIndex: number, shown: boolean) => ({
    type: "category" as const,
    gridIndex,
    data: values.map((_, i) => String(i + 1)),
    axisLabel: { ...text, show: shown },
    axisTick: { show: false },
    axisLine: { lineStyle: { color: colour("ink") } },
  });
  const bounds = [...values, limits?.low, limits?.high, maker.low, maker.high].filter(
    (v): v is number => typeof v === "number",
  );
  const [low, high] = [Math.min(...bounds), Math.max(...bounds)];
  const room = (high - low || 0.05) * 0.12;
  return {
    grid: [
      { left: 88, right: 16, top: 14, height: 150 },
      { left: 88, right: 16, top: 196, height: 62 },
    ],
    tooltip: {
      ...tooltip,
      valueFormatter: (v: unknown) => (typeof v === "number" ? show(v) : "none"),
    },
    xAxis: [axis(0, false), axis(1, true)],
    yAxis: [
      {
        type: "value",
        gridIndex: 0,
        min: low - room,
        max: high + room,
        splitNumber: 3,
        axisLabel: { ...text, formatter: (v: number) => show(v), showMinLabel: false, showMaxLabel: false },
        splitLine: { show: false },
      },
      {
        type: "value",
        gridIndex: 1,
        ...(limits && { interval: limits.rangeHigh }),
        min: 0,
        max: (v: { max: number }) => Math.max(v.max, limits?.rangeHigh ?? 0) * 1.15 || 0.01,
        name: "moved by",
        nameLocation: "middle",
        nameGap: 62,
        nameTextStyle: text,
        axisLabel: {
          ...text,
          formatter: (v: number) => showMove(v),
          showMinLabel: false,
          showMaxLabel: false,
        },
        splitLine: { show: false },
      },
    ],
    series: [
      {
        type: "line",
        name: "measured",
        data: [...values],
        symbolSize: 8,
        lineStyle: { color: colour("steam"), width: 2 },
        itemStyle: { color: colour("steam") },
        markLine: {
          symbol: "none",
          silent: true,
          data: [
            ...line(limits?.mean ?? null, "mean", colour("ink"), "solid"),
            ...line(limits?.high ?? null, "upper control limit", colour("stop"), "dashed"),
            ...line(limits?.low ?? null, "lower control limit", colour("stop"), "dashed"),
            ...line(maker.high, "limit", colour("ink"), "dotted"),
            ...line(maker.low, "limit", colour("ink"), "dotted"),
          ],
        },
      },
      {
        type: "line",
        name: "moved by",
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: ranges,
        symbol: "rect",
        symbolSize: 6,
        lineStyle: { color: colour("steam"), width: 1.5 },
        itemStyle: { color: colour("steam") },
        markLine: {
          symbol: "none",
          silent: true,
          data: line(limits?.rangeHigh ?? null, "upper control limit", colour("stop"), "dashed"),
        },
      },
    ],
  };
}
