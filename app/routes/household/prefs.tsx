import { href, redirect } from "react-router";
import type { Route } from "./+types/prefs";
import { hasPin } from "#store/access";
import { larderContext } from "../../server/context";
import { formOf } from "../../server/form";
import { ownPath } from "../sign-in/own-path";
import { screenCookie, themeCookie, whoCookie } from "../../server/cookies";

/** Keeps what a screen prefers, on that screen: its theme, who is at it, and what it is called. */
export async function action({ request, context }: Route.ActionArgs) {
  const form = await formOf(request);
  const headers = new Headers();
  const theme = form.get("theme");
  const who = form.get("who");
  if (typeof theme === "string" && ["auto", "light", "dark", "glare"].includes(theme))
    headers.append("Set-Cookie", await themeCookie.serialize(theme));
  const screen = form.get("screen");
  if (typeof screen === "string")
    headers.append("Set-Cookie", await screenCookie.serialize(screen.trim().slice(0, 40)));
  const back = form.get("back");
  const to = ownPath(typeof back === "string" ? back : null);
  if (typeof who === "string" && /^[0-9a-f-]{36}$/.test(who)) {
    if (hasPin(context.get(larderContext), who))
      return redirect(`${href("/who")}?person=${who}&back=${encodeURIComponent(to)}`, { headers });
    headers.append("Set-Cookie", await whoCookie.serialize(who));
  }
  return redirect(to, { headers });
}

export function loader() {
  return redirect(href("/household"));
}
