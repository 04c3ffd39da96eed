export { backUp, openLarder, type Larder } from "./larder.ts";
export { Refused, refuse } from "./refused.ts";
export { issueCode, once, type AuditNote, type Write } from "./once.ts";
export { keptWhile, movementStamp } from "./kept.ts";
export { onBehalfOf, scopeNow, type Scope } from "./scope.ts";
export { chainsOf, linesOf, type Chain } from "./chain.ts";
export { unsoundness } from "./sound.ts";
