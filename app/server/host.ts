const LOOPBACK = new Set(["127.0.0.1", "::1", "localhost"]);

/** Whether a host is this machine alone. */
export const isLoopback = (host: string) => LOOPBACK.has(host);

/**
 * Why the server may not listen on a host; null when it may. Anyone who can reach it can change the record, so without a
 * passphrase to ask for it listens to this machine only.
 */
export function hostRefusal(host: string, passphrase: boolean): string | null {
  if (isLoopback(host) || passphrase) return null;
  return `HOST=${host} would open the larder to the network without a passphrase. Start it without HOST, set a passphrase under Household, Sign-in, and start it again.`;
}
