import { useForm, type SubmissionResult } from "@conform-to/react";
import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { Form, Link, useNavigation } from "react-router";
import { formatPressure } from "#core/quantity";
import { whyNot, type RunEventType, type RunView } from "#core/run";
import { Button } from "#ui/button";
import { KeyedForm, FormErrors, TextField } from "#ui/form";
import { EVENT_WORDS } from "../../words/run";
import { clockTime } from "../../words/time";
import { type StoveData } from "./data";

interface Tap {
  type: RunEventType;
  label: string;
}

/** The buttons that fit where the run is: the usual one first and heaviest. */
function tapsFor(view: RunView, floor: string, weightGoverns: boolean): Tap[] {
  const at: Tap = weightGoverns
    ? { type: "weight-rocking", label: "Weight is rocking" }
    : { type: "at-target", label: `At ${floor}` };
  const still: Tap = weightGoverns
    ? { type: "weight-rocking", label: "Still rocking" }
    : { type: "at-target", label: `Still at ${floor}` };
  const fell: Tap = weightGoverns
    ? { type: "weight-quiet", label: "It went quiet" }
    : { type: "below-target", label: "It fell" };
  switch (view.phase) {
    case "warming":
      return view.burnerLitAt === null
        ? [{ type: "heat-on", label: "Burner is lit" }]
        : [{ type: "steam-steady", label: "Steam is steady" }];
    case "venting":
      if (view.vent.doneAt !== null) return [{ type: "weight-on", label: "Weight is on" }];
      return view.vent.steadySince === null
        ? [{ type: "steam-steady", label: "Steam is steady" }]
        : [
            { type: "weight-on", label: "Weight is on" },
            { type: "steam-faltered", label: "Steam faltered" },
          ];
    case "pressurising":
      return [at, { type: "too-high", label: "Too high" }];
    case "processing":
      return view.completedAt !== null
        ? [{ type: "heat-off", label: "Heat is off" }]
        : [still, fell, { type: "too-high", label: "Too high" }];
    case "cooling":
      if (view.zeroAt !== null && view.lockDownAt !== null)
        return [{ type: "weight-off", label: "Weight is off" }];
      return [
        ...(view.zeroAt === null ? [{ type: "pressure-zero" as const, label: "Gauge is at zero" }] : []),
        ...(view.lockDownAt === null ? [{ type: "lock-down" as const, label: "Lock has dropped" }] : []),
        ...(view.completedAt === null ? [{ type: "heat-on" as const, label: "Lit again" }] : []),
      ];
    case "settling":
      return [{ type: "lid-off", label: "Lid is off" }];
    case "unloading":
      return [{ type: "unloaded", label: "All on the towel" }];
    default:
      return [];
  }
}

