import { useEffect, useRef } from "react";
import { useLocation, useNavigation } from "react-router";

type Field = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;
const FIELDS = "main input, main select, main textarea";

/** Where a field that was drawn anew is found again. Buttons are not: the next of the same words does something else. */
function sameField({ id, name, type, value }: Field): Field | undefined {
  const isChoice = type === "checkbox" || type === "radio";
  return [...document.querySelectorAll<Field>(FIELDS)].find(
    (f) => f.name === name && f.type === type && (isChoice ? f.value === value : f.id === id),
  );
}

/**
 * Keeps the keyboard's place. After going to another page it is at that page's heading, so that a screen reader says where
 * one is. After a change it is where it was, in a field drawn anew as well; when the button one pressed is gone, it is at
 * the heading too, and not at the top of everything.
 */
export function useFocusKept(): void {
  const { pathname } = useLocation();
  const { state } = useNavigation();
  const shown = useRef<string | null>(null);
  const last = useRef<Element | null>(null);
  useEffect(() => {
    const keep = (e: FocusEvent) => {
      last.current = e.target as Element;
    };
    addEventListener("focusin", keep);
    return () => removeEventListener("focusin", keep);
  }, []);
  useEffect(() => {
    if (state !== "idle") return;
    const first = shown.current === null;
    const moved = shown.current !== pathname;
    shown.current = pathname;
    // The first page is read by the browser itself.
    if (first) return;
    const at = document.activeElement;
    const lost = at === null || at === document.body;
    if (!lost && !(moved && !at.closest("main"))) return;
    if (!moved && last.current?.matches("input, select, textarea")) {
      const again = sameField(last.current as Field);
      if (again) return again.focus({ preventScroll: true });
    }
    const heading = document.querySelector<HTMLElement>("main h1");
    if (!heading) return;
    heading.tabIndex = -1;
    heading.focus({ preventScroll: !moved });
  }, [pathname, state]);
}
