import { shapeOf } from "#core/schedule";
import { SIPHONED, type Siphoned } from "#core/run";
import { ContainerGlyph } from "#ui/glyph";
import { Button } from "#ui/button";
import type { Tools } from "./data";
import { CHILLED_TIME } from "../../../words/safety";

const LABELS: Record<Siphoned, string> = { none: "Full", some: "Lost some", half: "Lost half or more" };

/** Lifting out, one container after another: a tap each, in the order they come, and what each one lost. */
export function Unload({ data, view, say }: Tools) {
  const inside = data.containers.filter((c) => !view.out.some((o) => o.container === c.code));
  const last = view.out.at(-1);
  // Lifting it out says nothing of its liquid: that is said by a tap of its own, or stays unsaid.
  const out = (container: string, siphoned?: Siphoned) =>
    say({ type: "container-out", container, ...(siphoned && { siphoned }) });
  return (
    <section aria-label="Lifting out" className="mt-2">
      <p className="text-soft">
        {view.out.length} of {data.containers.length} out. Tap each jar as you set it down. The order tells
        where it stood.
      </p>
      <ul className="mt-2 flex flex-wrap gap-2">
        {inside.map((c) => (
          <li key={c.code}>
            <button
              type="button"
              onClick={() => out(c.code)}
              className="flex min-h-12 min-w-12 cursor-pointer flex-col items-center rounded border-2 border-ink px-2 py-1"
            >
              <ContainerGlyph
                shape={shapeOf(c.kind, c.mouth)}
                state="steaming"
                scale={0.3}
                contents="meat"
                label=""
              />
              <span className="fig text-[1.05rem] font-[650]">{c.code}</span>
            </button>
          </li>
        ))}
      </ul>
      {last && (
        <div
          role="group"
          aria-label={`What ${last.container} lost`}
          className="mt-3 flex flex-wrap items-center gap-2"
        >
          <span>
            <b>{last.container}</b> is
          </span>
          {SIPHONED.map((s) => (
            <Button
              key={s}
              type="button"
              aria-pressed={last.siphoned === s}
              className={last.siphoned === s ? "!bg-ink !text-paper" : ""}
              onClick={() => out(last.container, s)}
            >
              {LABELS[s]}
            </Button>
          ))}
          <span className="text-soft">
            Some lost liquid is no fault. Half or more lost: refrigerate it and eat it within {CHILLED_TIME}.
          </span>
        </div>
      )}
    </section>
  );
}
