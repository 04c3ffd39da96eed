import { useContext, useEffect } from "react";
import {
  href,
  Links,
  Meta,
  Outlet,
  redirect,
  Scripts,
  ScrollRestoration,
  type ShouldRevalidateFunctionArgs,
  useRouteLoaderData,
} from "react-router";
import type { Route } from "./+types/root";
import { getHousehold } from "#store/household";
import { PatternDefs } from "#ui/glyph";
import { Kept } from "#ui/kept";
import { FaultPage, Pending, useFocusKept, useKeptPage } from "#ui/page";
import { NonceContext } from "./nonce";
import { Alarms } from "./live/alarms";
import { ChangedElsewhere } from "./live/changed-elsewhere";
import { ClockDoubt } from "./live/clock-doubt";
import { keepShown, useShown } from "./live/keep-shown";
import { keepPresses } from "./live/press";
import { visitorContext } from "./server/access";
import { isLost, reach } from "./outbox";
import { larderContext } from "./server/context";
import { ClocksOfFeed } from "./routes/shell/bare";
import { cookieValue, themeCookie } from "./server/cookies";
import { feedOf } from "./features/shell/feed.server";
import { snapshot } from "./features/shell/snapshot.server";
import "./style.css";
import { timesOf } from "./words/time";

/** What there is for a device that is not signed in. */
const OUTSIDE_PAGES: string[] = [href("/enter"), href("/pair")];

/** Whoever is not signed in is led to where they sign in, from any page and for any of its data. */
export const middleware: Route.MiddlewareFunction[] = [
  ({ request, context }, next) => {
    const { pathname } = new URL(request.url);
    if (context.get(visitorContext).outside && !OUTSIDE_PAGES.includes(pathname))
      throw redirect(`${href("/enter")}?back=${encodeURIComponent(pathname)}`);
    return next();
  },
];

export const clientMiddleware: Route.ClientMiddlewareFunction[] = [keepShown];

export type Theme = "light" | "dark" | "glare";

export async function loader({ request, context }: Route.LoaderArgs) {
  const theme = await cookieValue(themeCookie, request.headers.get("cookie"));
  const larder = context.get(larderContext);
  // Before there is a household, and for whoever has not signed in, there is neither its way of writing nor a change to tell of.
  const home = context.get(visitorContext).outside ? null : getHousehold(larder);
  return {
    theme: (["light", "dark", "glare"].includes(theme ?? "") ? theme : null) as Theme | null,
    times: home && timesOf(home),
    version: home === null ? null : feedOf(larder).version(snapshot({ larder, context }).runs),
  };
}

export function Layout({ children }: { children: React.ReactNode }) {
  const nonce = useContext(NonceContext);
  const data = useRouteLoaderData<typeof loader>("root");
  return (
    <html lang="en" data-theme={data?.theme ?? undefined} suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/favicon.svg" type="image/svg+xml" />
        <link rel="apple-touch-icon" href="/icons/apple-180.png" />
        <link rel="manifest" href="/manifest.webmanifest" />
        <meta name="theme-color" content="#1c2422" />
        <Meta />
        <Links />
        {!data?.theme && (
          <script
            nonce={nonce}
            suppressHydrationWarning
            dangerouslySetInnerHTML={{
              __html: `(m=>{const f=()=>{document.documentElement.dataset.theme=m.matches?"dark":"light"};f();m.addEventListener("change",f)})(matchMedia("(prefers-color-scheme: dark)"))`,
            }}
          />
        )}
      </head>
      <body>
        <a
          href="#main"
          className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-3"
        >
          Go to the page
        </a>
        <PatternDefs />
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

/** Read again with every page, since it tells how far the changes were when the page was read. */
export function shouldRevalidate({
  formMethod,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  return !isLost() && (formMethod ? defaultShouldRevalidate : true);
}

export default function Root({ loaderData }: Route.ComponentProps) {
  useEffect(keepPresses, []);
  useShown();
  useFocusKept();
  return (
    <>
      <Pending />
      <ClockDoubt />
      <Alarms />
      <Outlet />
      <ChangedElsewhere read={loaderData.version} />
      <Kept times={loaderData.times} />
    </>
  );
}

/** What went wrong with everything: the alarms still sound, and the clocks go on as the feed tells of them. */
export function ErrorBoundary() {
  useKeptPage(reach);
  return (
    <>
      <Alarms />
      <ClocksOfFeed />
      <FaultPage />
    </>
  );
}
