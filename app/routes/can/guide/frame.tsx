import type { ReactNode } from "react";
import { href, Link } from "react-router";
import { shapeOf } from "#core/schedule";
import { Button } from "#ui/button";
import { keyFor, OneTap } from "#ui/form";
import { ContainerGlyph, type GlyphState } from "#ui/glyph";
import type { GuideData } from "./data";

/** Where one is in the work: a mark for each step, and all of their names behind it. */
export function Progress({ data, at }: { data: GuideData; at: string | null }) {
  const { steps, title } = data;
  const index = steps.findIndex((s) => s.key === at);
  return (
    <div className="border-b-2 border-rule bg-sheet px-9 pt-1 pb-2 max-md:px-4 lg:in-[.lg\:grid]:border-b-0">
      <details>
        <summary className="flex min-h-12 cursor-pointer flex-wrap items-center justify-between gap-x-5 gap-y-1">
          <span>
            <b>{title}</b>
            <span className="text-soft max-md:block">
              {index < 0 ? " Done" : ` Step ${index + 1} of ${steps.length}: ${steps[index]!.name}`}
            </span>
          </span>
          <span className="font-[650] underline underline-offset-4">All steps</span>
        </summary>
        <ol className="grid gap-x-8 pb-2 md:grid-cols-3">
          {steps.map((s, i) => (
            <li key={s.key} className="flex gap-2 py-1" aria-current={s.key === at ? "step" : undefined}>
              <span className="fig w-7 text-right font-[650]">{i + 1}</span>
              <span className={s.key === at ? "font-[650]" : i < index || index < 0 ? "" : "text-soft"}>
                {s.name}
                {(i < index || index < 0) && <span className="text-moss"> ✓</span>}
              </span>
            </li>
          ))}
        </ol>
        <div className="pb-2">
          <OneTap says={{ key: keyFor(data.key, "close"), intent: "close" }}>
            <Button weight="bare" className="px-0!">
              Stop the guide: everything recorded stays
            </Button>
          </OneTap>
        </div>
      </details>
      <div className="flex gap-[3px]" aria-hidden="true">
        {steps.map((s, i) => (
          <span
            key={s.key}
            className={`h-[6px] flex-1 ${i < index || index < 0 ? "bg-moss" : i === index ? "bg-copper" : "bg-rule"}`}
          />
        ))}
      </div>
    </div>
  );
}

/** What goes wrong with a step, and a tap away why it is done. */
export function WhyAndMistake({ why, mistake }: { why: string; mistake: string }) {
  return (
    <details className="py-1">
      <summary className="flex min-h-12 cursor-pointer flex-wrap items-center gap-x-5">
        <span>
          <b className="font-[650] text-amber">Common mistake:</b> {mistake}
        </span>
        <span className="font-[650] underline underline-offset-4">Why</span>
      </summary>
      <p className="max-w-[46rem] pb-2">{why}</p>
    </details>
  );
}

/** The containers of the load as they are now, one beside the other. */
export function Row({ data, state }: { data: GuideData; state: GlyphState }) {
  return (
    <div className="flex flex-wrap items-end gap-2 border-b-[8px] border-bench" aria-hidden="true">
      {data.containers.flatMap((c, i) =>
        Array.from({ length: Math.min(c.count, 12) }, (_, n) => (
          <ContainerGlyph
            key={`${i} ${n}`}
            shape={shapeOf(c.kind, c.mouth)}
            state={state}
            contents={c.contents}
            scale={0.5}
            label=""
          />
        )),
      )}
    </div>
  );
}

/** What another canning wants meanwhile. */
export function Meanwhile({ data }: { data: GuideData }) {
  return (
    <section aria-label="Meanwhile" className="mt-6">
      <h2 className="text-[1.15rem]">Meanwhile</h2>
      <ul className="mt-1">
        {data.others.map((o) => (
          <li key={o.id}>
            <Link
              to={href("/can/:id", { id: o.id })}
              className="flex min-h-12 items-center text-ink underline underline-offset-4"
            >
              {o.title}: {o.step}
            </Link>
          </li>
        ))}
        <li>
          <Link
            to={href("/can")}
            className="flex min-h-12 items-center text-ink underline underline-offset-4"
          >
            Can something else
          </Link>
        </li>
      </ul>
    </section>
  );
}

/** One step on one screen: what to do, the figure that matters, a drawing, and the work itself. */
export function StepPage({
  data,
  drawing,
  figure,
  children,
}: {
  data: GuideData;
  drawing?: ReactNode;
  /** instead of the step's own figure */
  figure?: ReactNode;
  children: ReactNode;
}) {
  const step = data.step!;
  const big = figure ?? step.figure;
  return (
    <main
      id="main"
      tabIndex={-1}
      className="mx-auto w-full max-w-[72rem] flex-1 px-9 pt-4 pb-8 outline-none max-md:px-4"
    >
      <div className="flex flex-wrap items-start justify-between gap-x-8 gap-y-2">
        <div className="min-w-0 flex-1 basis-[22rem]">
          <h1 className="text-[2.1rem] leading-tight max-md:text-[1.6rem]">{step.title}</h1>
          <p className="mt-1 text-[1.25rem] max-md:text-[1.1rem]">{step.what}</p>
        </div>
        {big && (
          <p
            className="fig text-[4.6rem] leading-none font-bold max-md:text-[3.2rem]"
            data-testid="step-figure"
          >
            {big}
          </p>
        )}
      </div>
      {data.problem && (
        <p role="alert" className="mt-3 border-l-[6px] border-stop bg-sheet px-4 py-2 font-[650] text-stop">
          {data.problem}
        </p>
      )}
      <div className={drawing ? "mt-4 grid gap-x-8 gap-y-4 lg:grid-cols-[18rem_1fr]" : "mt-4"}>
        {drawing && <div className="max-lg:order-2">{drawing}</div>}
        <div className="min-w-0">{children}</div>
      </div>
      <div className="mt-3">
        <WhyAndMistake why={step.why} mistake={step.mistake} />
      </div>
    </main>
  );
}
