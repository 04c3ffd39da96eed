export { ALPHABET } from "./alphabet.ts";
export { bareCode, checkCharacter, isValidCode, withDash } from "./check.ts";
export { codeFor } from "./issue.ts";
export { householdMark, labelUrl, readLabel, type LabelRead } from "./label.ts";
export { readCode, type CodeReading } from "./read.ts";
export { shortHash } from "./short.ts";
