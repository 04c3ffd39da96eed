export { likelyRisks } from "./likely.ts";
export { DOUBTS, sharedScopes, type DoubtKind, type Shared } from "./doubt.ts";
