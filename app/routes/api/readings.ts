import { type z } from "zod";
import type { Route } from "./+types/readings";
import { CLOCK_SLACK_MS } from "#core/run";
import { formatDuration, kPaFromPsi } from "#core/quantity";
import { runIdOf, takeReadings, type SentReading } from "#store/run";
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
    const runId = runIdOf(larder, params.id);
    const off = sentAt === undefined ? 0 : Date.parse(sentAt) - larder.now();
    if (Math.abs(off) > CLOCK_SLACK_MS)
      return problem(422, "The clock of whatever sent this is wrong.", [
        {
          field: "sentAt",
          message: `It is ${formatDuration(Math.abs(off) / 1000)} ${off > 0 ? "fast" : "slow"}. Set it, and send these again with their right times.`,
        },
      ]);
    const { good, bad } = sortOut(readings);
    const { accepted, duplicates, refused, view } = takeReadings(larder, runId, good, gauge);
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

type Refusal = z.output<typeof ReadingsAnswer>["refused"][number];

/** Readings that are readings, in SI; and what is wrong with the others, one reason each. */
function sortOut(readings: readonly unknown[]): { good: SentReading[]; bad: Refusal[] } {
  const good: SentReading[] = [];
  const bad: Refusal[] = [];
  readings.forEach((sent, index) => {
    const parsed = Reading.safeParse(sent);
    if (parsed.success) {
      const { id, at, gaugePsi, gaugeKPa, tempC } = parsed.data;
      const kPa = gaugeKPa ?? (gaugePsi === undefined ? undefined : kPaFromPsi(gaugePsi));
      good.push({ index, id, at: Date.parse(at), gaugeKPa: kPa, tempC });
      return;
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
  });
  return { good, bad };
}

/** The name by which the sender knows the pressure. */
function fieldAsSent(sent: unknown, field: string): string {
  return field === "gaugeKPa" && (sent as { gaugePsi?: unknown }).gaugePsi !== undefined ? "gaugePsi" : field;
}
