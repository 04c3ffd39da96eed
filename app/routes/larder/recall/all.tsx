import { href, Link } from "react-router";
import type { Route } from "./+types/all";
import { countOf } from "#core/quantity";
import { listRecalls } from "#store/recall";
import { Empty, Page } from "#ui/page";
import { Code } from "#ui/lotmark";
import { DOUBT_WORDS } from "../../../words/recall";
import { longDay, timesOf } from "../../../words/time";
import { homeContext } from "../../../server/context";
import { CheckFiles } from "./check-files";

export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  return { times: timesOf(household), recalls: listRecalls(larder) };
}

export default function Recalls({ loaderData }: Route.ComponentProps) {
  const { recalls, times } = loaderData;
  return (
    <Page title="Recalls" lead="Jars and cans that share a risk with one that was bad: do not eat them.">
      <title>Recalls · Patient Larder</title>
      {recalls.length === 0 ? (
        <Empty title="Nothing was ever recalled.">
          If one is bad, open its page from the Larder and say so: everything that shares its run, lots, lids
          or sealer is found at once.
        </Empty>
      ) : (
        <ul>
          {recalls.map((r) => (
            <li key={r.id} className="border-t-2 border-rule">
              <Link
                to={href("/larder/recalls/:id", { id: r.id })}
                className="block min-h-14 py-3 text-ink no-underline hover:underline"
              >
                <b className="text-[1.1rem] font-[650]">
                  <Code>{r.code}</Code>: {r.reason}
                </b>
                <span className="block text-soft">
                  {longDay(r.at, times)}
                  {r.byName ? `, ${r.byName}` : ""} ·{" "}
                  {r.doubts.map((d) => DOUBT_WORDS[d].name.toLowerCase()).join(", ") || "this one alone"} ·{" "}
                  {r.still ? (
                    <b className="text-stop">
                      {r.still} of {countOf(r.count, "container")} still recalled
                    </b>
                  ) : (
                    `${countOf(r.count, "container")}, all released, eaten or thrown out`
                  )}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      <CheckFiles />
    </Page>
  );
}
