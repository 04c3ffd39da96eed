export { asDer, certificateFor, fingerprintOf, NoCertificate, type Certificate } from "./certificate";
export { isPrivate, larderName, ownNames, type OwnNames } from "./names";
