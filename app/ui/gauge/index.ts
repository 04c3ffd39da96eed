export { PressureColumn, type PressureColumnProps } from "./column";
