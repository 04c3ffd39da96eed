import type { Request, RequestHandler } from "express";
import { larderName, ownNames } from "../tls";
import { isOwnName } from "./proxy";

/** What this machine is called changes seldom; it is looked at again after so long, ms. */
const LOOK_AGAIN_MS = 10_000;

let known: { at: number; hosts: Set<string> } | null = null;

function ownHosts(): Set<string> {
  const now = performance.now();
  if (known && now - known.at < LOOK_AGAIN_MS) return known.hosts;
  const { dns, addresses } = ownNames(larderName());
  known = { at: now, hosts: new Set([...dns, ...addresses]) };
  return known.hosts;
}

/** Whether a larder on the network answers to the host a request names, its port aside. */
function isKnownHost(host: string | undefined): boolean {
  if (isOwnName(host)) return true;
  const name = /^(\[[0-9a-f:]+\]|[^:]+)(:\d+)?$/i.exec(host ?? "")?.[1]?.toLowerCase();
  return name !== undefined && ownHosts().has(name.replace(/^\[|\]$/g, ""));
}

/**
 * Answers nobody who was led here by a name that is not this larder's: a page from elsewhere could otherwise have its own
 * name point here and read what it likes (DNS rebinding). It stands before everything else, health and rescue included.
 *
 * @param network served to the kitchen's network, not to this machine alone
 */
export function onlyOwnHosts(
  network: boolean,
  refuse: (res: Parameters<RequestHandler>[1], status: number, title: string) => void,
): RequestHandler {
  return (req: Request, res, next) => {
    // Behind a proxy that is trusted, the name that was asked for is the one it passes on.
    const host = network ? (req.host ?? req.headers.host) : req.headers.host;
    if (network ? isKnownHost(host) : isOwnName(host)) return next();
    refuse(
      res,
      421,
      network
        ? "This larder does not answer to that name. Name it in LARDER_HOSTS if it is yours."
        : "This larder answers to 127.0.0.1 and localhost only.",
    );
  };
}
