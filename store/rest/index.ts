export {
  CONTAINER_COLUMNS,
  finishDisposition,
  checkSeal,
  containersOfRun,
  dispose,
  getContainer,
  pendingDispositions,
  restingRuns,
  undecided,
  type ContainerNow,
  type Promised,
  type Resting,
  type Undecided,
} from "./rest.ts";
export { checkedSeals, type CheckedContainer } from "./checked.ts";
export { checkAllSealed, disposeAll } from "./all.ts";
export { reprocess } from "./repack.ts";
