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

/** How far the household is, in words. */
export function progressWords(rows: readonly RowLine[], used: boolean): string {
  const done = rows.filter((r) => r.state === "confirmed").length;
  return `${done} of ${countOf(rows.length, used ? "row in use" : "row", used ? "rows in use" : "rows")} confirmed`;
}

/** How one row stands: half full for one person, full for two. */
function Mark({ state, marks }: Pick<RowLine, "state" | "marks">) {
  const full = marks === 1 ? 18 : state === "unchecked" ? 0 : 36;
  return (
    <svg viewBox="0 0 36 38" className="h-8 w-8 shrink-0" aria-hidden="true">
      <rect x="1" y={37 - full} width="34" height={full} fill={FILL[state]} />
      <rect x="1" y="1" width="34" height="36" fill="none" stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}

/** The rows, each with how it stands and the way to it. */
export function RowList({ rows, ready }: { rows: readonly RowLine[]; ready: boolean }) {
  return (
    <ul>
      {rows.map((r) => (
        <li key={r.product} className="flex min-h-12 flex-wrap items-center gap-x-4 border-t-2 border-rule">
          <Mark state={r.state} marks={r.marks} />
          <Link
            to={href("/help/tables/:product", { product: r.product })}
            className="flex min-h-12 flex-1 items-center text-[1.1rem] font-[650] text-ink underline decoration-rule decoration-2 underline-offset-4"
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
