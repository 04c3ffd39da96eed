export { TimeChart, type LineSeries, type TimeChartProps } from "./chart";
export { useECharts, type ChartLook } from "./use-echarts";
