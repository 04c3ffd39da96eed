import type { IncomingMessage } from "node:http";

/** Headers that whatever passes a request on puts there. */
const PASSED_ON = [
  "forwarded",
  "x-forwarded-for",
  "x-forwarded-host",
  "x-forwarded-proto",
  "x-real-ip",
  "via",
];

/**
 * Whether a request was passed on by another server. Served to this machine alone, such a one comes from anybody, whatever
 * host it names: no browser of this machine sends these, and none speaks HTTP/1.0, as proxies often do.
 */
export function isPassedOn(req: Pick<IncomingMessage, "headers" | "httpVersion">): boolean {
  return req.httpVersion === "1.0" || PASSED_ON.some((name) => req.headers[name] !== undefined);
}

/** Whether the host a request names is this machine. */
export function isOwnName(host: string | undefined): boolean {
  return /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i.test(host ?? "");
}

/** Whether a request comes from this very machine: by address, by the name asked for, and with nothing in between. */
export const isHere = (req: IncomingMessage): boolean =>
  /^(::ffff:)?127\.|^::1$/.test(req.socket.remoteAddress ?? "") &&
  isOwnName(req.headers.host) &&
  !isPassedOn(req);
