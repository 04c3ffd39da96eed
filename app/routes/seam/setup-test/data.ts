import type { Route } from "./+types/route";

/** What the tear-down sheet is made from. */
export type SetUpData = Route.ComponentProps["loaderData"];
