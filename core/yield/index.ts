export { expectedKg, learnedYield, type LearnedYield, type YieldCase } from "./learned.ts";
export { TYPICAL_CHANGE, typicalCutting, type TypicalStep } from "./typical.ts";
