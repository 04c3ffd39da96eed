import { href } from "react-router";
import { byDanger, type Waiting } from "#core/agenda";
import { RUN_STEPS } from "#core/canning";
import { CLOSE_WITHIN_MIN, INTO_CANNER_WITHIN_MIN } from "#core/exhaust";
import { FILLED_WAIT_MINUTES, refrigeratorDays } from "#core/lot";
import { DAY_MS, MINUTE_MS, countOf, formatMassShort } from "#core/quantity";
import { dialStanding, isCan } from "#core/schedule";
import { listCanners } from "#store/equipment";
import { listRecalls } from "#store/recall";
import { isFit } from "#store/seam";
import { flaggedByStorage } from "#store/shelf";
import { lidsOrEnds } from "../../words/container";
import { containersWords, loadWords, cutWords } from "../../words/load";
import { whenWords, type Times, timesOf } from "../../words/time";
import { STEP_NAMES } from "../../words/guided";
import { secondPlaceTrouble } from "../../server/backups";
import { cannings } from "../canning/canning.server";
import { coldTasks } from "./cold-tasks.server";
import { guideTasks } from "./guide-tasks.server";
import type { Home } from "../../server/context";
import { snapshot, type Snapshot } from "../shell/snapshot.server";
import { foundInPast } from "../../server/verified";
import { FILLED_TIME } from "../../words/safety";

/** One thing that waits, beside the runs: where it is done, what and why. */
export interface Task extends Waiting {
  to: string;
  title: string;
  why: string;
}

/** Meat in the refrigerator is spoken of this long before its days are over, ms. */
const SOON_MS = DAY_MS;

/** Everything that waits to be done, the most dangerous first, then by its hour. */
export function tasksOf(home: Home): Task[] {
  const look = snapshot(home);
  const tasks = byDanger([
    ...records(home),
    ...aside(home),
    ...storage(home),
    ...chilled(look, timesOf(home.household)),
    ...filledWaiting(look),
    ...hotCans(look),
    ...inRefrigerator(look, timesOf(home.household)),
    ...holds(look),
    ...guideTasks(home),
    ...guided(home),
    ...work(home, look),
  ]);
  return tasks.length > 0
    ? tasks
    : [
        {
          danger: "work",
          at: null,
          to: href("/can"),
          title: "Can something",
          why: "Say what you have. You are guided from there to the shelf, one step at a time.",
        },
      ];
}

/** What is wrong with the records themselves, and with what would save them. */
function records({ larder }: Home): Task[] {
  const tasks: Task[] = [];
  const [found] = foundInPast();
  if (found)
    tasks.push({
      danger: "unsafe",
      at: null,
      to: `${href("/records/history")}?verify=1`,
      title: "The records were changed outside this program",
      why: `${found} Do not rely on them until you know what changed.`,
    });
  const overdue = secondPlaceTrouble(larder);
  if (overdue)
    tasks.push({
      danger: "deadline",
      at: null,
      to: href("/records/backups"),
      title: "Bring a backup to the second place",
      why: overdue,
    });
  return tasks;
}

function aside({ larder }: Home): Task[] {
  const recalls = listRecalls(larder).filter((r) => r.still > 0);
  if (recalls.length === 0) return [];
  const still = recalls.reduce((n, r) => n + r.still, 0);
  return [
    {
      danger: "unsafe",
      at: null,
      to:
        recalls.length === 1 ? href("/larder/recalls/:id", { id: recalls[0]!.id }) : href("/larder/recalls"),
      title: `Do not eat ${countOf(still, "container")}: recalled`,
      why: `${recalls.map((r) => r.reason).join("; ")}. Nobody eats or gives them away.`,
    },
  ];
}

function storage({ larder }: Home): Task[] {
  const flagged = flaggedByStorage(larder);
  if (flagged.length === 0) return [];
  const kinds = [...new Map(flagged.map((f) => [f.id, f.kind])).values()];
  const { room, event } = flagged[0]!;
  return [
    {
      danger: "unsafe",
      at: null,
      to: href("/larder"),
      title: `Look at ${countOf(kinds.length, "container")}: ${room} ${event.kind === "frozen" ? "froze" : "was hot"}`,
      why: `${event.kind === "frozen" ? "Ice breaks seals." : "Heat spoils food in a sound container."} Check ${lidsOrEnds(kinds)} before anyone eats them.`,
    },
  ];
}

