import { type ShouldRevalidateFunctionArgs } from "react-router";

/**
 * For pages with a form: the look that is taken now and then leaves the page's own data, and so its form, alone.
 * What somebody is typing stays. Sending a form, or going somewhere, loads as ever.
 */
export function stayWhileTyping({
  formMethod,
  currentUrl,
  nextUrl,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  if (formMethod === undefined && currentUrl.href === nextUrl.href) return false;
  return defaultShouldRevalidate;
}
