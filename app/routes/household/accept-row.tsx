import type { SubmissionResult } from "@conform-to/react";
import { href, useFetcher, useLocation } from "react-router";
import { whyNotAccepted, type ProductKey, type ScheduledProcess } from "#core/schedule";
import { Button } from "#ui/button";
import { Notice, problemOf } from "#ui/form";

/** Rows of common practice a household has accepted: which, by whom and when, in words. */
export interface Accepted {
  product: ProductKey;
  words: string;
}

/**
 * Beside a process of common practice: that it is one, and who accepted it; or the button that accepts it. Nothing is shown
 * beside a tested process.
 */
export function AcceptRow({
  process,
  accepted,
  formKey,
}: {
  process: Pick<ScheduledProcess, "outcome" | "product" | "fromOffice">;
  accepted: readonly Accepted[];
  formKey: string;
}) {
  const fetcher = useFetcher<{ done?: Accepted; result?: SubmissionResult }>();
  const problem = problemOf(fetcher.data?.result);
  const { pathname, search } = useLocation();
  if (process.outcome === "tested" || process.fromOffice) return null;
  const all = fetcher.data?.done ? [...accepted, fetcher.data.done] : accepted;
  const known = all.find((a) => a.product === process.product);
  const why = whyNotAccepted(
    process,
    all.map((a) => a.product),
  );
  if (why === null)
    return (
      <p className="mt-3 font-[650] text-amber">
        Common practice, not a tested process. {known && `Accepted by ${known.words}.`}
      </p>
    );
  return (
    <Notice tone="care" className="mt-3 space-y-2">
      <p>
        <b>Common practice, not a tested process.</b> {why} Compare it with your own guide or ask your
        extension office first.
      </p>
      <fetcher.Form
        method="post"
        action={href("/household/accept")}
        onSubmit={(e) => {
          e.preventDefault();
          const form = new FormData(e.currentTarget);
          form.set("stay", "yes");
          // What it changes is answered to this row: the form beside it is left as it is.
          void fetcher.submit(form, {
            method: "post",
            action: href("/household/accept"),
            defaultShouldRevalidate: false,
          });
        }}
      >
        <input type="hidden" name="key" value={formKey} />
        <input type="hidden" name="product" value={process.product} />
        <input type="hidden" name="back" value={`${pathname}${search}`} />
        <Button disabled={fetcher.state !== "idle"}>Accept this common practice</Button>
      </fetcher.Form>
      {problem && <p className="font-[600] text-stop">{problem}</p>}
    </Notice>
  );
}
