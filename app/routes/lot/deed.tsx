import type { SubmissionResult } from "@conform-to/react";
import type { ReactNode } from "react";
import type { Route } from "./+types/route";

export interface DeedProps {
  data: Route.ComponentProps["loaderData"];
  result: SubmissionResult | undefined;
}

/** One deed: a line that opens to its form, open when something in it was refused. */
export function Deed({ title, open, children }: { title: string; open: boolean; children: ReactNode }) {
  return (
    <details open={open || undefined} className="border-t-2 border-rule">
      <summary className="flex min-h-12 cursor-pointer items-center text-[1.1rem] font-[650]">
        {title}
      </summary>
      <div className="pb-4">{children}</div>
    </details>
  );
}
