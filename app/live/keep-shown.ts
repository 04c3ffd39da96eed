import { useLayoutEffect } from "react";
import { useMatches, type ClientLoaderFunctionArgs, type DataStrategyResult } from "react-router";
import { reach } from "../outbox";
import { handsOn } from "./hands";

/** What each part of the page shows, by its route. */
let shown = new Map<string, unknown>();

/** Remembers what the page shows. Called by the part that is on every page. */
export function useShown(): void {
  const matches = useMatches();
  useLayoutEffect(() => {
    shown = new Map(matches.map((m) => [m.id, m.loaderData]));
  }, [matches]);
}

let begun = false;

/** The page is about to be loaded anew only to see what was done elsewhere. */
export function lookBegins(): void {
  begun = true;
  // It is asked for at once, or not at all. What is loaded later is loaded for another reason.
  setTimeout(() => (begun = false));
}

/** What the framework says of an answer that broke off. */
const BROKEN_OFF = "Unable to decode turbo-stream response";

/** An answer that never came, or broke off on its way; not one that the larder gave, nor one nobody waits for any more. */
const isCutOff = ({ type, result }: DataStrategyResult): boolean =>
  type === "error" &&
  (result instanceof TypeError || (result instanceof Error && result.message === BROKEN_OFF));

const isHere = ({ pathname, search }: URL): boolean =>
  pathname === location.pathname && search === location.search;

const asShown = (id: string): DataStrategyResult => ({ type: "data", result: shown.get(id) });

/**
 * Loading the page that is shown anew takes nothing away. When the way to the larder breaks while it does, the page stays
 * as it is; that it is of then is said by what tells that the larder cannot be reached. When somebody has begun to fill
 * something in since it was asked for, the page stays as it is too, and is looked at again later.
 */
export async function keepShown(
  { request }: Pick<ClientLoaderFunctionArgs, "request">,
  next: () => Promise<Record<string, DataStrategyResult>>,
): Promise<Record<string, DataStrategyResult>> {
  const isLook = begun && request.method === "GET";
  if (isLook) begun = false;
  const results = await next();
  if (request.method !== "GET" || !isHere(new URL(request.url))) return results;
  const inHand = isLook && handsOn();
  const cut = Object.values(results).some(isCutOff);
  if (cut) void reach();
  if (!inHand && !cut) return results;
  return Object.fromEntries(
    Object.entries(results).map(([id, r]) => [
      id,
      shown.has(id) && (inHand || isCutOff(r)) ? asShown(id) : r,
    ]),
  );
}
