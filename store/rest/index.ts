export {
  CONTAINER_COLUMNS,
  ateChilled,
  checkSeal,
  containersOfRun,
  dispose,
  getContainer,
  promised,
  restingRuns,
  undecided,
  type ContainerNow,
  type Promised,
  type Resting,
  type Undecided,
} from "./rest.ts";
export { checkedSeals, type CheckedContainer } from "./checked.ts";
export { repack } from "./repack.ts";
