export { DRILLS, drillOf, type Drill, type DrillKey } from "./drill.ts";
export {
  DEEDS,
  beginDrill,
  applyDeed,
  drillView,
  advanceDrill,
  replayDrill,
  type Deed,
  type DeedKey,
  type DrillState,
} from "./session.ts";
export { markDrill, scoreOfMarks, type Mark } from "./score.ts";
