export { Scanner } from "./scanner";
