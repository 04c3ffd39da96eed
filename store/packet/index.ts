export {
  gaugeTestsIn,
  holdsIn,
  recallsIn,
  runsIn,
  sealerTestsIn,
  signedIn,
  type SealerTested,
  type Span,
} from "./packet.ts";
