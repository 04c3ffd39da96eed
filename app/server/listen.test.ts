import { mkdtempSync, rmSync } from "node:fs";
import { createServer, type ServerResponse } from "node:http";
import { get } from "node:https";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { connect, type TLSSocket } from "node:tls";
import pino from "pino";
import { afterEach, beforeEach, expect, test } from "vitest";
import { DAY_MS } from "#core/quantity";
import { listenOnNetwork, whyNotListening, type Listening } from "./listen";

let folder: string;
let now: number;
let lines: ServerResponse[];
let listening: Listening;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "larder-listen-"));
  now = Date.now();
  lines = [];
  listening = await listenOnNetwork(
    createServer,
    { host: "127.0.0.1", port: 0, securePort: 0 },
    // A line that is never ended by the server, as a stove screen's is.
    (_req, res) => void (res.write("open"), lines.push(res)),
    (_req, res) => void res.end("plain"),
    { folder, now: () => now, clockKnown: () => true, log: pino({ level: "silent" }) },
  );
  await Promise.all(
    listening.servers.map((s) => (s.listening ? null : new Promise((r) => s.once("listening", r)))),
  );
});
afterEach(() => {
  listening.end();
  for (const server of listening.servers) {
    server.closeAllConnections();
    server.close();
  }
  rmSync(folder, { recursive: true, force: true });
});

const securePort = () => (listening.servers[1]!.address() as AddressInfo).port;
/** The certificate a new connection meets. */
const met = () =>
  new Promise<string>((resolve, reject) => {
    const socket: TLSSocket = connect(
      { port: securePort(), host: "127.0.0.1", rejectUnauthorized: false },
      () => {
        resolve(socket.getPeerCertificate().fingerprint256);
        socket.end();
      },
    );
    socket.once("error", reject);
  });

test("a certificate that is renewed while it runs drops no line that is open", async () => {
  const heard: string[] = [];
  const closed: string[] = [];
  await new Promise<void>((resolve, reject) => {
    get({ port: securePort(), host: "127.0.0.1", rejectUnauthorized: false }, (answer) => {
      answer.setEncoding("utf8").on("data", (piece: string) => (heard.push(piece), resolve()));
      answer.once("close", () => closed.push("closed"));
    }).once("error", reject);
  });
  const before = await met();
  now += 45 * DAY_MS;
  await listening.look();
  expect(await met()).not.toBe(before);
  lines[0]!.write("still here");
  await expect.poll(() => heard).toEqual(["open", "still here"]);
  expect(closed).toEqual([]);
});

test("a port that cannot be had is told with what to do", () => {
  expect(whyNotListening({ code: "EACCES", message: "" }, 443)).toMatch(/port 443.*HTTPS_PORT=4311/);
  expect(whyNotListening({ code: "EADDRINUSE", message: "" }, 4311)).toMatch(/in use by another program/);
});

test("a port that is in use is tried again, and the plain port says so meanwhile", async () => {
  const other = await listenOnNetwork(
    createServer,
    { host: "127.0.0.1", port: 0, securePort: securePort() },
    (_req, res) => void res.end(),
    (_req, res) => void res.end(),
    { folder, now: () => now, clockKnown: () => true, log: pino({ level: "silent" }) },
  );
  expect(other.certificate()).toMatch(/in use by another program/);
  // It is still so a look later, and not forgotten.
  await other.look();
  expect(other.certificate()).toMatch(/in use by another program/);
  await new Promise((done) => {
    listening.servers[1]!.close(done);
  });
  await other.look();
  expect(other.certificate()).toMatchObject({ warning: null });
  other.end();
  for (const server of other.servers) server.close();
});

test("without a certificate the plain port goes on, and says why phones cannot connect", async () => {
  rmSync(join(folder, "tls", "authority.key"));
  now += 90 * DAY_MS;
  await listening.look();
  expect(listening.certificate()).toMatch(/authority\.key.*start again/);
  const plain = (listening.servers[0]!.address() as AddressInfo).port;
  expect(await (await fetch(`http://127.0.0.1:${plain}/`)).text()).toBe("plain");
});
