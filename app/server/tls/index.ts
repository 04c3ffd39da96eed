// What makes certificates is not exported here: it brings a library along that a larder on this machine alone never needs,
// and is loaded by what listens on the network.
export type { Certificate } from "./certificate";
export { isPrivate, larderName, ownNames, type OwnNames } from "./names";
export { asDer, fingerprintOf } from "./show";
