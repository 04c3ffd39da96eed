import type { Route } from "./+types/route";

/** What the sealer's page is made from. */
export type SealerData = Route.ComponentProps["loaderData"];
