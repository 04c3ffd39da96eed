import { lazy, Suspense, useEffect, useState } from "react";
import { href, useNavigate } from "react-router";
import type { Address } from "../../address";
import type { Opened, PaletteProps } from "./palette";
import { singleKeys } from "./single-keys";

const Palette = lazy(() =>
  import("./palette").then(
    ({ Palette }) => ({ default: Palette }),
    // Not fetched before, and nothing to fetch it from: the page of all pages is kept like any other.
    () => ({ default: ToAllPages }),
  ),
);

function ToAllPages({ onClose }: PaletteProps): React.ReactNode {
  const navigate = useNavigate();
  useEffect(() => {
    onClose();
    void navigate(href("/more"));
  }, [onClose, navigate]);
  return null;
}

const GO: Record<string, Address> = { t: "/", a: "/ask", f: "/fire", r: "/rest", l: "/larder" };

/** Jumps to any page or code, and tells the shortcuts. Opened by Ctrl K, `?`, or its button. */
export function Jump() {
  const [open, setOpen] = useState<Opened | null>(null);
  const navigate = useNavigate();
  useEffect(() => {
    let waiting = false;
    const onKey = (e: KeyboardEvent) => {
      if (e.key.toLowerCase() === "k" && (e.ctrlKey || e.metaKey)) {
        e.preventDefault();
        return setOpen("jump");
      }
      if (e.target instanceof HTMLElement && e.target.matches("input, textarea, select")) return;
      if (!singleKeys() || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === "?") return setOpen("keys");
      const to = waiting ? GO[e.key] : undefined;
      waiting = e.key === "g";
      if (to) void navigate(to);
    };
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  }, [navigate]);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        onClick={() => setOpen("jump")}
        aria-label="Jump to a code or place"
      >
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <circle cx="8.5" cy="8.5" r="6" fill="none" stroke="currentColor" strokeWidth="2.4" />
          <path d="M13 13l6 6" stroke="currentColor" strokeWidth="2.8" />
        </svg>
      </button>
      {open && (
        <Suspense fallback={null}>
          <Palette open={open} onClose={() => setOpen(null)} onKeys={() => setOpen("keys")} />
        </Suspense>
      )}
    </>
  );
}
