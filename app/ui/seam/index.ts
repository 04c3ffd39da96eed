export { SeamDrawing } from "./seam-drawing";
export { SeamOutside } from "./seam-outside";
export { SeamRing, type Felt } from "./seam-ring";
export { ControlChart } from "./control-chart";
