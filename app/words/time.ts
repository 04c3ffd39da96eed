/** `15:41`, in the household's zone. @param at ms since 1970 UTC */
export function clockTime(at: number, zone: string): string {
  return new Intl.DateTimeFormat("en-GB", { timeZone: zone, hour: "2-digit", minute: "2-digit" }).format(at);
}

/** `15:41:07`. */
export function clockSeconds(at: number, zone: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    hour: "2-digit",
    minute: "2-digit",
    second: "2-digit",
  }).format(at);
}

/** Local day, `2026-11-20`. */
export function localDay(at: number, zone: string): string {
  return new Intl.DateTimeFormat("sv-SE", {
    timeZone: zone,
    year: "numeric",
    month: "2-digit",
    day: "2-digit",
  }).format(at);
}

/** `20 November 2026`. */
export function longDay(at: number, zone: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    day: "numeric",
    month: "long",
    year: "numeric",
  }).format(at);
}

/** `20 Nov 2026` from a local day `2026-11-20`. */
export function dayWords(day: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    timeZone: "UTC",
    day: "numeric",
    month: "short",
    year: "numeric",
  }).format(Date.parse(day));
}

/** `today 15:41`, `tomorrow 09:10`, `Sat 21 Nov, 09:10`. */
export function whenWords(at: number, now: number, zone: string): string {
  const day = localDay(at, zone);
  const time = clockTime(at, zone);
  if (day === localDay(now, zone)) return time;
  if (day === localDay(now + 86_400_000, zone)) return `tomorrow ${time}`;
  if (day === localDay(now - 86_400_000, zone)) return `yesterday ${time}`;
  // Put together by hand: not every browser and server agree on the comma after a weekday.
  const parts = new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    weekday: "short",
    day: "numeric",
    month: "short",
  });
  const part = (type: string) => parts.formatToParts(at).find((p) => p.type === type)?.value;
  return `${part("weekday")} ${part("day")} ${part("month")}, ${time}`;
}

/** An instant as a field for day and time wants it, `2026-11-20T14:05`, in the household's zone. */
export function fieldTime(at: number, zone: string): string {
  return `${localDay(at, zone)}T${clockTime(at, zone)}`;
}
