export { River } from "./river";
