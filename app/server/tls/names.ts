import { BlockList, isIPv4 } from "node:net";
import { hostname, networkInterfaces } from "node:os";

/** By which names and addresses this larder is reached on its network. */
export interface OwnNames {
  dns: string[];
  addresses: string[];
}

/**
 * Networks of a home, and this machine itself: private addresses of RFC 1918, link-local ones of RFC 3927 and RFC 4291, and
 * unique local ones of RFC 4193. What the household's authority may vouch for, and nothing else.
 */
export const PRIVATE_NETWORKS: readonly (readonly [address: string, bits: number])[] = [
  ["10.0.0.0", 8],
  ["172.16.0.0", 12],
  ["192.168.0.0", 16],
  ["169.254.0.0", 16],
  ["127.0.0.0", 8],
  ["::1", 128],
  ["fc00::", 7],
  ["fe80::", 10],
];

const list = new BlockList();
for (const [address, bits] of PRIVATE_NETWORKS)
  list.addSubnet(address, bits, isIPv4(address) ? "ipv4" : "ipv6");

/** Whether an address belongs to a home network or to this machine, as the authority's limits have it. */
export const isPrivate = (address: string): boolean => list.check(address, isIPv4(address) ? "ipv4" : "ipv6");

/** A name that can stand in a certificate and in an address: letters, digits and dashes between dots. */
const IS_NAME = /^[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?(\.[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?)*$/;

/** The name it is announced by on the network, without `.local`: `LARDER_NAME`, or `larder`. */
export function larderName(wanted = process.env.LARDER_NAME): string {
  const name = (wanted ?? "larder").toLowerCase().replace(/\.local$/, "");
  return IS_NAME.test(name) ? name : "larder";
}

/** Other names it is reached by (`LARDER_HOSTS`, with commas between): from the home's router, or before a proxy. */
const otherNames = (named = process.env.LARDER_HOSTS): string[] =>
  (named ?? "").split(",").flatMap((n) => n.trim().toLowerCase() || []);

/** Returns the names and the private addresses this machine has now. Public addresses are left out. */
export function ownNames(
  name = larderName(),
  machine = hostname(),
  interfaces = networkInterfaces(),
  others = otherNames(),
): OwnNames {
  const named = [machine.toLowerCase(), ...others].filter((n) => IS_NAME.test(n) && !/^\d/.test(n));
  const dns = [`${name}.local`, "localhost", ...named];
  const addresses = Object.values(interfaces)
    .flat()
    // An address with a scope means something on this machine only.
    .flatMap((n) => (n && isPrivate(n.address) && !(n.family === "IPv6" && n.scopeid) ? [n.address] : []));
  return { dns: [...new Set(dns)], addresses: [...new Set(["127.0.0.1", ...addresses])].sort() };
}
