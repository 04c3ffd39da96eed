export { Strip, type StripClock } from "./strip";
