import { href } from "react-router";
import type { ProductKey } from "#core/schedule";
import type { Larder } from "#store/db";
import { comparingNow } from "#store/guide";
import { cookieValue, whoCookie } from "./cookies";

/** What stays open to whoever compares a row: a canner that is watched, and what this device can do. */
const OPEN = /^\/(fire\/[^/]+(\/(taps|events))?|household\/device)$/;

/**
 * Returns the row that whoever was chosen at a screen is typing from their own guide; null when there is none. A screen at
 * which nobody was chosen is nobody's.
 */
export async function rowTypedAt(larder: Larder, request: Request): Promise<ProductKey | null> {
  const who = await cookieValue(whoCookie, request.headers.get("cookie"));
  return who === null ? null : comparingNow(larder, who);
}

/**
 * Returns where a page leads to instead, while whoever is at the screen types a row from their own guide: the figures of
 * the tables are hidden from them everywhere until they have. Null when the page may be shown.
 */
export async function hiddenFrom(larder: Larder, request: Request): Promise<string | null> {
  const product = await rowTypedAt(larder, request);
  if (!product) return null;
  const { pathname } = new URL(request.url);
  const own = href("/help/tables/:product", { product });
  return pathname === own || OPEN.test(pathname) ? null : own;
}
