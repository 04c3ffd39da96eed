import { href, Link, useRouteLoaderData } from "react-router";
import type { Confirmation, ProductKey, Source } from "#core/schedule";
import type { loader as rootLoader } from "../../root";
import { confirmationWords } from "../../words/guide";

const LINK = "ml-1 font-[650] underline underline-offset-4";

/** Where a figure of the tables comes from, and whether it was compared with the household's own guide. Beside each of them. */
export function SourceLine({
  of: { source, confirmation, product },
}: {
  of: { source: Source; confirmation?: Confirmation | undefined; product?: ProductKey | undefined };
}) {
  const times = useRouteLoaderData<typeof rootLoader>("root")?.times ?? null;
  const to = product ? href("/help/tables/:product", { product }) : href("/help/sources");
  return (
    <p className="mt-4 text-[0.95rem] text-soft">
      <span className="font-[650] text-ink">Source:</span> {source.name}, {source.locator}.
      {confirmation ? (
        <Link to={to} className={`${LINK} text-moss`}>
          {confirmationWords(confirmation, times)}
        </Link>
      ) : (
        source.fromMemory && (
          <Link to={to} className={`${LINK} text-amber`}>
            From memory: compare with your copy.
          </Link>
        )
      )}
    </p>
  );
}
