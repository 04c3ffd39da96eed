import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express, { type NextFunction, type Request, type Response } from "express";
import helmet from "helmet";
import { randomBytes } from "node:crypto";
import { constants } from "node:zlib";
import type { createServer, IncomingMessage, Server, ServerResponse } from "node:http";
import { join, resolve } from "node:path";
import pino from "pino";
import { RouterContextProvider } from "react-router";
import { changed, PROGRAM_FOLDER, Refused, refuseBeyondReach, type Larder } from "#store/db";
import {
  clockIsMovable,
  clockIsUnknown,
  clockNow,
  confirmClock,
  moveClock,
  now,
  pace,
  startClock,
} from "./clock";
import { hasPassphrase } from "#store/access";
import { guard, isHere, onlyOwnHosts, slowGuessing, visitorContext, type Visitor } from "./access";
import { keepBackups } from "./backups";
import { connectPage, TRUSTED_PATH } from "./connect";
import { larderContext, nonceContext } from "./context";
import { hostRefusal, isLoopback, trustedProxies } from "./host";
import { DEFAULT_SECURE_PORT, listenOnNetwork, whyNotListening, type Listening } from "./listen";
import { openedFor, type Opened } from "./opening";
import { problem } from "./problem";
import { rescueApp, serveRescueWhenDamaged, type Restart } from "./rescue";
import { secureCookies } from "./secure-cookies";
import { setBuild, setServed } from "./served";
import { failLoadersOf, withFaults } from "./test-faults";
import { mended } from "./trouble";

const log = pino({ level: process.env.LOG_LEVEL ?? "info" });
const BODY_LIMIT_BYTES = 1_000_000;
/** What a gauge may send when it has kept its readings for hours: twenty thousand of them. */
const READINGS_LIMIT_BYTES = 4_000_000;
const READINGS = /^\/api\/v1\/runs\/[^/]+\/readings$/;
/** Forms with a file, which set their own limits and say them at the field. */
const UPLOADS = /^\/(field\/[^/]+|records\/(restore|lists\/[a-z-]+))$/;

/**
 * A page is taken whole into the packer. With its usual small buffer the writer waits for it to drain again and again, and
 * each wait leaves a listener behind until the answer ends: a page of many jars was warned of as a leak.
 */
const PACKER = {
  highWaterMark: 4_000_000,
  // A home network is not so slow that a page should wait to be packed more tightly.
  level: 2,
  brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 2 } },
  // What instruments send and ask for is short and comes every second: packing it costs more than it saves.
  filter: (req, res) => !req.path.startsWith("/api/v1/runs/") && compression.filter(req, res),
} as compression.CompressionOptions;

/**
 * The pages and what answers for them. While it is developed they are asked for anew with every request; once built they
 * are given as they are, since whatever is asked for anew has its routes worked out anew as well, which takes longer than
 * most answers.
 */
const pages = () => import("virtual:react-router/server-build");
type Pages = Awaited<ReturnType<typeof pages>> | typeof pages;

/** To whom a larder is served. */
export interface Served {
  /** to the kitchen's network, not to this machine alone */
  network: boolean;
  /** addresses of proxies whose word on who asks is taken; null without any */
  proxies: string[] | null;
}

