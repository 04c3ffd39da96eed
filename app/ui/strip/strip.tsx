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

/** Every running clock, in sight on every page, and at its end the few things beside the work. */
export function Strip({ clocks, children }: { clocks: readonly StripClock[]; children?: ReactNode }) {
  const now = useNow();
  return (
    <div className="flex min-h-12 items-stretch bg-strip text-on-strip">
      <div
        role="region"
        aria-label="Running clocks"
        className="flex min-w-0 flex-1 items-stretch overflow-x-auto pl-5 max-md:pl-1"
        tabIndex={0}
      >
        {clocks.length === 0 && (
          <span className="flex items-center px-2 text-[0.92rem] opacity-90">Nothing is on the clock.</span>
        )}
        {clocks.map((c) => (
          <Link
            key={c.id}
            to={c.href}
            className={`flex min-h-12 shrink-0 items-center gap-2 border-r border-on-strip/30 px-3 text-[0.92rem] text-on-strip no-underline focus-visible:outline-offset-[-4px] focus-visible:outline-on-strip ${c.alarm ? "flash" : ""}`}
          >
            <span className="max-sm:hidden">{c.label}</span>
            {c.until !== null && (
              <b
                className={`fig text-[1.5rem] leading-none font-[650] ${c.alarm ? "text-current" : "text-strip-go"}`}
              >
                {shown((c.until - now) / 1000)}
              </b>
            )}
            <span>{c.after}</span>
          </Link>
        ))}
      </div>
      {children}
    </div>
  );
}

/** Under two hours a ticking clock; longer, hours and minutes. */
function shown(seconds: number): string {
  if (seconds <= 0) return "00:00";
  return seconds < 7200 ? formatClock(Math.ceil(seconds)) : formatDuration(Math.ceil(seconds / 60) * 60);
}
