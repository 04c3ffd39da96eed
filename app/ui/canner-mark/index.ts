export { CannerMark } from "./canner-mark";
