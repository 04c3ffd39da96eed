import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { DAY_MS } from "#core/quantity";
import { newAuthority, newServerPair } from "./authority";
import { certificateFor, NoCertificate } from "./certificate";
import { isPrivate, larderName, ownNames, type OwnNames } from "./names";

const NOW = Date.now();
const NAMES: OwnNames = { dns: ["larder.local", "localhost"], addresses: ["127.0.0.1", "192.168.1.20"] };
let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), "larder-tls-"))));
afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
  delete process.env.TLS_CERT;
  delete process.env.TLS_KEY;
});

/** What OpenSSL says of a certificate under an authority: an implementation of RFC 5280 that is not ours. */
function openssl(authority: string, cert: string, ...more: string[]): string {
  const [ca, leaf] = [join(folder, "ca.pem"), join(folder, "leaf.pem")];
  writeFileSync(ca, authority);
  writeFileSync(leaf, cert);
  try {
    return execFileSync("openssl", ["verify", "-x509_strict", ...more, "-CAfile", ca, leaf], {
      encoding: "utf8",
      stdio: "pipe",
    });
  } catch (error) {
    const { stdout, stderr } = error as { stdout: string; stderr: string };
    return stdout + stderr;
  }
}

describe("the household's authority", () => {
  test("is taken by OpenSSL for the larder's names and private addresses, with its limits in force", async () => {
    const { cert, authority } = await certificateFor(folder, NAMES, NOW);
    expect(openssl(authority!, cert)).toMatch(/: OK/);
    expect(openssl(authority!, cert, "-verify_hostname", "larder.local")).toMatch(/: OK/);
    expect(openssl(authority!, cert, "-verify_ip", "192.168.1.20")).toMatch(/: OK/);
    expect(openssl(authority!, cert, "-verify_hostname", "bank.example")).toMatch(/hostname mismatch/i);
  });

  test("cannot vouch for any other site or address, even when its key signs one", async () => {
    const authority = await newAuthority(NAMES, NOW);
    const outside = await newServerPair(authority, { dns: ["larder.local"], addresses: ["8.8.8.8"] }, NOW);
    expect(openssl(authority.cert, outside.cert)).toMatch(/permitted subtree violation/);
    // A name it may not vouch for is left out, so that the rest still counts.
    const named = await newServerPair(
      authority,
      { dns: ["larder.local", "bank.example"], addresses: [] },
      NOW,
    );
    expect(openssl(authority.cert, named.cert, "-verify_hostname", "bank.example")).toMatch(/mismatch/i);
    expect(openssl(authority.cert, named.cert)).toMatch(/: OK/);
  });

  test("keeps its keys to their owner, and is made once", async () => {
    const first = await certificateFor(folder, NAMES, NOW);
    for (const name of readdirSync(join(folder, "tls")).filter((n) => n.endsWith(".key")))
      expect(statSync(join(folder, "tls", name)).mode & 0o777, name).toBe(0o600);
    expect(await certificateFor(folder, NAMES, NOW + DAY_MS)).toEqual(first);
  });
});

describe("the server's certificate", () => {
  test("is renewed by itself before it ends, and when the machine has another address", async () => {
    const first = await certificateFor(folder, NAMES, NOW);
    const later = await certificateFor(folder, NAMES, NOW + 45 * DAY_MS);
    expect(later.authority).toBe(first.authority);
    expect(later.cert).not.toBe(first.cert);
    const moved = { ...NAMES, addresses: ["127.0.0.1", "10.0.0.7"] };
    const there = await certificateFor(folder, moved, NOW + 45 * DAY_MS);
    const then = ["-attime", String(Math.round((NOW + 45 * DAY_MS) / 1000))];
    expect(openssl(there.authority!, there.cert, ...then, "-verify_ip", "10.0.0.7")).toMatch(/: OK/);
    // While nobody knows what time it is, what is there is served as it is.
    expect((await certificateFor(folder, NAMES, NOW + 90 * DAY_MS, false)).cert).toBe(there.cert);
  });

  test("is good for a phone whose clock is a day behind", async () => {
    const { cert, authority } = await certificateFor(folder, NAMES, NOW);
    const behind = String(Math.round((NOW - DAY_MS) / 1000));
    expect(openssl(authority!, cert, "-attime", behind)).toMatch(/: OK/);
  });

  test("is served on without the authority's key until it ends, and then says what to do", async () => {
    const first = await certificateFor(folder, NAMES, NOW);
    rmSync(join(folder, "tls", "authority.key"));
    const without = await certificateFor(folder, NAMES, NOW + 50 * DAY_MS);
    expect(without.cert).toBe(first.cert);
    expect(without.warning).toMatch(/authority\.key.*each phone then has to trust/);
    await expect(certificateFor(folder, NAMES, NOW + 61 * DAY_MS)).rejects.toThrow(NoCertificate);
  });

  test("that was swapped for another's is not served", async () => {
    await certificateFor(folder, NAMES, NOW);
    const other = await newServerPair(await newAuthority(NAMES, NOW), NAMES, NOW);
    writeFileSync(join(folder, "tls", "server.pem"), other.cert);
    writeFileSync(join(folder, "tls", "server.key"), other.key);
    expect((await certificateFor(folder, NAMES, NOW)).cert).not.toBe(other.cert);
  });
});

