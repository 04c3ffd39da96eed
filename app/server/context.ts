import { createContext, redirect, type RouterContextProvider } from "react-router";
import { type Larder } from "#store/db";
import { getHousehold, listPeople, type Household, type Person } from "#store/household";
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
  const chosen = readCookie(request, "who");
  return { larder, context, household, people, me: people.find((p) => p.id === chosen) ?? people[0]! };
}
