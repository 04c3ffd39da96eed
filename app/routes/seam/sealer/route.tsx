import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { HOUR_MS, countOf } from "#core/quantity";
import { isCan, type ContainerKey, shapeOf } from "#core/schedule";
import { TEAR_DOWN_EVERY_H, USUAL_PLATES, limitsFrom } from "#core/seam";
import {
  cansWaiting,
  lastPlates,
  listSealers,
  sealerFor,
  ownLimits,
  recordTrouble,
  sealerRecords,
  seamTally,
  setLimits,
  standingOf,
} from "#store/seam";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { Sealer as SealerPicture } from "../../../ui/bench/place-drawing";
import { resultOf } from "#ui/form";
import { clockTime, timesOf } from "../../../words/time";
import { homeContext } from "../../../server/context";
import { byIntent, formKey, keyField, submit, words, writeBy } from "../../../server/form";
import { Charts } from "./charts";
import { History } from "./history";
import { LimitsForm } from "./limits-form";
import { limitsForm, rangesFrom } from "./limits";
import { Trouble } from "./trouble";
import { SealerChoice } from "../sealer-choice";
import { keptUntilTaken } from "../../../outbox";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const { searchParams } = new URL(request.url);
  const asked = searchParams.get("size") as ContainerKey | null;
  const size: ContainerKey =
    asked && isCan(asked) ? asked : (cansWaiting(larder)[0]?.kind ?? "can-half-pound");
  const sealers = listSealers(larder);
  const sealer = sealerFor(larder, searchParams.get("sealer"), sealers);
  const own = ownLimits(larder, size);
  const plates = (sealer && lastPlates(larder, sealer.id, size)) ?? USUAL_PLATES;
  return {
    key: formKey(),
    now: larder.now(),
    units: household.units,
    times: timesOf(household),
    size,
    own,
    limits: limitsFrom(own, plates),
    sealers: sealers.map(({ id, name }) => ({ id, name })),
    sealer: sealer && { id: sealer.id, name: sealer.name },
    standing: sealer && standingOf(larder, sealer.id, size),
    tally: sealer ? seamTally(larder, sealer.id) : { looked: 0, redone: 0 },
    records: sealer ? sealerRecords(larder, sealer.id).slice(-40).reverse() : [],
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return byIntent(request, {
    trouble: () =>
      submit(
        request,
        z.object({
          key: keyField,
          sealerId: z.string(),
          kind: z.enum(["jam", "adjusted"]),
          note: words("The note", 200).optional(),
        }),
        (v) => {
          recordTrouble(larder, writeBy(me, v.key), {
            sealerId: v.sealerId,
            kind: v.kind,
            note: v.note ?? null,
          });
          return redirect(href("/seam/set-up"));
        },
      ),
    limits: () =>
      submit(request, limitsForm, (v) => {
        setLimits(larder, writeBy(me, v.key), {
          container: v.container,
          source: v.source,
          ranges: rangesFrom(v),
        });
        return redirect(`${href("/seam/sealer")}?size=${v.container}#limits`);
      }),
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function SealerPage({ loaderData, actionData }: Route.ComponentProps) {
  const { sealer, standing, size, times, now, tally } = loaderData;
  const shape = shapeOf(size);
  const since = standing?.lastSetUpAt ?? null;
  const due = since !== null && now - since > TEAR_DOWN_EVERY_H * HOUR_MS;
  return (
    <Page
      title={
        !sealer || !standing
          ? "Sealer"
          : standing.state === "ready"
            ? `${sealer.name} holds for ${shape.plural}.`
            : standing.state === "stopped"
              ? `${sealer.name} is stopped.`
              : `${sealer.name} wants a setup test.`
      }
      lead={
        standing?.why ??
        (since === null
          ? undefined
          : `Set up at ${clockTime(since, times)}${standing?.byEye ? " by eye: the hooks inside were not measured" : ""}; ${countOf(tally.looked, "can")} closed since, ${tally.redone} of them done again. ${due ? `More than ${TEAR_DOWN_EVERY_H} hours of work since: take one down at the next pause (21 CFR 113.60, from memory).` : ""}`)
      }
      aside={
        <div className="flex flex-wrap gap-3">
          <Button asChild weight={standing?.state === "ready" ? "quiet" : "do"}>
            <Link to={href("/seam/set-up")}>Setup test</Link>
          </Button>
          <Button asChild>
            <Link to={href("/seam")}>Back to the cans</Link>
          </Button>
        </div>
      }
    >
      <title>Sealer · Patient Larder</title>
      <SealerChoice sealers={loaderData.sealers} chosen={sealer?.id ?? null} />
      {!sealer || !standing ? (
        <Empty drawing={<SealerPicture />} title="There is no can sealer in the Shed.">
          <Link to={href("/shed")} className="font-[650] text-ink underline underline-offset-4">
            Add one
          </Link>
          . Limits can be entered before.
        </Empty>
      ) : (
        <>
          {standing.moving.length > 0 && (
            <Notice tone="care" className="mb-5">
              {standing.moving.join(" ")}
            </Notice>
          )}
          <Charts data={loaderData} series={standing.series} />
          <Trouble data={loaderData} sealerId={sealer.id} result={resultOf(actionData?.result, "trouble")} />
        </>
      )}
      <Part title="Limits from" className="mt-8 scroll-mt-4">
        <LimitsForm
          key={`${size} ${loaderData.own?.at}`}
          data={loaderData}
          result={resultOf(actionData?.result, "limits")}
        />
      </Part>
      {sealer && <History data={loaderData} />}
    </Page>
  );
}
