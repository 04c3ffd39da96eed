export { TimeChart, type LineSeries, type TimeChartProps } from "./chart";
export { ChartBox } from "./box";
export { BarChart, type BarChartProps, type BarSeries } from "./bars";
export { useECharts, type ChartLook } from "./use-echarts";
