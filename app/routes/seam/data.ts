import type { Route } from "./+types/route";

/** What the bath and the sealer are drawn from. */
export type SeamData = Route.ComponentProps["loaderData"];
export type Can = SeamData["cans"][number];
