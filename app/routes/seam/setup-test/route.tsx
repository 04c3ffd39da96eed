import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import type { ContainerKey } from "#core/schedule";
import {
  cansWaiting,
  lastPlates,
  listSealers,
  sealerFor,
  ownLimits,
  recordSetUp,
  standingOf,
} from "#store/seam";
import { Button } from "#ui/button";
import { useLast } from "#ui/drawer";
import { Empty, Page } from "#ui/page";
import { Sealer } from "../../../ui/bench/place-drawing";
import { homeContext } from "../../../server/context";
import { formKey, submit, writeBy } from "../../../server/form";
import { setUpForm, sheetFrom } from "./form";
import { SetUpResult } from "./result";
import { Sheet } from "./sheet";
import { keptUntilTaken } from "../../../outbox";

const SIZES: ContainerKey[] = ["can-half-pound", "can-one-pound"];

export function loader({ request, context }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url);
  const { larder, household } = context.get(homeContext);
  const sealers = listSealers(larder);
  const usual = sealerFor(larder, null, sealers);
  const asked = SIZES.find((k) => k === searchParams.get("size"));
  const size = asked ?? cansWaiting(larder)[0]?.kind ?? "can-half-pound";
  const guide = /^\/can\/[\w-]+$/.exec(searchParams.get("back") ?? "");
  return {
    key: formKey(),
    /** the guided canning somebody came from; null for none */
    back: guide && guide[0],
    units: household.units,
    sealers: sealers.map((s) => ({ id: s.id, name: s.name, standing: standingOf(larder, s.id, size) })),
    size,
    limits: Object.fromEntries(SIZES.map((k) => [k, ownLimits(larder, k)])),
    /** cans of one lot have the same plates: what was measured last time is a start */
    plates: usual && lastPlates(larder, usual.id, null),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return submit(request, setUpForm, (v) => {
    const base = { sealerId: v.sealerId, container: v.container, reason: v.reason ?? null };
    if (v.method === "eye")
      return recordSetUp(larder, writeBy(me, v.key), {
        ...base,
        sheet: null,
        looksGood: v.looksGood === "yes",
      });
    return recordSetUp(larder, writeBy(me, v.key), { ...base, sheet: sheetFrom(v, v.method) });
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function SetUp({ loaderData, actionData }: Route.ComponentProps) {
  const done = useLast(actionData?.done as SetUpResult | null | undefined);
  return (
    <Page
      title="Setup test"
      lead="Seam two empty cans. Look at one; take the other apart and measure it at three places, 120° apart."
      aside={
        <Button asChild>
          <Link to={loaderData.back ?? href("/seam")}>
            {loaderData.back ? "Back to the guide" : "Back to the cans"}
          </Link>
        </Button>
      }
    >
      <title>Setup test · Patient Larder</title>
      {loaderData.sealers.length === 0 ? (
        <Empty drawing={<Sealer />} title="There is no can sealer in the Shed.">
          <Link to={href("/shed")} className="font-[650] text-ink underline underline-offset-4">
            Add one
          </Link>
          , then come back with two empty cans.
        </Empty>
      ) : (
        <>
          {done && <SetUpResult done={done} units={loaderData.units} />}
          <Sheet data={loaderData} result={actionData?.result} />
        </>
      )}
    </Page>
  );
}