/** Jars sent to the refrigerator keep their clock when it is over: then they are thrown out, and not forgotten. */
function chilled({ owed, now }: Snapshot, times: Times): Task[] {
  return owed
    .filter((p) => p.disposition === "chill" && p.dispositionDue !== null)
    .map((p): Task => {
      const over = now > p.dispositionDue!;
      return {
        danger: over ? "unsafe" : "deadline",
        at: p.dispositionDue,
        to: href("/rest"),
        title: over
          ? `Throw out ${p.code} from the refrigerator`
          : `Eat ${containersWords(p.kind, p.mouth, 1)} ${p.code} from the refrigerator`,
        why: over
          ? `Its days there ended ${whenWords(p.dispositionDue!, now, times)}. Do not taste it.`
          : `By ${whenWords(p.dispositionDue!, now, times)}.`,
      };
    });
}

/** When the oldest containers that wait for a burner have to be on it, ms; null when none waits. */
export function waitEnds({ filledAt }: Pick<Snapshot, "filledAt">): number | null {
  return filledAt === null ? null : filledAt + FILLED_WAIT_MINUTES * MINUTE_MS;
}

function filledWaiting(look: Snapshot): Task[] {
  const ends = waitEnds(look);
  if (ends === null) return [];
  const over = look.now > ends;
  return [
    {
      danger: over ? "unsafe" : "deadline",
      at: ends,
      to: href("/fire"),
      title: over ? `Filled jars have waited over ${FILLED_TIME}` : "Light the burner for the filled jars",
      why: over
        ? "Food in a jar or can does not keep at room temperature. Refrigerate it now, or go ahead anyway and write why."
        : `Filled jars and cans may wait ${FILLED_TIME} from the first one filled.`,
    },
  ];
}

function hotCans({ cans, now }: Snapshot): Task[] {
  const hot = cans.filter((c) => c.stage === "hot");
  const closed = cans.filter((c) => c.stage === "closed" && c.seam);
  const tasks: Task[] = [];
  if (hot.length)
    tasks.push({
      danger: "deadline",
      at: Math.min(...hot.map((c) => c.closeBy ?? now)),
      to: href("/seam"),
      title: `Seam ${countOf(hot.length, "hot can")} now`,
      why: `A can at 170 °F (77 °C) is closed within ${CLOSE_WITHIN_MIN} minutes; then it has to be heated again.`,
    });
  if (closed.length)
    tasks.push({
      danger: "deadline",
      at: Math.min(...closed.map((c) => c.seam!.at)) + INTO_CANNER_WITHIN_MIN * MINUTE_MS,
      to: href("/fire"),
      title: `Put ${countOf(closed.length, "closed can")} into the canner`,
      why: "They go in hot: within an hour of seaming.",
    });
  return tasks;
}

function inRefrigerator({ lots, now }: Snapshot, times: Times): Task[] {
  return lots.flatMap((l): Task[] => {
    if (l.kept !== "fridge" || l.freshUntil === null || l.freshUntil - now > SOON_MS) return [];
    const name = `${cutWords(l.part, l.species).toLowerCase()}, lot ${l.code}`;
    const over = now > l.freshUntil;
    const days = refrigeratorDays(l.form, l.treatments);
    return [
      {
        danger: over ? "unsafe" : "deadline",
        at: l.freshUntil,
        to: href("/cold/:code", { code: l.code }),
        title: over ? `Do not can ${name}` : `Can or freeze ${name}`,
        why: over
          ? `Its ${days} days in the refrigerator ended ${whenWords(l.freshUntil, now, times)}. If the records are wrong, write where it really was.`
          : `${days} days in the refrigerator end ${whenWords(l.freshUntil, now, times)}.`,
      },
    ];
  });
}

