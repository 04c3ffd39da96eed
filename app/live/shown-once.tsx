import type { ReactNode } from "react";

/**
 * What a press answered and what cannot be asked for again: rows that were looked at, a token, a score. The router
 * forgets it whenever the page is loaded anew, so a page that shows it is left alone until somebody goes on.
 */
export function ShownOnce({ children }: { children: ReactNode }) {
  return <div data-shown-once="">{children}</div>;
}
