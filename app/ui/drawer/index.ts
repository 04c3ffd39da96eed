export { Drawer, useLast } from "./drawer";
