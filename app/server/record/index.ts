export { processRecord, type PressureTrace, type ProcessRecord } from "./facts";
export { recordPdf } from "./pdf";
