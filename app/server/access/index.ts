export { guard, slowGuessing } from "./guard";
export { isOwnName, isPassedOn } from "./proxy";
export { countGuess, guessedRight, waitFor, type Guess } from "./slow";
export { visitorContext, type Visitor } from "./visitor";
