export {
  historyCode,
  processRecord,
  type HistoryCode,
  type PressureTrace,
  type ProcessRecord,
} from "./facts";
export { recordPdf } from "./pdf";
