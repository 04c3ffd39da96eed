const LOOPBACK = new Set(["127.0.0.1", "::1", "localhost"]);

/** Whether a host is this machine alone. */
export const isLoopback = (host: string) => LOOPBACK.has(host);

/**
 * Why the server may not listen on a host; null when it may. Anyone who can reach it can change the record, so without a
 * passphrase to ask for it listens to this machine only.
 */
export function hostRefusal(host: string, network: boolean, passphrase: boolean): string | null {
  if (!network || passphrase) return null;
  const how = isLoopback(host) ? "TRUST_PROXY" : `HOST=${host}`;
  return `${how} would open the larder to the network without a passphrase. Start it without that, set a passphrase under Household, Sign-in, and start it again.`;
}

/**
 * Addresses of the proxies in front of the larder (`TRUST_PROXY`, with commas between): what they say of who asks, and
 * whether it was over https, is believed. Null when there is none.
 */
export function trustedProxies(named = process.env.TRUST_PROXY): string[] | null {
  const addresses = (named ?? "").split(",").flatMap((a) => a.trim() || []);
  return addresses.length > 0 ? addresses : null;
}
