const LOOPBACK = new Set(["127.0.0.1", "::1", "localhost"]);

/**
 * Why the server may not listen on a host; null when it may. Anyone who can reach it can change the record, so until
 * there is a passphrase to ask for, it listens to this machine only.
 */
export function hostRefusal(host: string): string | null {
  if (LOOPBACK.has(host)) return null;
  return `It listens only on this machine (127.0.0.1). HOST=${host} would open the larder to the network without a passphrase.`;
}
