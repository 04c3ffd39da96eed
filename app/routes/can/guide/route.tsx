import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import { stepOfPhase, type StepKey } from "#core/canning";
import { NowProvider } from "#ui/clock";
import { Button } from "#ui/button";
import { keyFor, OneTap } from "#ui/form";
import type { AlarmPlace } from "../../../live/alarms";
import type { FollowHandle } from "../../../live/follow";
import { keptUntilTaken } from "../../../outbox";
import { homeContext } from "../../../server/context";
import { byIntent, formOf } from "../../../server/form";
import { Stove } from "../../fire/stove/stove";
import { stoveForm } from "../../fire/stove/stove.server";
import { BareHead } from "../../shell/bare";
import { Mark, Rest, Seals, Shelve } from "./after";
import { Cans } from "./cans";
import type { GuideData } from "./data";
import { Fill } from "./fill";
import { CutOrCook, Thaw } from "./food";
import { Progress, Row, WhyAndMistake } from "./frame";
import { guideData, guideForms } from "./guide.server";
import { Jars } from "./jars";
import { LoadCanner } from "./load";
import { CheckEquipment, LayOut, SetupTest } from "./ready";

export function loader({ request, context, params }: Route.LoaderArgs) {
  return guideData(context.get(homeContext), params.id, new URL(request.url).searchParams);
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const home = context.get(homeContext);
  const data = guideData(home, params.id, new URLSearchParams());
  const intent = (await formOf(request)).get("intent");
  // What a page without its script says at the stove is the stove's own form.
  if (data.screen.is === "run" && (intent === null || intent === "take-out"))
    return stoveForm(request, home, data.screen.data.run.code);
  return byIntent(request, guideForms(request, home, params.id));
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

/** What is shown stays while Patient Larder cannot be reached: a running canner's screen must not be lost by reading it again. */
export { stayWhenLost as shouldRevalidate } from "../../../live/stay-when-lost";

export const handle: FollowHandle & AlarmPlace = {
  alarmsInHead: true,
  shows: [
    "canning",
    "bench",
    "lot",
    "hold",
    "can",
    "sealer",
    "seam",
    "run",
    "seal",
    "container",
    "shelf",
    "pack",
  ],
};

export default function Guide({ loaderData, actionData }: Route.ComponentProps) {
  const data = loaderData;
  const result = actionData?.result;
  const leave = { to: href("/can"), label: "Leave the guide" };
  if (data.screen.is === "run")
    return (
      <Stove
        data={data.screen.data}
        refused={result?.error?.[""]?.join(" ") ?? null}
        leave={leave}
        above={(view) => <AtTheStove data={data} at={stepOfPhase(view.phase)} />}
      />
    );
  return (
    <NowProvider serverNow={data.serverNow}>
      <div className="flex min-h-dvh flex-col">
        <title>{`${data.step?.title ?? "Done"} · Patient Larder`}</title>
        <BareHead clocks={data.clocks}>
          <Link to={leave.to} className="flex items-center px-4 font-[600]">
            {leave.label}
          </Link>
        </BareHead>
        <Progress data={data} at={data.step?.key ?? null} />
        <Screen data={data} result={result} />
      </div>
    </NowProvider>
  );
}

/** Above the run: which step it is, and what goes wrong with it. What to do now, the stove says itself. */
function AtTheStove({ data, at }: { data: GuideData; at: StepKey }) {
  const words = data.words[at];
  return (
    <div className="lg:grid lg:grid-cols-[1fr_auto] lg:border-b-2 lg:border-rule lg:bg-sheet">
      <Progress data={data} at={at} />
      {words && (
        <div className="border-b-2 border-rule px-9 max-md:px-4 lg:max-w-[34rem] lg:border-b-0">
          <WhyAndMistake why={words.why} mistake={words.mistake} />
        </div>
      )}
    </div>
  );
}

function Screen({
  data,
  result,
}: {
  data: GuideData;
  result: NonNullable<Route.ComponentProps["actionData"]>["result"] | undefined;
}) {
  const { screen } = data;
  switch (screen.is) {
    case "jars":
      return <Jars key={data.key} data={data} screen={screen.data} result={result} />;
    case "lay-out":
      return <LayOut data={data} screen={screen.data} />;
    case "check":
      return <CheckEquipment data={data} screen={screen.data} />;
    case "setup-test":
      return <SetupTest data={data} screen={screen.data} />;
    case "thaw":
      return <Thaw data={data} screen={screen.data} result={result} />;
    case "cut":
    case "cook":
      return <CutOrCook key={screen.is} data={data} step={screen.is} screen={screen.data} result={result} />;
    case "fill":
      return <Fill data={data} screen={screen.data} result={result} />;
    case "exhaust":
      return <Cans data={data} screen={screen.data} />;
    case "load":
      return <LoadCanner data={data} screen={screen.data} result={result} />;
    case "rest":
      return <Rest data={data} />;
    case "seals":
      return <Seals data={data} screen={screen.data} result={result} />;
    case "mark":
      return <Mark data={data} screen={screen.data} />;
    case "shelve":
      return <Shelve data={data} screen={screen.data} result={result} />;
    default:
      return <Finished data={data} />;
  }
}

/** Everything stands where it belongs, or was decided about. */
function Finished({ data }: { data: GuideData }) {
  return (
    <main id="main" tabIndex={-1} className="mx-auto w-full max-w-[72rem] px-9 py-6 outline-none max-md:px-4">
      {!data.closed && <Row data={data} state="sealed" />}
      <h1 className="mt-4 text-[2.1rem]">{data.closed ? "The guide was stopped" : "Done"}</h1>
      <p className="mt-2 text-[1.25rem]">
        {data.closed
          ? "What was recorded stays. Continue on the pages of the work."
          : `${data.title}: everything is recorded and has its place.`}
      </p>
      <div className="mt-5 flex flex-wrap gap-3">
        {!data.closed && (
          <OneTap says={{ key: keyFor(data.key, "close"), intent: "close" }}>
            <Button weight="do">Close the guide</Button>
          </OneTap>
        )}
        <Button asChild>
          <Link to={href("/larder")}>Look at the shelves</Link>
        </Button>
        <Button asChild>
          <Link to={href("/can")}>Can something else</Link>
        </Button>
      </div>
    </main>
  );
}
