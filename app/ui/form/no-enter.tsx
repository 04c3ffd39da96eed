/**
 * Stands first in a form that does something consequential, or whose buttons each do something else: Enter in one of its
 * fields then presses none of them. A browser submits a form on Enter by its first button, and not at all when that one is
 * disabled; that holds for text before any script has loaded, and `guardEnter` sees to ticks and choices as well.
 */
export function NoEnter() {
  return <button type="submit" disabled hidden aria-hidden="true" tabIndex={-1} data-no-enter="" />;
}

/** On every form of the program: Enter in a field presses the form's one button, or nothing where there are several. */
export function guardEnter(): void {
  document.addEventListener("keydown", (e) => {
    if (e.key !== "Enter" || !(e.target instanceof HTMLInputElement)) return;
    const { form, type } = e.target;
    if (!form || ["submit", "button", "reset", "file"].includes(type)) return;
    const buttons = [...form.elements].filter(
      (b) => b instanceof HTMLButtonElement && b.type === "submit" && !b.hidden,
    );
    if (buttons.length > 1 || form.querySelector("[data-no-enter]")) e.preventDefault();
  });
}
