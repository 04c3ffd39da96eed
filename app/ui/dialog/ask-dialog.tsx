import { Slot } from "radix-ui";
import { startTransition, type ReactNode } from "react";
import { OverPage } from "./over-page";

/** A question over the page, its trigger and its way back. */
export function AskDialog({
  trigger,
  title,
  open,
  onOpenChange,
  quiet = false,
  children,
}: {
  /** a button */
  trigger: ReactNode;
  title: string;
  open: boolean;
  /** nothing in it is marked to begin with: a key pressed once too often does nothing */
  quiet?: boolean;
  onOpenChange(open: boolean): void;
  children: ReactNode;
}) {
  return (
    <>
      {/* That the button was pressed is shown first; the page is taken out of reach a moment later. */}
      <Slot.Root
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={() => startTransition(() => onOpenChange(!open))}
      >
        {trigger}
      </Slot.Root>
      {open && (
        <OverPage title={title} quiet={quiet} onClose={() => onOpenChange(false)}>
          {children}
        </OverPage>
      )}
    </>
  );
}
