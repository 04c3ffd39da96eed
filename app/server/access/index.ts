export { guard, slowGuessing } from "./guard";
export { isKnownHost, onlyOwnHosts } from "./hosts";
export { newPairingCode, PAIRING_MS, usePairingCode } from "./pairing";
export { isHere, isOwnName, isPassedOn } from "./proxy";
export { countGuess, guessedRight, waitFor, type Guess } from "./slow";
export { visitorContext, type Visitor } from "./visitor";
