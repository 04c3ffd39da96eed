import type { RowStanding } from "#core/guide";
import type { Confirmation, ScheduledProcess } from "#core/schedule";
import { longDay, type Times } from "./time";

/** A source in one line, with whether it was compared: on records, labels of histories and PDFs. */
export function sourceWords(
  { source, confirmation }: Pick<ScheduledProcess, "source" | "confirmation">,
  times: Times | null,
): string {
  if (confirmation) return `${source.name}, ${source.locator}. ${confirmationWords(confirmation, times)}`;
  return `${source.name}, ${source.locator}${source.fromMemory ? " (from memory)" : ""}.`;
}

/** How a row stands, in a few words. */
export function standingWords({
  state,
  two,
  current,
}: Pick<RowStanding, "state" | "two" | "current">): string {
  switch (state) {
    case "unchecked":
      return "Not compared";
    case "again":
      return "Compare again: you have a newer edition";
    case "stopped":
      return "Stopped: decide";
    case "confirmed":
      return two ? "Confirmed by two" : `Confirmed by ${current.at(-1)?.byName ?? "somebody"}`;
  }
}

/** What a process says of its having been compared: `Confirmed against your copy by Oda on November 26, 2026 (…)`. */
export function confirmationWords({ by, two, own, kept }: Confirmation, times: Times | null): string {
  const each = by.map(
    (b) =>
      `${b.name}${times ? ` on ${longDay(b.at, times)}` : ""} (${b.guide}, ${b.edition}, page ${b.page})`,
  );
  const also = [
    ...(own ? [`From your copy: ${own.join("; ")}.`] : []),
    ...(kept ? [`Your copy has it differently, and the table is used: ${kept.join("; ")}.`] : []),
  ];
  return [`Confirmed against your copy${two ? " by two" : ""}: ${each.join("; ")}.`, ...also].join(" ");
}
