/** A time that came twice is asked about by fields of this name before the time's own. */
export const WHICH = "which-";
export const CAME_TWICE = "This time came twice: the clocks went back. Choose which one you mean.";

/** Asks which of two like times was meant, where a form came back with that question. */
export function Which({ name, errors }: { name: string; errors: readonly string[] | undefined }) {
  if (!errors?.includes(CAME_TWICE)) return null;
  return (
    <fieldset className="mt-2">
      <legend className="sr-only">Which of the two</legend>
      {(
        [
          ["first", "The first, before the clocks went back"],
          ["second", "The second, after the clocks went back"],
        ] as const
      ).map(([value, label]) => (
        <label key={value} className="flex min-h-12 items-center gap-3">
          <input type="radio" name={WHICH + name} value={value} className="size-6 accent-ink" />
          {label}
        </label>
      ))}
    </fieldset>
  );
}
