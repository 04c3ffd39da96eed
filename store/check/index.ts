export {
  addTool,
  appendCheck,
  checksOf,
  checksOfRun,
  getTool,
  listTools,
  recordCheck,
  type CheckRecord,
  type Finding,
  type Tool,
  type ToolInput,
  type ToolKind,
} from "./check.ts";
