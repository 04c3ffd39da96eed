import type { Route } from "./+types/live";
import { isSignedIn } from "#store/access";
import { visitorContext } from "../../../server/access";
import { larderContext } from "../../../server/context";
import { inCookie, cookieValue } from "../../../server/cookies";
import { feedOf, MOST_LINES } from "../../../features/shell/feed.server";

/** Asked again so often whether whoever listens may, ms. */
const ASK_MS = 15_000;

/**
 * What happens, as server-sent events. One line serves all pages of a browser. A screen on which nobody has said a PIN is
 * told as well: an alarm is for whoever is near.
 */
export async function loader({ request, context }: Route.LoaderArgs) {
  const larder = context.get(larderContext);
  const visitor = context.get(visitorContext);
  const key = await cookieValue(inCookie, request.headers.get("cookie"));
  // Asking changes nothing: a key that was changed here would never reach the screen, which would be signed out.
  const mayListen = () => !visitor.network || visitor.token !== null || isSignedIn(larder, key ?? "");
  const encoder = new TextEncoder();
  let close: (() => void) | null = null;
  let asks: NodeJS.Timeout | null = null;
  const stop = () => {
    if (asks) clearInterval(asks);
    close?.();
    asks = close = null;
  };
  let full = false;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      close = feedOf(larder).open((word) => {
        try {
          controller.enqueue(encoder.encode(`data: ${JSON.stringify(word)}\n\n`));
        } catch {
          // Whoever listened is gone.
          stop();
        }
      });
      full = close === null;
      asks = setInterval(() => {
        if (mayListen()) return;
        stop();
        controller.close();
      }, ASK_MS);
      request.signal.addEventListener("abort", stop);
    },
    cancel: stop,
  });
  if (full) {
    stop();
    return new Response(`At most ${MOST_LINES} screens can listen at once.`, {
      status: 503,
      headers: { "Retry-After": "10" },
    });
  }
  return new Response(stream, {
    headers: {
      "Content-Type": "text/event-stream",
      // Not to be packed on the way: a packer would hold words back.
      "Cache-Control": "no-store, no-transform",
    },
  });
}
