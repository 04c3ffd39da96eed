import { Form, Link } from "react-router";
import type { Route } from "./+types/route";
import type { Larder } from "#store/db";
import { readHead } from "#store/witness";
import { actionsDone, listChanges, listCorrections } from "#store/history";
import { Button } from "#ui/button";
import { ListField } from "#ui/form";
import { Page, Part } from "#ui/page";
import { homeContext } from "../../../server/context";
import { qrPath } from "../../../server/qr";
import { historyCode } from "../../../features/record/record.server";
import { verified } from "../../../server/verified";
import { detailsOf } from "../../../words/change";
import { doneWords } from "../../../words/history";
import { clockTime, longDay, timesOf } from "../../../words/time";
import { ChangeRow } from "./change-row";
import { Outcome, Proof } from "./proof";

export async function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household, people } = context.get(homeContext);
  const query = new URL(request.url).searchParams;
  const code = query.get("code")?.trim().toUpperCase() || null;
  const before = Number(query.get("before")) || null;
  const writing = { units: household.units, times: timesOf(household) };
  return {
    times: writing.times,
    changes: listChanges(larder, {
      byId: query.get("by") || null,
      action: query.get("what") || null,
      code,
      before,
    }).map(({ detail, ...change }) => ({ ...change, details: detailsOf(detail, writing) })),
    corrections: before ? [] : listCorrections(larder, 12),
    wanted: { by: query.get("by") ?? "", what: query.get("what") ?? "", code: code ?? "" },
    people: people.map((p) => ({ id: p.id, name: p.name })),
    actions: actionsDone(larder),
    ...(await checked(larder, query)),
    history: codeOf(larder),
  };
}

/** The history held against its hashes and signatures, and against a paper where one was typed. */
async function checked(larder: Larder, query: URLSearchParams) {
  const typed = query.get("paper")?.trim() ?? "";
  const paper = typed && readHead(typed) ? typed : null;
  const asked = query.get("verify") !== null || paper !== null;
  return {
    typed,
    unread: typed !== "" && paper === null,
    verified: asked ? await verified(larder, paper) : null,
  };
}

function codeOf(larder: Larder) {
  const code = historyCode({ larder }, "audit");
  return code && { ...code, qr: qrPath(code.long) };
}

const SELECT = "input mt-1 w-auto";

export default function History({ loaderData }: Route.ComponentProps) {
  const { times, changes, corrections, wanted, people, actions, verified, typed, unread, history } =
    loaderData;
  const query = (more: Record<string, string>) =>
    `?${new URLSearchParams({ ...wanted, ...more }).toString()}`;
  return (
    <Page
      title="History"
      lead="Every change: who, when, on which screen and why. Nothing is replaced. Corrections stand beside the original."
      aside={
        <Button asChild weight={verified ? "quiet" : "do"}>
          <Link to="?verify=1">Check that nothing was altered</Link>
        </Button>
      }
    >
      <title>History · Patient Larder</title>
      {verified && <Outcome verified={verified} paper={unread ? "" : typed} times={times} />}
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
        <ListField
          label="About"
          count={actions.length}
          name="what"
          defaultValue={wanted.what}
          className={`${SELECT} max-w-[22rem]`}
        >
          <option value="">anything</option>
          {actions.map((a) => (
            <option key={a} value={a}>
              {doneWords(a)}
            </option>
          ))}
        </ListField>
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
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_24rem]">
        <Part title={changes.length ? "Newest first" : "Nothing of the kind"}>
          <ol className="divide-y-2 divide-rule border-y-2 border-rule">
            {changes.map((c, i) => (
              <ChangeRow
                key={c.id}
                change={c}
                times={times}
                details={c.details}
                day={i === 0 || longDay(changes[i - 1]!.at, times) !== longDay(c.at, times)}
                what={doneWords(c.action)}
              />
            ))}
          </ol>
          {changes.length === 60 && (
            <p className="mt-4">
              <Button asChild>
                <Link to={query({ before: String(changes.at(-1)!.id) })}>Older</Link>
              </Button>
            </p>
          )}
        </Part>
        <div className="space-y-8 max-lg:order-first">
          <Proof history={history} typed={typed} unread={unread} />
          {corrections.length > 0 && (
            <Part title="Corrections">
              <ul className="divide-y-2 divide-rule border-y-2 border-rule">
                {corrections.map((c, i) => (
                  <li key={i} className="py-2">
                    <span className="code">{c.code}</span> <s className="text-soft">{c.was}</s>
                    <br />
                    <span className="font-[650]">{c.now ?? "taken back"}</span>{" "}
                    <span className="text-soft">
                      by {c.by ?? "nobody named"}, {longDay(c.correctedAt, times)}{" "}
                      {clockTime(c.correctedAt, times)}
                    </span>
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
