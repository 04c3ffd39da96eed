import { unanswered, type Condition } from "#core/schedule";
import { FieldError } from "./field";

/**
 * Conditions of a process that a person confirms, each a tick. Without them there is no process, so the guard refuses the form
 * where one is missing. Nothing is shown when none is asked.
 */
export function ConfirmConditions({
  conditions,
  stage,
  known = [],
  ticked = [],
  errors,
}: {
  conditions: readonly Condition[];
  stage: "pack" | "load";
  /** confirmed already, as the containers were filled */
  known?: readonly string[];
  /** what was ticked before an answer came back */
  ticked?: readonly string[];
  errors: string[] | undefined;
}) {
  const asked = unanswered(conditions, stage, known);
  if (asked.length === 0) return null;
  return (
    <fieldset aria-describedby={errors ? "met-error" : undefined}>
      <legend className="font-[650]">Confirm before you go on</legend>
      {asked.map((c) => (
        <label key={c.key} className="flex min-h-12 cursor-pointer items-center gap-3">
          <input
            type="checkbox"
            name="met"
            value={c.key}
            defaultChecked={ticked.includes(c.key)}
            className="size-7 shrink-0 accent-copper"
          />
          <span>{c.confirm}</span>
        </label>
      ))}
      <FieldError id="met-error" errors={errors} />
    </fieldset>
  );
}
