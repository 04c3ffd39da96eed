import { useContext } from "react";
import { UNSAFE_DataRouterStateContext as RouterState } from "react-router";

/**
 * Returns whether the page shows what a press on it answered: rows that were looked at, a token that is shown once. The
 * router forgets an answer whenever the page is loaded anew, and asking a second time may not be possible. `false` for
 * an answer that only says that all went well.
 */
export function useAnswerShown(): boolean {
  const answers = useContext(RouterState)?.actionData ?? {};
  return Object.values(answers).some((a: { done?: unknown } | null) => Boolean(a?.done));
}
