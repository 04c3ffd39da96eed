import { useState, type FormEvent } from "react";
import { kPaFromPsi, psiFromKPa } from "#core/quantity";
import { figuresAround } from "#core/run";
import { Button } from "#ui/button";
import { AskDialog } from "#ui/dialog";
import { NoEnter } from "#ui/form";
import { readGauge } from "../../../words/reading";
import type { Tools } from "./data";
import { DECIDE_EACH } from "../../../words/safety";

const FIELD = "input mt-1";

/** What stands in a field of a form, read before it is sent. */
const textOf = (event: FormEvent<HTMLFormElement>, name: string) => {
  event.preventDefault();
  const value = new FormData(event.currentTarget).get(name);
  return typeof value === "string" ? value.trim() : "";
};

/**
 * A figure read off the dial: one of those round what is held, or typed, with its unit or in the household's. What was typed
 * stays when it cannot be.
 * @param asked the figure is what is wanted now, and so the first button of the stove
 */
export function TypeReading({ data, say, asked = false }: Tools & { asked?: boolean }) {
  const { units } = data;
  const { floorKPa, marginKPa = 0 } = data.run.plan;
  const us = units === "us";
  const held = floorKPa + marginKPa;
  const figures = figuresAround(us ? psiFromKPa(held) : held, us ? "lb" : "kPa");
  const [open, setOpen] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const write = (text: string) => {
    const read = readGauge(text, units);
    setWrong(read.ok ? null : read.why);
    if (read.ok && say({ type: "reading", gaugeKPa: read.kPa })) setOpen(false);
  };
  return (
    <AskDialog
      trigger={
        <Button
          type="button"
          size="stove"
          weight={asked ? "do" : "quiet"}
          className={asked ? "flex-[2] max-md:basis-full" : "flex-1"}
        >
          {asked ? "Read the dial" : "Type it"}
        </Button>
      }
      title="What does the dial read?"
      quiet
      open={open}
      onOpenChange={(o) => {
        setOpen(o);
        setWrong(null);
      }}
    >
      <div role="group" aria-label="Figures" className="mb-4 grid grid-cols-4 gap-2">
        {figures.map((n) => (
          <Button
            key={n}
            type="button"
            className="fig min-h-16 !px-1 text-[1.7rem] whitespace-nowrap"
            onClick={() => {
              if (say({ type: "reading", gaugeKPa: us ? kPaFromPsi(n) : n })) setOpen(false);
            }}
          >
            {n} {us ? "lb" : "kPa"}
          </Button>
        ))}
      </div>
      <form noValidate onSubmit={(e) => write(textOf(e, "reading"))} className="space-y-4">
        <label className="block">
          <span className="font-[650]">Another reading</span>
          <input
            name="reading"
            inputMode="decimal"
            autoComplete="off"
            aria-invalid={wrong !== null}
            aria-describedby={wrong ? "reading-wrong" : "reading-hint"}
            className={FIELD}
          />
          <span id="reading-hint" className="text-soft">
            {units === "us" ? "In pounds, or with its unit" : "In kPa, or with its unit"}
          </span>
        </label>
        {wrong && (
          <p id="reading-wrong" role="alert" className="font-[600] text-stop">
            ✕ {wrong}
          </p>
        )}
        <div className="flex gap-3">
          <Button className="flex-1">Record reading</Button>
          <Button type="button" onClick={() => setOpen(false)}>
            Back
          </Button>
        </div>
      </form>
    </AskDialog>
  );
}

/** The heat goes off before the time is served: the load is then not processed, so this one asks. */
export function HeatOffEarly({ data, view, say }: Tools) {
  const [open, setOpen] = useState(false);
  return (
    <AskDialog
      trigger={
        <Button type="button" weight="bare" className="!px-1">
          I turned the heat off too soon
        </Button>
      }
      title="Is the heat off before the time is up?"
      open={open}
      onOpenChange={setOpen}
    >
      <p className="mb-3">
        {view.scheduleDone
          ? `The scheduled ${data.run.plan.minutes} minutes are complete, your ${data.run.plan.extraMinutes} extra minutes are not. With the heat off now, this load is processed without them.`
          : `The full ${data.run.plan.minutes} minutes are not over. With the heat off, this load is not processed.`}
      </p>
      <div className="flex flex-wrap gap-3">
        <Button type="button" weight="do" onClick={() => setOpen(false)}>
          Keep the heat on
        </Button>
        <Button
          type="button"
          weight="stop"
          onClick={() => {
            if (say({ type: "heat-off" })) setOpen(false);
          }}
        >
          Record heat off
        </Button>
      </div>
    </AskDialog>
  );
}

/** Ending a run short throws a load back to the start, so this one asks. */
export function GiveUp({ say }: Tools) {
  const [open, setOpen] = useState(false);
  return (
    <AskDialog
      trigger={
        <Button type="button" weight="bare" className="!px-1">
          Stop this run: jars not processed
        </Button>
      }
      title="Stop this run?"
      open={open}
      onOpenChange={setOpen}
    >
      <p className="mb-3">The load is then not processed. {DECIDE_EACH}</p>
      <form
        onSubmit={(e) => {
          const text = textOf(e, "reason");
          if (text && say({ type: "abort", text })) setOpen(false);
        }}
        className="space-y-4"
      >
        <NoEnter />
        <label className="block">
          <span className="font-[650]">Why</span>
          <input name="reason" required maxLength={200} autoComplete="off" className={FIELD} />
        </label>
        <div className="flex gap-3">
          <Button weight="stop">Stop this run</Button>
          <Button type="button" onClick={() => setOpen(false)}>
            Keep going
          </Button>
        </div>
      </form>
    </AskDialog>
  );
}

/** Somebody else takes over: who watches from now on is in the record. */
export function HandOver({ data, view, say }: Tools) {
  const [open, setOpen] = useState(false);
  const here = view.atTheStove;
  return (
    <AskDialog
      trigger={
        <Button type="button" weight="bare" className="!px-1">
          {here ? `${here} is at the stove. Hand over` : "Hand over"}
        </Button>
      }
      title="Who watches from now on?"
      open={open}
      onOpenChange={setOpen}
    >
      <div className="grid gap-2">
        {data.people
          .filter((name) => name !== here)
          .map((name) => (
            <Button
              key={name}
              type="button"
              onClick={() => {
                if (say({ type: "handover", text: name })) setOpen(false);
              }}
            >
              {name}
            </Button>
          ))}
        <Button type="button" weight="bare" onClick={() => setOpen(false)}>
          Nobody else
        </Button>
      </div>
    </AskDialog>
  );
}
