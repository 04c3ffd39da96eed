import {
  lazy,
  Suspense,
  useEffect,
  useId,
  useLayoutEffect,
  useRef,
  useState,
  useSyncExternalStore,
  type ComponentProps,
} from "react";

/** So many choices are no longer read through: they are narrowed down by typing. */
export const MANY = 12;

/** A choice as the list shows it. */
export interface ListedChoice {
  value: string;
  label: string;
  group: string;
}

export interface ChooserProps {
  title: string;
  choices: readonly ListedChoice[];
  chosen: string;
  onChoose(value: string): void;
  onClose(): void;
}

/** Fetched when it is first opened. Where it cannot be, the browser's own list takes over. */
const Chooser = lazy(() =>
  import("./chooser").then(
    ({ Chooser }) => ({ default: Chooser }),
    () => ({ default: NoChooser }),
  ),
);
let chooserLost = false;
function NoChooser({ onClose }: ChooserProps): null {
  useEffect(() => {
    chooserLost = true;
    onClose();
  }, [onClose]);
  return null;
}

const never = () => () => undefined;

/**
 * A list of many choices. Once the page is alive it is a button that opens the list with a field to narrow it down;
 * before that, and without scripts, it is the browser's own. The browser's list stays in the form either way: it carries
 * the value and says when it changes.
 *
 * @param title what is chosen, for the list's heading
 */
export function ManySelect({
  title,
  id,
  className = "input",
  children,
  "aria-invalid": invalid,
  "aria-describedby": describedBy,
  ...select
}: Omit<ComponentProps<"select">, "ref"> & { title: string }) {
  const alive = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const list = useRef<HTMLSelectElement>(null);
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState<ListedChoice[] | null>(null);
  const [shown, setShown] = useState("");
  const read = () => setShown(list.current?.selectedOptions[0]?.text ?? "");
  // What the list holds may change with every drawing, and by whoever fills the form in again.
  useLayoutEffect(read);
  if (!alive || chooserLost)
    return (
      <select
        {...select}
        id={id}
        className={className}
        aria-invalid={invalid}
        aria-describedby={describedBy}
        ref={list}
      >
        {children}
      </select>
    );
  const close = () => {
    setOpen(null);
    button.current?.focus();
  };
  return (
    <>
      <select
        {...select}
        ref={list}
        hidden
        onChange={(e) => {
          read();
          select.onChange?.(e);
        }}
      >
        {children}
      </select>
      <button
        ref={button}
        type="button"
        id={id}
        role="combobox"
        aria-haspopup="dialog"
        aria-expanded={open !== null}
        aria-invalid={invalid}
        aria-describedby={describedBy}
        onClick={() => setOpen(choicesOf(list.current!))}
        className={`${className} flex cursor-pointer items-center justify-between gap-3 text-left`}
      >
        <span className="min-w-0 truncate">{shown}</span>
        <span aria-hidden="true">▾</span>
      </button>
      {open && (
        <Suspense fallback={null}>
          <Chooser
            title={title}
            choices={open}
            chosen={list.current?.value ?? ""}
            onClose={close}
            onChoose={(value) => {
              list.current!.value = value;
              for (const said of ["input", "change"])
                list.current!.dispatchEvent(new Event(said, { bubbles: true }));
              close();
            }}
          />
        </Suspense>
      )}
    </>
  );
}

/**
 * A labelled list outside a checked form: the browser's own while it is short, one to narrow down by typing beyond.
 *
 * @param count how many there are to choose from
 */
export function ListField({
  label,
  count,
  wrap,
  quiet = false,
  ...select
}: Omit<ComponentProps<"select">, "ref" | "id"> & {
  label: string;
  count: number;
  /** of the whole field */
  wrap?: string;
  /** a small label, beside a form */
  quiet?: boolean;
}) {
  const id = useId();
  return (
    <div className={wrap}>
      <label htmlFor={id} className={`block ${quiet ? "text-[0.92rem]" : "font-[650]"}`}>
        {label}
      </label>
      {count > MANY ? <ManySelect id={id} title={label} {...select} /> : <select id={id} {...select} />}
    </div>
  );
}

/** What of a list can be chosen, in its order. */
function choicesOf(list: HTMLSelectElement): ListedChoice[] {
  return (
    [...list.options]
      // The empty line that only asks somebody to choose is no choice.
      .filter((o) => !o.disabled && !(o.value === "" && /^choose/i.test(o.text)))
      .map((o) => ({
        value: o.value,
        label: o.text,
        group: o.parentElement instanceof HTMLOptGroupElement ? o.parentElement.label : "",
      }))
  );
}
