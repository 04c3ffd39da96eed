import { href } from "react-router";
import type { NextFunction, Request, RequestHandler, Response } from "express";
import type { ReachOf } from "#core/guard";
import { DAY_MS } from "#core/quantity";
import { isRunOf, knownSession, knownToken, type Right, type Token } from "#store/access";
import { onBehalfOf, type Larder } from "#store/db";
import { listPeople } from "#store/household";
import { isUnderWay } from "#store/run";
import { clockNow } from "../clock";
import { whoIsHere } from "../context";
import { inCookie, cookieValue, screenCookie, whoCookie } from "../cookies";
import { isPassedOn } from "./proxy";
import { countGuess, waitFor } from "./slow";
import { screenName, type Visitor } from "./visitor";

/** What may be had without the passphrase: the door itself, and what it is drawn with. */
const AT_THE_DOOR =
  /^\/((enter|pair)(\.data)?|__manifest|sw\.js|manifest\.webmanifest|favicon\.svg|icons\/[\w.-]+|healthz)$/;
const API = /^\/api\/v1\//;

/** What each right lets a program do, and nothing else. */
const MAY: Record<Right, { method: string; path: RegExp }[]> = {
  gauge: [{ method: "POST", path: /^\/api\/v1\/runs\/([^/]+)\/readings$/ }],
  probe: [{ method: "POST", path: /^\/api\/v1\/(harvests|cans)\/[^/]+\/readings$/ }],
  scale: [{ method: "POST", path: /^\/api\/v1\/instruments\/[^/]+$/ }],
  read: [
    { method: "GET", path: API },
    { method: "POST", path: /^\/api\/v1\/(capacity|plan|seam)$/ },
  ],
};

/** What was said on a screen that could not reach the larder is taken for so long, ms. */
const SAID_AT_MOST_MS = 7 * DAY_MS;

export type Answer = (res: Response, status: number, title: string) => void;

/**
 * Knows who asks. Served to this machine alone, nobody is asked for anything, but only names of this machine are
 * answered to, so that no page from elsewhere can be led here by a name of its own. Served to the network, a screen
 * must have said the passphrase. A program with a token may do what its token says, wherever it is.
 */
export function guard(larder: Larder, network: boolean, answer: Answer): RequestHandler {
  return (req, res, next) => {
    void admit(larder, network, req, res, answer)
      .then(async (visitor) => {
        if (visitor) step(req, res, visitor, await reachOf(larder, req, visitor), next);
      })
      .catch(next);
  };
}

async function admit(
  larder: Larder,
  network: boolean,
  req: Request,
  res: Response,
  answer: Answer,
): Promise<Visitor | null> {
  // Behind a proxy that is trusted, the address it passes on; otherwise the one it comes from.
  const ip = req.ip ?? "unknown";
  const device = screenName(req.headers["user-agent"]);
  if (!network && isPassedOn(req)) {
    answer(
      res,
      421,
      "This larder is for this machine alone, and a proxy passed this request on. Set a passphrase and start it with HOST to serve others.",
    );
    return null;
  }
  const bearer = /^Bearer +(\S+)$/i.exec(req.headers.authorization ?? "")?.[1];
  if (bearer) {
    const token = await tokenOf(larder, bearer, ip, res, answer);
    if (!token) return null;
    if (mayDo(larder, token, req))
      return { device: token.name, token: token.name, ip, may: "all", outside: false, network };
    answer(res, 403, `“${token.name}” may not do this with its token.`);
    return null;
  }
  if (!network)
    return { device: (await screenOf(req)) ?? device, token: null, ip, may: "all", outside: false, network };
  const key = await cookieValue(inCookie, req.headers.cookie);
  const known = key ? knownSession(larder, key) : null;
  if (known) {
    if (known.next) res.append("Set-Cookie", await inCookie.serialize(known.next));
    return {
      device: (await screenOf(req)) ?? known.session.device,
      token: null,
      ip,
      may: known.session.may,
      outside: false,
      network,
    };
  }
  if (API.test(req.path)) {
    answer(
      res,
      401,
      "Say who you are: a token in the header, “Authorization: Bearer …”. It is made under Household, Sign-in.",
    );
    return null;
  }
  if (AT_THE_DOOR.test(req.path) || isPageData(req))
    return { device, token: null, ip, may: "look", outside: true, network };
  if (req.method === "GET" || req.method === "HEAD")
    res.redirect(303, `${href("/enter")}?back=${encodeURIComponent(req.originalUrl)}`);
  else answer(res, 401, "This screen is not signed in. Open Patient Larder again and sign in.");
  return null;
}

/** What is written beside the pages, by a screen's own scripts. */
const BESIDE_PAGES = /^\/(api\/v1\/|clock$)/;

