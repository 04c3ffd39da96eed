import { redirect } from "react-router";
import type { Route } from "./+types/prefs";
import { formOf } from "../../server/form";
import { keepCookie } from "../../server/cookie";

/** Keeps what a screen prefers, on that screen: its theme, and who is at it. */
export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  const headers = new Headers();
  const theme = form.get("theme");
  const who = form.get("who");
  if (typeof theme === "string" && ["auto", "light", "dark", "glare"].includes(theme))
    headers.append("Set-Cookie", keepCookie("theme", theme));
  if (typeof who === "string" && /^[0-9a-f-]{36}$/.test(who))
    headers.append("Set-Cookie", keepCookie("who", who));
  const back = form.get("back");
  // Only a path of our own, never an address elsewhere.
  const to = typeof back === "string" && /^\/(?!\/)/.test(back) ? back : "/";
  return redirect(to, { headers });
}

export function loader() {
  return redirect("/household");
}
