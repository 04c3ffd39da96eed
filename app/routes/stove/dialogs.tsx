import { Dialog } from "radix-ui";
import { useState, type FormEvent, type ReactNode } from "react";
import { Button } from "#ui/button";
import { readGauge } from "../../words/reading";
import { type Tools } from "./data";

const FIELD = "mt-1 min-h-12 w-full rounded border-2 border-ink bg-paper px-3";

/** A question over the stove, its trigger and its way back. */
export function StoveDialog({
  trigger,
  title,
  open,
  onOpenChange,
  children,
}: {
  trigger: ReactNode;
  title: string;
  open: boolean;
  onOpenChange(open: boolean): void;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Trigger asChild>{trigger}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[14vh] left-1/2 z-50 w-[min(28rem,94vw)] -translate-x-1/2 rounded border-2 border-ink bg-sheet p-6 text-ink"
        >
          <Dialog.Title className="mb-3 text-[1.3rem] font-[650]">{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** What stands in a field of a form, read before it is sent. */
const textOf = (event: FormEvent<HTMLFormElement>, name: string) => {
  event.preventDefault();
  const value = new FormData(event.currentTarget).get(name);
  return typeof value === "string" ? value.trim() : "";
};

/** A figure read off the dial, with its unit or in the household's. What was typed stays when it cannot be. */
export function TypeReading({ data, view, say }: Tools) {
  const { units } = data;
  const [open, setOpen] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const write = (text: string) => {
    const read = readGauge(text, units);
    setWrong(read.ok ? null : read.why);
    if (read.ok && say({ type: "reading", gaugeKPa: read.kPa, at: view.now })) setOpen(false);
  };
  return (
    <StoveDialog
      trigger={
        <Button type="button" size="stove" className="flex-1">
          Type it
        </Button>
      }
      title="What does the gauge say?"
      open={open}
      onOpenChange={(o) => {
        setOpen(o);
        setWrong(null);
      }}
    >
      <form noValidate onSubmit={(e) => write(textOf(e, "reading"))} className="space-y-4">
        <label className="block">
          <span className="font-[650]">Reading</span>
          <input
            name="reading"
            inputMode="decimal"
            autoComplete="off"
            autoFocus
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
          <Button weight="do" className="flex-1">
            Write it
          </Button>
          <Button type="button" onClick={() => setOpen(false)}>
            Back
          </Button>
        </div>
      </form>
    </StoveDialog>
  );
}

/** The heat goes off before the time is served: the load is then not processed, so this one asks. */
export function HeatOffEarly({ data, view, say }: Tools) {
  const [open, setOpen] = useState(false);
  return (
    <StoveDialog
      trigger={
        <Button type="button" weight="bare" className="!px-1">
          Heat is off early
        </Button>
      }
      title="Is the heat off before the time is up?"
      open={open}
      onOpenChange={setOpen}
    >
      <p className="mb-3">
        The full {data.run.plan.minutes} minutes are not over. With the heat off, this load is not processed.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button type="button" weight="do" onClick={() => setOpen(false)}>
          Keep the heat on
        </Button>
        <Button
          type="button"
          weight="stop"
          onClick={() => {
            if (say({ type: "heat-off", at: view.now })) setOpen(false);
          }}
        >
          Record heat off
        </Button>
      </div>
    </StoveDialog>
  );
}

/** Ending a run short throws a load back to the start, so this one asks. */
export function GiveUp({ view, say }: Tools) {
  const [open, setOpen] = useState(false);
  return (
    <StoveDialog
      trigger={
        <Button type="button" weight="bare" className="!px-1">
          Give this run up
        </Button>
      }
      title="Give this run up?"
      open={open}
      onOpenChange={setOpen}
    >
      <p className="mb-3">
        The load is then not processed. Refrigerate, freeze or reprocess each container within 24 hours, or
        throw it out.
      </p>
      <form
        onSubmit={(e) => {
          const text = textOf(e, "reason");
          if (text && say({ type: "abort", text, at: view.now })) setOpen(false);
        }}
        className="space-y-4"
      >
        <label className="block">
          <span className="font-[650]">Why</span>
          <input name="reason" required maxLength={200} autoComplete="off" className={FIELD} />
        </label>
        <div className="flex gap-3">
          <Button weight="stop">Give it up</Button>
          <Button type="button" onClick={() => setOpen(false)}>
            Keep going
          </Button>
        </div>
      </form>
    </StoveDialog>
  );
}

/** Somebody else takes over: who watches from now on is in the record. */
export function HandOver({ data, view, say }: Tools) {
  const [open, setOpen] = useState(false);
  const here = view.atTheStove;
  return (
    <StoveDialog
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
                if (say({ type: "handover", text: name, at: view.now })) setOpen(false);
              }}
            >
              {name}
            </Button>
          ))}
        <Button type="button" weight="bare" onClick={() => setOpen(false)}>
          Nobody else
        </Button>
      </div>
    </StoveDialog>
  );
}
