import type { ReactNode } from "react";
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

/** How many clocks stand in the line itself, by the width of the screen; the others open from its end. */
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
    <div className="sticky top-0 z-30 flex min-h-12 items-stretch bg-strip text-on-strip max-md:flex-wrap">
      {alarm}
      <div
        role="region"
        aria-label="Running clocks"
        className={`flex min-w-0 items-stretch pl-5 max-md:flex-1 max-md:pl-1 ${alarm ? "" : "flex-1"}`}
      >
        {clocks.length === 0 && !alarm && (
          <span className="flex items-center px-2 text-[0.92rem] opacity-90">Nothing is on the clock.</span>
        )}
        {clocks.slice(0, room.desk).map((c, i) => (
          <ClockLink
            key={c.id}
            clock={c}
            whole={!alarm && (i === 0 || (i === 1 && clocks.length <= 3))}
            className={`${i >= room.phone ? "max-md:hidden" : ""} ${i >= room.tablet ? "md:max-lg:hidden" : ""}`}
          />
        ))}
        <Others clocks={clocks} room={room} />
      </div>
      {children}
    </div>
  );
}

/** The clocks that have no room in the line: how many, and all of them when it is opened. */
function Others({ clocks, room }: { clocks: readonly StripClock[]; room: typeof SHOWN }) {
  const beyond = (shown: number) => Math.max(0, clocks.length - shown);
  if (beyond(Math.min(room.phone, room.tablet)) === 0) return null;
  const visible = (shown: number, at: string) =>
    beyond(shown) > 0 && <span className={at}>+{beyond(shown)}</span>;
  return (
    <details
      className={`relative ${beyond(room.phone) ? "" : "max-md:hidden"} ${beyond(room.tablet) ? "" : "md:max-lg:hidden"} ${beyond(room.desk) ? "" : "lg:hidden"}`}
    >
      <summary
        aria-label="All running clocks"
        className="fig flex min-h-12 min-w-12 cursor-pointer list-none items-center justify-center px-3 text-[1.5rem] font-[650] focus-visible:outline-offset-[-4px] focus-visible:outline-on-strip"
      >
        {visible(room.phone, "md:hidden")}
        {visible(room.tablet, "max-md:hidden lg:hidden")}
        {visible(room.desk, "max-lg:hidden")}
      </summary>
      <ul className="absolute right-0 z-40 w-[min(24rem,92vw)] border-2 border-on-strip/60 bg-strip max-md:fixed max-md:inset-x-2 max-md:w-auto">
        {clocks.map((c) => (
          <li key={c.id} className="border-b border-on-strip/30 last:border-0">
            <ClockLink clock={c} whole listed className="" />
          </li>
        ))}
      </ul>
    </details>
  );
}

function ClockLink({
  clock: { href, label, until, after, alarm },
  whole,
  listed = false,
  className,
}: {
  clock: StripClock;
  /** with what it runs to; otherwise that is only said to whoever does not see the line */
  whole: boolean;
  listed?: boolean;
  className: string;
}) {
  const now = useNow();
  return (
    <Link
      to={href}
      className={
        `flex min-h-12 min-w-0 items-center gap-2 px-3 text-[0.92rem] text-on-strip no-underline ${listed ? "" : "shrink-0 border-r border-on-strip/30"} ` +
        `focus-visible:outline-offset-[-4px] focus-visible:outline-on-strip ${alarm ? "flash" : ""} ${className}`
      }
    >
      <span className={listed ? "" : "max-w-[11rem] truncate max-md:max-w-[6.5rem]"}>{label}</span>
      {until !== null && (
        <b
          className={`fig text-[1.5rem] leading-none font-[650] ${alarm ? "text-current" : "text-strip-go"}`}
        >
          {shown((until - now) / 1000)}
        </b>
      )}
      <span className={whole || until === null ? (listed ? "" : "max-w-[15rem] truncate") : "sr-only"}>
        {after}
      </span>
    </Link>
  );
}

/** Under two hours a ticking clock; longer, hours and minutes. */
function shown(seconds: number): string {
  if (seconds <= 0) return "00:00";
  return seconds < 7200 ? formatClock(Math.ceil(seconds)) : formatDuration(Math.ceil(seconds / 60) * 60);
}