/** Opens the larder, builds the server around it, listens, and stops cleanly when told to. */
export async function start(
  make: typeof createServer,
  devMiddleware?: express.RequestHandler,
): Promise<void> {
  const host = process.env.HOST ?? "127.0.0.1";
  const port = Number(process.env.PORT ?? 4310);
  const securePort = Number(process.env.HTTPS_PORT ?? DEFAULT_SECURE_PORT);
  const proxies = trustedProxies();
  // Behind a proxy it is open to whomever the proxy serves, wherever it listens itself.
  const network = !isLoopback(host) || proxies !== null;
  const folder = resolve(process.env.LARDER_DATA ?? "data");
  let opened = open(folder);
  // Of a damaged larder nobody knows whether it has a passphrase: its rescue screen is for this machine alone.
  const refusal = opened.larder && hostRefusal(host, network, hasPassphrase(opened.larder));
  if (refusal) {
    log.fatal(refusal);
    process.exitCode = 2;
    letGoOf(opened);
    return;
  }
  const build: Pages = import.meta.env.PROD ? await pages() : pages;
  if (typeof build !== "function") setBuild(build.assets.version);
  let handler: express.Express;
  const begin = () => {
    // A larder that cannot be opened is shown to this machine only: nobody can say its passphrase.
    handler = opened.larder
      ? buildApp(opened.larder, build, { network, proxies }, restart, devMiddleware)
      : rescueApp(folder, now, restart, opened.why, { network, proxies });
    const { larder } = opened;
    endClock = larder && startClock(larder);
    endBackups = larder && keepBackups(larder, log);
  };
  let endBackups: (() => void) | null = null;
  let endClock: (() => void) | null = null;
  const restart: Restart = {
    letGo() {
      endClock?.();
      endBackups?.();
      letGoOf(opened);
    },
    again() {
      mended();
      opened = open(folder);
      begin();
    },
  };
  begin();
  const app = (req: IncomingMessage, res: ServerResponse) => handler(req, res);
  let listening: Listening | null = null;
  let endAnnouncing: (() => void) | null = null;
  let servers: () => Server[];
  log.info({ folder }, opened.larder ? "larder open" : `larder not open: ${opened.why.kind}`);
  if (network && proxies === null) {
    const connect = express();
    connect.disable("x-powered-by");
    connect.use(onlyOwnHosts(true, problem));
    connect.use(connectPage(() => listening!.certificate(), securePort, clockNow));
    // This machine needs no certificate for itself.
    const plain = (req: IncomingMessage, res: ServerResponse) =>
      isHere(req) ? app(req, res) : connect(req, res);
    const found = await listenOnNetwork(make, { host, port, securePort }, app, plain, {
      folder,
      now: clockNow,
      clockKnown: () => !clockIsUnknown(),
      log,
    });
    listening = found;
    setServed({ port, securePort, certificate: found.certificate });
    servers = () => found.servers;
    endAnnouncing = (await import("./announce")).announceName(log);
  } else {
    const server = make(app);
    server.on("error", (error) => {
      log.fatal(whyNotListening(error, port).replace("HTTPS_PORT", "PORT"));
      process.exit(1);
    });
    server.listen(port, host, () => {
      const shown = host.includes(":") ? `[${host}]` : host;
      process.stdout.write(`Patient Larder is at http://${shown}:${port}\n`);
    });
    servers = () => [server];
  }
  const stop = () => {
    endBackups?.();
    listening?.end();
    endAnnouncing?.();
    const open = servers();
    let left = open.length;
    for (const server of open) {
      server.close(() => {
        if (--left > 0) return;
        letGoOf(opened);
        process.exit(0);
      });
      server.closeIdleConnections();
      // Stove screens listen on connections that never end by themselves.
      setTimeout(() => server.closeAllConnections(), 1000).unref();
    }
    setTimeout(() => process.exit(0), 3000).unref();
  };
  process.once("SIGTERM", stop);
  process.once("SIGINT", stop);
}

/** The larder in a folder, or why it cannot be opened, which is said in the log. */
function open(folder: string): Opened {
  const opened = openedFor(folder, now);
  if (!opened.larder)
    log.fatal({ folder, error: opened.why.error }, `the larder is not open: ${opened.why.kind}`);
  return opened;
}

function letGoOf(opened: Opened): void {
  if (opened.larder?.sqlite.open) opened.letGo();
}

function buildApp(
  larder: Larder,
  build: Pages,
  { network, proxies }: Served,
  restart: Restart,
  devMiddleware?: express.RequestHandler,
): express.Express {
  const app = express();
  app.disable("x-powered-by");
  if (proxies) app.set("trust proxy", proxies);
  app.use(compression(PACKER));
  app.use(logRequests);
  app.use(onlyOwnHosts(network, problem));
  app.use(secureCookies);
  // A phone asks here whether it trusts the household's certificate: that it gets an answer is the answer.
  app.get(TRUSTED_PATH, (_req, res) => void res.setHeader("Cache-Control", "no-store").status(204).end());
  app.get("/healthz", (_req, res) => {
    larder.sqlite.prepare("select 1").get();
    res.json({ status: "ok" });
  });
  // What time it is here, for screens that compare their clocks with it: no secret, and asked often.
  app.get("/clock", (_req, res) => {
    res.setHeader("Cache-Control", "no-store");
    res.json({ now: clockNow(), pace: pace(), unknown: clockIsUnknown() });
  });
  if (devMiddleware) app.use(devMiddleware);
  else {
    app.use(
      "/assets",
      express.static(join(PROGRAM_FOLDER, "build/client/assets"), { immutable: true, maxAge: "1y" }),
    );
    app.use(express.static(join(PROGRAM_FOLDER, "build/client"), { maxAge: "1h", index: false }));
  }
  app.use(securityHeaders(devMiddleware !== undefined));
  app.use(sameOrigin);
  app.use(onlyOwnPages);
  app.use(limitBody);
  app.use(serveRescueWhenDamaged(larder.folder, now, restart));
  app.use(guard(larder, network, problem));
  app.use(slowGuessing(larder, network, problem));
  // After a power cut a screen's clock, or a person, says what time it is.
  app.post("/clock", express.json(), (req, res) => {
    const { is, byHand } = (req.body ?? {}) as { is?: unknown; byHand?: unknown };
    if (typeof is !== "number" || !Number.isFinite(is))
      return problem(res, 422, "Send what time it is: { is: ms }.");
    try {
      // A clock that agrees confirms it by itself; to say it by hand is to vouch for every time that follows.
      if (byHand === true) refuseBeyondReach({ tap: "clock-known" });
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      return problem(res, error.status, error.message);
    }
    res.json({ known: confirmClock(larder, is, byHand === true), now: clockNow() });
  });
  if (clockIsMovable) {
    app.post("/test/clock", express.json(), (req, res) => {
      const { ms, pace } = req.body as { ms: number; pace?: number };
      res.json({ now: moveClock(ms, pace) });
      changed(larder, "figures");
    });
    app.post("/test/faults", express.json(), (req, res) => {
      failLoadersOf((req.body as { routes: string[] }).routes);
      res.json({});
    });
  }
  app.use(
    createRequestHandler({
      build: clockIsMovable && typeof build !== "function" ? withFaults(build) : build,
      getLoadContext: (_req, res) => {
        const context = new RouterContextProvider();
        context.set(larderContext, larder);
        context.set(nonceContext, (res.locals as { nonce: string }).nonce);
        context.set(visitorContext, (res.locals as { visitor: Visitor }).visitor);
        return context;
      },
    }),
  );
  return app;
}

