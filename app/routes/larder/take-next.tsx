import { href, Link } from "react-router";
import type { Shelved } from "#store/shelf";
import { Button } from "#ui/button";
import { StoredGlyph } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { oneWords } from "../../words/shelf";
import { longDay, type Times } from "../../words/time";

/** The container to eat next, and how to look at it before opening. */
export function TakeNext({
  next,
  now,
  times,
  boil,
  first,
}: {
  next: Shelved;
  now: number;
  times: Times;
  boil: number;
  /** it is the next thing to do on its page */
  first: boolean;
}) {
  return (
    <div className="flex flex-wrap items-end gap-6 rounded border-2 border-ink bg-sheet p-5">
      <StoredGlyph c={next} scale={0.7} />
      <div className="min-w-[16rem] flex-1">
        <p className="text-[1.2rem] font-[650]">
          Eat next: {oneWords(next)}{" "}
          <Link to={href("/c/:code", { code: next.code })} className="text-ink">
            <Code>{next.code}</Code>
          </Link>
        </p>
        <p>
          Canned {longDay(next.cannedAt, times)},{" "}
          {next.bestBy < now ? (
            <b className="text-amber">best by {longDay(next.bestBy, times)}, past</b>
          ) : (
            <>best by {longDay(next.bestBy, times)}</>
          )}
          .
        </p>
        {next.deviations.map((d) => (
          <p key={d} className="font-[650] text-stop">
            Went ahead anyway: {d}.
          </p>
        ))}
        <p className="text-[0.95rem] text-soft">
          Check it before you open it. Boiling {boil} minutes before eating is the usual extra caution (USDA
          2015, Guide 1, from memory).
        </p>
      </div>
      <Button asChild weight={first ? "do" : "quiet"}>
        <Link to={href("/larder/open/:code", { code: next.code })}>Open it</Link>
      </Button>
    </div>
  );
}
