import { Command } from "cmdk";
import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";

const PLACES = [
  ["Today", "/", "what is next"],
  ["Ask a schedule", "/ask", "minutes, pressure, headspace"],
  ["Field: write down an animal or catch", "/field", "harvest, tag"],
  ["Cold: lots in the fridge and freezer", "/cold", ""],
  ["Table: cut a lot", "/table", "trim, weigh"],
  ["Plan: how many jars", "/plan", ""],
  ["Pack: fill jars or cans", "/pack", ""],
  ["Seam: cans exhausted and closed", "/seam", "bath, probe"],
  ["Set-up test of the sealer", "/seam/set-up", "tear-down, hooks, overlap"],
  ["Sealer: charts and limits", "/seam/sealer", "drift, jam, adjusted"],
  ["Seam school", "/practice", "practice, defects"],
  ["Fire: canners and runs", "/fire", "start a load"],
  ["Rest: check seals", "/rest", "towel, failed"],
  ["Larder: the shelves", "/larder", "best by, open"],
  ["Scan a label", "/larder/scan", "camera, code, find"],
  ["Eating: what to eat next, and how long it lasts", "/larder/eating", "meals, forecast, cost, price"],
  ["Labels: print them, or the words for a marker", "/larder/labels", "pdf, sheet, roll"],
  ["Rooms: how warm the shelves are", "/larder/rooms", "temperature, frost, heat"],
  ["Recalls: what is set aside", "/larder/recalls", "bad, bulge, doubt"],
  ["Charts: stock, age, seals, yields", "/larder/charts", "seasons"],
  ["Shed: canners and gauge tests", "/shed", "equipment"],
  ["Household: altitude, units, people, theme", "/household", "settings dark glare"],
] as const;

const KEYS = [
  ["g then t", "Today"],
  ["g then a", "Ask"],
  ["g then f", "Fire"],
  ["g then r", "Rest"],
  ["g then l", "Larder"],
  ["k with Ctrl or ⌘", "Jump to any code, place or action"],
  ["?", "This sheet"],
] as const;

const GO: Record<string, string> = { t: "/", a: "/ask", f: "/fire", r: "/rest", l: "/larder" };

/** Jumps to any place or code, and tells the shortcuts. Opened by Ctrl K, `?`, or its button. */
export function Jump() {
  const [open, setOpen] = useState<"jump" | "keys" | null>(null);
  const [text, setText] = useState("");
  const navigate = useNavigate();
  useEffect(() => {
    let waiting = false;
    const onKey = (e: KeyboardEvent) => {
      if (e.key.toLowerCase() === "k" && (e.ctrlKey || e.metaKey)) {
        e.preventDefault();
        return setOpen("jump");
      }
      if (e.target instanceof HTMLElement && e.target.matches("input, textarea, select")) return;
      if (e.key === "?") return setOpen("keys");
      const to = waiting ? GO[e.key] : undefined;
      waiting = e.key === "g";
      if (to) void navigate(to);
    };
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  }, [navigate]);
  const go = (to: string) => {
    setOpen(null);
    setText("");
    void navigate(to);
  };
  return (
    <Dialog.Root open={open !== null} onOpenChange={(o) => setOpen(o ? "jump" : null)}>
      <Dialog.Trigger
        className="flex size-12 items-center justify-center font-[650] text-on-strip focus-visible:outline-offset-[-4px] focus-visible:outline-on-strip"
        aria-label="Jump to a code or place"
      >
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <circle cx="8.5" cy="8.5" r="6" fill="none" stroke="currentColor" strokeWidth="2.4" />
          <path d="M13 13l6 6" stroke="currentColor" strokeWidth="2.8" />
        </svg>
      </Dialog.Trigger>
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
            </>
          ) : (
            <Command label="Jump to">
              <Dialog.Title className="sr-only">Jump to a code, place or action</Dialog.Title>
              <Command.Input
                value={text}
                onValueChange={setText}
                placeholder="A code, a place, something to do"
                className="min-h-12 w-full rounded border-2 border-ink bg-paper px-3 text-[1.1rem]"
              />
              <Command.List className="mt-3 max-h-[56vh] overflow-y-auto">
                {/\d|-/.test(text) && (
                  <Item value={`code ${text}`} onSelect={() => go(`/find?code=${encodeURIComponent(text)}`)}>
                    Open the code <span className="code ml-1">{text.toUpperCase()}</span>
                  </Item>
                )}
                {PLACES.map(([name, to, also]) => (
                  <Item key={to} value={`${name} ${also}`} onSelect={() => go(to)}>
                    {name}
                  </Item>
                ))}
                <Command.Empty className="p-3 text-soft">Nothing is called that.</Command.Empty>
              </Command.List>
            </Command>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Item(props: React.ComponentProps<typeof Command.Item>) {
  return (
    <Command.Item
      {...props}
      className="flex min-h-12 cursor-pointer items-center rounded px-3 data-[selected=true]:bg-ink data-[selected=true]:text-paper"
    />
  );
}
