import type { restData } from "./rest.server";

/** What the page of the rest is made from. */
export type RestData = ReturnType<typeof restData>;
