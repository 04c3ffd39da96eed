import { BEFORE } from "./before.ts";
import { FILLING } from "./filling.ts";
import type { Hazard } from "./hazard.ts";
import { SHELF } from "./shelf.ts";
import { STOVE } from "./stove.ts";

export {
  ACTORS,
  HARMS,
  STAGES,
  type Actor,
  type Harm,
  type Hazard,
  type Severity,
  type Stage,
} from "./hazard.ts";

/** Every way this program could lead to harm that we know of, in the order of the work. Held against the code by a test. */
export const HAZARDS: readonly Hazard[] = [...BEFORE, ...FILLING, ...STOVE, ...SHELF];
