import type { ShouldRevalidateFunctionArgs } from "react-router";
import { isLost } from "../../outbox";

/** What a page shows stays while the larder cannot be reached: asking again would only break it. */
export function stayWhenLost({ defaultShouldRevalidate }: ShouldRevalidateFunctionArgs): boolean {
  return isLost() ? false : defaultShouldRevalidate;
}

/** What is done beside a form that is being filled in, and tells it what came of it. */
const BESIDE = ["/household/accept"];

/**
 * For pages with a form: the look that is taken now and then leaves the page's own data, and so its form, alone.
 * What somebody is typing stays. Sending a form, or going somewhere, loads as ever.
 */
export function stayWhileTyping({
  formMethod,
  formAction,
  currentUrl,
  nextUrl,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  if (isLost()) return false;
  if (formAction && BESIDE.includes(formAction)) return false;
  if (formMethod === undefined && currentUrl.href === nextUrl.href) return false;
  return defaultShouldRevalidate;
}
