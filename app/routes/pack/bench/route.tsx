import { href, Link, redirect } from "react-router";
import { writingOf } from "#store/household";
import { sourceWords } from "../../../words/guide";
import { timesOf } from "../../../words/time";
import { z } from "zod";
import { capital } from "#core/quantity";
import type { Route } from "./+types/route";
import { keptUntilTaken } from "../../../outbox";
import {
  deviationsOf,
  jarWater,
  liquidLitres,
  packSteps,
  pieceOf,
  progressOf,
  REST_WAYS,
  LIQUIDS,
} from "#core/pack";
import {
  AS_PUBLISHED,
  isCan,
  productName,
  scheduledProcess,
  shapeOf,
  type ScheduledProcess,
} from "#core/schedule";
import { isFatty } from "#core/species";
import { Refused } from "#store/db";
import {
  closeBench,
  endPart,
  expectedFill,
  fillOne,
  getBench,
  setHow,
  takeOut,
  type BenchNow,
} from "#store/filling";
import { getCanner } from "#store/equipment";
import { getLot } from "#store/lot";
import { processFor } from "#store/pack";
import { jarOfRecipe } from "#store/recipe";
import { boxesFor, suppliesInUse } from "#store/supply";
import { NowProvider } from "#ui/clock";
import { BareHead } from "../../shell/bare";
import { contentsOf } from "#ui/glyph";
import { homeContext, type Home } from "../../../server/context";
import { clocksOf } from "../../../features/shell/clocks.server";
import { brothChoices, brothSaid } from "../../../features/packing/broth.server";
import { benchPlaces } from "../../../features/packing/filling.server";
import {
  byIntent,
  formKey,
  keyField,
  orNotFound,
  quantity,
  submit,
  weight,
  words,
  writeBy,
} from "../../../server/form";
import { snapshot } from "../../../features/shell/snapshot.server";
import { runGlances } from "../../../features/shell/places.server";
import { Filling } from "./filling";
import { Packed } from "./packed";
import type { AlarmPlace } from "../../../live/alarms";
import type { FollowHandle } from "../../../live/follow";

export function loader({ context, params }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household } = home;
  const bench = orNotFound(() => getBench(larder, params.id));
  const canner = bench.cannerId ? getCanner(larder, bench.cannerId) : null;
  const look = snapshot(home);
  const supplies = suppliesInUse(larder);
  return {
    key: formKey(),
    serverNow: look.now,
    clocks: clocksOf(runGlances(look), look),
    units: household.units,
    broths: brothChoices(home),
    id: bench.id,
    closedAt: bench.closedAt,
    canner: canner && { name: canner.name, insideDiameterMm: canner.pot.insideDiameterMm },
    places: benchPlaces(home, bench),
    parts: bench.parts.map((part) => {
      const lot = getLot(larder, part.lotId);
      const expected = expectedFill(larder, part);
      const { schedule, stopped } = scheduleShown(larder, part);
      const shape = shapeOf(part.container, part.mouth);
      const contents = contentsOf(part.product, lot.species);
      const jar = part.dish ? jarOfRecipe(larder, part.dish, part.container, part.mouth) : null;
      return {
        ...part,
        dish: part.dish ?? null,
        jar,
        pack: part.pack && { code: part.pack.code, massKg: part.pack.massKg },
        productName: productName(part.product),
        liquidFrom: part.liquidLotId
          ? `From lot ${getLot(larder, part.liquidLotId).code}`
          : part.liquid === "broth"
            ? part.liquidName && capital(part.liquidName)
            : null,
        alsoCodes: (part.also ?? []).map((a) => getLot(larder, a.lotId).code),
        lot: { code: lot.code, part: lot.part, species: lot.species, leftKg: lot.leftKg },
        contents,
        shape,
        expected,
        minutes: schedule.minutes,
        publishedIn: schedule.headspaceIn,
        source: sourceWords(schedule, timesOf(household)),
        stopped,
        steps: packSteps(part, lot.species.some(isFatty), jar !== null),
        piece: pieceOf(part.product, part.container),
        water: jarWater(part.method, part.container),
        liquidLitres: jar
          ? jar.liquids.reduce((sum, l) => sum + l.amount, 0)
          : liquidLitres(shape.nominalMl, part.method, part.liquid, part.product === "broth"),
        departs: deviationsOf(part, part.method, schedule.headspaceIn),
        progress: progressOf(
          part.containers.map((c) => ({ massKg: c.massKg ?? expected.kgEach })),
          part.planned,
          lot.leftKg,
          expected.kgEach,
        ),
        boxes: boxesFor(supplies, part.container, isCan(part.container) ? null : shape.mouth)
          .filter((b) => b.left > 0)
          .map(({ id, label, left }) => ({ id, label, left })),
      };
    }),
  };
}

