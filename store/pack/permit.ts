import { Refused, type Larder } from "#store/db";
import { whyNotPack, type DishToFill, type PackToFill } from "#core/guard";
import { notPackedWords, whyNotPacked } from "#core/lot";
import type { FillEstimate } from "#core/pack";
import { divideDish, whyNotIn } from "#core/recipe";
import {
  whyNotGivenFor,
  productName,
  scheduledProcess,
  whyNotAccepted,
  type ContainerKey,
  type PackMethod,
  type ProductKey,
  type ScheduledProcess,
} from "#core/schedule";
import { groupOf } from "#core/species";
import { acceptedRows, getHousehold, writingOf } from "#store/household";
import { permitOffice, type GivenByOffice } from "#store/guide";
import { getLot, type Lot } from "#store/lot";
import { recipeToCan } from "#store/recipe";
import { brothFrom, isFromLot } from "./liquid.ts";
import type { Pack } from "./pack.ts";

/**
 * Returns the scheduled process of a pack in this household's kitchen: by the tables as it compared them with its own
 * guide, or as an office gave it. Throws Refused when there is none, with what to do instead.
 */
export function processFor(
  larder: Larder,
  input: { product: ProductKey; method: PackMethod; container: ContainerKey; office?: GivenByOffice | null },
): ScheduledProcess {
  const { product, method, container, office } = input;
  const { altitudeM, rows } = getHousehold(larder)!;
  if (office) return permitOffice(larder, { product, method, container }, office, altitudeM);
  const answer = scheduledProcess({ product, pack: method, container, gauge: "weighted", altitudeM, rows });
  if (answer.outcome !== "none") return answer;
  throw new Refused({
    container: `No tested process for ${productName(product).toLowerCase()} like this. ${answer.reason} ${answer.instead.join(" ")}`,
  });
}

/** Returns why a lot may not be packed as it is now, as a sentence; null when it may. */
export function whyNotFromLot(larder: Larder, lot: Lot): string | null {
  // Asked again, and not read off the lot: time may have passed since it was read.
  const not = whyNotPacked(lot, larder.now());
  return not && notPackedWords(not, lot);
}

/** What somebody asks to fill: the core's own words for it, and what only the store can look up. */
export interface PackAsked extends Omit<
  PackToFill,
  "additions" | "broth" | "dish" | "process" | "confirmed" | "sure"
> {
  additions?: string | null | undefined;
  /** the lot its broth comes from */
  liquidLotId?: string | null | undefined;
  /** broth that was bought, or stock from a cube, by name */
  liquidName?: string | null | undefined;
  /** other lots whose food goes into each container */
  also?: readonly { lotId: string }[] | undefined;
  /** name of the recipe of a mixed dish */
  dish?: string | null | undefined;
  office?: GivenByOffice | null | undefined;
  /** conditions of its process that a person confirmed */
  confirmed?: readonly string[] | undefined;
  /** somebody looked again at an odd weight or much seasoning */
  sure?: boolean | undefined;
}

/**
 * Returns the scheduled process a pack is held to, with what was confirmed, after asking the guards of core whether it
 * may be filled. The only way from a command to them. Throws Refused at the field to correct, or at `confirm` for what
 * may be confirmed.
 *
 * @param expected what one such container takes by the household's packs, kg
 */
export function permitPack(
  larder: Larder,
  asked: PackAsked,
  lot: Lot,
  expected?: FillEstimate,
): ScheduledProcess {
  const home = getHousehold(larder)!;
  const others = (asked.also ?? []).map((a) => getLot(larder, a.lotId));
  const foods = [lot, ...others];
  for (const [i, l] of foods.entries()) {
    const not = whyNotFromLot(larder, l);
    if (not) throw new Refused({ [i === 0 ? "lotId" : "alsoLotId"]: not }, 409);
  }
  if (new Set(foods.map((l) => l.id)).size < foods.length)
    throw new Refused({ alsoLotId: "This lot goes in already. Choose another one." });
  if (isFromLot(asked)) {
    if (foods.some((l) => l.id === asked.liquidLotId))
      throw new Refused({ broth: "This broth is what goes in already. Choose another liquid." });
    const broth = getLot(larder, asked.liquidLotId);
    const not = whyNotFromLot(larder, broth);
    if (not) throw new Refused({ broth: not }, 409);
  }
  const process = processFor(larder, { ...asked, office: asked.office ?? null });
  const { additions = null, dish = null, confirmed = [], sure = false } = asked;
  const toFill: PackToFill = {
    ...asked,
    additions: additions?.trim() || null,
    broth: brothFrom(larder, asked, asked.count),
    dish: dish ? dishToFill(larder, dish, asked.container, asked.mouth) : null,
    process,
    confirmed,
    sure,
  };
  const judge = {
    writing: writingOf(home),
    accepted: acceptedRows(larder),
    ...(expected && { expected }),
  };
  const no = foods
    .map(({ code, form, treatments, part, species }) =>
      whyNotPack(toFill, { code, form, treatments, part, group: groupOf(species) }, judge),
    )
    .find((why) => why !== null);
  if (no) throw new Refused({ [no.ask ? "confirm" : no.field]: no.message });
  return confirmed.length > 0 ? { ...process, confirmed: [...confirmed] } : process;
}

/**
 * Returns the scheduled process by which food that did not seal may be reprocessed, at today's altitude. Throws
 * Refused when an animal in it is on hold, there is no process, or it is common practice that nobody accepted.
 */
export function permitReprocess(
  larder: Larder,
  was: Pick<Pack, "product" | "method" | "container" | "schedule"> & { lots: readonly { id: string }[] },
): ScheduledProcess {
  for (const { id } of was.lots) {
    const lot = getLot(larder, id);
    if (lot.holds.length > 0) throw new Refused({ "": notPackedWords("held", lot) }, 409);
  }
  const { altitudeM } = getHousehold(larder)!;
  if (was.schedule.fromOffice) {
    const no = whyNotGivenFor(was.schedule, altitudeM);
    if (no) throw new Refused({ "": `${no.reason} ${no.instead.join(" ")}` }, 409);
    return was.schedule;
  }
  const process = processFor(larder, was);
  const why = whyNotAccepted(process, acceptedRows(larder));
  if (why) throw new Refused({ "": why }, 409);
  return was.schedule.confirmed ? { ...process, confirmed: was.schedule.confirmed } : process;
}

/** A recipe of this name as such containers are filled with it. @throws Refused when there is none, or it may not be canned in them */
function dishToFill(
  larder: Larder,
  name: string,
  container: ContainerKey,
  mouth: PackAsked["mouth"],
): DishToFill {
  const known = recipeToCan(larder, name);
  if (!known) throw new Refused({ product: `There is no recipe called ${name} that may be canned.` });
  const { dish, answer } = known;
  const not = whyNotIn(answer, container, getHousehold(larder)!.rows);
  if (not) throw new Refused({ container: not });
  const { meatKgEach } = divideDish(dish, answer, container, mouth);
  return { name, product: answer.product, meatKgEach };
}
