export { DRILLS, DRILL_ALTITUDE_M, DRILL_TARGET_PSI, drillOf, type Drill, type DrillKey } from "./drill.ts";
export {
  DEEDS,
  beginDrill,
  doDeed,
  drillView,
  passDrill,
  replayDrill,
  type Deed,
  type DeedKey,
  type DrillState,
} from "./session.ts";
export { markDrill, scoreOfMarks, type Mark } from "./score.ts";
