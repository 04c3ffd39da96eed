import { createContext } from "react-router";
import type { Reach } from "#core/guard";

/** Who asks, as the server knows before any page does. */
export interface Visitor {
  /** the screen or instrument, as the history names it */
  device: string;
  /** name of the token it showed; null for a screen, and for a program that needs none here */
  token: string | null;
  /** address it asks from */
  ip: string;
  /** how far the device may go, whoever uses it */
  may: Reach;
  /** has not said the passphrase, where one is asked for */
  outside: boolean;
  /** the larder is served to the kitchen's network, not to this machine alone */
  network: boolean;
}

export const visitorContext = createContext<Visitor>();

/** A screen by what its browser says of itself: enough to tell the tablet from the telephone in the history. */
export function screenName(userAgent: string | undefined): string {
  const ua = userAgent ?? "";
  const browser = (/(Edg|OPR|Firefox|Chrome|Safari)\//.exec(ua)?.[1] ?? "")
    .replace("Edg", "Edge")
    .replace("OPR", "Opera");
  const system = ["iPhone", "iPad", "Android", "Windows", "Mac OS", "CrOS", "Linux"].find((s) =>
    ua.includes(s),
  );
  return [browser || "A program", system].filter(Boolean).join(" on ");
}
