export { PressureColumn, type PressureColumnProps } from "./column";
export { Dial } from "./dial";