function holds({ lots }: Snapshot): Task[] {
  const held = lots.filter((l) => l.holds.length > 0);
  if (held.length === 0) return [];
  return [
    {
      danger: "hold",
      at: null,
      to: href("/cold/:code", { code: held[0]!.code }),
      title: `${countOf(held.length, "lot")} on hold: do not use`,
      why: [...new Set(held.flatMap((l) => l.holds))].join("; "),
    },
  ];
}

/** Guided cannings under way. What is on a burner or rests is told by its run. */
function guided(home: Home): Task[] {
  return cannings(home)
    .filter(({ step }) => !(RUN_STEPS as readonly string[]).includes(step!.key) && step!.key !== "rest")
    .map((c) => ({
      danger: "work",
      at: null,
      to: href("/can/:id", { id: c.canning.id }),
      title: `Continue: ${c.title}`,
      why: `Step ${c.steps.indexOf(c.step!) + 1} of ${c.steps.length}: ${STEP_NAMES[c.step!.key]}.`,
    }));
}

/** The rest of the work: what is ready for its next step. */
function work(home: Home, { now, waiting, lots, shelf, ready, cans, uncut }: Snapshot): Task[] {
  const { larder, household } = home;
  const tasks: Task[] = [];
  const add = (to: string, title: string, why: string) =>
    tasks.push({ danger: "work", at: null, to, title, why });
  if (ready.length)
    add(
      href("/larder"),
      `Shelve ${countOf(ready.length, "container")}`,
      "Sealed and marked, they only wait for a place.",
    );
  const filling = waiting.filter((p) => p.onBench !== null);
  for (const benchId of new Set(filling.map((p) => p.onBench!)))
    add(
      href("/pack/:id", { id: benchId }),
      `Continue filling: ${loadWords(filling.filter((p) => p.onBench === benchId))} so far`,
      "The load is still on the packing bench.",
    );
  const packed = waiting.filter((p) => p.onBench === null);
  const closed = cans.filter(isFit).length;
  // Cans and jars never share a run, so they are never suggested as one load.
  for (const load of [packed.filter((p) => isCan(p.container)), packed.filter((p) => !isCan(p.container))]) {
    if (load.length === 0) continue;
    if (isCan(load[0]!.container))
      add(
        href("/seam"),
        `Load ${loadWords(load)}`,
        closed < cans.length ? `${closed} of ${cans.length} are closed.` : "All closed and hot.",
      );
    else add(href("/fire"), `Load ${loadWords(load)}`, "Packed and waiting for a canner.");
  }
  for (const t of coldTasks(lots, now, timesOf(household))) add(t.to, t.title, t.why);
  const next = lots.find((l) => l.notPackable === null);
  if (next)
    add(
      `${href("/pack")}?lot=${next.id}`,
      `Pack ${cutWords(next.part, next.species).toLowerCase()}, lot ${next.code}`,
      `${formatMassShort(next.leftKg, household.units)} in the ${next.kept}, ${lots.length === 1 ? "the only lot" : `the oldest of ${lots.length} lots`}.`,
    );
  if (uncut > 0)
    add(
      href("/table"),
      uncut === 1 ? "Cut the animal or catch" : `Cut the ${uncut} animals or catches`,
      "No lot was made of it yet.",
    );
  for (const c of listCanners(larder)) {
    const standing = dialStanding(c.gauges, now);
    if (!["overdue", "untested", "replace"].includes(standing) || c.gauges.weightPiecesPsi.length > 0)
      continue;
    add(
      href("/shed"),
      standing === "replace" ? `Replace the dial gauge of ${c.name}` : `Have the gauge of ${c.name} tested`,
      {
        replace: "It reads more than 1 lb high or 2 lb low.",
        untested: "It was never tested.",
        overdue: "Its last test is more than a year old.",
      }[standing as "replace" | "untested" | "overdue"],
    );
  }
  const { oldest } = shelf;
  if (shelf.past > 0 && oldest)
    add(
      href("/larder/open/:code", { code: oldest.code }),
      `Eat ${cutWords(oldest.part, oldest.species).toLowerCase()}, ${oldest.code}`,
      `${countOf(shelf.past, "container")} past best-by; this is the oldest.`,
    );
  return tasks;
}
