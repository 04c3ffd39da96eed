import { createCookie } from "react-router";
import { SESSION_MS } from "#store/access";

const YEAR_S = 31_536_000;
const kept = { path: "/", sameSite: "lax", httpOnly: true } as const;

/** Day, night, or glare, as chosen on this screen. */
export const themeCookie = createCookie("theme", { ...kept, maxAge: YEAR_S });
/** What this screen calls itself in the records. */
export const screenCookie = createCookie("screen", { ...kept, maxAge: YEAR_S });
/** Who was chosen at this screen, by their id. */
export const whoCookie = createCookie("who", { ...kept, maxAge: YEAR_S });
/** Proof that whoever was chosen said their PIN here. */
export const saidCookie = createCookie("said", { ...kept, maxAge: YEAR_S });
/**
 * The key of a screen that said the passphrase. Not marked “Secure”: a kitchen's network has no certificates; whoever puts
 * one before the larder can have their proxy add the mark.
 */
export const inCookie = createCookie("in", { ...kept, maxAge: SESSION_MS / 1000 });

/** Returns the value of a cookie in a Cookie header; null when it is not there, is empty, or was not written by this program. */
export async function cookieValue(
  cookie: { parse(header: string | null): Promise<unknown> },
  header: string | null | undefined,
): Promise<string | null> {
  const value = await cookie.parse(header ?? null);
  return typeof value === "string" && value !== "" ? value : null;
}
