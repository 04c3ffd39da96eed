export { epcisDocument, epcisEvents, type EpcisEvent } from "./events.ts";
