import type { SubmissionResult } from "@conform-to/react";
import { useFetcher } from "react-router";
import { formatTemperature } from "#core/quantity";
import { EXHAUST_TEMP_C } from "#core/schedule";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FieldError, NoEnter, Notice, OneTap, keyFor } from "#ui/form";
import { Code } from "#ui/lotmark";
import { DOUBT_WORDS } from "../../words/seam";
import type { Can, SeamData } from "./data";

const BOX = "input mt-1 min-h-14 text-[1.3rem]";

/** One open can in the bath: its centre temperature, read or typed, and what is asked about it. */
export function ExhaustCan({ data, can }: { data: SeamData; can: Can }) {
  const { units } = data;
  const goal = formatTemperature(EXHAUST_TEMP_C, units);
  return (
    <section aria-label={`Can ${can.code}`} className="rounded border-2 border-ink bg-sheet p-5">
      <CanHead can={can} />
      {can.replacesCode && can.readings.length === 0 && (
        <Notice tone="care" className="mt-3">
          Its meat was in <Code>{can.replacesCode}</Code>, whose seam was bad. Write <Code>{can.code}</Code>{" "}
          on the new can and exhaust it again.
        </Notice>
      )}
      {can.stage === "questioned" ? (
        <Notice tone="care" className="mt-3 space-y-2">
          <p className="text-[1.15rem] font-[650]">
            {formatTemperature(can.tempC!, units)}. {DOUBT_WORDS[can.doubt!]}
          </p>
          <OneTap
            says={{ key: keyFor(data.key, `confirm ${can.id}`), intent: "confirm", containerId: can.id }}
          >
            <Button>Yes, it is in the meat</Button>
          </OneTap>
          <p>Else move it and read again:</p>
        </Notice>
      ) : can.tempC !== null && can.stage !== "bad-seam" ? (
        <p className="mt-3 font-[650] text-amber">
          Last: {formatTemperature(can.tempC, units)}.{" "}
          {can.stage === "cooled"
            ? "It stood open too long after that: warm it again."
            : "Not hot enough yet."}
        </p>
      ) : null}
      <ReadingForm data={data} can={can} goal={goal} />
      <Sign data={data} can={can} />
    </section>
  );
}

export function CanHead({ can }: { can: Can }) {
  return (
    <div className="flex flex-wrap items-end justify-between gap-x-5">
      <h2 className="fig text-[4.2rem] leading-[0.9] font-bold">{can.code}</h2>
      <p className="text-soft">
        can {can.number} of pack <Code>{can.packCode}</Code>
      </p>
    </div>
  );
}

function ReadingForm({ data, can, goal }: { data: SeamData; can: Can; goal: string }) {
  const fetcher = useFetcher<{ result?: SubmissionResult }>();
  const errors = fetcher.data?.result?.error ?? {};
  return (
    <fetcher.Form method="post" className="mt-3 space-y-3" aria-busy={fetcher.state !== "idle"}>
      <input type="hidden" name="key" value={keyFor(data.key, `exhaust ${can.id} ${can.readings.length}`)} />
      <input type="hidden" name="intent" value="exhaust" />
      <input type="hidden" name="containerId" value={can.id} />
      <div className="grid grid-cols-[1.4fr_1fr] gap-3">
        <label>
          <span className="block font-[650]">Center of the meat</span>
          <input
            type="text"
            name="temp"
            inputMode="decimal"
            autoComplete="off"
            aria-invalid={errors.temp ? true : undefined}
            className={BOX}
          />
        </label>
        <label>
          <span className="block font-[650]">Juice next to it (optional)</span>
          <input
            type="text"
            name="juice"
            inputMode="decimal"
            autoComplete="off"
            placeholder=""
            aria-invalid={errors.juice ? true : undefined}
            className={`${BOX} placeholder:text-soft`}
          />
        </label>
      </div>
      <FieldError id="temp-problem" errors={errors.temp ?? undefined} />
      <FieldError id="juice-problem" errors={errors.juice ?? undefined} />
      <FieldError id="can-problem" errors={errors[""] ?? undefined} />
      <p className="text-[0.95rem] text-soft">
        At least {goal}, probe clear of wall and bottom, in the meat and not the juice. A probe on the network
        writes here by itself.
      </p>
      <Button weight="do" disabled={fetcher.state !== "idle"}>
        Record temperature
      </Button>
    </fetcher.Form>
  );
}

function Sign({ data, can }: { data: SeamData; can: Can }) {
  const fetcher = useFetcher<{ result?: SubmissionResult }>();
  const errors = fetcher.data?.result?.error ?? {};
  return (
    <Drawer title="Go ahead anyway: write why" open={fetcher.data !== undefined} className="mt-2">
      <fetcher.Form method="post" className="space-y-3">
        <NoEnter />
        <input type="hidden" name="key" value={keyFor(data.key, `sign ${can.id}`)} />
        <input type="hidden" name="intent" value="sign" />
        <input type="hidden" name="containerId" value={can.id} />
        <p>
          Then it is not the tested process. Your name and reason stay with this can for good. Safer:
          refrigerate the meat, and cook and eat it within its days.
        </p>
        <label className="block">
          <span className="block font-[650]">Why</span>
          <input type="text" name="reason" autoComplete="off" className={BOX} />
        </label>
        <FieldError id="sign-problem" errors={[...(errors.reason ?? []), ...(errors[""] ?? [])]} />
        <Button weight="stop">Go ahead anyway</Button>
      </fetcher.Form>
    </Drawer>
  );
}
