export {
  calendarIn,
  isDayOfYear,
  usualSeasonFrom,
  type Calendar,
  type DayOfYear,
  type Season,
} from "./calendar.ts";
export { dayAsked } from "./asked.ts";
export { addDays, dayStarts, localDay } from "./day.ts";
export { isSouth } from "./south.ts";
export { readWall, readWallText, type WallReading, type WallTime } from "./wall.ts";
