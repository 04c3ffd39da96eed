/** Value of a cookie in a Cookie header; null when it is not there or cannot be read. */
export function cookieOf(header: string | null | undefined, name: string): string | null {
  for (const part of (header ?? "").split(/;\s*/)) {
    const [key, value] = part.split("=");
    if (key !== name || value === undefined) continue;
    try {
      return decodeURIComponent(value);
    } catch {
      // Written by nobody here.
      return null;
    }
  }
  return null;
}

/** Value of a cookie of a request; null when it is not there. */
export function readCookie(request: Request, name: string): string | null {
  return cookieOf(request.headers.get("cookie"), name);
}

/** A Set-Cookie header for a preference kept for a year. */
export function keepCookie(name: string, value: string): string {
  return `${name}=${encodeURIComponent(value)}; Path=/; Max-Age=31536000; SameSite=Lax; HttpOnly`;
}
