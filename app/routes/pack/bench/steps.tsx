import type { PackStep } from "#core/pack";

/** The steps of filling one container, numbered, each with its reason. */
export function PackSteps({ steps, className }: { steps: readonly PackStep[]; className: string }) {
  return (
    <ol className={`grid gap-x-4 gap-y-1 ${className}`}>
      {steps.map((s, i) => (
        <li key={s.key} className="flex gap-2 leading-tight">
          <b className="fig text-[1.7rem] leading-none">{i + 1}</b>
          <span>
            <b>{s.do}</b>
            {s.why && <span className="block text-[0.86rem] text-soft">{s.why}</span>}
          </span>
        </li>
      ))}
    </ol>
  );
}
