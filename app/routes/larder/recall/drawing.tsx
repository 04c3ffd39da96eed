import { href, Link } from "react-router";
import { DOUBTS } from "#core/recall";
import { type GlyphState, StoredGlyph } from "#ui/glyph";
import type { RecallRow } from "../../../features/genealogy/recall.server";
import { DOUBT_WORDS } from "../../../words/recall";

/** Containers drawn in one group before the rest is counted. */
const DRAWN = 24;

/**
 * The doubt as a picture: the one it began with, and from it a branch for each thing they share, with what hangs on it. A
 * container that shares several hangs on the first.
 */
export function RecallDrawing({ code, rows }: { code: string; rows: readonly RecallRow[] }) {
  const root = rows.find((r) => r.code === code);
  const branches = DOUBTS.map((kind) => ({
    kind,
    rows: rows.filter((r) => r.code !== code && DOUBTS.find((d) => r.by.includes(d)) === kind),
    all: rows.filter((r) => r.by.includes(kind)).length,
  })).filter((b) => b.all > 0);
  return (
    <figure aria-label={`${code} and what shares a risk with it`}>
      <div className="flex items-stretch gap-0 max-md:flex-col">
        <div className="flex shrink-0 flex-col items-center justify-center pr-2 max-md:flex-row max-md:justify-start max-md:gap-3 max-md:pb-3">
          {root && <Drawn r={root} scale={0.95} />}
          <span className="fig text-[2rem] leading-none font-bold">{code}</span>
        </div>
        {branches.length === 0 ? (
          <p className="self-center pl-6 text-soft">Nothing else shares what is ticked.</p>
        ) : (
          <ul className="flex-1 border-l-[6px] border-stop">
            {branches.map((b) => (
              <li key={b.kind} className="relative flex items-center gap-4 py-3 pl-10">
                <span
                  aria-hidden="true"
                  className="absolute top-1/2 left-0 h-[6px] w-8 -translate-y-1/2 bg-stop"
                />
                <span className="w-40 shrink-0 max-md:w-28">
                  <b className="font-[650]">{DOUBT_WORDS[b.kind].name}</b>
                  <span className="block text-[0.92rem] text-soft">
                    {b.all}
                    {b.rows.length < b.all && `, ${b.all - b.rows.length} drawn above`}
                  </span>
                </span>
                <span className="flex flex-wrap items-end gap-1">
                  {b.rows.slice(0, DRAWN).map((r) => (
                    <Link
                      key={r.id}
                      to={href("/c/:code", { code: r.code })}
                      aria-label={`${r.code}, ${r.where}`}
                      title={`${r.code}, ${r.where}`}
                      className="flex min-h-12 min-w-12 items-end justify-center"
                    >
                      <Drawn r={r} scale={0.36} />
                    </Link>
                  ))}
                  {b.rows.length > DRAWN && (
                    <span className="self-center pl-2">and {b.rows.length - DRAWN} more</span>
                  )}
                </span>
              </li>
            ))}
          </ul>
        )}
      </div>
      <figcaption className="mt-2 text-[0.92rem] text-soft">
        Faint ones are eaten or thrown out already. Each hangs on the first thing it shares.
      </figcaption>
    </figure>
  );
}

function Drawn({ r, scale }: { r: RecallRow; scale: number }) {
  const state: GlyphState = r.matters ? "sealed" : "opened";
  return (
    <span className={r.matters ? "" : "opacity-40"}>
      <StoredGlyph c={r} state={state} scale={scale} />
    </span>
  );
}
