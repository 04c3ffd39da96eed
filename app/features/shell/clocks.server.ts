import { href } from "react-router";
import type { Due } from "#core/agenda";
import type { StripClock } from "#ui/strip";
import type { Snapshot } from "./snapshot.server";
import { pressing, type RunGlance } from "./places.server";
import { waitEnds } from "../tasks/tasks.server";

/** A clock of the strip, and what it is sorted by, the lowest first: its instant, or 0 when something is to be done now. */
type Sorted = StripClock & { order: number };

/** Every running clock, for the strip on every page, the most urgent first. */
export function clocksOf(
  runs: readonly RunGlance[],
  look: Pick<Snapshot, "open" | "owed" | "now" | "filledAt">,
): StripClock[] {
  const { open, owed, now } = look;
  const clocks = runs.map((r): Sorted => {
    const due = r.agenda[0];
    const [until, after] = clockWords(r, due);
    return {
      order: pressing(r, now),
      id: r.id,
      href: r.view.phase === "resting" ? href("/rest") : href("/fire/:code", { code: r.code }),
      label: r.view.phase === "resting" ? `Run ${r.code}` : r.canner,
      until,
      after,
      alarm:
        r.view.alarm === "below-target" || r.view.alarm === "over-pressure" || r.view.alarm === "unwatched",
    };
  });
  const soonest = open
    .map((u) => u.decideBy)
    .filter((at) => at > now)
    .sort((a, b) => a - b)[0];
  if (soonest)
    clocks.push({
      order: soonest,
      id: "undecided",
      href: href("/rest"),
      label: "Failed seal",
      until: soonest,
      after: "left to decide",
      alarm: false,
    });
  for (const [what, label, after] of [
    ["repack", "Reprocess", "to be in a canner"],
    ["chill", "In the refrigerator", "to be eaten"],
  ] as const) {
    // One whose time is over does not vanish: it is the one to throw out.
    const due = owed.find((p) => p.disposition === what && p.dispositionDue !== null);
    if (!due) continue;
    const over = due.dispositionDue! <= now;
    clocks.push({
      order: over ? -1 : due.dispositionDue!,
      id: what,
      href: href("/rest"),
      label,
      until: over ? null : due.dispositionDue,
      after: over ? `${due.code}: too late, throw it out` : after,
      alarm: over,
    });
  }
  const filled = waitEnds(look);
  if (filled !== null)
    clocks.push({
      order: filled > now ? filled : -1,
      id: "filled",
      href: href("/fire"),
      label: "Filled",
      until: filled > now ? filled : null,
      after: filled > now ? "to light the burner" : "food waited too long for the burner",
      alarm: filled <= now,
    });
  return clocks.sort((a, b) => a.order - b.order).map(({ order: _, ...clock }) => clock);
}

function clockWords(r: RunGlance, due: Due | undefined): [number | null, string] {
  if (r.view.alarm === "below-target") return [null, "below target: bring it back"];
  switch (due?.task) {
    case "weight-on":
      return r.view.vent.doneAt !== null ? [null, "vented: weight on now"] : [due.at, "of venting left"];
    case "heat-off":
      return r.view.completedAt !== null ? [null, "done: heat off now"] : [due.at, "left at pressure"];
    case "lid-off":
      return [due.at, "until the lid may come off"];
    case "check":
      return due.at !== null && due.at <= r.view.now ? [null, "ready to check"] : [due.at, "more to rest"];
    case "zero":
      return [null, "cooling, do not touch"];
    case "steam-again":
      return [null, "steam is not steady"];
    case undefined:
      return [null, ""];
    default:
      return [
        null,
        {
          light: "not lit",
          steam: "warming up",
          "reach-target": "coming up to pressure",
          "weight-off": "pressure down: weight off",
          unload: "unload it",
        }[due!.task as string] ?? "",
      ];
  }
}
