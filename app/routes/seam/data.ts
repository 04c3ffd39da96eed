import type { seamData } from "./seam.server";

/** What the bath and the sealer are drawn from. */
export type SeamData = ReturnType<typeof seamData>;
export type Can = SeamData["cans"][number];