describe("a certificate of one's own", () => {
  const use = (cert: string, key: string) => {
    process.env.TLS_CERT = join(folder, "own.pem");
    process.env.TLS_KEY = join(folder, "own.key");
    writeFileSync(process.env.TLS_CERT, cert);
    writeFileSync(process.env.TLS_KEY, key);
  };
  test("is served as it is, and no authority is made", async () => {
    const pair = await newServerPair(await newAuthority(NAMES, NOW), NAMES, NOW);
    use(pair.cert, pair.key);
    expect(await certificateFor(folder, NAMES, NOW)).toEqual({ ...pair, authority: null, warning: null });
    expect(readdirSync(folder).filter((n) => n === "tls")).toEqual([]);
    await expect(certificateFor(folder, NAMES, NOW + 61 * DAY_MS)).rejects.toThrow(/has expired/);
  });
  test("with another's key, or without one, is refused in words", async () => {
    const authority = await newAuthority(NAMES, NOW);
    const [a, b] = [await newServerPair(authority, NAMES, NOW), await newServerPair(authority, NAMES, NOW)];
    use(a.cert, b.key);
    await expect(certificateFor(folder, NAMES, NOW)).rejects.toThrow(/do not belong together/);
    use(a.cert, "nothing");
    await expect(certificateFor(folder, NAMES, NOW)).rejects.toThrow(/not text files/);
    rmSync(process.env.TLS_KEY!);
    await expect(certificateFor(folder, NAMES, NOW)).rejects.toThrow(/TLS_KEY .* cannot be read/);
  });
});

test("addresses of a home are its own, and no others", () => {
  for (const own of [
    "10.1.2.3",
    "172.16.0.1",
    "172.31.9.9",
    "192.168.1.20",
    "127.0.0.1",
    "::1",
    "fd12::1",
    "fe80::1",
  ])
    expect(isPrivate(own), own).toBe(true);
  for (const other of ["8.8.8.8", "172.32.0.1", "192.169.0.1", "11.0.0.1", "2001:db8::1"])
    expect(isPrivate(other), other).toBe(false);
  const names = ownNames("larder", "Kitchen-Laptop", {
    a: [
      { address: "192.168.1.20", family: "IPv4", internal: false, netmask: "", mac: "", cidr: null },
      { address: "81.2.69.160", family: "IPv4", internal: false, netmask: "", mac: "", cidr: null },
      { address: "fe80::2", family: "IPv6", internal: false, netmask: "", mac: "", cidr: null, scopeid: 3 },
    ],
  });
  expect(names).toEqual({
    dns: ["larder.local", "localhost", "kitchen-laptop"],
    addresses: ["127.0.0.1", "192.168.1.20"],
  });
  // A name of the home's router, told by LARDER_HOSTS, is one of its own; what is no name is not.
  expect(ownNames("larder", "1st", {}, ["laptop.lan", "10.0.0.1", "a b"]).dns).toEqual([
    "larder.local",
    "localhost",
    "laptop.lan",
  ]);
  expect([larderName("Cellar.local"), larderName("no such name!"), larderName(undefined)]).toEqual([
    "cellar",
    "larder",
    "larder",
  ]);
});

test("nothing of it is left where a certificate is written half", async () => {
  const first = await certificateFor(folder, NAMES, NOW);
  writeFileSync(
    join(folder, "tls", "server.pem"),
    readFileSync(join(folder, "tls", "server.pem"), "utf8").slice(0, 200),
  );
  const again = await certificateFor(folder, NAMES, NOW);
  expect(again.cert).not.toBe(first.cert);
  expect(openssl(again.authority!, again.cert)).toMatch(/: OK/);
});
