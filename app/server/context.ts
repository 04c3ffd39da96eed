import { createContext, href, redirect, type RouterContextProvider } from "react-router";
import { lesserReach, type Reach } from "#core/guard";
import { scopeNow, type Larder } from "#store/db";
import { getHousehold, listPeople, type Household, type Person } from "#store/household";
import { hasPin, isProof } from "#store/access";
import { saidCookie, cookieValue, whoCookie } from "./cookies";

/** What a loader or action may reach: the larder, and who is asking. Set for every request by the server. */
export const larderContext = createContext<Larder>();
export const nonceContext = createContext<string>("");
/** The household and who is at the screen: set for every page and press but the first visit and signing in. */
export const homeContext = createContext<Home>();

/** How far whoever is at the screen may go on it. */
export function reachNow(): Reach {
  const { reach } = scopeNow();
  return reach ? lesserReach(reach) : "all";
}

type Context = Readonly<RouterContextProvider>;

export interface Home {
  larder: Larder;
  /** stands for the request: the same for its page and everything around it */
  context: Context;
  household: Household;
  people: Person[];
  /** who is at the screen, as chosen on it; the first person of the household otherwise */
  me: Person;
}

/**
 * The household of a request and who asks. Before the first visit is done it leads there; where everybody has a PIN and
 * nobody said theirs, to where it is said.
 */
export async function homeOf(context: Context, request: Request): Promise<Home> {
  const larder = context.get(larderContext);
  const household = getHousehold(larder);
  if (!household) throw redirect(href("/welcome"));
  const people = listPeople(larder);
  const me = await whoIsHere(larder, people, request.headers.get("cookie"));
  // What a screen delivers must not be taken for done because it was led elsewhere.
  const delivers = scopeNow().delivered || request.headers.get("Content-Type") === "application/json";
  if (!me && delivers) throw new Response("Say who you are first.", { status: 401 });
  if (!me) throw redirect(`${href("/who")}?back=${encodeURIComponent(new URL(request.url).pathname)}`);
  const scope = scopeNow();
  if (scope.reach) scope.reach.person = me.may;
  // Whoever has a PIN is here only because it was said.
  scope.known = hasPin(larder, me.id) ? "pin" : "chosen";
  return { larder, context, household, people, me };
}

/**
 * Who is at the screen: whoever was chosen on it, if they said their PIN where they have one; otherwise the first person
 * who has none. Null when everybody has one and nobody has said theirs.
 */
export async function whoIsHere(
  larder: Larder,
  people: readonly Person[],
  header: string | null,
): Promise<Person | null> {
  const who = await cookieValue(whoCookie, header);
  const chosen = people.find((p) => p.id === who);
  if (
    chosen &&
    (!hasPin(larder, chosen.id) || isProof(larder, chosen.id, await cookieValue(saidCookie, header)))
  )
    return chosen;
  return people.find((p) => !hasPin(larder, p.id)) ?? null;
}
