import type { SubmissionResult } from "@conform-to/react";
import type { ReactNode } from "react";
import { useFetcher } from "react-router";
import { problemOf } from "./result";

/**
 * A button or two that write something down at once. Each is sent by itself: a person who presses one lid after another
 * is heard every time, where a page's own form would let go of the tap before. It works before any script loads.
 */
export function OneTap({
  says,
  className = "",
  children,
}: {
  /** what is sent beside the button that is pressed: a key of its own, and what it is about */
  says: Readonly<Record<string, string | number>>;
  className?: string;
  children: ReactNode;
}) {
  const fetcher = useFetcher<{ result?: SubmissionResult }>();
  const problem = problemOf(fetcher.data?.result);
  return (
    <fetcher.Form method="post" className={className} aria-busy={fetcher.state !== "idle"}>
      {Object.entries(says).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {children}
      {problem && (
        <p role="alert" className="max-w-56 font-[600] text-stop">
          ✕ {problem}
        </p>
      )}
    </fetcher.Form>
  );
}
