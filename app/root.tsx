import { useContext, useEffect } from "react";
import {
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  redirect,
  Scripts,
  ScrollRestoration,
  useRouteError,
  useRouteLoaderData,
} from "react-router";
import type { Route } from "./+types/root";
import { getHousehold } from "#store/household";
import { PatternDefs } from "#ui/glyph";
import { Kept } from "#ui/kept";
import { NonceContext } from "./nonce";
import { Alarms } from "./live/alarms";
import { ClockDoubt } from "./live/clock-doubt";
import { keepShown, useShown } from "./live/keep-shown";
import { keepPresses } from "./live/press";
import { visitorContext } from "./server/access";
import { reach } from "./outbox";
import { larderContext } from "./server/context";
import { readCookie } from "./server/cookie";
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
  return {
    theme: (["light", "dark", "glare"].includes(theme ?? "") ? theme : null) as Theme | null,
    // Before there is a household, and for whoever has not come in, there is no zone.
    zone: context.get(visitorContext).outside
      ? null
      : (getHousehold(context.get(larderContext))?.zone ?? null),
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

/** What is shown stays as it is while the larder cannot be reached. */
export { stayWhenLost as shouldRevalidate } from "./routes/places/stay";

export default function Root({ loaderData }: Route.ComponentProps) {
  useEffect(keepPresses, []);
  useShown();
  return (
    <>
      <ClockDoubt />
      <Alarms />
      <Outlet />
      <Kept zone={loaderData.zone} />
    </>
  );
}

/** What went wrong, in a sentence, and a way on. Never a bare code. */
export function ErrorBoundary() {
  const error = useRouteError();
  const known = isRouteErrorResponse(error);
  // A way that found no larder: the browser may have kept the page it leads to.
  useEffect(() => {
    if (!known && error instanceof TypeError) void reach().then((well) => well || location.reload());
  }, [known, error]);
  const message = known && typeof error.data === "string" && error.data ? error.data : null;
  return (
    <main id="main" className="mx-auto max-w-[42rem] px-6 pt-16">
      <title>Not here · Patient Larder</title>
      <h1 className="text-[1.9rem]">
        {known && error.status === 404 ? "There is nothing here." : "Something broke on this page."}
      </h1>
      <p className="mt-2 text-[1.2rem]">
        {message ?? "Nothing you entered was changed by it, and running clocks go on. Go back and try again."}
      </p>
      <p className="mt-6">
        <a href="/" className="inline-flex min-h-12 items-center font-[650] underline underline-offset-4">
          To Today
        </a>
      </p>
    </main>
  );
}
