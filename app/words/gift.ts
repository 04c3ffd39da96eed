import { localDay } from "#core/calendar";
import { capital, countOf, formatAltitude, formatSpoons, mFromFt, type UnitSystem } from "#core/quantity";
import { allergensIn } from "#core/recipe";
import { isFishGroup, speciesByKey } from "#core/species";
import { speciesName } from "./load";
import type { Gift, GiftAnimal } from "#store/shelf";
import { labelText } from "./label";
import { BOIL_TIME } from "./safety";
import { dayWords, type Times } from "./time";

/** What somebody who is given a jar reads on it, and reads out of its QR code without this program. */
export interface GiftText {
  code: string;
  /** `Wild boar, shoulder` */
  contents: string;
  /** in large type beside the QR code: days, how to open it, the code for recalls */
  lines: string[];
  /** all of it, as plain text: what the QR code holds */
  whole: string;
}

/** What a gift label says of the household that gives. */
export interface Giver {
  household: string;
  units: UnitSystem;
  times: Times;
  /** by which its signed recall lists are known */
  fingerprint: string;
}

/** More animals than this are counted. */
const MOST_ANIMALS = 3;

/** Signs that old telephones read wrongly in a QR code, and what they are written as. */
const PLAIN: Record<string, string> = {
  "‘": "'",
  "’": "'",
  "“": '"',
  "”": '"',
  "–": "-",
  "—": "-",
  "×": "x",
  "·": ",",
  "\u00a0": " ",
  "\u2044": "/",
};

/** `1½ tsp` as `1 1/2 tsp`: letters of other scripts stay as they are. */
const plain = (text: string) =>
  text
    .replaceAll(
      /(\d?)([¼-¾⅐-⅞])/g,
      (_, whole: string, part: string) => `${whole && `${whole} `}${part.normalize("NFKD")}`,
    )
    .replaceAll(/[‘’“”–—×·\u00a0\u2044]/g, (c) => PLAIN[c]!)
    .replaceAll(/ +/g, " ")
    .trim();

const animalWords = (a: GiftAnimal, times: Times) =>
  `${speciesByKey(a.species)?.name ?? a.species} of ${dayWords(a.takenOn, times)} (${a.code})`;

/** What went into the container, by name, the food first. */
function ingredientsOf({ pack, shelved }: Gift): string[] {
  const food = shelved.species.map(speciesName);
  const recipe = (pack.ingredients ?? []).map((i) => i.name.toLowerCase());
  const liquid = pack.liquidName ?? (pack.liquid === "broth" ? "own broth" : pack.liquid);
  const salt = pack.saltTspEach > 0 ? [`salt ${formatSpoons(pack.saltTspEach)}`] : [];
  // A recipe names its own liquid, unless that was bought.
  const poured = pack.liquid === "none" || (recipe.length > 0 && !pack.liquidName) ? [] : [liquid];
  return [...new Set([...food, ...recipe, ...poured, ...salt, ...(pack.additions ? [pack.additions] : [])])];
}

/** What the names of its ingredients say of allergens; never that there are none. */
function allergenLine(gift: Gift): string {
  const { pack, shelved } = gift;
  const isFish = shelved.species.some((key) => isFishGroup(speciesByKey(key)?.group ?? "fish"));
  const named = [...ingredientsOf(gift), ...(pack.dish ? [pack.dish] : [])];
  const { found, readyMade } = allergensIn(named, isFish);
  return [
    found.length ? `Allergens: ${found.join(", ")}.` : "Allergens: none that we know of.",
    readyMade.length ? `What is in ready-made ${readyMade.join(", ")} is not known here.` : "",
    "Allergic? Ask us first.",
  ]
    .filter(Boolean)
    .join(" ");
}

/** By what its minutes and pressure are, and whether anybody held that against a printed copy. */
function sourceLine({ pack: { schedule } }: Gift): string {
  const { source, confirmation } = schedule;
  const status = confirmation
    ? `, compared with our printed copy${confirmation.two ? " by two" : ""}`
    : source.fromMemory
      ? ", not yet compared with a printed copy"
      : "";
  return `By ${source.name}, ${source.locator}${status}.`;
}

/** The sentence on boiling it first, for wherever it is opened. */
const boilFirst = (units: UnitSystem): string => {
  const step = formatAltitude(mFromFt(1000), units);
  return `Boil it ${BOIL_TIME}, 1 more for each ${step} above ${step}`;
};

/**
 * Returns the words of a gift label.
 *
 * @param extra whole minutes beyond the scheduled ones that were run to their end
 */
export function giftText(gift: Gift, giver: Giver, extra = 0): GiftText {
  const { shelved, animals } = gift;
  const { units, times } = giver;
  const label = labelText(shelved, units, times, extra);
  const boil = boilFirst(units);
  const told = animals.slice(0, MOST_ANIMALS).map((a) => animalWords(a, times));
  const more = animals.length - told.length;
  const identity = `code ${label.code}, key ${giver.fingerprint}`;
  const exceptions = shelved.deviations;
  return {
    code: label.code,
    contents: label.contents,
    lines: [
      `From ${giver.household}`,
      label.canned,
      label.bestBy,
      `Look at it first. ${boil}.`,
      `Recall ${identity}`,
      ...(exceptions.length ? ["! Not as the table says: scan"] : []),
    ],
    whole: [
      `${label.contents}: home canned by ${giver.household}`,
      `${capital(label.packed)}. ${label.canned}. ${label.bestBy}.`,
      `${animals.length === 1 ? "Animal" : "Animals"}: ${[...told, ...(more > 0 ? [countOf(more, "more", "more")] : [])].join("; ")}.`,
      `In it: ${ingredientsOf(gift).join(", ")}.`,
      allergenLine(gift),
      `Pressure canned ${label.process}. ${sourceLine(gift)}`,
      ...(exceptions.length ? [`Not as the table says: ${exceptions.join("; ")}.`] : []),
      `TO OPEN: Lid up, leaking, bulging, spurting or a bad smell? Do not taste it, throw it out. ${boil}, then eat.`,
      `RECALL: ${identity}`,
    ]
      .map(plain)
      .join("\n"),
  };
}

/** The day somebody was given it, and who: for the giver's book. */
export const givenWords = ({ givenTo, givenAt }: Gift, times: Times): string =>
  givenAt === null
    ? ""
    : `Given ${dayWords(localDay(givenAt, times.zone), times)}${givenTo ? ` to ${givenTo}` : ""}`;
