export { Kept } from "./kept";
