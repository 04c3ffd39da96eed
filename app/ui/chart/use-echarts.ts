import { useEffect, useRef, type RefObject } from "react";
import type { EChartsCoreOption } from "echarts/core";

/** What every chart of ours looks like, from the theme the page wears. */
export interface ChartLook {
  /** a colour of the theme by its name: `ink`, `stop` */
  colour: (name: string) => string;
  text: { color: string; fontFamily: string; fontSize: number };
  tooltip: object;
}

/**
 * Puts ECharts into a box once the page has come to life, and takes it away again.
 * @param option what is drawn; kept by the caller with `useCallback`, so that a chart is drawn anew only when it changes
 */
export function useECharts(option: (look: ChartLook) => EChartsCoreOption): RefObject<HTMLDivElement | null> {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let gone = false;
    let dispose = () => {};
    void library().then((echarts) => {
      // A chart that came later may stand in the box already: one that is not wanted any more never gets there.
      if (!gone) dispose = draw(echarts, element, option);
    });
    return () => {
      gone = true;
      dispose();
    };
  }, [option]);
  return box;
}

/** ECharts with what our charts need of it, fetched when the first one is drawn. */
async function library(): Promise<typeof import("echarts/core")> {
  const [
    echarts,
    { BarChart, LineChart },
    { GridComponent, LegendComponent, MarkLineComponent, TooltipComponent },
    { SVGRenderer },
  ] = await Promise.all([
    import("echarts/core"),
    import("echarts/charts"),
    import("echarts/components"),
    import("echarts/renderers"),
  ]);
  echarts.use([
    BarChart,
    LineChart,
    GridComponent,
    LegendComponent,
    MarkLineComponent,
    TooltipComponent,
    SVGRenderer,
  ]);
  return echarts;
}

function draw(
  { init }: Awaited<ReturnType<typeof library>>,
  element: HTMLElement,
  option: (look: ChartLook) => EChartsCoreOption,
): () => void {
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string) => style.getPropertyValue(`--${name}`).trim();
  const chart = init(element, undefined, { renderer: "svg" });
  chart.setOption({
    animation: false,
    ...option({
      colour,
      text: {
        color: colour("soft"),
        fontFamily: "Atkinson Hyperlegible Next Variable, sans-serif",
        fontSize: 14,
      },
      tooltip: {
        trigger: "axis",
        backgroundColor: colour("sheet"),
        borderColor: colour("ink"),
        textStyle: { color: colour("ink") },
      },
    }),
  });
  const resize = new ResizeObserver(() => chart.resize());
  resize.observe(element);
  return () => {
    resize.disconnect();
    chart.dispose();
  };
}