function logRequests(req: Request, res: Response, next: NextFunction): void {
  const began = performance.now();
  res.on("finish", () => {
    if (req.path.startsWith("/assets")) return;
    log.info({
      method: req.method,
      path: req.path,
      status: res.statusCode,
      ms: Math.round(performance.now() - began),
    });
  });
  next();
}

function securityHeaders(dev: boolean): express.RequestHandler {
  return (req, res, next) => {
    const nonce = randomBytes(16).toString("base64");
    res.locals.nonce = nonce;
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'", `'nonce-${nonce}'`],
          // Drawings carry their measures as style attributes; no style comes from users.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", "data:"],
          // The ordinary zero is so small that it comes with the style sheet.
          fontSrc: ["'self'", "data:"],
          connectSrc: dev ? ["'self'", "ws:"] : ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      // With no referrer at all, a form of our own would be posted with the origin “null”.
      referrerPolicy: { policy: "same-origin" },
      strictTransportSecurity: false,
    })(req, res, next);
  };
}

/** A write must come from our own pages, or from a program that sends no origin at all (a gauge, curl). */
function sameOrigin(req: Request, res: Response, next: NextFunction): void {
  const origin = req.headers.origin;
  if (req.method === "GET" || req.method === "HEAD" || origin === undefined) return next();
  const site = req.headers["sec-fetch-site"];
  const same = URL.canParse(origin) && new URL(origin).host === (req.host ?? req.headers.host);
  if (same && (site === undefined || site === "same-origin")) return next();
  problem(res, 403, "This write came from another site and was refused.");
}

/** What is long to make, or tells much: exports, papers, archives, the interface. */
const HEAVY = /^\/(api\/|photos\/|records\/lists\/[^/]+\/csv$)|\.(pdf|zip|csv|ics|jsonld|html|txt)$/;

/** A page of another site may link here, and can neither make this machine work nor draw what it holds into itself. */
function onlyOwnPages(req: Request, res: Response, next: NextFunction): void {
  // A page's data belongs to who asks now, and to nobody who opens the browser later.
  if (req.path.endsWith(".data") || HEAVY.test(req.path)) res.setHeader("Cache-Control", "no-store");
  const site = req.headers["sec-fetch-site"];
  const foreign = site === "cross-site" || site === "same-site";
  if (foreign && HEAVY.test(req.path))
    return problem(
      res,
      403,
      "This was asked for by another site and was refused. Open Patient Larder first.",
    );
  next();
}

function limitBody(req: Request, res: Response, next: NextFunction): void {
  if (UPLOADS.test(req.path.replace(/\.data$/, "")) && req.is("multipart/form-data")) return next();
  const length = Number(req.headers["content-length"] ?? 0);
  const readings = READINGS.test(req.path);
  if (length > (readings ? READINGS_LIMIT_BYTES : BODY_LIMIT_BYTES))
    return problem(
      res,
      413,
      `This is larger than ${readings ? "four" : "a"} million bytes. Send it in smaller parts.`,
    );
  if (req.headers["transfer-encoding"] && req.method !== "GET") {
    return problem(res, 411, "Say how long the body is (Content-Length).");
  }
  next();
}
