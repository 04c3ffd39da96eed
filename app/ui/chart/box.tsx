import type { RefObject } from "react";

/**
 * Where a chart is drawn, as wide as there is room. What is drawn in it is as wide as it was, and must not keep it so when
 * the page becomes narrower.
 */
export function ChartBox({
  box,
  summary,
  height,
}: {
  box: RefObject<HTMLDivElement | null>;
  summary: string;
  height: number;
}) {
  return (
    <div
      ref={box}
      role="img"
      aria-label={summary}
      style={{ height }}
      className="w-full [contain:inline-size]"
    />
  );
}
