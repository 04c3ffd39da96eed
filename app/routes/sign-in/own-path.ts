/** Stands for this larder, so that an address can be told from one that leaves it. */
const HERE = "http://larder.invalid";

/**
 * A path of our own to go back to; Today for anything else, and never an address elsewhere. Browsers pass over tabs and line
 * ends in an address and take a backslash for a slash, so what holds any of them is none of ours.
 */
export function ownPath(path: string | null): string {
  if (!path?.startsWith("/") || /[\p{Cc}\\]/u.test(path) || !URL.canParse(path, HERE)) return "/";
  const { origin, pathname, search, hash } = new URL(path, HERE);
  if (origin !== HERE || pathname.startsWith("//") || pathname.startsWith("/enter")) return "/";
  return `${pathname}${search}${hash}`;
}
