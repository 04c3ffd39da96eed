import { href, Link } from "react-router";
import { StoredGlyph } from "#ui/glyph";
import { More } from "#ui/page";
import { oneWords } from "../../../words/shelf";
import type { Route } from "./+types/route";

/** Everything on one shelf, small, the oldest first. */
export function Listed({ data }: { data: Route.ComponentProps["loaderData"] }) {
  const { here, place, now, skip, step } = data;
  const younger = place.standing - skip - here.length;
  return (
    <>
      <ul className="flex flex-wrap items-end gap-x-2 gap-y-4 border-b-[8px] border-bench pb-1">
        {here.map((c) => (
          <li key={c.id}>
            <Link
              to={href("/c/:code", { code: c.code })}
              title={oneWords(c)}
              className="flex min-h-12 min-w-12 flex-col items-center justify-end text-[0.86rem] text-ink no-underline hover:underline"
            >
              <StoredGlyph
                c={c}
                scale={0.46}
                label={`${oneWords(c)}${c.bestBy < now ? ", past best-by" : ""}`}
              />
              <span className={`code ${c.bestBy < now ? "text-amber underline decoration-double" : ""}`}>
                {c.code}
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {younger > 0 && (
        <p className="mt-2 text-soft">And {younger.toLocaleString("en")} younger ones behind them.</p>
      )}
      <More skip={skip} step={step} more={younger > 0} words={["Younger ones", "Older ones"]} />
    </>
  );
}
