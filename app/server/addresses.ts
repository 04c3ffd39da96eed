import { networkInterfaces } from "node:os";

/** Addresses by which this machine is known on its network (IPv4), for typing on another screen. */
export function addresses(): string[] {
  return Object.values(networkInterfaces())
    .flat()
    .flatMap((n) => (n && !n.internal && n.family === "IPv4" ? [n.address] : []));
}
