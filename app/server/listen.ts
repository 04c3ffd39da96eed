import { createServer as createSecure, type Server as SecureServer } from "node:https";
import type { createServer, RequestListener, Server } from "node:http";
import type { Logger } from "pino";
import { larderName, ownNames, type Certificate } from "./tls";

/** Whether the certificate is due, or the machine has another address, is looked at so often, ms. */
const LOOK_MS = 60_000;

/** The ports a larder on the network is served at. */
export interface Ports {
  host: string;
  /** the plain one: only the page that connects a phone, and this machine itself */
  port: number;
  /** with https: everything */
  securePort: number;
}

/** What serves the network, and how it stops. */
export interface Listening {
  servers: Server[];
  /** the certificate now; in words why there is none */
  certificate(): Certificate | string;
  /** looks now whether the certificate is due; it does so by itself every minute */
  look(): Promise<void>;
  end(): void;
}

export const DEFAULT_SECURE_PORT = 4311;

/**
 * Serves a larder on the network: `app` over https, `plain` on the other port. The certificate is renewed while it runs; lines
 * that are open go on with the one they began with. Where there is no certificate, only the plain port answers, and says why.
 */
export async function listenOnNetwork(
  make: typeof createServer,
  { host, port, securePort }: Ports,
  app: RequestListener,
  plain: RequestListener,
  {
    folder,
    now,
    clockKnown,
    log,
  }: { folder: string; now: () => number; clockKnown: () => boolean; log: Logger },
): Promise<Listening> {
  let certificate: Certificate | string = "";
  let secure: SecureServer | null = null;
  let trouble: string | null = null;
  const { certificateFor, NoCertificate } = await import("./tls/certificate");

  const look = async () => {
    const before = certificate;
    try {
      certificate = await certificateFor(folder, ownNames(larderName()), now(), clockKnown());
    } catch (error) {
      if (!(error instanceof NoCertificate)) throw error;
      certificate = error.message;
    }
    const words = typeof certificate === "string" ? certificate : certificate.warning;
    if (words && words !== trouble) log.error(words);
    trouble = words;
    if (typeof certificate === "string") return;
    const changed = typeof before === "string" || before.cert !== certificate.cert;
    if (secure && changed) secure.setSecureContext({ cert: certificate.cert, key: certificate.key });
    if (secure) return;
    const opened = await open(certificate);
    if (typeof opened !== "string") secure = opened;
    else {
      // Tried again at the next look: whoever has the port may let go of it.
      certificate = opened;
      log.error(opened);
    }
  };
  /** A server that listens; in words why it does not. */
  const open = (pair: Certificate) =>
    new Promise<SecureServer | string>((resolve) => {
      const server = createSecure({ cert: pair.cert, key: pair.key, minVersion: "TLSv1.2" }, app);
      server.once("error", (error: NodeJS.ErrnoException) => resolve(whyNotListening(error, securePort)));
      // A phone that does not trust the certificate yet hangs up: that is no fault of the server's.
      server.on("tlsClientError", () => undefined);
      server.listen(securePort, host, () => resolve(server));
    });

  await look();
  const timer = setInterval(
    () => void look().catch((error: unknown) => log.error({ error }, "certificate")),
    LOOK_MS,
  );
  timer.unref();
  const server = make(plain);
  // This machine is served at an address of its own only where all are listened on.
  const here = ["0.0.0.0", "::"].includes(host) ? "127.0.0.1" : host.includes(":") ? `[${host}]` : host;
  server.listen(port, host, () =>
    process.stdout.write(
      `Patient Larder is at http://${here}:${port} on this computer.\nTo connect a phone or tablet, open Household, Sign-in and access there.\n`,
    ),
  );
  return {
    get servers() {
      return secure ? [server, secure] : [server];
    },
    certificate: () => certificate,
    look,
    end: () => clearInterval(timer),
  };
}

/** Why a port cannot be listened on, with what to do. */
export function whyNotListening({ code, message }: { code?: string; message: string }, port: number): string {
  if (code === "EACCES")
    return `This system does not let the program use port ${port}. Choose one above 1023, for example HTTPS_PORT=${DEFAULT_SECURE_PORT}.`;
  if (code === "EADDRINUSE")
    return `Port ${port} is in use by another program. Stop that one, or choose another with HTTPS_PORT.`;
  return `https cannot be served at port ${port}: ${message}`;
}
