import { isSending } from "../outbox";

/** A page stays as it is for so long after something was pressed on it or answered to it, ms. */
const SETTLE_MS = 800;
/** A hand that is not seen lifted for so long was lifted outside the page, ms. */
const HELD_MS = 10_000;

let down = false;
let lastAt = -Infinity;
const now = () => performance.now();

/** Notices hands on this page from now on. @returns how to stop it */
export function watchHands(): () => void {
  const press = () => {
    down = true;
    lastAt = now();
  };
  const lift = () => {
    down = false;
    lastAt = now();
  };
  const sent = () => (lastAt = now());
  const on = [
    ["pointerdown", press],
    ["pointerup", lift],
    ["pointercancel", lift],
    ["keydown", sent],
    ["submit", sent],
  ] as const;
  for (const [what, hear] of on) document.addEventListener(what, hear, { capture: true });
  return () => {
    for (const [what, hear] of on) document.removeEventListener(what, hear, { capture: true });
  };
}

/**
 * Whether somebody is at this page just now: presses something, waits for the answer to it, types, has typed something
 * that is not sent, or reads why something could not be taken or what can be read only once. To load the page then would take it from under their hands.
 */
export function handsOn(): boolean {
  if (isSending()) lastAt = now();
  if (now() - lastAt < (down ? HELD_MS : SETTLE_MS)) return true;
  const fields =
    "input:not([type=radio], [type=checkbox], [type=button], [type=submit], [type=hidden]), textarea, select";
  if (document.activeElement?.matches(fields)) return true;
  if (document.querySelector("main [aria-invalid=true], main form [role=alert], main [data-shown-once]"))
    return true;
  return [
    ...document.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>(
      "main form input, main form textarea",
    ),
  ].some((f) => f.matches(fields) && f.value !== f.defaultValue);
}
