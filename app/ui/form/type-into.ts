/** Sets a field the way typing sets it: React listens for the browser's own event, and looks at the value behind it. */
export function typeInto(
  field: HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement,
  value: string,
): void {
  const kind = Object.getPrototypeOf(field) as object;
  Object.getOwnPropertyDescriptor(kind, "value")?.set?.call(field, value);
  field.dispatchEvent(new Event("input", { bubbles: true }));
}
