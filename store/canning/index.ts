export { benchInHand, getCanning, lastCanning, openCannings, type Canning } from "./canning.ts";
export { beginCanning, beginWithNew, type CanningBegun, type NewFood } from "./begin.ts";
export { chooseJars, endFilling, repeatCanning, startFilling, type JarsChosen } from "./fill.ts";
export { closeCanning, sayChecked, sayStep } from "./say.ts";
export type { CanningWork } from "../schema/index.ts";
