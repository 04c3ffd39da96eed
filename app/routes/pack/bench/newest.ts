import type { FillData, FillPart } from "./data";

/** The container filled last, whichever part it belongs to: its code is still to be written on. */
export function newestOf(
  data: FillData,
): { part: FillPart; container: FillPart["containers"][number] } | null {
  const all = data.parts.flatMap((part) => part.containers.map((container) => ({ part, container })));
  return (
    all.sort(
      (a, b) => b.container.filledAt - a.container.filledAt || b.container.number - a.container.number,
    )[0] ?? null
  );
}
