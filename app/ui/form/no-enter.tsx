/**
 * Stands first in a form whose buttons each do something else: a key press in one of its fields then presses none of them. A
 * browser submits a form on Enter by its first button, and not at all when that one is disabled.
 */
export function NoEnter() {
  return <button type="submit" disabled hidden aria-hidden="true" tabIndex={-1} />;
}
