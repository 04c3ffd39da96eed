export {
  hasPassphrase,
  hasPin,
  isPassphrase,
  isPin,
  isProof,
  proofOf,
  setPassphrase,
  setPin,
  SHORTEST_PASSPHRASE,
} from "./secret.ts";
export { matchesHash, passphraseHashIn } from "./elsewhere.ts";
export {
  endSession,
  isSignedIn,
  knownSession,
  listSessions,
  openSession,
  pairDevice,
  SESSION_MS,
  type Session,
} from "./session.ts";
export {
  isRunOf,
  issueToken,
  knownToken,
  listTokens,
  RIGHTS,
  revokeToken,
  type Right,
  type Token,
} from "./token.ts";
