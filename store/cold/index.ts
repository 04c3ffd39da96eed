export {
  addColdEntry,
  addProbeReadings,
  coldEntries,
  coldReadings,
  countColdEntries,
  importColdRows,
  strikeColdEntry,
  type ColdRecord,
  type ProbeReading,
} from "./entry.ts";
export { MOST_BYTES, MOST_ROWS, readLogFile, type LogFile } from "./log-file.ts";
