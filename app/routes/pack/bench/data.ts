import type { Route } from "./+types/route";

/** What the packing bench is made from. */
export type FillData = Route.ComponentProps["loaderData"];
export type FillPart = FillData["parts"][number];
