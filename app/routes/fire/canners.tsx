import type { Route } from "./+types/route";
import { CannerDrawing } from "#ui/bench";

type Row = Route.ComponentProps["loaderData"]["canners"][number];

const gaugesOf = ({ dial, weightPiecesPsi }: Row["gauges"]): string =>
  [dial && "dial gauge", weightPiecesPsi.length > 0 && "weight"].filter(Boolean).join(" and ");

/** The canners there are, before one is chosen: how large, read by what, and which is in use. */
export function Canners({ canners }: { canners: readonly Row[] }) {
  return (
    <>
      <h3 className="mb-1 font-[650]">Your canners</h3>
      <ul>
        {canners.map((c) => (
          <li key={c.id} className="flex items-center gap-4 border-t-2 border-rule py-2">
            <span className="shrink-0 scale-75" aria-hidden="true">
              <CannerDrawing steaming={false} lit={c.busy} />
            </span>
            <span>
              <b>{c.name}</b>
              {c.busy && <span className="ml-2 font-[650] text-copper-ink">in use</span>}
              <span className="block text-soft">
                {c.quarts} quarts, {gaugesOf(c.gauges)}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
