import { Form, Link } from "react-router";
import type { Route } from "./+types/route";
import { actionsDone, listChanges, listCorrections } from "#store/history";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { Page, Part } from "#ui/page";
import { atHome } from "../../server/context";
import { verified } from "../../server/verified";
import { doneWords } from "../../words/history";
import { clockTime, longDay } from "../../words/time";
import { ChangeRow } from "./change-row";

export async function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household, people } = atHome(context, request);
  const query = new URL(request.url).searchParams;
  const code = query.get("code")?.trim().toUpperCase() || null;
  const before = Number(query.get("before")) || null;
  return {
    zone: household.zone,
    changes: listChanges(larder, {
      byId: query.get("by") || null,
      action: query.get("what") || null,
      code,
      before,
    }),
    corrections: before ? [] : listCorrections(larder, 12),
    wanted: { by: query.get("by") ?? "", what: query.get("what") ?? "", code: code ?? "" },
    people: people.map((p) => ({ id: p.id, name: p.name })),
    actions: actionsDone(larder),
    verified: query.get("verify") ? await verified(larder) : null,
  };
}

const SELECT = "mt-1 min-h-12 rounded border-2 border-ink bg-sheet px-3 text-[1.06rem]";

export default function History({ loaderData }: Route.ComponentProps) {
  const { zone, changes, corrections, wanted, people, actions, verified } = loaderData;
  const query = (more: Record<string, string>) =>
    `?${new URLSearchParams({ ...wanted, ...more }).toString()}`;
  return (
    <Page
      title="History"
      lead="Every change, by whom, when, on which screen and why. Nothing is ever written over; what is put right stands beside what it was."
      aside={
        <Button asChild weight={verified ? "quiet" : "do"}>
          <Link to="?verify=1">Check that it fits</Link>
        </Button>
      }
    >
      <title>History · Patient Larder</title>
      {verified &&
        (verified.broken.length === 0 ? (
          <Notice tone="good" className="mb-6">
            <p className="text-[1.15rem] font-[650]">
              It fits: {verified.lines.toLocaleString("en")} lines of the audit and of {verified.runs}{" "}
              {verified.runs === 1 ? "run" : "runs"}, each hashed with the one before it.
            </p>
            {verified.head && (
              <p className="mt-1 text-soft">
                The last is{" "}
                <span className="code select-all !whitespace-normal break-all">{verified.head}</span>. Written
                on paper today, it shows next year that nothing before it was changed.
              </p>
            )}
          </Notice>
        ) : (
          <Notice tone="stop" className="mb-6">
            <p className="text-[1.15rem] font-[650]">The past was changed outside this program.</p>
            <ul className="mt-1 list-disc pl-5">
              {verified.broken.map((b, i) => (
                <li key={i}>
                  {b.code ? <span className="code">{b.code}</span> : "The audit"}: {b.what}
                </li>
              ))}
            </ul>
            <p className="mt-1">
              Look into the copies for the newest from before. <Link to="/records/copies">Copies</Link>
            </p>
          </Notice>
        ))}
      <Form className="mb-6 flex flex-wrap items-end gap-3" role="search">
        <label>
          <span className="block font-[650]">Who</span>
          <select name="by" defaultValue={wanted.by} className={SELECT}>
            <option value="">anybody</option>
            {people.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="block font-[650]">About</span>
          <select name="what" defaultValue={wanted.what} className={SELECT}>
            <option value="">anything</option>
            {actions.map((a) => (
              <option key={a} value={a}>
                {a}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="block font-[650]">Code</span>
          <input
            name="code"
            defaultValue={wanted.code}
            autoComplete="off"
            className={`${SELECT} code w-32`}
          />
        </label>
        <Button>Show these</Button>
      </Form>
      <div className={corrections.length ? "grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_24rem]" : ""}>
        <Part title={changes.length ? "Newest first" : "Nothing of the kind"}>
          <ol className="divide-y-2 divide-rule border-y-2 border-rule">
            {changes.map((c, i) => (
              <ChangeRow
                key={c.id}
                change={c}
                zone={zone}
                day={i === 0 || longDay(changes[i - 1]!.at, zone) !== longDay(c.at, zone)}
                what={doneWords(c.action)}
              />
            ))}
          </ol>
          {changes.length === 60 && (
            <p className="mt-4">
              <Button asChild>
                <Link to={query({ before: String(changes.at(-1)!.id) })}>Before these</Link>
              </Button>
            </p>
          )}
        </Part>
        {corrections.length > 0 && (
          <Part title="Put right">
            <ul className="divide-y-2 divide-rule border-y-2 border-rule">
              {corrections.map((c, i) => (
                <li key={i} className="py-2">
                  <span className="code">{c.code}</span> <s className="text-soft">{c.was}</s>
                  <br />
                  <span className="font-[650]">{c.now ?? "taken back"}</span>{" "}
                  <span className="text-soft">
                    by {c.by ?? "nobody named"}, {longDay(c.correctedAt, zone)}{" "}
                    {clockTime(c.correctedAt, zone)}
                  </span>
                </li>
              ))}
            </ul>
          </Part>
        )}
      </div>
    </Page>
  );
}
