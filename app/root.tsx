import { useContext, useEffect } from "react";
import {
  Links,
  Meta,
  Outlet,
  redirect,
  Scripts,
  ScrollRestoration,
  useRouteLoaderData,
  type ShouldRevalidateFunctionArgs,
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
import { readCookie } from "./server/cookie";
import { feedOf } from "./features/shell/feed.server";
import { snapshot } from "./features/shell/snapshot.server";
import "./style.css";

/** Whoever has not said the passphrase is led to the door, from any page and for any of its data. */
export const middleware: Route.MiddlewareFunction[] = [
  ({ request, context }, next) => {
    const { pathname } = new URL(request.url);
    if (context.get(visitorContext).outside && pathname !== "/enter")
      throw redirect(`/enter?back=${encodeURIComponent(pathname)}`);
    return next();
  },
];

export const clientMiddleware: Route.ClientMiddlewareFunction[] = [keepShown];

export type Theme = "light" | "dark" | "glare";

export function loader({ request, context }: Route.LoaderArgs) {
  const theme = readCookie(request, "theme");
  const larder = context.get(larderContext);
  // Before there is a household, and for whoever has not signed in, there is neither a zone nor a change to tell of.
  const zone = context.get(visitorContext).outside ? null : (getHousehold(larder)?.zone ?? null);
  return {
    theme: (["light", "dark", "glare"].includes(theme ?? "") ? theme : null) as Theme | null,
    zone,
    version: zone === null ? null : feedOf(larder).version(snapshot({ larder, context }).runs),
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
        <link rel="manifest" href="/manifest.webmanifest" />
        <meta name="theme-color" content="#1c2422" />
        <Meta />
        <Links />
        {!data?.theme && (
          <script
            nonce={nonce}
            suppressHydrationWarning
            dangerouslySetInnerHTML={{
              __html: `if(matchMedia("(prefers-color-scheme: dark)").matches)document.documentElement.dataset.theme="dark"`,
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
      <Kept zone={loaderData.zone} />
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
