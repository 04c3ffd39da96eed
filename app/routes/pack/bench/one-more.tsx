import type { SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { useFetcher } from "react-router";
import { formatMass } from "#core/quantity";
import { isCan } from "#core/schedule";
import { Button } from "#ui/button";
import { ConfirmUnlikely, FieldError, OneTap, keyFor, useBusy } from "#ui/form";
import { useInstrument } from "#ui/instrument";
import type { FillData, FillPart } from "./data";
import type { newestOf } from "./newest";

/**
 * One tap a container. What the scale shows goes along, unless something was typed; with neither it is counted at what is
 * expected. Whatever is wrong is said here, also what has no field of its own: a lot or a broth that is gone. The key belongs to this container: a thumb that bounces fills one.
 */
export function OneMore(props: FillProps) {
  const { part, result } = props;
  if (part.containers.length < part.planned) return <FillForm {...props} />;
  // The count is full: a thumb that goes on pressing meets no button where the last one was.
  return (
    <details className="mt-4 border-t-2 border-rule" open={Boolean(result?.error)}>
      <summary className="flex min-h-14 cursor-pointer items-center text-soft">
        All {part.planned} are filled. There is enough for one more
      </summary>
      <FillForm {...props} />
    </details>
  );
}

interface FillProps {
  data: FillData;
  part: FillPart;
  /** what was answered to a page without scripts */
  result: SubmissionResult | undefined;
}

function FillForm({ data, part, result }: FillProps) {
  const fetcher = useFetcher<{ result?: SubmissionResult }>();
  const scale = useInstrument("scale");
  const was = result?.initialValue?.weight;
  const [typed, setTyped] = useState(typeof was === "string" ? was : "");
  const { weight, confirm, ...other } = (fetcher.data?.result ?? result)?.error ?? {};
  const n = part.containers.length + 1;
  const shown = scale?.kg ? formatMass(scale.kg, data.units) : null;
  const value = typed || (scale?.kg ? `${scale.kg} kg` : "");
  // While another press is on its way (all the rest, or one taken out) nobody knows which container is the next.
  const busy = useBusy();
  const more = part.containers.length >= part.planned;
  const out = part.progress.outOfMeat;
  return (
    <fetcher.Form
      method="post"
      className="sticky-foot mt-4 space-y-3 max-md:sticky max-md:bottom-0 max-md:z-10 max-md:-mx-4 max-md:border-t-2 max-md:border-rule max-md:bg-paper max-md:px-4 max-md:py-2"
      aria-busy={busy}
    >
      <input type="hidden" name="key" value={keyFor(data.key, `fill ${part.index} ${n}`)} />
      <input type="hidden" name="intent" value="fill" />
      <input type="hidden" name="part" value={part.index} />
      <input type="hidden" name="weight" value={value} />
      <div className="flex items-end gap-3">
        <label className="w-[11rem] shrink-0 max-md:w-[7.5rem]">
          <span className="block font-[650]">Meat in it</span>
          <input
            type="text"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            placeholder={shown ? `scale: ${shown}` : "not weighed"}
            autoComplete="off"
            aria-invalid={weight ? true : undefined}
            aria-describedby={weight ? "weight-problem" : undefined}
            className="input mt-1 min-h-14 text-[1.3rem]"
          />
        </label>
        <Button weight={more || out ? "quiet" : "do"} size="stove" disabled={busy} className="min-w-0 flex-1">
          {more ? `One more ${part.shape.name}` : isCan(part.container) ? "Filled" : "Filled and lidded"}
          {!typed && shown && `, ${shown}`}
        </Button>
      </div>
      <FieldError id="weight-problem" errors={weight ?? undefined} />
      <FieldError id="fill-problem" errors={Object.values(other).flatMap((e) => e ?? [])} />
      <ConfirmUnlikely question={confirm ?? undefined} answer="It is right" />
    </fetcher.Form>
  );
}

/** Undo: the one filled last is taken out again. */
export function TakeOut({ data, newest }: { data: FillData; newest: ReturnType<typeof newestOf> }) {
  if (!newest) return null;
  const { part, container } = newest;
  return (
    <OneTap says={{ key: keyFor(data.key, `out ${container.code}`), intent: "take-out", part: part.index }}>
      <Button weight="bare" className="px-0!">
        Undo {isCan(part.container) ? "can" : "jar"} {container.number} ({container.code})
      </Button>
    </OneTap>
  );
}
