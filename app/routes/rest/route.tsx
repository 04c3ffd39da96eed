import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import { keptUntilTaken } from "../../outbox";
import { Notice, problemOf } from "#ui/form";
import { ContainerGlyph } from "#ui/glyph";
import { Empty, Page } from "#ui/page";
import { shapeOf } from "#core/schedule";
import { sealCauses } from "./causes.server";
import { homeContext } from "../../server/context";
import { byIntent } from "../../server/form";
import { CausesPart } from "./causes";
import { Deciding, PromisedPart } from "./deciding";
import { restData, restForms } from "./rest.server";
import { Towel } from "./towel";
import type { FollowHandle } from "../../live/follow";
import { DECIDE_TIME, REST_TIME } from "../../words/safety";

export function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  return { ...restData(home), causes: sealCauses(home) };
}

export async function action({ request, context }: Route.ActionArgs) {
  return byIntent(request, restForms(request, context.get(homeContext)), "seal");
}

/** Taps are kept on this screen while the larder cannot be reached, and told to it in their order. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["run", "seal", "container", "hold", "recall"] };

export default function Rest({ loaderData, actionData }: Route.ComponentProps) {
  const { resting, open, promised: waiting, causes, times } = loaderData;
  const problem = problemOf(actionData?.result);
  return (
    <Page
      title="Rest"
      lead={`Leave jars untouched for ${REST_TIME}, then check each seal. Decide about failed ones within ${DECIDE_TIME}.`}
    >
      <title>Rest · Patient Larder</title>
      {problem && (
        <Notice tone="stop" className="mb-5">
          {problem}
        </Notice>
      )}
      <Deciding open={open} times={times} allKey={loaderData.allKey} />
      {resting.map((r) => (
        <Towel key={r.code} run={r} times={times} />
      ))}
      <PromisedPart waiting={waiting} anew={loaderData.anew} times={times} />
      {resting.length === 0 && open.length === 0 && (
        <Empty
          drawing={<ContainerGlyph shape={shapeOf("jar-pint")} state="resting" scale={0.7} label="" />}
          title="No jars are cooling."
        >
          Jars and cans come here from the canner. <Link to={href("/larder")}>To the Larder</Link>
        </Empty>
      )}
      <CausesPart causes={causes} />
    </Page>
  );
}
