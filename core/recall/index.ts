export { DOUBTS, alikeIn, type DoubtKind, type Shared } from "./doubt.ts";
