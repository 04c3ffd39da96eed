import { Command } from "cmdk";
import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { href, useNavigate } from "react-router";
import { Button } from "#ui/button";
import type { Jumped } from "./found";
import { PAGES } from "./pages";
import { setSingleKeys, singleKeys } from "./single-keys";

const KEYS = [
  ["g then t", "Today"],
  ["g then a", "Ask"],
  ["g then f", "Fire"],
  ["g then r", "Rest"],
  ["g then l", "Larder"],
  ["k with Ctrl or ⌘", "Jump to any code, day, person, place or action"],
  ["?", "Shortcuts"],
] as const;

/** What is open: the palette, or the sheet of shortcuts. */
export type Opened = "jump" | "keys";

export interface PaletteProps {
  open: Opened;
  onClose(): void;
  /** shows the sheet of shortcuts instead */
  onKeys(): void;
}

/** The palette and the sheet of shortcuts, over the page. Fetched when they are first asked for. */
export function Palette({ open, onClose, onKeys }: PaletteProps): React.ReactNode {
  const [text, setText] = useState("");
  const navigate = useNavigate();
  const found = useFound(open === "jump" ? text : "");
  const go = (to: string) => {
    onClose();
    // A file is no page: the browser fetches it.
    if (/\.\w+$/.test(to)) location.assign(to);
    else void navigate(to);
  };
  return (
    <Dialog.Root open onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 w-[min(36rem,94vw)] -translate-x-1/2 rounded border-2 border-ink bg-sheet p-4 text-ink"
        >
          {open === "keys" ? (
            <>
              <Dialog.Title className="mb-3 text-[1.3rem] font-[650]">Shortcuts</Dialog.Title>
              <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
                {KEYS.map(([key, what]) => (
                  <div key={key} className="contents">
                    <dt className="code">{key}</dt>
                    <dd>{what}</dd>
                  </div>
                ))}
              </dl>
              <SingleKeys />
            </>
          ) : (
            <Command label="Jump to">
              <Dialog.Title className="sr-only">Jump to a code, place or action</Dialog.Title>
              <Command.Input
                value={text}
                onValueChange={setText}
                placeholder="A code, a day, a name, something to do"
                className="input text-[1.1rem]"
              />
              <Command.List className="mt-3 max-h-[56vh] overflow-y-auto">
                {/\d|-/.test(text) && (
                  <Item
                    value={`code ${text}`}
                    onSelect={() => go(`${href("/find")}?code=${encodeURIComponent(text)}`)}
                  >
                    Open the code <span className="code ml-1">{text.toUpperCase()}</span>
                  </Item>
                )}
                {found.map((f) => (
                  <Item
                    key={f.to}
                    value={`${text} ${f.kind} ${f.code ?? ""} ${f.title}`}
                    onSelect={() => go(f.to)}
                  >
                    <span className="w-20 shrink-0 text-[0.92rem] opacity-80">{f.kind}</span>
                    {f.code && <span className="code mr-3 shrink-0">{f.code}</span>}
                    {f.title}
                  </Item>
                ))}
                <Item value="Shortcuts keyboard keys" onSelect={onKeys}>
                  Keyboard shortcuts
                </Item>
                {PAGES.flatMap(({ pages }) => pages).map(([name, to, also]) => (
                  <Item key={to} value={`${name} ${also}`} onSelect={() => go(to)}>
                    {name}
                  </Item>
                ))}
                <Command.Empty className="p-3 text-soft">Nothing found.</Command.Empty>
              </Command.List>
            </Command>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Single keys are for whoever wants them. */
function SingleKeys() {
  const [on, setOn] = useState(singleKeys);
  const change = () => {
    setSingleKeys(!on);
    setOn(!on);
  };
  return (
    <p className="mt-4 flex flex-wrap items-center gap-3">
      <Button type="button" onClick={change}>
        {on ? "Turn single-key shortcuts off" : "Turn single-key shortcuts on"}
      </Button>
      {!on && <span className="text-soft">Ctrl K still works. Open this again from there.</span>}
    </p>
  );
}

/** Asked a moment after the last letter, ms. */
const ASK_MS = 160;

/** What in the larder, and in its help, is called so. Nothing while the larder cannot be reached. */
function useFound(text: string): readonly Jumped[] {
  const [found, setFound] = useState<readonly Jumped[]>([]);
  useEffect(() => {
    const ask = new AbortController();
    const timer = setTimeout(() => {
      if (text.trim().length < 2) return setFound([]);
      fetch(`${href("/jump")}?q=${encodeURIComponent(text)}`, { signal: ask.signal })
        .then(async (answer) => setFound(answer.ok ? ((await answer.json()) as Jumped[]) : []))
        .catch(() => undefined);
    }, ASK_MS);
    return () => {
      clearTimeout(timer);
      ask.abort();
    };
  }, [text]);
  return found;
}

function Item(props: React.ComponentProps<typeof Command.Item>) {
  return (
    <Command.Item
      {...props}
      className="flex min-h-12 cursor-pointer items-center rounded px-3 data-[selected=true]:bg-ink data-[selected=true]:text-paper"
    />
  );
}
