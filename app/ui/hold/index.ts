export { HoldPanel, type HoldShown } from "./hold-panel";
