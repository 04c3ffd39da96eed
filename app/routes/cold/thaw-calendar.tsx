import { href, Link } from "react-router";
import { DAY_MS } from "#core/quantity";
import { dayStarts } from "#core/calendar";
import type { UnitSystem } from "#core/quantity";
import type { Lot } from "#store/lot";
import { contentsOf, patternOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Part } from "#ui/page";
import { lotAmount } from "../../words/lot";
import { whenWords, type Times, weekdayWords } from "../../words/time";

/** What comes out of the freezer and when it is ready, as a strip of days with each thaw drawn along it. */
export function ThawCalendar({
  lots,
  now,
  times,
  units,
}: {
  lots: readonly Lot[];
  now: number;
  times: Times;
  units: UnitSystem;
}) {
  const thaws = lots.filter((l) => l.thaw).sort((a, b) => a.thaw!.startAt - b.thaw!.startAt);
  if (thaws.length === 0) return null;
  const from = Math.min(now, ...thaws.map((l) => l.thaw!.startAt));
  const until = Math.max(now + 2 * DAY_MS, ...thaws.map((l) => l.thaw!.readyAt + DAY_MS / 4));
  const x = (at: number) => ((at - from) / (until - from)) * 1000;
  const starts = dayStarts(from, until, times.zone);
  const height = 30 + thaws.length * 34;
  return (
    <Part title="Thawing schedule" className="mb-8">
      <div className="relative">
        <svg
          viewBox={`0 0 1000 ${height}`}
          preserveAspectRatio="none"
          className="w-full border-b-4 border-bench"
          style={{ height }}
          aria-hidden="true"
        >
          {starts.map((at) => (
            <path
              key={at}
              d={`M${x(at)} 0V${height}`}
              stroke="var(--rule)"
              strokeWidth="2"
              vectorEffect="non-scaling-stroke"
            />
          ))}
          {thaws.map((l, i) => {
            const bar = {
              x: x(l.thaw!.startAt),
              width: x(l.thaw!.readyAt) - x(l.thaw!.startAt),
              y: 28 + i * 34,
              height: 26,
            };
            return (
              <g key={l.id}>
                <rect
                  {...bar}
                  fill={`var(--${contentsOf(null, l.species)})`}
                  fillOpacity={l.thaw!.begun ? 1 : 0.45}
                />
                <rect
                  {...bar}
                  fill={`url(#lot-${patternOf(l.code)})`}
                  stroke="var(--ink)"
                  strokeWidth="2"
                  strokeDasharray={l.thaw!.begun ? undefined : "6 5"}
                  vectorEffect="non-scaling-stroke"
                />
              </g>
            );
          })}
          <path
            d={`M${x(now)} 0V${height}`}
            stroke="var(--copper)"
            strokeWidth="3"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        {starts.map((at) => (
          <span
            key={at}
            className="absolute top-0 overflow-hidden pl-1 text-[0.85rem] whitespace-nowrap text-soft"
            // A day that begins at the very edge has no room for its name: it ends where the picture does.
            style={{ left: `${x(at) / 10}%`, maxWidth: `${100 - x(at) / 10}%` }}
            aria-hidden="true"
          >
            {weekdayWords(at, times)}
          </span>
        ))}
      </div>
      <ul className="mt-1 flex flex-wrap gap-x-8">
        {thaws.map((l) => (
          <li key={l.id} className="flex items-center gap-2">
            <Link
              to={href("/cold/:code", { code: l.code })}
              className="inline-flex min-h-12 min-w-12 items-center text-ink"
            >
              <Code>{l.code}</Code>
            </Link>
            {lotAmount(l.form, l.leftKg, units)}:{" "}
            {l.thaw!.begun
              ? `ready about ${whenWords(l.thaw!.readyAt, now, times)}`
              : `out ${whenWords(l.thaw!.startAt, now, times)}, ready about ${whenWords(l.thaw!.readyAt, now, times)}`}
          </li>
        ))}
      </ul>
    </Part>
  );
}
