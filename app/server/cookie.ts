/** Value of a cookie of a request; null when it is not there. */
export function readCookie(request: Request, name: string): string | null {
  for (const part of (request.headers.get("cookie") ?? "").split(/;\s*/)) {
    const [key, value] = part.split("=");
    if (key === name && value !== undefined) return decodeURIComponent(value);
  }
  return null;
}

/** A Set-Cookie header for a preference kept for a year. */
export function keepCookie(name: string, value: string): string {
  return `${name}=${encodeURIComponent(value)}; Path=/; Max-Age=31536000; SameSite=Lax; HttpOnly`;
}
