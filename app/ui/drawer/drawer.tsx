import { useState, type ReactNode } from "react";

/** A value that was there once and has not been replaced since: what an action answered outlives the next look at the clocks. */
export function useLast<T>(value: T | null | undefined): T | null {
  const [last, setLast] = useState<T | null>(value ?? null);
  if (value !== null && value !== undefined && value !== last) setLast(value);
  return value ?? last;
}

/**
 * A line that opens to more: forms that are seldom needed. It opens by itself when something in it was refused or done,
 * and then stays as it is until somebody closes it.
 */
export function Drawer({
  title,
  open = false,
  ruled = false,
  className = "",
  children,
}: {
  title: ReactNode;
  /** something in it wants to be seen now */
  open?: boolean;
  /** a heavier line of its own above it, for a list of drawers */
  ruled?: boolean;
  className?: string;
  children: ReactNode;
}) {
  const [isOpen, setOpen] = useState(open);
  const [wanted, setWanted] = useState(open);
  if (open !== wanted) {
    setWanted(open);
    if (open) setOpen(true);
  }
  return (
    <details
      open={isOpen}
      onToggle={(e) => setOpen(e.currentTarget.open)}
      className={`${ruled ? "border-t-2 border-rule" : ""} ${className}`}
    >
      <summary
        className={
          "flex min-h-12 cursor-pointer items-center font-[650] " +
          (ruled ? "text-[1.1rem]" : "underline decoration-rule decoration-2 underline-offset-4")
        }
      >
        {title}
      </summary>
      {ruled ? <div className="pb-5">{children}</div> : children}
    </details>
  );
}
