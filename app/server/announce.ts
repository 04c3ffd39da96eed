import { isIPv4 } from "node:net";
import makeMulticastDns from "multicast-dns";
import type { Logger } from "pino";
import { larderName, ownNames } from "./tls";

/** How long others may remember an answer, s. A laptop gets another address now and then. */
const TTL_S = 120;

/**
 * Answers to the larder's name (`larder.local`, or `LARDER_NAME`) on the home network, by multicast DNS (RFC 6762), so that
 * nobody types an address. Where the network or another program does not let it, the addresses still work.
 *
 * @returns ends it
 */
export function announceName(log: Logger): () => void {
  const name = `${larderName()}.local`;
  const mdns = makeMulticastDns();
  mdns.on("error", (error: Error) => log.warn({ error: error.message }, `${name} is not announced`));
  mdns.on("warning", () => undefined);
  mdns.on("query", ({ questions }) => {
    const asked = questions.filter((q) => q.name.toLowerCase() === name);
    if (asked.length === 0) return;
    const answers = ownNames()
      .addresses.filter((a) => !a.startsWith("127.") && a !== "::1")
      .map((data) => ({ name, type: isIPv4(data) ? ("A" as const) : ("AAAA" as const), ttl: TTL_S, data }))
      .filter((a) => asked.some((q) => q.type === a.type || (q.type as string) === "ANY"));
    if (answers.length > 0) mdns.respond({ answers });
  });
  return () => mdns.destroy();
}