/** Everything a wet thumb may say now. Typed readings, giving up and undo stand beside, smaller. */
export function Taps({
  data,
  view,
  result,
}: {
  data: StoveData;
  view: RunView;
  result: SubmissionResult | undefined;
}) {
  const { run, key, units } = data;
  const taps = tapsFor(view, formatPressure(run.plan.floorKPa, units), run.plan.governs === "weighted");
  const [refused, setRefused] = useState<string | null>(null);
  useEffect(() => setRefused(result?.error?.[""]?.join(" ") ?? null), [result]);
  const busy = useNavigation().state === "submitting";
  const last = run.events
    .filter((e) => e.type !== "correction" && !run.events.some((c) => c.corrects === e.id))
    .at(-1);
  const reads = view.phase === "pressurising" || view.phase === "processing" || view.phase === "cooling";
  const running =
    ["warming", "venting", "pressurising", "processing"].includes(view.phase) && view.completedAt === null;
  return (
    <div className="mt-5">
      {refused && (
        <p role="alert" className="mb-3 border-l-[6px] border-stop pl-4 text-[1.2rem] font-[650] text-stop">
          {refused}
        </p>
      )}
      <div className="flex gap-4 max-md:flex-wrap max-md:gap-2">
        <Form method="post" className="contents" key={key} onSubmit={() => setRefused(null)}>
          <input type="hidden" name="key" value={key} />
          {taps.map((t, i) => {
            const waits = whyNot(view, t.type) !== null;
            return (
              <Button
                key={t.type}
                name="type"
                value={t.type}
                size="stove"
                weight={i === 0 && !waits ? "do" : "quiet"}
                disabled={busy}
                className={i === 0 ? "flex-[2] max-md:basis-full" : "flex-1"}
              >
                {t.label}
              </Button>
            );
          })}
        </Form>
        {reads && <TypeReading data={data} result={result} />}
        {view.phase === "resting" && (
          <Button asChild size="stove" weight="do" className="flex-1">
            <Link to="/rest">To the towel</Link>
          </Button>
        )}
        {view.phase === "aborted" && (
          <Button asChild size="stove" weight="do" className="flex-1">
            <Link to="/rest">Decide about the jars</Link>
          </Button>
        )}
      </div>
      <div className="mt-3 flex min-h-12 flex-wrap items-center gap-x-5 text-[0.95rem]">
        {last && (
          <Form method="post" className="flex items-center gap-2">
            <input type="hidden" name="key" value={key} />
            <input type="hidden" name="type" value="correction" />
            <input type="hidden" name="corrects" value={last.id} />
            <input type="hidden" name="reason" value="undone at the stove" />
            <span className="text-soft">
              {clockTime(last.at, run.zone)}{" "}
              {last.gaugeKPa !== undefined ? formatPressure(last.gaugeKPa, units) : EVENT_WORDS[last.type]}
            </span>
            <Button weight="bare" className="!px-1">
              Undo
            </Button>
          </Form>
        )}
        {running && view.burnerLitAt !== null && (
          <>
            <Form method="post">
              <input type="hidden" name="key" value={key} />
              <Button weight="bare" name="type" value="heat-off" className="!px-1">
                Heat is off early
              </Button>
            </Form>
            <GiveUp data={data} />
          </>
        )}
      </div>
    </div>
  );
}

function TypeReading({ data, result }: { data: StoveData; result: SubmissionResult | undefined }) {
  const { key, units } = data;
  const [form, fields] = useForm<{ key: string; type: string; reading: string }>({
    id: "reading",
    lastResult: result,
  });
  const [open, setOpen] = useState(false);
  useEffect(() => setOpen(Boolean(result?.error?.reading)), [result]);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button size="stove" className="flex-1">
          Type it
        </Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[14vh] left-1/2 z-50 w-[min(26rem,94vw)] -translate-x-1/2 rounded border-2 border-ink bg-sheet p-6 text-ink"
        >
          <Dialog.Title className="mb-3 text-[1.3rem] font-[650]">What does the gauge say?</Dialog.Title>
          <KeyedForm form={form} formKey={key} className="space-y-4">
            <input type="hidden" name="type" value="reading" />
            <TextField
              field={fields.reading}
              label="Reading"
              hint={units === "us" ? "In pounds, or with its unit" : "In kPa, or with its unit"}
              inputMode="decimal"
              autoFocus
            />
            <FormErrors form={form} />
            <div className="flex gap-3">
              <Button weight="do" className="flex-1">
                Write it
              </Button>
              <Dialog.Close asChild>
                <Button type="button">Back</Button>
              </Dialog.Close>
            </div>
          </KeyedForm>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Ending a run short throws a load back to the start, so this one asks. */
function GiveUp({ data }: { data: StoveData }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button type="button" weight="bare" className="!px-1">
          Give this run up
        </Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[14vh] left-1/2 z-50 w-[min(28rem,94vw)] -translate-x-1/2 rounded border-2 border-ink bg-sheet p-6 text-ink"
        >
          <Dialog.Title className="text-[1.3rem] font-[650]">Give this run up?</Dialog.Title>
          <p className="my-3">
            The load is then not processed. Each container is chilled, frozen or packed anew within 24 hours,
            or thrown out.
          </p>
          <Form method="post" onSubmit={() => setOpen(false)} className="space-y-4">
            <input type="hidden" name="key" value={data.key} />
            <input type="hidden" name="type" value="abort" />
            <label className="block">
              <span className="font-[650]">Why</span>
              <input
                name="reason"
                required
                autoComplete="off"
                className="mt-1 min-h-12 w-full rounded border-2 border-ink bg-paper px-3"
              />
            </label>
            <div className="flex gap-3">
              <Button weight="stop">Give it up</Button>
              <Dialog.Close asChild>
                <Button type="button">Keep going</Button>
              </Dialog.Close>
            </div>
          </Form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
