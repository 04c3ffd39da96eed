import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { PassThrough, Writable } from "node:stream";
import { renderToPipeableStream } from "react-dom/server";
import {
  isRouteErrorResponse,
  ServerRouter,
  type EntryContext,
  type RouterContextProvider,
} from "react-router";
import { NonceContext } from "./nonce";
import { nonceContext } from "./server/context";
import { troubleAnswer } from "./server/trouble";

/** What follows a page is waited for so long, ms: the solver looks at each thing a plan is judged by for seconds. */
export const streamTimeout = 60_000;
const GIVE_UP_MS = streamTimeout + 1_000;

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  entry: EntryContext,
  context: RouterContextProvider,
): Promise<Response> {
  const nonce = context.get(nonceContext);
  return new Promise((resolve, reject) => {
    let shellSent = false;
    const whole = isbot(request.headers.get("user-agent") ?? "");
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext value={nonce}>
        <ServerRouter context={entry} url={request.url} nonce={nonce} />
      </NonceContext>,
      {
        nonce,
        // What is ready belongs in its place, however large it is: otherwise a page would first show that it waits.
        progressiveChunkSize: Infinity,
        [whole ? "onAllReady" : "onShellReady"]() {
          shellSent = true;
          const body = new PassThrough();
          headers.set("Content-Type", "text/html; charset=utf-8");
          // What a page shows is true for a moment only.
          headers.set("Cache-Control", "no-store");
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status }));
          pipe(inOnePiece(body));
        },
        onShellError: reject,
        onError(error: unknown) {
          status = 500;
          if (shellSent) console.error(error);
        },
      },
    );
    setTimeout(abort, GIVE_UP_MS).unref();
  });
}

/**
 * The renderer writes a page in many small pieces at once, and each would be packed and sent by itself. What is written in
 * one go goes on in one piece.
 */
function inOnePiece(to: PassThrough): Writable {
  let pieces: Buffer[] = [];
  const goOn = () => {
    if (pieces.length > 0) to.write(Buffer.concat(pieces));
    pieces = [];
  };
  return new Writable({
    write(piece: Buffer, _encoding, done) {
      if (pieces.length === 0) setImmediate(goOn);
      pieces.push(piece);
      done();
    },
    final(done) {
      goOn();
      to.end();
      done();
    },
  });
}

/** Errors of loaders and actions that are not answers: to the log, without the request's body. */
export function handleError(error: unknown, { request }: { request: Request }): void {
  troubleAnswer(error);
  // A wrong method, or an address that is none, is no error of ours.
  if (isRouteErrorResponse(error) && error.status < 500) return;
  if (!request.signal.aborted) console.error(error);
}
