import { formatClock, formatDuration } from "#core/quantity";
import { useNow } from "./now";

/** A clock running down to an instant, `41:18`; `00:00` from then on. */
export function Countdown({ until, className = "" }: { until: number; className?: string }) {
  const left = Math.max(0, (until - useNow()) / 1000);
  return (
    <span className={`fig font-bold ${className}`} role="timer" aria-label={`${formatDuration(left)} to go`}>
      {formatClock(Math.ceil(left))}
    </span>
  );
}

/** Time left in words that change slowly, `1 h 58 min`. */
export function TimeLeft({ until }: { until: number }) {
  const left = (until - useNow()) / 1000;
  return <>{left <= 0 ? "now" : formatDuration(left < 600 ? left : Math.ceil(left / 60) * 60)}</>;
}

/** Time since, in words. */
export function TimeSince({ since }: { since: number }) {
  return <>{formatDuration(Math.max(0, (useNow() - since) / 1000))}</>;
}
