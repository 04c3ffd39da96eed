import { useEffect, useRef } from "react";
import { typeInto } from "#ui/form";

const KEYS = ["7", "8", "9", "4", "5", "6", "1", "2", "3", ".", "0", "⌫"] as const;

/**
 * A pad of big keys for wet hands. It types into the field of its form that was touched last, like a keyboard would, so
 * everything else about the field stays as it is.
 */
export function Keypad({ units }: { units: readonly string[] }) {
  const pad = useRef<HTMLDivElement>(null);
  const target = useRef<HTMLInputElement | null>(null);
  useEffect(() => {
    const form = pad.current?.closest("form");
    if (!form) return;
    const remember = (e: FocusEvent) => {
      if (e.target instanceof HTMLInputElement && e.target.dataset.pad !== undefined)
        target.current = e.target;
    };
    form.addEventListener("focusin", remember);
    return () => form.removeEventListener("focusin", remember);
  }, []);
  const press = (key: string) => {
    const form = pad.current?.closest("form");
    const input = target.current ?? form?.querySelector<HTMLInputElement>("input[data-pad]");
    if (!input) return;
    const next = key === "⌫" ? input.value.trimEnd().slice(0, -1) : `${input.value}${key}`;
    typeInto(input, next);
    target.current = input;
  };
  const key = (label: string, types: string, name = label) => (
    <button
      key={label}
      type="button"
      aria-label={name === label ? undefined : name}
      onPointerDown={(e) => e.preventDefault()}
      onClick={() => press(types)}
      className="fig min-h-12 rounded border-2 border-ink bg-sheet text-[1.9rem] font-bold text-ink active:bg-ink active:text-paper"
    >
      {label}
    </button>
  );
  return (
    <div ref={pad} role="group" aria-label="Big keys" className="grid grid-cols-3 gap-2">
      {KEYS.map((k) => key(k, k, k === "⌫" ? "Delete" : k === "." ? "point" : k))}
      {units.map((u) => key(u, ` ${u} `))}
    </div>
  );
}