/**
 * How far whoever asks may go. Pages know a moment later who is at the screen (`homeOf`); beside them a person counts who
 * was chosen at the screen. A program carries no cookie, and goes as far as its token or its screen.
 */
async function reachOf(larder: Larder, req: Request, visitor: Visitor): Promise<ReachOf> {
  const asks = req.method === "POST" && BESIDE_PAGES.test(req.path) && visitor.token === null;
  const chosen = asks && (await cookieValue(whoCookie, req.headers.cookie));
  const person = chosen ? await whoIsHere(larder, listPeople(larder), req.headers.cookie ?? null) : null;
  return { device: visitor.may, person: person?.may ?? "all" };
}

/** What the screen of a request calls itself; null when nobody named it. */
const screenOf = async (req: Request) =>
  (await cookieValue(screenCookie, req.headers.cookie))?.slice(0, 100) ?? null;

/** A page's data, asked for by a page that is open: the framework leads it to the door, since only it can. */
const isPageData = (req: Request) =>
  req.path.endsWith(".data") && (req.method === "GET" || req.method === "POST");

async function tokenOf(
  larder: Larder,
  bearer: string,
  ip: string,
  res: Response,
  answer: Answer,
): Promise<Pick<Token, "name" | "right" | "cannerId"> | null> {
  // A token that is known is heard at once, however many wrong ones came from its address: a gauge is never locked out.
  const token = knownToken(larder, bearer);
  if (token) return token;
  const longer = await countGuess("token", ip);
  if (longer) res.setHeader("Retry-After", String(longer));
  res.setHeader("WWW-Authenticate", "Bearer");
  answer(
    res,
    longer ? 429 : 401,
    longer ? "Too many wrong tokens. Wait." : "This token is not known here, or was taken back.",
  );
  return null;
}

function mayDo(larder: Larder, token: Pick<Token, "right" | "cannerId">, req: Request): boolean {
  const method = req.method === "HEAD" ? "GET" : req.method;
  for (const way of MAY[token.right]) {
    const found = way.method === method ? way.path.exec(req.path) : null;
    if (found)
      return token.right !== "gauge" || isRunOf(larder, decodeURIComponent(found[1]!), token.cannerId!);
  }
  return false;
}

/** Goes on, and remembers on whose behalf. */
function step(req: Request, res: Response, visitor: Visitor, reach: ReachOf, next: NextFunction): void {
  (res.locals as { visitor: Visitor }).visitor = visitor;
  const ago = Number(req.headers["larder-said-ago"] ?? NaN);
  const heardAt = clockNow();
  const said =
    req.method === "POST" && ago >= 1000 && ago <= SAID_AT_MOST_MS
      ? { at: heardAt - Math.round(ago), heardAt }
      : null;
  const delivered = req.method === "POST" && ago >= 0;
  if (delivered) answerWithoutRedirect(res);
  const header = (name: string, value: string) => void (res.headersSent || res.setHeader(name, value));
  onBehalfOf({ device: visitor.device, said, delivered, header, reach }, next);
}

/** Whoever delivers what was kept follows nowhere: it is told whether it was written down, or that it has to sign in. */
function answerWithoutRedirect(res: Response): void {
  const write = res.writeHead.bind(res) as (status: number) => Response;
  res.writeHead = ((status: number) => {
    const leads = status >= 300 && status < 400;
    return write(leads ? (res.getHeader("Larder-Taken") ? 204 : 401) : status);
  }) as Response["writeHead"];
}

/** Addresses with the code of a run in them: a stove's own page, its taps, and what gauges send. */
const OF_RUN = /^\/(?:fire|api\/v1\/runs)\/([^/.]+)/;

/**
 * Slows whoever asks for codes that name nothing, on the network: codes are short enough to be tried in turn. What
 * belongs to a run under way is never slowed, whatever else came from its address.
 */
export function slowGuessing(larder: Larder, network: boolean, answer: Answer): RequestHandler {
  return (req, res, next) => {
    if (
      !network ||
      !/^\/(api\/v1\/(trace|runs|cans|harvests)\/|c\/|find|fire\/|field\/|cold\/|photos\/)/.test(req.path)
    )
      return next();
    const run = OF_RUN.exec(req.path)?.[1];
    if (run && isUnderWay(larder, run)) return next();
    const { ip } = (res.locals as { visitor: Visitor }).visitor;
    void waitFor("code", ip)
      .then((wait) => {
        if (wait) {
          res.setHeader("Retry-After", String(wait));
          return answer(res, 429, "Too many codes that name nothing. Wait a minute.");
        }
        res.on("finish", () => {
          if (res.statusCode === 404) void countGuess("code", ip);
        });
        next();
      })
      .catch(next);
  };
}
