import { useState, type ReactNode } from "react";
import { Link } from "react-router";
import { formatClock, formatDuration } from "#core/quantity";
import { useNow } from "#ui/clock";

/** A clock of the strip. */
export interface StripClock {
  id: string;
  href: string;
  label: string;
  /** ms since 1970 UTC; null while it waits for something to happen */
  until: number | null;
  after: string;
  alarm: boolean;
}

/** How many clocks stand in the line itself, by the width of the screen (style.css); the others open from its end. */
const SHOWN = { phone: 1, tablet: 2, desk: 4 };
/** Beside an alarm there is less room. */
const BESIDE_ALARM = { phone: 1, tablet: 0, desk: 1 };

/**
 * Every running clock, the most urgent first, in sight on every page however far it is scrolled, and at its end the few
 * things beside the work.
 *
 * @param clocks the most urgent first
 * @param alarm takes the first place while something calls; null otherwise
 */
export function Strip({
  clocks,
  alarm = null,
  children,
}: {
  clocks: readonly StripClock[];
  alarm?: ReactNode;
  children?: ReactNode;
}) {
  const room = alarm ? BESIDE_ALARM : SHOWN;
  return (
    <div className={alarm ? "strip calling" : "strip"}>
      {alarm}
      <div role="region" aria-label="Running clocks">
        {clocks.length === 0 && !alarm && <span>No clocks running.</span>}
        {clocks.slice(0, room.desk).map((c, i) => (
          <ClockLink key={c.id} clock={c} whole={!alarm && (i === 0 || (i === 1 && clocks.length <= 3))} />
        ))}
        {clocks.length > Math.min(room.phone, room.tablet) && <Others clocks={clocks} room={room} />}
      </div>
      {children}
    </div>
  );
}

/** The clocks that have no room in the line: how many, and all of them when it is opened. */
function Others({ clocks, room }: { clocks: readonly StripClock[]; room: typeof SHOWN }) {
  const [open, setOpen] = useState(false);
  const beyond = (shown: number) => clocks.length - shown;
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary aria-label="All running clocks">
        {(["phone", "tablet", "desk"] as const).map(
          (screen) =>
            beyond(room[screen]) > 0 && (
              <span key={screen} className={screen}>
                +{beyond(room[screen])}
              </span>
            ),
        )}
      </summary>
      {open && (
        <ul>
          {clocks.map((c) => (
            <li key={c.id}>
              <ClockLink clock={c} whole />
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}

/** @param whole with what it runs to; otherwise that is only said to whoever does not see the line */
function ClockLink({
  clock: { href, label, until, after, alarm },
  whole,
}: {
  clock: StripClock;
  whole: boolean;
}) {
  const now = useNow();
  return (
    <Link to={href} className={alarm ? "flash" : undefined}>
      <span>{label}</span>
      {until !== null && <b>{shown((until - now) / 1000)}</b>}
      <span className={whole || until === null ? undefined : "sr-only"}>{after}</span>
    </Link>
  );
}

/** Under two hours a ticking clock; longer, hours and minutes. */
function shown(seconds: number): string {
  if (seconds <= 0) return "00:00";
  return seconds < 7200 ? formatClock(Math.ceil(seconds)) : formatDuration(Math.ceil(seconds / 60) * 60);
}
