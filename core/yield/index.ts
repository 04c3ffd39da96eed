export { expectedKg, learnedYield, type LearnedYield, type YieldCase } from "./learned.ts";
export { TYPICAL_CHANGE, typicalBoneless, typicalCutting, type TypicalStep } from "./typical.ts";
