import type { FieldMetadata } from "@conform-to/react";
import { MANY, ManySelect } from "./many-select";
import { Which } from "./which";
import {
  useEffect,
  useId,
  useRef,
  useState,
  type ComponentProps,
  type ReactNode,
  type RefObject,
} from "react";

interface Common {
  label: string;
  /** a few words under the label: units, an example, what it is for */
  hint?: ReactNode;
  field: FieldMetadata<unknown>;
  className?: string;
}

/** The sentence about a field that could not be taken, beside it. */
export function FieldError({ id, errors }: { id: string; errors: string[] | undefined }) {
  if (!errors?.length) return null;
  return (
    <p id={id} role="alert" className="mt-1 flex gap-2 font-[600] text-stop">
      <span aria-hidden="true">✕</span>
      <span>{errors.join(" ")}</span>
    </p>
  );
}

/**
 * What is said against a field, until somebody changes it: then it is about something else. It is said again when the
 * form is sent and answered with it again.
 */
function useErrors(field: FieldMetadata<unknown>): {
  errors: string[] | undefined;
  /** goes on what holds the field */
  frame: { ref: RefObject<HTMLDivElement | null>; onInput: () => void };
} {
  const ref = useRef<HTMLDivElement>(null);
  const [changed, setChanged] = useState(false);
  useEffect(() => {
    const form = ref.current?.closest("form");
    const sent = () => setChanged(false);
    form?.addEventListener("submit", sent);
    return () => form?.removeEventListener("submit", sent);
  }, []);
  return { errors: changed ? undefined : field.errors, frame: { ref, onInput: () => setChanged(true) } };
}

function Frame({
  label,
  hint,
  field,
  errors,
  frame,
  className = "",
  children,
}: Common & ReturnType<typeof useErrors> & { children: ReactNode }) {
  return (
    <div className={className} {...frame}>
      <label htmlFor={field.id} className="block font-[650]">
        {label}
      </label>
      {hint && (
        <p id={`${field.id}-hint`} className="text-[0.92rem] text-soft">
          {hint}
        </p>
      )}
      <div className="mt-1">{children}</div>
      <FieldError id={field.errorId} errors={errors} />
    </div>
  );
}

function describe(field: FieldMetadata<unknown>, hint: ReactNode, errors: string[] | undefined) {
  const ids = [hint ? `${field.id}-hint` : "", errors?.length ? field.errorId : ""].filter(Boolean);
  return {
    id: field.id,
    name: field.name,
    "aria-invalid": errors?.length ? true : undefined,
    "aria-describedby": ids.length ? ids.join(" ") : undefined,
  };
}

const valueOf = (field: FieldMetadata<unknown>) =>
  typeof field.initialValue === "string" ? field.initialValue : undefined;

/** What a field of this kind can show: a time comes back with which of two it was, and that is asked beside it. */
const textIn = (type: string | undefined, value: ComponentProps<"input">["defaultValue"]) =>
  type === "datetime-local" && typeof value === "string" ? value.slice(0, 16) : value;

/** One line of text. Quantities are typed in one of these too, with their unit or without. */
export function TextField({
  label,
  hint,
  field,
  className,
  ...input
}: Common & Omit<ComponentProps<"input">, "children">) {
  const said = useErrors(field);
  return (
    <Frame label={label} hint={hint} field={field} className={className} {...said}>
      <input
        type="text"
        autoComplete="off"
        {...input}
        defaultValue={textIn(input.type, input.defaultValue ?? valueOf(field))}
        {...describe(field, hint, said.errors)}
        className="input"
      />
      {input.type === "datetime-local" && <Which name={field.name} errors={field.errors} />}
    </Frame>
  );
}

export interface Choice {
  value: string;
  label: string;
  group?: string;
}

