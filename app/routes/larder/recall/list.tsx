import type { ReactNode } from "react";
import { href, Link } from "react-router";
import { Code } from "#ui/lotmark";
import type { RecallRow } from "../../../features/genealogy/recall.server";
import { containersWords, foodWords } from "../../../words/load";
import { DOUBT_WORDS } from "../../../words/recall";
import { longDay, type Times } from "../../../words/time";

/** Containers of a recall as a list: what each shares and where it is. */
export function RecallList({
  rows,
  times,
  beside,
}: {
  rows: readonly RecallRow[];
  times: Times;
  /** what may be done with one, at the end of its line */
  beside?: (row: RecallRow) => ReactNode;
}) {
  return (
    <ul>
      {rows.map((r) => (
        <li
          key={r.id}
          className={`flex flex-wrap items-center gap-x-4 border-t-2 border-rule py-1 ${r.matters ? "" : "text-soft"}`}
        >
          <Link to={href("/c/:code", { code: r.code })} className="flex min-h-12 w-24 items-center text-ink">
            <Code>{r.code}</Code>
          </Link>
          <span className="min-w-[14rem] flex-1">
            {containersWords(r.kind, r.mouth, 1)} of {foodWords(r.product, r.species)}
            {r.cannedAt !== null && `, ${longDay(r.cannedAt, times)}`}
          </span>
          <span className="min-w-[12rem]">
            {r.where}
            {r.moved === "given" && r.note ? ` to ${r.note}` : ""}
            {r.aside && <b className="text-stop"> · recalled</b>}
          </span>
          <span className="min-w-[12rem] text-[0.92rem] text-soft max-lg:w-full">
            {r.by.length
              ? r.by.map((k) => DOUBT_WORDS[k].name.toLowerCase()).join(", ")
              : "the one it began with"}
          </span>
          {beside?.(r)}
        </li>
      ))}
    </ul>
  );
}
