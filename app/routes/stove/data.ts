import type { Route } from "./+types/route";

/** What the stove screen is made from. */
export type StoveData = Route.ComponentProps["loaderData"];
