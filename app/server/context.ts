import { createContext, redirect, type RouterContextProvider } from "react-router";
import { scopeNow, type Larder } from "#store/db";
import { getHousehold, listPeople, type Household, type Person } from "#store/household";
import { hasPin, isProof } from "#store/access";
import { readCookie } from "./cookie";

/** What a loader or action may reach: the larder, and who is asking. Set for every request by the server. */
export const larderContext = createContext<Larder>();
export const nonceContext = createContext<string>("");

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

/** The household for a page; before the first visit is done it leads there. */
export function atHome(context: Context, request: Request): Home {
  const larder = context.get(larderContext);
  const household = getHousehold(larder);
  if (!household) throw redirect("/welcome");
  const people = listPeople(larder);
  const me = whoIsHere(larder, people, request);
  // What a screen delivers must not be taken for done because it was led elsewhere.
  const delivers = scopeNow().delivered || request.headers.get("Content-Type") === "application/json";
  if (!me && delivers) throw new Response("Say who you are first.", { status: 401 });
  if (!me) throw redirect(`/who?back=${encodeURIComponent(new URL(request.url).pathname)}`);
  return { larder, context, household, people, me };
}

/**
 * Who is at the screen: whoever was chosen on it, if they said their PIN where they have one; otherwise the first person
 * who has none. Null when everybody has one and nobody has said theirs.
 */
function whoIsHere(larder: Larder, people: readonly Person[], request: Request): Person | null {
  const chosen = people.find((p) => p.id === readCookie(request, "who"));
  if (chosen && (!hasPin(larder, chosen.id) || isProof(larder, chosen.id, readCookie(request, "said"))))
    return chosen;
  return people.find((p) => !hasPin(larder, p.id)) ?? null;
}
