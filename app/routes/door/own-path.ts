/** A path of our own to go back to; Today for anything else, and never an address elsewhere. */
export function ownPath(path: string | null): string {
  return path && /^\/(?![/\\])/.test(path) && !path.startsWith("/enter") ? path : "/";
}
