import { Command } from "cmdk";
import { Dialog } from "radix-ui";
import type { ChooserProps } from "./many-select";

/**
 * How well a choice fits what was typed, 0 to 1: every word typed begins a word of it, or 0. Nothing is guessed: letters
 * scattered over another name would offer the wrong animal.
 */
function fits(choice: string, typed: string): number {
  const words = choice.toLowerCase().split(/[\s,/()-]+/);
  const wanted = typed
    .toLowerCase()
    .split(/[\s,/()-]+/)
    .filter(Boolean);
  if (!wanted.every((w) => words.some((word) => word.startsWith(w)))) return 0;
  return words[0]!.startsWith(wanted[0] ?? "") ? (words[0] === wanted[0] ? 1 : 0.9) : 0.5;
}

/** A list over the page that is narrowed down by typing; arrow keys and Enter choose. */
export function Chooser({ title, choices, chosen, onChoose, onClose }: ChooserProps): React.ReactNode {
  const groups = [...new Set(choices.map((c) => c.group))];
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[8vh] left-1/2 z-50 flex max-h-[84vh] w-[min(30rem,94vw)] -translate-x-1/2 flex-col rounded border-2 border-ink bg-sheet p-4 text-ink"
        >
          <Command label={title} filter={fits} className="flex min-h-0 flex-col">
            <Dialog.Title className="mb-2 text-[1.15rem] font-[650]">{title}</Dialog.Title>
            <Command.Input placeholder="Type to find" className="input text-[1.1rem]" />
            <Command.List className="mt-3 min-h-0 overflow-y-auto">
              {groups.map((group) => (
                <Command.Group
                  key={group}
                  heading={group}
                  className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-3 [&_[cmdk-group-heading]]:text-soft"
                >
                  {choices
                    .filter((c) => c.group === group)
                    .map((c) => (
                      <Command.Item
                        key={c.value}
                        value={`${c.label} ${c.value}`}
                        onSelect={() => onChoose(c.value)}
                        className="flex min-h-12 cursor-pointer items-center rounded px-3 data-[selected=true]:bg-ink data-[selected=true]:text-paper"
                      >
                        {c.label}
                        {c.value === chosen && <span className="ml-auto pl-3">✓</span>}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
              <Command.Empty className="p-3 text-soft">Nothing matches.</Command.Empty>
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
