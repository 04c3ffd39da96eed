export { PressureColumn, type PressureColumnProps } from "./column";
export { PressureBar } from "./bar";
export { Dial } from "./dial";
