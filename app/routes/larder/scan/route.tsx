import { useState } from "react";
import { Form, href, Link, useFetcher } from "react-router";
import type { Route } from "./+types/route";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { StoredGlyph } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Page, Part } from "#ui/page";
import { Scanner } from "#ui/scanner";
import { oneWords } from "../../../words/shelf";
import { longDay, type Times, timesOf } from "../../../words/time";
import { homeContext } from "../../../server/context";
import { scanned } from "../../../features/genealogy/scanned.server";
import type { FollowHandle } from "../../../live/follow";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const text = new URL(request.url).searchParams.get("seen")?.slice(0, 300) ?? "";
  return { times: timesOf(home.household), now: home.larder.now(), seen: text ? scanned(home, text) : null };
}

type Seen = NonNullable<Route.ComponentProps["loaderData"]["seen"]>;

export const handle: FollowHandle = { shows: [] };

export default function Scan({ loaderData }: Route.ComponentProps) {
  const fetcher = useFetcher<Route.ComponentProps["loaderData"]>();
  const [before, setBefore] = useState<Seen[]>([]);
  const seen = fetcher.data?.seen ?? loaderData.seen;
  const look = (text: string) => {
    if (seen && seen.text !== text)
      setBefore((b) => [seen, ...b.filter((x) => x.text !== seen.text)].slice(0, 8));
    void fetcher.load(`${href("/larder/scan")}?seen=${encodeURIComponent(text)}`);
  };
  return (
    <Page title="Scan a label" lead="Hold the QR code in front of the camera, or type the code below it.">
      <title>Scan · Patient Larder</title>
      <div className="grid gap-8 lg:grid-cols-[minmax(0,34rem)_1fr]">
        <div>
          <Scanner onRead={look} first={!seen?.takes} />
          <Form
            className="mt-5 flex max-w-[34rem] items-end gap-3"
            onSubmit={(e) => {
              const text = String(new FormData(e.currentTarget).get("seen") ?? "").trim();
              e.preventDefault();
              if (text) look(text);
            }}
          >
            <label className="min-w-0 flex-1">
              <span className="font-[650]">Code</span>
              <input name="seen" autoComplete="off" className="input code mt-1 min-h-14 !text-[1.6rem]" />
            </label>
            <Button>Look up</Button>
          </Form>
        </div>
        <div aria-live="polite">
          {seen ? (
            <Found seen={seen} times={loaderData.times} now={loaderData.now} onLook={look} />
          ) : (
            <p className="text-soft">The code you scan shows here, with what you can do.</p>
          )}
          {before.length > 0 && (
            <Part title="Scanned earlier" className="mt-8">
              <ul>
                {before.map((b) => (
                  <li key={b.text} className="flex min-h-12 items-center gap-3 border-t-2 border-rule py-1">
                    {b.code && (
                      <Link
                        to={href("/c/:code", { code: b.code })}
                        className="flex min-h-12 min-w-12 items-center text-ink"
                      >
                        <Code>{b.code}</Code>
                      </Link>
                    )}
                    <span className="text-soft">{b.says}</span>
                  </li>
                ))}
              </ul>
            </Part>
          )}
        </div>
      </div>
    </Page>
  );
}

function Found({
  seen,
  times,
  now,
  onLook,
}: {
  seen: Seen;
  times: Times;
  now: number;
  onLook: (text: string) => void;
}) {
  const { container: c } = seen;
  if (!c)
    return (
      <>
        <Notice tone="stop">{seen.says}</Notice>
        {seen.meant && (
          <Button type="button" weight="do" className="mt-4" onClick={() => onLook(seen.meant!)}>
            Look up <Code>{seen.meant}</Code>
          </Button>
        )}
        {seen.code && (
          <Button asChild className="mt-4">
            <Link to={href("/c/:code", { code: seen.code })}>History</Link>
          </Button>
        )}
      </>
    );
  return (
    <div className="flex flex-wrap items-end gap-6 rounded border-2 border-ink bg-sheet p-5">
      <StoredGlyph
        c={c}
        state={c.moved && c.moved !== "shelved" ? "opened" : c.seal === "failed" ? "failed" : "sealed"}
        scale={0.9}
      />
      <div className="min-w-[14rem] flex-1">
        <p className="fig text-[3.4rem] leading-none font-bold">{c.code}</p>
        <p className="mt-1 text-[1.2rem] font-[650]">A {oneWords(c)}</p>
        {c.cannedAt !== null && (
          <p>
            Canned {longDay(c.cannedAt, times)}, best by {longDay(c.bestBy, times)}
            {c.bestBy < now && <b className="text-amber">, past</b>}.
          </p>
        )}
        <p className={seen.takes ? "" : "font-[650] text-stop"}>{seen.says}</p>
        <div className="mt-4 flex flex-wrap gap-3">
          {seen.takes && (
            <Button asChild weight="do">
              <Link to={href("/larder/open/:code", { code: c.code })}>Open it</Link>
            </Button>
          )}
          <Button asChild>
            <Link to={href("/c/:code", { code: c.code })}>History</Link>
          </Button>
        </div>
      </div>
    </div>
  );
}
