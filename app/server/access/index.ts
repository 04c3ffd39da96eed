export { guard, slowGuessing } from "./guard";
export { onlyOwnHosts } from "./hosts";
export { newPairingCode, usePairingCode } from "./pairing";
export { isHere } from "./proxy";
export { countGuess, countSignIn, guessedRight, waitFor, type Guess } from "./slow";
export { visitorContext, type Visitor } from "./visitor";
