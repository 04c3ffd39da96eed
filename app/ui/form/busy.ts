import { useFetchers, useNavigation } from "react-router";

/**
 * Returns whether anything is on its way from this page: a form, or a press that is sent by itself. A form that is sent while
 * another press is on its way may be answered with the page as it was before it, so its button waits.
 */
export function useBusy(): boolean {
  const sending = useFetchers().some((f) => f.state !== "idle");
  return useNavigation().state !== "idle" || sending;
}
