export { clocksCompared, heardClock, larderTime, pressed, type Press } from "./device-clock";
export { amend, entries, newEntry, onEntries, putDown, takeOff, type Entry } from "./entries";
export { useKeeps } from "./keeps";
export { isSending, keptUntilTaken } from "./forms";
export { listenersOf } from "./listeners";
export { deliver, onSender, senderState, startSending } from "./sender";
export { buildOfPage, lookForNewer, newerWaits, onNewer, reloadAsNewer, takeNewer } from "./install";
export { isLost, reach, useLost } from "./reach";
