/**
 * Whether single keys jump to a page on this device. They can be switched off (WCAG 2.2, 2.1.4): who speaks to a device,
 * or rests a hand on its keys, presses some without meaning to.
 */
const NAME = "larder-single-keys";

/** On unless somebody switched them off here. */
export function singleKeys(): boolean {
  try {
    return localStorage.getItem(NAME) !== "off";
  } catch {
    return true;
  }
}

/** Lasts on this device; in a browser that keeps nothing, it changes nothing. */
export function setSingleKeys(on: boolean): void {
  try {
    localStorage.setItem(NAME, on ? "on" : "off");
  } catch {
    // A browser that keeps nothing.
  }
}
