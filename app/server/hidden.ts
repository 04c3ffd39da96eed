import { href } from "react-router";
import { comparingNow } from "#store/guide";
import type { Home } from "./context";

/** What stays open to whoever compares a row: a canner that is watched, and what this device can do. */
const OPEN = /^\/(fire\/[^/]+(\/(taps|events))?|household\/device)$/;

/**
 * Returns where a page leads to instead, while whoever is at the screen types a row from their own guide: the figures of
 * the tables are hidden from them everywhere until they have. Null when the page may be shown.
 *
 * @param pathname of the page
 */
export function hiddenFrom({ larder, me }: Pick<Home, "larder" | "me">, pathname: string): string | null {
  const product = comparingNow(larder, me.id);
  if (!product) return null;
  const own = href("/help/tables/:product", { product });
  return pathname === own || OPEN.test(pathname) ? null : own;
}
