import { useId, useLayoutEffect, useRef, type ReactNode } from "react";
import { createPortal } from "react-dom";

/**
 * What lies over the page while a question is asked. The browser's own dialog: it takes the page behind it out of reach by
 * itself, where a library walks over every element of the page first, which took a fifth of a second at the stove.
 */
export function OverPage({
  title,
  quiet,
  onClose,
  role,
  children,
}: {
  title: string;
  /** when it interrupts somebody; a dialog otherwise */
  role?: "alertdialog";
  /** nothing in it is marked to begin with: a key pressed once too often does nothing */
  quiet: boolean;
  onClose(): void;
  children: ReactNode;
}) {
  const ref = useRef<HTMLDialogElement>(null);
  const heading = useId();
  useLayoutEffect(() => {
    const dialog = ref.current!;
    dialog.showModal();
    if (quiet) dialog.focus();
    // Closed and not only taken away, so that the keyboard is again where it was.
    return () => dialog.close();
  }, [quiet]);
  return createPortal(
    <dialog
      ref={ref}
      role={role}
      tabIndex={-1}
      aria-labelledby={heading}
      onCancel={(e) => {
        e.preventDefault();
        onClose();
      }}
      // What is inside has its own element: only a press beside it is of the dialog itself.
      onPointerDown={(e) => e.target === e.currentTarget && onClose()}
      className="mx-auto mt-[14vh] mb-auto w-[min(28rem,94vw)] rounded border-2 border-ink bg-sheet p-0 text-ink outline-none backdrop:bg-[rgb(28_36_34/0.5)]"
    >
      <div className="p-6">
        <h2 id={heading} className="mb-3 text-[1.3rem] font-[650]">
          {title}
        </h2>
        {children}
      </div>
    </dialog>,
    document.body,
  );
}
