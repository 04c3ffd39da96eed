export { TimeChart, type LineSeries, type TimeChartProps } from "./chart";
