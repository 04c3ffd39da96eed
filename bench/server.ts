import { spawn, type ChildProcess } from "node:child_process";
import { createServer } from "node:net";
import { PROGRAM_FOLDER } from "#store/db";

/** The built server, running in a process of its own on a folder and a port of its own. */
export interface RunningServer {
  url: string;
  /** where it serves https, when it serves the network */
  securePort: number;
  child: ChildProcess;
  /** ends it as a power cut would */
  kill(): Promise<void>;
  stop(): Promise<void>;
}

/** Ports of this process alone, below those that outgoing connections take: two that start servers at once never meet. */
const FIRST = 20_000 + (process.pid % 100) * 100;
let given = 0;

async function freePort(): Promise<number> {
  for (;;) {
    const port = FIRST + (given++ % 100);
    const free = await new Promise<boolean>((resolve) => {
      const probe = createServer();
      probe.once("error", () => resolve(false));
      probe.listen(port, "127.0.0.1", () => probe.close(() => resolve(true)));
    });
    if (free) return port;
  }
}

/** Starts the built server on a data folder and waits until it answers. @param env beside the usual @param samePort of one that was before @param well what it answers of its health @param checkout where it was built */
export async function startBuilt(
  folder: string,
  env: Record<string, string> = {},
  samePort?: number,
  well: readonly number[] = [200],
  checkout = PROGRAM_FOLDER,
): Promise<RunningServer> {
  const port = samePort ?? (await freePort());
  const securePort = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const child = spawn("node", ["server.js"], {
    cwd: checkout,
    env: {
      ...process.env,
      NODE_ENV: "production",
      PORT: String(port),
      // A larder on the network serves https as well, each at a port of its own.
      HTTPS_PORT: String(securePort),
      LARDER_DATA: folder,
      LOG_LEVEL: "warn",
      ...env,
    },
    stdio: ["ignore", "ignore", "inherit"],
  });
  const ended = new Promise<void>((resolve) => child.once("exit", () => resolve()));
  const end = (signal: NodeJS.Signals) => async () => {
    child.kill(signal);
    await ended;
  };
  for (let i = 0; ; i++) {
    const up = await fetch(`${url}/healthz`).then(
      (r) => well.includes(r.status),
      () => false,
    );
    if (up) return { url, securePort, child, kill: end("SIGKILL"), stop: end("SIGTERM") };
    if (i > 400 || child.exitCode !== null) throw new Error(`the server on ${folder} did not come up`);
    await new Promise((r) => setTimeout(r, 50));
  }
}