/** A list to choose from: the browser's own, which works with a wet thumb; many are narrowed down by typing. */
export function SelectField({
  label,
  hint,
  field,
  className,
  choices,
  ...select
}: Common & { choices: readonly Choice[] } & Omit<ComponentProps<"select">, "children">) {
  const said = useErrors(field);
  const groups = [...new Set(choices.map((c) => c.group))];
  const options = (group: string | undefined) =>
    choices
      .filter((c) => c.group === group)
      .map((c) => (
        <option key={c.value} value={c.value}>
          {c.label}
        </option>
      ));
  const listed = groups.map((g) =>
    g === undefined ? (
      options(g)
    ) : (
      <optgroup key={g} label={g}>
        {options(g)}
      </optgroup>
    ),
  );
  const all = {
    defaultValue: valueOf(field),
    ...select,
    ...describe(field, hint, said.errors),
    className: "input",
  };
  return (
    <Frame label={label} hint={hint} field={field} className={className} {...said}>
      {choices.length > MANY ? (
        <ManySelect title={label} {...all}>
          {listed}
        </ManySelect>
      ) : (
        <select {...all}>{listed}</select>
      )}
    </Frame>
  );
}

export interface PickOption {
  value: string;
  label: ReactNode;
  note?: string;
  disabled?: boolean;
}

/** A few choices side by side, each big enough for a thumb. */
export function PickField({
  label,
  hint,
  field,
  className = "",
  options,
  fallback,
  onPick,
}: Common & { options: readonly PickOption[]; fallback?: string; onPick?: (value: string) => void }) {
  const chosen = valueOf(field) ?? fallback ?? options[0]?.value;
  return (
    <fieldset className={className} aria-describedby={field.errors?.length ? field.errorId : undefined}>
      <legend className="font-[650]">{label}</legend>
      {hint && <p className="text-[0.92rem] text-soft">{hint}</p>}
      <div className="mt-1 flex flex-wrap gap-2">
        {options.map((o) => (
          <PickTile key={o.value} name={field.name} option={o} checked={o.value === chosen} onPick={onPick} />
        ))}
      </div>
      <FieldError id={field.errorId} errors={field.errors} />
    </fieldset>
  );
}

/** One of a few choices, for pages that lay them out themselves. Its ring is drawn round the whole tile. */
export function PickTile({
  name,
  option,
  checked,
  onPick,
  className = "",
}: {
  name: string;
  option: PickOption;
  checked: boolean;
  onPick?: (value: string) => void;
  className?: string;
}) {
  const id = useId();
  return (
    <span className={`relative ${className}`}>
      <input
        type="radio"
        id={id}
        name={name}
        value={option.value}
        defaultChecked={checked}
        disabled={option.disabled}
        onChange={onPick && (() => onPick(option.value))}
        className="peer absolute inset-0 h-full w-full cursor-pointer opacity-0"
      />
      <label
        htmlFor={id}
        className={
          "flex h-full min-h-12 flex-col justify-center rounded border-2 border-ink px-4 py-1 leading-tight font-[650] peer-checked:bg-ink " +
          "peer-checked:text-paper peer-disabled:opacity-50 peer-focus-visible:outline-3 peer-focus-visible:outline-offset-3 peer-focus-visible:outline-steam"
        }
      >
        {option.label}
        {option.note && <span className="text-[0.86rem] font-normal">{option.note}</span>}
      </label>
    </span>
  );
}

/** One thing that is so or is not. */
export function TickField({
  label,
  hint,
  field,
  className = "",
  onTick,
}: Common & { onTick?: (ticked: boolean) => void }) {
  return (
    <div className={className}>
      <label className="flex min-h-12 cursor-pointer items-center gap-3">
        <input
          type="checkbox"
          defaultChecked={field.initialValue === "on"}
          onChange={onTick && ((e) => onTick(e.target.checked))}
          {...describe(field, hint, field.errors)}
          className="size-7 shrink-0 accent-copper"
        />
        <span className="font-[650]">{label}</span>
      </label>
      {hint && (
        <p id={`${field.id}-hint`} className="pl-10 text-[0.92rem] text-soft">
          {hint}
        </p>
      )}
      <FieldError id={field.errorId} errors={field.errors} />
    </div>
  );
}
