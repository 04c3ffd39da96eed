import type { benchData } from "./bench.server";

/** What the packing bench is made from. */
export type FillData = ReturnType<typeof benchData>;
export type FillPart = FillData["parts"][number];
