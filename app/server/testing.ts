import { RouterContextProvider } from "react-router";
import { getHousehold, listPeople } from "#store/household";
import type { TestLarder } from "#store/testing";
import type { Home } from "./context";

/** A request's look at a test larder, by its first person. Each call is another request. */
export function homeOf({ larder }: TestLarder): Home {
  const people = listPeople(larder);
  return {
    larder,
    household: getHousehold(larder)!,
    people,
    me: people[0]!,
    context: new RouterContextProvider(),
  };
}
