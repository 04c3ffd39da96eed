import type { Told } from "#store/lists";

const SIGNS: Record<Told["what"], [sign: string, word: string, tone: string]> = {
  new: ["+", "new", "text-moss"],
  changed: ["≠", "changed", "text-ink"],
  same: ["=", "the same", "text-soft"],
  refused: ["✕", "refused", "text-stop"],
};

/** At most so many rows are drawn; the counts above tell of all. */
const DRAWN = 300;

/** What each row of a list does or would do, refused ones first. */
export function RowsTold({ told }: { told: readonly Told[] }) {
  const order: Told["what"][] = ["refused", "changed", "new", "same"];
  const sorted = [...told].sort((a, b) => order.indexOf(a.what) - order.indexOf(b.what) || a.line - b.line);
  return (
    <>
      <p className="mb-2 flex flex-wrap gap-x-6 text-[1.15rem] font-[650]">
        {order
          .map((what) => [what, told.filter((t) => t.what === what).length] as const)
          .filter(([, n]) => n > 0)
          .map(([what, n]) => (
            <span key={what} className={SIGNS[what][2]}>
              {SIGNS[what][0]} {n} {SIGNS[what][1]}
            </span>
          ))}
      </p>
      <ol className="divide-y-2 divide-rule border-y-2 border-rule">
        {sorted.slice(0, DRAWN).map((t) => (
          <li key={t.line} className="flex gap-4 py-2">
            <span className="fig w-16 shrink-0 text-soft">line {t.line}</span>
            <span
              className={`w-6 shrink-0 text-center font-bold ${SIGNS[t.what][2]}`}
              aria-label={SIGNS[t.what][1]}
            >
              {SIGNS[t.what][0]}
            </span>
            <span className="min-w-0">{t.sentence}</span>
          </li>
        ))}
      </ol>
      {sorted.length > DRAWN && <p className="mt-2 text-soft">and {sorted.length - DRAWN} more.</p>}
    </>
  );
}
