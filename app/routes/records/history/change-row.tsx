import { href, Link } from "react-router";
import type { Change } from "#store/history";
import { clockTime, longDay, type Times } from "../../../words/time";

/** One change: the time, who, what, and on which screen; everything that was written down with it one tap deep. */
export function ChangeRow({
  change: c,
  times,
  details,
  day,
  what,
}: {
  change: Omit<Change, "detail">;
  times: Times;
  /** what was written down with it, as names and values */
  details: readonly (readonly [name: string, value: string])[];
  day: boolean;
  what: string;
}) {
  return (
    <li>
      {day && <h3 className="fig pt-3 text-[1.06rem] text-soft">{longDay(c.at, times)}</h3>}
      <details>
        <summary className="flex min-h-12 cursor-pointer list-none items-center gap-4">
          <span className="fig w-20 shrink-0 text-soft">{clockTime(c.at, times)}</span>
          <span className="min-w-0 flex-1">
            <span className="font-[650]">{c.by ?? "Patient Larder"}</span> {what}
            {c.code && <span className="code ml-2">{c.code}</span>}
            {c.why && <span> “{c.why}”</span>}
            {c.device && <span className="text-soft"> on {c.device}</span>}
            {c.heardAt !== null && (
              <span className="text-soft">, heard at {clockTime(c.heardAt, times)}</span>
            )}
          </span>
          <span aria-hidden="true" className="shrink-0 px-2 text-soft">
            +
          </span>
        </summary>
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 pb-3 pl-[4.5rem] text-[0.95rem] max-md:pl-0">
          {details.map(([name, value]) => (
            <div key={name} className="contents">
              <dt className="text-soft">{name}</dt>
              <dd className="[overflow-wrap:anywhere]">{value}</dd>
            </div>
          ))}
          {c.code && (
            <>
              <dt className="text-soft">history</dt>
              <dd>
                <Link
                  to={href("/c/:code", { code: c.code })}
                  className="code inline-flex min-h-12 min-w-12 items-center text-ink"
                >
                  {c.code}
                </Link>
              </dd>
            </>
          )}
        </dl>
      </details>
    </li>
  );
}
