import type { Request, Response } from "express";
import { SESSION_MS } from "#store/access";
import { cookieOf } from "../cookie";

/** Value of a cookie of a request as the server has it; null when it is not there, or empty. */
export function cookieIn(req: Request, name: string): string | null {
  return cookieOf(req.headers.cookie, name)?.slice(0, 100) || null;
}

/**
 * The header by which a screen keeps its key. Not marked “Secure”: a kitchen's network has no certificates; whoever puts
 * one before the larder can have their proxy add the mark.
 */
export const inCookie = (key: string) =>
  `in=${key}; Path=/; Max-Age=${SESSION_MS / 1000}; SameSite=Lax; HttpOnly`;

export function setInCookie(res: Response, key: string): void {
  res.append("Set-Cookie", inCookie(key));
}
