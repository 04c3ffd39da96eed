import { Slot } from "radix-ui";
import { lazy, Suspense, useEffect, type ReactNode } from "react";

const fetched = () => import("./over-page").then(({ OverPage }) => ({ default: OverPage }));
const OverPage = lazy(fetched);

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
  useEffect(() => {
    // Not with the page, but before anybody asks: by then there may be no network. What fails now is tried when asked for.
    void fetched().catch(() => undefined);
  }, []);
  return (
    <>
      <Slot.Root aria-haspopup="dialog" aria-expanded={open} onClick={() => onOpenChange(!open)}>
        {trigger}
      </Slot.Root>
      {open && (
        <Suspense fallback={null}>
          <OverPage title={title} quiet={quiet} onClose={() => onOpenChange(false)}>
            {children}
          </OverPage>
        </Suspense>
      )}
    </>
  );
}
