export { NowProvider, useNow } from "./now";
export { Countdown, TimeLeft, TimeSince } from "./clock";
