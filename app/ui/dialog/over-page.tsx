import { Dialog } from "radix-ui";
import type { ReactNode } from "react";

/** What lies over the page while a question is asked. Fetched after the page, and before it is first asked for. */
export function OverPage({
  title,
  quiet,
  onClose,
  children,
}: {
  title: string;
  /** nothing in it is marked to begin with: a key pressed once too often does nothing */
  quiet: boolean;
  onClose(): void;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(e) => {
            if (!quiet) return;
            e.preventDefault();
            (e.currentTarget as HTMLElement).focus();
          }}
          className="fixed top-[14vh] left-1/2 z-50 w-[min(28rem,94vw)] -translate-x-1/2 rounded border-2 border-ink bg-sheet p-6 text-ink"
        >
          <Dialog.Title className="mb-3 text-[1.3rem] font-[650]">{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