const index = z.coerce.number().int().min(0).max(50);

/**
 * The process a part is shown with: as it was begun, or by the tables now. A row that somebody stopped meanwhile keeps the
 * bench open, with why nothing more is filled.
 */
function scheduleShown(
  larder: Home["larder"],
  part: BenchNow["parts"][number],
): { schedule: ScheduledProcess; stopped: string | null } {
  try {
    return { schedule: part.pack?.schedule ?? processFor(larder, part), stopped: null };
  } catch (error) {
    const { product, method: pack, container } = part;
    const published = scheduledProcess({
      product,
      pack,
      container,
      gauge: "weighted",
      altitudeM: 0,
      rows: AS_PUBLISHED,
    });
    if (!(error instanceof Refused) || published.outcome === "none") throw error;
    return { schedule: published, stopped: error.message };
  }
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, household, me } = context.get(homeContext);
  const writing = writingOf(household);
  const back = href("/pack/:id", { id: params.id });
  const part = { key: keyField, part: index };
  return byIntent(request, {
    fill: () =>
      submit(
        request,
        z.object({
          ...part,
          weight: weight(writing).optional(),
          confirm: z.string().optional(),
          confirmed: z.string().optional(),
        }),
        (v) => {
          const { number, code } = fillOne(larder, writeBy(me, v.key), {
            benchId: params.id,
            part: v.part,
            massKg: v.weight ?? null,
            confirmed: v.confirmed === "yes",
          });
          return { number, code };
        },
      ),
    "take-out": () =>
      submit(request, z.object(part), (v) => {
        takeOut(larder, writeBy(me, v.key), params.id, v.part);
        return redirect(back);
      }),
    how: () =>
      submit(
        request,
        z.object({
          ...part,
          liquid: z.enum(LIQUIDS),
          broth: z.string().max(60).optional(),
          liquidName: words("The name of the broth").optional(),
          saltTsp: z.coerce.number().min(0).max(4),
          headspaceIn: z.coerce.number().min(0.25).max(1.5),
          reusedLids: z.boolean().default(false),
          lidBoxId: z.string().optional(),
          additions: words("The seasoning").optional(),
          reason: words("The reason", 200).optional(),
        }),
        ({ key, part: at, broth, liquidName, ...how }) => {
          setHow(larder, writeBy(me, key), params.id, at, {
            ...how,
            ...brothSaid(how.liquid, broth, liquidName),
            lidBoxId: how.lidBoxId || null,
            additions: how.additions || null,
            reason: how.reason || null,
          });
          return redirect(back);
        },
      ),
    end: () =>
      submit(
        request,
        z.object({
          ...part,
          way: z.enum(REST_WAYS, "Say where it goes."),
          restKg: quantity("mass", writing, "The weight").optional(),
        }),
        (v) => {
          endPart(larder, writeBy(me, v.key), {
            benchId: params.id,
            part: v.part,
            way: v.way,
            restKg: v.restKg ?? null,
          });
          return redirect(back);
        },
      ),
    packed: () =>
      submit(request, z.object({ key: keyField }), (v) => {
        const bench = getBench(larder, params.id);
        const filled = bench.parts.filter((p) => p.containers.length > 0);
        closeBench(larder, writeBy(me, v.key), params.id);
        if (filled.length === 0) return redirect(href("/pack"));
        if (filled.some((p) => !p.pack)) throw new Refused({ "": "A pack of this load was taken apart." });
        return redirect(filled.some((p) => isCan(p.container)) ? href("/seam") : href("/fire"));
      }),
  });
}

/** Taps are kept on this screen while the larder cannot be reached, and told to it in their order. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle & AlarmPlace = {
  alarmsInHead: true,
  shows: ["bench", "lot", "hold", "supply"],
};

export default function Fill({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <NowProvider serverNow={loaderData.serverNow}>
      <div className="flex min-h-dvh flex-col">
        <title>Packing · Patient Larder</title>
        <BareHead clocks={loaderData.clocks}>
          <Link to={href("/pack")} className="flex items-center px-4 font-[600]">
            Leave the bench
          </Link>
        </BareHead>
        {loaderData.closedAt === null ? (
          <Filling data={loaderData} result={actionData?.result} />
        ) : (
          <Packed data={loaderData} />
        )}
      </div>
    </NowProvider>
  );
}
