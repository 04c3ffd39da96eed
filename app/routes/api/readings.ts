import type { z } from "zod";
import type { Route } from "./+types/readings";
import { CLOCK_SLACK_MS, UNNAMED } from "#core/run";
import { formatDuration, kPaFromPsi } from "#core/quantity";
import type { Larder } from "#store/db";
import { runIdOf, takeReadings, type SentReading } from "#store/run";
import { visitorContext, type Visitor } from "../../server/access";
import { shownBySender } from "../../server/clock";
import { larderContext } from "../../server/context";
import { answering, json, posted, problem } from "./problem";
import { Reading, ReadingsAnswer, ReadingsBody } from "./reading-schemas";

export function loader() {
  return problem(405, "Readings are posted here, not read. GET the run itself.");
}

/**
 * A batch of readings from a gauge or thermometer. Each is taken, known already, or refused with its reason; when none
 * could be taken the answer is 422 and names each field.
 */
export function action({ request, params, context }: Route.ActionArgs) {
  return answering(async () => {
    const larder = context.get(larderContext);
    const { readings, gauge, sentAt } = await posted(request, ReadingsBody);
    // Looking at thousands of readings takes a while: what they are compared with is the moment they arrived.
    const heardAt = larder.now();
    const runId = runIdOf(larder, params.id);
    const shown = sentAt === undefined ? null : shownBySender(Date.parse(sentAt));
    const off = shown === null ? 0 : shown - heardAt;
    if (Math.abs(off) > CLOCK_SLACK_MS)
      return problem(422, "The clock of whatever sent this is wrong.", [
        {
          field: "sentAt",
          message: `It is ${formatDuration(Math.abs(off) / 1000)} ${off > 0 ? "fast" : "slow"}. Set it, and send these again with their right times.`,
        },
      ]);
    const { good, bad } = await sortOut(readings);
    const { accepted, duplicates, refused, view } = await takeInTurns(larder, runId, good, {
      source: gauge ?? nameOf(context.get(visitorContext)),
      sentAt: shown,
      heardAt,
    });
    const all = [
      ...bad,
      ...refused.map((r) => ({ ...r, field: fieldAsSent(readings[r.index], r.field) })),
    ].sort((a, b) => a.index - b.index);
    if (accepted + duplicates === 0)
      return problem(
        422,
        "None of these readings could be taken.",
        all.map((r) => ({ field: `readings.${r.index}.${r.field}`, message: r.reason })),
      );
    return json(
      ReadingsAnswer.parse({
        accepted,
        duplicates,
        refused: all,
        state: {
          phase: view.phase,
          finishAt: view.finishAt === null ? null : new Date(view.finishAt).toISOString(),
          restarts: view.restarts,
        },
      }),
    );
  });
}

/** So many are looked at or written before others get their turn: a few ms of work. */
const AT_ONCE = 50;
const othersTurn = () => new Promise<void>((done) => setImmediate(done));

/** Takes readings in their order, some at a time. What was taken stays taken, whatever becomes of the rest. */
async function takeInTurns(
  larder: Larder,
  runId: string,
  readings: readonly SentReading[],
  { source, sentAt, heardAt }: { source: string; sentAt: number | null; heardAt: number },
) {
  const ordered = [...readings].sort((a, b) => a.at - b.at || a.index - b.index);
  let taken = takeReadings(larder, runId, ordered.slice(0, AT_ONCE), source, sentAt, heardAt);
  let [accepted, duplicates] = [taken.accepted, taken.duplicates];
  const refused = [...taken.refused];
  for (let i = AT_ONCE; i < ordered.length; i += AT_ONCE) {
    await othersTurn();
    taken = takeReadings(larder, runId, ordered.slice(i, i + AT_ONCE), source, sentAt, heardAt);
    accepted += taken.accepted;
    duplicates += taken.duplicates;
    refused.push(...taken.refused);
  }
  return { accepted, duplicates, refused, view: taken.view };
}

/** Every instrument has a name: one that gives none is known by its token, or by where it sends from. */
function nameOf({ token, ip }: Visitor): string {
  return token ?? `${UNNAMED} at ${ip.replace(/^::ffff:/, "")}`;
}

type Refusal = z.output<typeof ReadingsAnswer>["refused"][number];

/** Readings that are readings, in SI; and what is wrong with the others, one reason each. */
async function sortOut(readings: readonly unknown[]): Promise<{ good: SentReading[]; bad: Refusal[] }> {
  const good: SentReading[] = [];
  const bad: Refusal[] = [];
  for (const [index, sent] of readings.entries()) {
    if (index > 0 && index % AT_ONCE === 0) await othersTurn();
    const parsed = Reading.safeParse(sent);
    if (parsed.success) {
      const { id, at, gaugePsi, gaugeKPa, tempC } = parsed.data;
      const kPa = gaugeKPa ?? (gaugePsi === undefined ? undefined : kPaFromPsi(gaugePsi));
      good.push({ index, id, at: Date.parse(at), gaugeKPa: kPa, tempC });
      continue;
    }
    const [issue] = parsed.error.issues;
    const id = (sent as { id?: unknown } | null)?.id;
    const unknown = issue!.code === "unrecognized_keys" ? issue!.keys.join(", ") : null;
    bad.push({
      index,
      id: typeof id === "string" ? id.slice(0, 100) : "",
      field: unknown ?? issue!.path.join("."),
      reason: unknown ? "This key is not known here." : issue!.message,
    });
  }
  return { good, bad };
}

/** The name by which the sender knows the pressure. */
function fieldAsSent(sent: unknown, field: string): string {
  return field === "gaugeKPa" && (sent as { gaugePsi?: unknown }).gaugePsi !== undefined ? "gaugePsi" : field;
}
