export {
  beginCanning,
  chooseJars,
  closeCanning,
  endFilling,
  getCanning,
  lastCanning,
  openCannings,
  sayChecked,
  sayStep,
  startFilling,
  type Canning,
  type JarsChosen,
} from "./canning.ts";
export type { CanningWork } from "../schema/index.ts";
