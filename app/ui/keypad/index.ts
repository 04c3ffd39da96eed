export { Keypad } from "./keypad";
