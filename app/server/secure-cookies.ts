import type { RequestHandler } from "express";

/** Cookies that name or admit somebody: over https they get a name no other server of this machine can set. */
const GUARDED = ["in", "said", "who"];
const PREFIX = "__Host-";

/**
 * Over https the cookies that admit somebody are `Secure` and `__Host-`: sent over https alone, and set by this very server
 * (RFC 6265bis, 4.1.3.2). What came under the bare name is not looked at then. The rest of the program knows one name.
 */
export const secureCookies: RequestHandler = (req, res, next) => {
  if (!req.secure) return next();
  const sent = (req.headers.cookie ?? "").split(/; */).filter(Boolean);
  req.headers.cookie = sent
    .flatMap((pair) => {
      const name = pair.split("=")[0]!;
      if (GUARDED.includes(name)) return [];
      const bare = name.startsWith(PREFIX) ? name.slice(PREFIX.length) : null;
      return bare !== null && GUARDED.includes(bare) ? [pair.slice(PREFIX.length)] : [pair];
    })
    .join("; ");
  const write = res.writeHead.bind(res) as (...args: unknown[]) => typeof res;
  res.writeHead = ((...args: unknown[]) => {
    const set = res.getHeader("Set-Cookie");
    if (set !== undefined)
      res.setHeader(
        "Set-Cookie",
        [set].flat().map((cookie) => marked(String(cookie))),
      );
    return write(...args);
  }) as typeof res.writeHead;
  next();
};

function marked(cookie: string): string {
  const name = cookie.split("=")[0]!;
  const secure = /;\s*secure\b/i.test(cookie) ? cookie : `${cookie}; Secure`;
  return GUARDED.includes(name) ? PREFIX + secure : secure;
}
