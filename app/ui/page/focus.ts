import { useEffect, useRef } from "react";
import { useLocation, useNavigation } from "react-router";

/**
 * Keeps the keyboard's place. After going to another page it is at that page's heading, so that a screen reader says where
 * one is; when the button one pressed is gone after the change it made, it is there too, and not at the top of everything.
 */
export function useFocusKept(): void {
  const { pathname } = useLocation();
  const { state } = useNavigation();
  const shown = useRef<string | null>(null);
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
    const heading = document.querySelector<HTMLElement>("main h1");
    if (!heading) return;
    heading.tabIndex = -1;
    heading.focus({ preventScroll: !moved });
  }, [pathname, state]);
}
