import { href, Link } from "react-router";
import type { ProductKey } from "#core/schedule";
import type { RowStanding } from "#core/guide";
import { countOf } from "#core/quantity";

export interface RowLine {
  product: ProductKey;
  name: string;
  /** the household has packed by it */
  used: boolean;
  state: RowStanding["state"];
  /** persons who confirmed it, up to two */
  marks: 0 | 1 | 2;
  words: string;
  /** whoever is at the screen has compared it */
  mine: boolean;
}

const FILL: Record<RowStanding["state"], string> = {
  confirmed: "var(--moss)",
  stopped: "var(--stop)",
  again: "var(--amber)",
  unchecked: "transparent",
};

/** How far the household is: one block a row, half full for one person, full for two. */
export function Progress({ rows, used }: { rows: readonly RowLine[]; used: boolean }) {
  const done = rows.filter((r) => r.state === "confirmed").length;
  const words = `${done} of ${countOf(rows.length, used ? "row in use" : "row", used ? "rows in use" : "rows")} confirmed`;
  return (
    <figure aria-label={words}>
      <figcaption className="mb-2 text-[1.25rem] font-[650]">{words}</figcaption>
      <svg
        viewBox={`0 0 ${rows.length * 40} 40`}
        className="h-10 max-w-full"
        aria-hidden="true"
        style={{ width: `${rows.length * 2.5}rem` }}
      >
        {rows.map((r, i) => {
          const full = r.marks === 1 ? 18 : r.state === "unchecked" ? 0 : 36;
          return (
            <g key={r.product} transform={`translate(${i * 40 + 2} 2)`}>
              <rect y={36 - full} width="34" height={full} fill={FILL[r.state]} />
              <rect width="34" height="36" fill="none" stroke="var(--ink)" strokeWidth="2" />
            </g>
          );
        })}
      </svg>
      <p className="mt-1 text-[0.92rem] text-soft">Half: one person. Full: two, each for themselves.</p>
    </figure>
  );
}

/** The rows, each with how it stands and the way to it. */
export function RowList({ rows, ready }: { rows: readonly RowLine[]; ready: boolean }) {
  return (
    <ul>
      {rows.map((r) => (
        <li
          key={r.product}
          className="flex min-h-14 flex-wrap items-center justify-between gap-x-6 border-t-2 border-rule py-1"
        >
          <Link
            to={href("/help/tables/:product", { product: r.product })}
            className="flex min-h-12 items-center text-[1.1rem] font-[650] text-ink underline decoration-rule decoration-2 underline-offset-4"
          >
            {r.name}
          </Link>
          <span
            className={
              r.state === "stopped"
                ? "font-[650] text-stop"
                : r.state === "again"
                  ? "font-[650] text-amber"
                  : r.state === "confirmed"
                    ? "text-moss font-[650]"
                    : "text-soft"
            }
          >
            {r.words}
            {ready && r.state === "confirmed" && !r.mine && ". You can be the second."}
          </span>
        </li>
      ))}
    </ul>
  );
}
