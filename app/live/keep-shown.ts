import { useLayoutEffect } from "react";
import { useMatches, type ClientLoaderFunctionArgs, type DataStrategyResult } from "react-router";
import { reach } from "../outbox";

/** What each part of the page shows, by its route. */
let shown = new Map<string, unknown>();

/** Remembers what the page shows. Called by the part that is on every page. */
export function useShown(): void {
  const matches = useMatches();
  useLayoutEffect(() => {
    shown = new Map(matches.map((m) => [m.id, m.loaderData]));
  }, [matches]);
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

let forChange = false;

/** The page is about to be read again only to show what was done elsewhere: its forms stay the ones they are. */
export function readsForChange(): void {
  forChange = true;
  // It is asked for at once, or not at all. What is read later is read for another reason.
  setTimeout(() => (forChange = false));
}

/** A form is the one it was as long as its key is: a new one would clear what somebody has typed. */
function withFormOf(id: string, read: DataStrategyResult): DataStrategyResult {
  const before = (shown.get(id) as { key?: unknown } | undefined)?.key;
  const now = read.result as { key?: unknown } | null;
  if (read.type !== "data" || typeof before !== "string" || typeof now?.key !== "string") return read;
  return { ...read, result: { ...now, key: before } };
}

/**
 * Reading the page that is shown again takes nothing away. When the way to the larder breaks while it does, the page stays
 * as it is; that it is of then is said by what tells that the larder cannot be reached. What was typed stays too.
 */
export async function keepShown(
  { request }: Pick<ClientLoaderFunctionArgs, "request">,
  next: () => Promise<Record<string, DataStrategyResult>>,
): Promise<Record<string, DataStrategyResult>> {
  const keepsForms = forChange && request.method === "GET";
  if (keepsForms) forChange = false;
  const results = await next();
  if (request.method !== "GET" || !isHere(new URL(request.url))) return results;
  const cut = Object.values(results).some(isCutOff);
  if (cut) void reach();
  if (!cut && !keepsForms) return results;
  return Object.fromEntries(
    Object.entries(results).map(([id, r]) => [
      id,
      shown.has(id) && isCutOff(r) ? asShown(id) : keepsForms ? withFormOf(id, r) : r,
    ]),
  );
}
