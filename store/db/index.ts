export { backUp, openLarder, type Larder } from "./larder.ts";
export { Refused, refuse } from "./refused.ts";
export { issueCode, once, type AuditNote, type Write } from "./once.ts";
