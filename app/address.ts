import type { href } from "react-router";

/** An address of this program that nothing has to be put into: a wrong one does not compile. */
export type Address = Exclude<Parameters<typeof href>[0], `${string}:${string}` | `${string}*`>;
