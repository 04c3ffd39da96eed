import { sourceWords } from "../../../words/guide";
import { timesOf } from "../../../words/time";
import { redirect } from "react-router";
import { z } from "zod";
import { capital } from "#core/quantity";
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
import { endPart, expectedFill, fillOne, getBench, setHow, takeOut, type BenchNow } from "#store/filling";
import { getCanner } from "#store/equipment";
import { writingOf } from "#store/household";
import { getLot } from "#store/lot";
import { processFor } from "#store/pack";
import { jarOfRecipe } from "#store/recipe";
import { boxesFor, suppliesInUse } from "#store/supply";
import { contentsOf } from "#ui/glyph";
import type { Home } from "../../../server/context";
import { brothChoices, brothSaid } from "../../../features/packing/broth.server";
import { benchPlaces } from "../../../features/packing/filling.server";
import {
  formKey,
  keyField,
  orNotFound,
  quantity,
  submit,
  weight,
  words,
  writeBy,
} from "../../../server/form";

/** Returns what the packing bench shows of a load. Throws a 404 when there is none of this id. */
export function benchData(home: Home, id: string) {
  const { larder, household } = home;
  const bench = orNotFound(() => getBench(larder, id));
  const canner = bench.cannerId ? getCanner(larder, bench.cannerId) : null;
  const supplies = suppliesInUse(larder);
  return {
    key: formKey(),
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

/**
 * Returns the forms of the packing bench by their intent: fill one, undo it, how it is packed, where the rest goes.
 *
 * @param back the address of the page that shows the bench
 */
export function benchForms(request: Request, { larder, household, me }: Home, id: string, back: string) {
  const writing = writingOf(household);
  const part = { key: keyField, part: index };
  return {
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
            benchId: id,
            part: v.part,
            massKg: v.weight ?? null,
            confirmed: v.confirmed === "yes",
          });
          return { number, code };
        },
      ),
    "take-out": () =>
      submit(request, z.object(part), (v) => {
        takeOut(larder, writeBy(me, v.key), id, v.part);
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
          setHow(larder, writeBy(me, key), id, at, {
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
            benchId: id,
            part: v.part,
            way: v.way,
            restKg: v.restKg ?? null,
          });
          return redirect(back);
        },
      ),
  };
}
