import { DateTime } from "luxon";

/** How days are written by hand, month first and day first. */
const MONTHS = ["LLL", "LLLL"];
const WITHOUT_YEAR = {
  us: ["M/d", "M-d", ...MONTHS.map((m) => `${m} d`)],
  metric: ["d/M", "d.M.", "d.M", ...MONTHS.map((m) => `d ${m}`)],
};
const withYear = (format: string) => {
  const [mark = " "] = /[/.-]/.exec(format) ?? [];
  const day = format.replace(/\.$/, "");
  return [[day, "yyyy"].join(mark), [day, "yy"].join(mark), [day, "yyyy"].join(", ")];
};
const WRITTEN = { us: WITHOUT_YEAR.us.flatMap(withYear), metric: WITHOUT_YEAR.metric.flatMap(withYear) };

/**
 * Returns the local day a text names, as `2026-11-20`; null where it names none. Names of months are read in either
 * order; numbers as the household writes them. Without a year it is the last such day.
 *
 * @param dates `us`: 11/20/2026; `metric`: 20.11.2026
 * @param today local day, `2026-11-26`
 */
export function dayAsked(text: string, dates: "us" | "metric", today: string): string | null {
  const asked = text
    .trim()
    .toLowerCase()
    .replace(/\s+/g, " ")
    .replace(/sept\b/, "sep");
  const now = DateTime.fromISO(today, { zone: "utc" });
  if (asked === "today") return today;
  if (asked === "yesterday") return now.minus({ days: 1 }).toISODate();
  const other = dates === "us" ? "metric" : "us";
  const named = (list: readonly string[]) => list.filter((f) => f.includes("L"));
  const read = (formats: readonly string[]) =>
    formats
      .map((f) => DateTime.fromFormat(asked, f, { zone: "utc", locale: "en-US" }))
      .find((d) => d.isValid);
  const full = read(["yyyy-MM-dd", ...WRITTEN[dates], ...named(WRITTEN[other])]);
  if (full) return full.toISODate();
  const part = read([...WITHOUT_YEAR[dates], ...named(WITHOUT_YEAR[other])]);
  if (!part) return null;
  const lately = part.set({ year: now.year });
  return (lately > now ? lately.minus({ years: 1 }) : lately).toISODate();
}
