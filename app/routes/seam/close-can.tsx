import type { SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { href, Link, useFetcher } from "react-router";
import { formatTemperature } from "#core/quantity";
import { formatSeam, shownBack, readSeamLength, verdictOf } from "#core/seam";
import { Button } from "#ui/button";
import { TimeLeft } from "#ui/clock";
import { ConfirmUnlikely, FieldError, NoEnter, keyFor } from "#ui/form";
import { useInstrument } from "#ui/instrument";
import { SeamRing, type Felt } from "#ui/seam";
import type { Can, SeamData } from "./data";
import { CanHead } from "./exhaust-can";

/** A hot can: lid on, seamed, a finger round it, and the verdict. Its seam may be measured from outside as well. */
export function CloseCan({ data, can }: { data: SeamData; can: Can }) {
  const fetcher = useFetcher<{ result?: SubmissionResult }>();
  const [felt, setFelt] = useState<Felt[]>([]);
  const errors = fetcher.data?.result?.error ?? {};
  const verdict = verdictOf(felt.map((f) => f.key));
  const ready = data.sealer?.standing.state === "ready";
  const busy = fetcher.state !== "idle";
  const closed = can.stage !== "hot";
  return (
    <section aria-label={`Can ${can.code}`} className="rounded border-2 border-ink bg-sheet p-5">
      <CanHead can={can} />
      {closed ? (
        <p className="mt-1 text-[1.15rem]">
          <b>Closed and accepted.</b> Felt something after all? Tap where: its meat then goes into a new can.
        </p>
      ) : (
        <p className="mt-1 text-[1.15rem]">
          <b>{formatTemperature(can.tempC!, data.units)} at the center.</b> Wipe the flange, end on, first
          roll, second roll, back to the start mark.{" "}
          <b className="text-copper-ink">
            <TimeLeft until={can.closeBy!} />
          </b>{" "}
          left to close it.
        </p>
      )}
      <fetcher.Form method="post" className="mt-3 space-y-3" aria-busy={busy}>
        <NoEnter />
        <input type="hidden" name="key" value={keyFor(data.key, `seam ${can.id} ${felt.length}`)} />
        <input type="hidden" name="intent" value="seam" />
        <input type="hidden" name="containerId" value={can.id} />
        {data.sealer && <input type="hidden" name="sealerId" value={data.sealer.id} />}
        <input type="hidden" name="defects" value={JSON.stringify(felt)} />
        <SeamRing felt={felt} onChange={setFelt} sideSeam={can.kind === "can-one-pound"}>
          {!closed && data.sealer?.measured && <Outside data={data} errors={errors} />}
        </SeamRing>
        <FieldError
          id="verdict-problem"
          errors={[...(errors[""] ?? []), ...(errors.verdict ?? []), ...(errors.defects ?? [])]}
        />
        <ConfirmUnlikely question={errors.confirm ?? undefined} answer="It is right" />
        <div className="flex flex-wrap gap-3">
          {verdict === "accept" && !closed && (
            <Button
              weight={ready ? "do" : "quiet"}

              className="min-h-[76px] flex-1 text-[1.3rem]"
              name="verdict"
              value="accept"
              disabled={busy || !ready}
            >
              Seam is good
            </Button>
          )}
          {verdict !== "stop" && (!closed || verdict === "redo") && (
            <Button
              weight={verdict === "redo" ? "do" : "quiet"}

              className="min-h-[76px] flex-1 text-[1.3rem]"
              name="verdict"
              value="redo"
              disabled={busy}
            >
              Seam is bad: use a new can
            </Button>
          )}
          {(verdict === "stop" || verdict === "redo") && (
            <Button
              weight={verdict === "stop" ? "do" : "stop"}

              className="min-h-[76px] flex-1 text-[1.3rem]"
              name="verdict"
              value="stop"
              disabled={busy}
            >
              Seam is bad: new can, and stop the sealer
            </Button>
          )}
        </div>
        {!ready && !closed && (
          <p>
            No can is closed before the sealer is tested.{" "}
            <Link to={href("/seam/set-up")} className="font-[650] underline underline-offset-4">
              Setup test
            </Link>
          </p>
        )}
      </fetcher.Form>
    </section>
  );
}

/** Thickness and width of the closed seam, typed or off the gauge, shown back as they are read. */
function Outside({ data, errors }: { data: SeamData; errors: Record<string, string[] | null> }) {
  const gauge = useInstrument("gauge");
  const [values, setValues] = useState({ thickness: "", width: "" });
  const set = (key: keyof typeof values, value: string) => setValues((v) => ({ ...v, [key]: value }));
  return (
    <fieldset className="grid grid-cols-2 gap-x-3">
      <legend className="text-[0.92rem] text-soft">Outside, if measured</legend>
      {(["thickness", "width"] as const).map((key) => {
        const read = values[key] ? readSeamLength(values[key], key) : null;
        return (
          <div key={key}>
            <label>
              <span className="block font-[650]">Seam {key}</span>
              <input
                type="text"
                name={key}
                inputMode="decimal"
                autoComplete="off"
                value={values[key]}
                onChange={(e) => set(key, e.target.value)}
                aria-invalid={errors[key] ? true : undefined}
                placeholder={key === "width" ? "0.115 or 115" : "0.049 or 49"}
                className="input mt-1"
              />
            </label>
            {read && read.outcome !== "none" && (
              <p className="text-[0.88rem] text-soft">read as {shownBack(read.mm)}</p>
            )}
            {gauge?.mm != null && (
              <Button
                className="w-full px-2"
                type="button"
                onClick={() => set(key, `${gauge.mm!.toFixed(3)} mm`)}
              >
                Gauge: {formatSeam(gauge.mm, data.units)}
              </Button>
            )}
            <FieldError id={`${key}-problem`} errors={errors[key] ?? undefined} />
          </div>
        );
      })}
    </fieldset>
  );
}
