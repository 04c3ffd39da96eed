import { hazardsOf, type Row } from "./hazard.ts";

const LOT = "core/lot/packable.ts#whyNotPacked";
const PACK = "core/guard/pack.ts#whyNotPack";
const ADDED = "core/guard/addition.ts#whyNotAdded";
const TABLE = "core/schedule/lookup.ts#scheduledProcess";
const DISH = "core/recipe/dish.ts#dishRow";
const T = "core/guard/guard.test.ts: ";
const ROWS = "core/schedule/lookup.test.ts: ";
const GOVERN = "core/schedule/governing.test.ts: ";
const SEAM = "store/seam.test.ts: ";
const GUIDE = "core/guide/guide.test.ts: ";
const CAN = "core/exhaust/exhaust.ts#canAt";
const EXHAUST = "core/exhaust/exhaust.test.ts: ";

const planning: Row[] = [
  ["A food with no row is given the time of another", "a person", "unsafe food", 3, TABLE, "“No tested process”, the reason and the nearest safe choice.", `${ROWS}never throws, and never gives a time or a pressure that no row holds`],
  ["A jar larger than a quart is filled", "a person", "unsafe food", 3, TABLE, "Nothing larger than a quart has a tested process.", `${ROWS}%s pack`],
  ["Fish goes into pint-and-a-half jars by the quart's time", "a person", "unsafe food", 3, TABLE, "The quart has a rule of its own, which is not for this jar.", `${ROWS}quart fish: 30 minutes from burner to the end of the vent, then 160; a pint has no such rule`],
  ["Smoked fish goes into 4-oz jars", "a person", "unsafe food", 3, TABLE, "There is no tested process for it.", `${ROWS}%s pack`],
  ["Common practice is taken for a tested process", "a person", "unsafe food", 2, "core/schedule/accept.ts#whyNotAccepted", "It says that no source stands behind it, and wants a person's acceptance.", `${GOVERN}makes its whole load common practice, and wants a person's acceptance; a tested row and an office's do not`, "store/guards.test.ts: a row of common practice is packed only once a person accepted it"],
  ["Cans are planned above 1,000 ft", "a person", "unsafe food", 3, TABLE, "There is no altitude row for cans. Ask your extension office.", "store/thread.test.ts: cans above 1,000 ft"],
  ["An office's shorter time is typed over a tested row", "a person", "unsafe food", 3, "core/schedule/office.ts#officeSchedule", "Nothing may be typed over a covered product.", `${SEAM}is refused where a table covers it, or when it is weaker than at sea level`],
  ["An office's pressure is used in a kitchen higher than it was given for", "a person", "unsafe food", 3, "core/schedule/governing.ts#whyNotGivenFor", "Both altitudes are named. Ask the office again.", `${GOVERN}is for kitchens up to the altitude it was given for`, "store/permit.test.ts: what an office gave holds up to the altitude it was given for"],
  ["Two offices' pressures for different gauges are put together", "a person", "unsafe food", 3, "core/schedule/governing.ts#columnsOf", "They were given for different gauges: run them as two loads.", `${GOVERN}beside another never lowers its pressure, and two for different gauges have none in common`],
  ["An office's schedule is used for years after it was given", "a person", "unsafe food", 2, "store/guide/office.ts#permitOffice", "After a year it is not used any more: ask the office again.", "store/guide.test.ts: is used only as it is kept, for a year, up to its altitude, until somebody ends it"],
  ["A shorter time from an older book, or typed by one person alone, is used", "a person", "unsafe food", 3, "core/guide/standing.ts#rowStanding", "The row is stopped, with why, until two persons with a photo and a present edition decide.", `${GUIDE}whatever was typed and decided, one person alone never gets less than the table`, `${GUIDE}nobody gets less from books that are older than the table, however many typed it`],
  ["A guide that asks for more than the table is not followed", "a person", "unsafe food", 3, "core/schedule/in-force.ts#jarRowInForce", "More minutes or pressure are used at once, by packs that wait too.", `${GUIDE}more minutes, more pressure and a size that is not given are followed at once`, "store/guide.test.ts: more minutes are used at once, by packs that wait for the burner too"],
  ["One person confirms twice, under two names", "a person", "false record", 2, "core/guide/standing.ts#whyNotTwo", "Two names on one device count as two only with a PIN each.", `${GUIDE}somebody else makes it two; the same person twice, or two names on one screen, do not`],
  ["Somebody copies the table's figures as those of their own guide", "a person", "false record", 2, "store/guide/guide.ts#recordComparison", "The figures are hidden from them until they have typed their own.", "store/guide.test.ts: cannot be typed while its figures are in sight, and what was begun can be left"],
  ["Altitude 2.300 m is read as 2.3 m and the pressure is too low", "a person", "unsafe food", 3, "core/quantity/parse.ts#parseQuantity", "Both readings are shown, and asked.", "core/quantity/parse.test.ts: both readings are shown as they can be typed, and then each is read as itself"],
  ["An altitude where nobody lives is saved", "a person", "unsafe food", 3, "app/server/altitude.ts#altitudeProblem", "What was probably meant is named.", "app/server/rules.test.ts: is refused with what was probably meant"],
  ["A foot above a band's end takes the lower band", "a person", "unsafe food", 3, "core/schedule/pressure.ts#bandFor", "A fraction of a foot above is the next band.", `${ROWS}%d ft: dial %s lb, weighted %d lb`],
  ["A load is planned into a canner past its own limit of loads, or dropped without a word", "another program", "false record", 2, "core/plan/assign.ts#assignLoads", "Limits hold, with what is settled; what is in no load is named as left.", "core/plan/proposed.test.ts: no plan does better, counted container by container, and no canner runs more than it may", "core/plan/proposed.test.ts: what is settled counts against a canner's own limit, and against the loads in all"],
  ["Cans and jars are planned into one load", "a person", "unsafe food", 3, "core/schedule/governing.ts#governingSchedule", "They may not share a run.", "core/schedule/governing.test.ts: cans with jars"],
  ["Smoked fish is planned into a small canner, or one of unknown size", "a person", "unsafe food", 3, "core/schedule/governing.ts#governingSchedule", "Only a 16- to 22-quart canner.", "core/schedule/governing.test.ts: smoked fish in a 12-quart canner, or one of unknown size"],
  ["Smoked fish shares a load with hot jars", "a person", "unsafe food", 3, "core/schedule/governing.ts#governingSchedule", "It goes into cool water, so nothing packed hot may share its run.", "core/schedule/governing.test.ts: smoked fish beside a hot pack"],
  ["A load of two sizes takes the shorter time", "a person", "unsafe food", 3, "core/schedule/governing.ts#governingSchedule", "The longest time governs all of it.", "core/schedule/governing.test.ts: governing minutes are the largest of the packs' own, whatever the packs"],
  ["A dish with flour, noodles, rice or dairy is planned", "a person", "unsafe food", 3, DISH, "Each is refused, with what to do instead.", "core/recipe/recipe.test.ts: is refused as %s, with the reason and what to do instead"],
  ["An ingredient nobody knows is guessed to be a vegetable", "a person", "unsafe food", 2, DISH, "It is asked what it is.", "core/recipe/recipe.test.ts: what is not known is asked about, and taken as what the cook says"],
  ["Flour is called a vegetable", "a person", "unsafe food", 3, DISH, "A known name decides.", "core/recipe/recipe.test.ts: nobody can call flour a vegetable"],
  ["A dish with fish takes the soup's shorter time", "a person", "unsafe food", 3, DISH, "Any fish makes it the seafood row.", "core/recipe/recipe.test.ts: a stew takes the meat's, beans and meat the chili's, any fish the seafood soup's"],
];

const packing: Row[] = [
  ["300 lb are recorded in two pints", "a person", "false record", 2, PACK, "What such a jar can hold is said.", `${T}300 lb do not go into two pints, sure or not`],
  ["A can is closed with an end that was on a can before", "a person", "unsafe food", 3, PACK, "An end is seamed on once: a can is closed with a new one.", `${T}a can has a new end; a jar's lid that was used before is a deviation`],
  ["A jar is filled by a third and canned", "a person", "unsafe food", 2, PACK, "A part-filled jar is not canned.", `${T}little and much are asked about once`],
  ["A jar is overfilled and siphons", "a person", "lost food", 1, PACK, "Check the headspace.", `${T}little and much are asked about once`],
  ["Plain meat is packed under the soup's 60 minutes", "a person", "unsafe food", 3, PACK, "That row is for a mixed dish.", `${T}%s wants its recipe`, "store/filling.test.ts: one without a recipe never gets to the bench"],
  ["A jar of a soup is filled with meat to the top", "a person", "unsafe food", 3, PACK, "Half of a soup is liquid.", `${T}a jar of meat under the soup's time is refused: half of a soup is liquid`],
  ["A jar of a chilli or a stew is filled with meat alone", "a person", "unsafe food", 3, PACK, "The recipe's share, and which row covers more.", `${T}%s takes the meat its recipe has for a jar, and never a jar full of meat`, "store/filling.test.ts: a mixed dish keeps its name on the pack; one without a recipe never gets to the bench"],
  ["A dish is packed without its liquid", "a person", "unsafe food", 3, PACK, "A dish goes in with its liquid.", `${T}a dish is covered with its liquid, and a lot goes only into a dish that has its meat`],
  ["Meat goes into jars of a recipe that has none", "another program", "unsafe food", 2, PACK, "Nothing of that lot goes into it.", `${T}a dish is covered with its liquid, and a lot goes only into a dish that has its meat`],
  ["Broth in a jar is a word, and no recall from its bones finds the jar", "a person", "unsafe food", 3, PACK, "Which broth is asked: a lot, or what was bought.", `${T}broth that covers food is known: from a lot that holds enough, or bought, by its name`, "store/whole-jar.test.ts: its bones are found from the jar: trace, river, recall; and a hold on them stops the jars"],
  ["Broth on hold, or past its days, is poured over sound meat", "a person", "unsafe food", 3, "store/pack/permit.ts#permitPack", "The lot of the broth is on hold, or past its days.", "store/whole-jar.test.ts: which one it is has to be said, and it has to be there, sound and enough"],
  ["More broth is poured by the books than there was", "a second device", "false record", 2, PACK, "How much it holds, and what these take.", `${T}broth that covers food is known: from a lot that holds enough, or bought, by its name`],
  ["Bought stock is thickened with cream or flour and heats too slowly", "a person", "unsafe food", 3, PACK, "Refused, with what to do instead.", `${T}broth that covers food is known: from a lot that holds enough, or bought, by its name`],
  ["Fish stock is canned by the minutes of meat stock", "a person", "unsafe food", 3, PACK, "It is not the process for this food.", `${T}broth that covers food is known: from a lot that holds enough, or bought, by its name`, "core/recipe/written.test.ts: dishes as people write them"],
  ["Fish stock is poured over meat and takes the meat's minutes", "a person", "unsafe food", 3, PACK, "It makes it food with fish, which takes longer.", `${T}broth that covers food is known: from a lot that holds enough, or bought, by its name`],
  ["A second lot in the jars is on hold and nobody asks about it", "a person", "unsafe food", 3, "store/pack/permit.ts#permitPack", "Every lot is asked about.", "store/whole-jar.test.ts: each gives its part, each is asked about, and each is in the jar's history"],
  ["A recipe is changed while jars are filled by it", "a second device", "unsafe food", 2, "store/recipe/recipe.ts#changeRecipe", "A load of it is on the bench: finish it first.", "store/whole-jar.test.ts: stays as it is while jars are filled by it; later it is put away and taken out again"],
  ["A recipe is changed later, and its jars' history with it", "a person", "false record", 2, "store/pack/liquid.ts#ingredientsOf", "The jar keeps what went into it.", "store/whole-jar.test.ts: a dish keeps what its recipe put into each jar, whatever becomes of the recipe"],
  ["More lids are used than there are, and the count carries on", "a person", "false record", 1, "store/supply/supply.ts#takeForPack", "Count them again: are there more?", "store/shed.test.ts: more filled than were counted: asked about, and once the count was wrong nothing falls below none"],
  ["A dish with mushrooms is filled into quarts at the bench", "another program", "unsafe food", 3, "store/pack/permit.ts#permitPack", "No process for that in a quart: use pints.", "store/permit.test.ts: a dish goes only into a size that all of it has a process for"],
  ["A fish lot goes into a soup without the seafood time", "a person", "unsafe food", 3, PACK, "It is not the process for this food.", `${T}fish makes a dish the seafood row; birds go into a stew; smoked fish, roasts and bones into none`],
  ["A recipe's name stands on a pack of another row", "another program", "unsafe food", 3, PACK, "The recipe is processed as its own row.", `${T}a recipe for another row does not go by the plain one`],
  ["Cooked meat is recorded as a raw pack", "a person", "unsafe food", 2, PACK, "Cooked food is a hot pack.", `${T}cooked food is a hot pack`],
  ["A hot pack is filled without liquid", "a person", "unsafe food", 3, PACK, "It is covered with hot liquid.", `${T}a hot pack has liquid; broth is its own`],
  ["A fish row is chosen for game", "a person", "unsafe food", 3, PACK, "Choose a process for this food.", `${T}%s is refused`],
  ["Crab is packed without its acid, clams without their blanch", "a person", "unsafe food", 3, "core/schedule/rules.ts#unanswered", "Confirm it, or there is no process.", `${T}a condition asked at packing must be confirmed`, `${ROWS}crab has its acid and clams their blanch, confirmed as the jars are filled`],
  ["Liver, roe or another organ is packed by the time of meat", "a person", "unsafe food", 3, PACK, "The tested processes are for muscle meat.", `${T}organs, and what else may not be canned, are refused by the name of the part`],
  ["Curing salt is spooned into a jar as salt", "a person", "unsafe food", 3, ADDED, "It goes into a cure by weight, not into a jar.", `${T}fat, thickeners by their trade's names and curing salt are refused, whatever somebody calls them`],
  ["Oil or fat is poured over the meat", "a person", "unsafe food", 2, ADDED, "Fat coats the food and shields spores. Leave it out.", `${T}fat, thickeners by their trade's names and curing salt are refused, whatever somebody calls them`],
  ["Two kinds of vinegar, each within the limit, go into one jar of fish", "a person", "unsafe food", 1, ADDED, "At most 1 tsp vinegar in a pint of fish.", `${T}fish takes a tablespoon of ketchup and a teaspoon of vinegar a pint, not more`],
  ["A jar that a recall set aside is undone as if it had never been filled", "a person", "false record", 2, "store/pack/pack.ts#refuseRecorded", "It stays in the record, and in its pack.", "store/filling.test.ts: what was set aside is not taken apart as if it had never been: its recall names it"],
  ["Flour is written as a seasoning", "a person", "unsafe food", 3, ADDED, "Refused with what to do instead.", `${T}goes through a dish's refusals, each part of the line`],
  ["Noodles hide behind “with” or “and” in a line of seasoning", "a person", "unsafe food", 3, ADDED, "Each part of the line is read.", `${T}goes through a dish's refusals, each part of the line`],
  ["Carrots are added to a plain pack as a seasoning", "a person", "unsafe food", 2, ADDED, "Make a recipe of it.", `${T}what is no seasoning is sent where it belongs`],
  ["A cup of a spice is written by mistake", "a person", "lost food", 1, ADDED, "“Is it right?”", `${T}more than a tablespoon a pint is asked about, less in smaller jars`],
  ["Fish takes more vinegar or ketchup than is known", "a person", "unsafe food", 2, ADDED, "The most in a pint is said.", `${T}fish takes a tablespoon of ketchup and a teaspoon of vinegar a pint, not more`],
  ["Salt past flavor", "a person", "lost food", 1, PACK, "At most a teaspoon a pint.", `${T}salt stays flavor`],
  ["Used lids are packed and nobody can tell later", "a person", "lost food", 2, "core/pack/bench.ts#deviationsOf", "A signed reason, which stays with every jar.", "core/pack/bench.test.ts: an inch for birds, and used lids, are deviations; water on a raw pack and ketchup with fish are common practice"],
  ["Ketchup, vinegar or water on a raw pack leaves no trace in the record", "a person", "false record", 1, "core/pack/bench.ts#deviationsOf", "Recorded as common practice beside the published directions.", "core/pack/bench.test.ts: an inch for birds, and used lids, are deviations; water on a raw pack and ketchup with fish are common practice"],
  ["A headspace nobody knows is chosen", "another program", "unsafe food", 2, "store/filling/load.ts#setHow", "Choose one of those shown.", "store/filling.test.ts: common practice is written down by itself; another deviation wants a reason"],
  ["More is packed than the lot holds", "a person", "false record", 2, "store/pack/pack.ts#makePack", "What the lot holds is said.", "store/thread.test.ts: more packed than the lot holds"],
  ["Half a jar is left over and canned anyway", "a person", "unsafe food", 2, "store/filling/fill.ts#fillOne", "Say where the rest goes.", "store/filling.test.ts: with too little left for one more, the tap is refused and says what is left"],
  ["Hot-packed jars cool for hours before the burner is lit", "a clock", "unsafe food", 3, "core/guard/load.ts#waitedTooLong", "The same clock: past two hours a signed reason.", `${T}filled containers wait two hours from the first one filled; then somebody signs`],
  ["Filled raw jars wait for hours", "a clock", "unsafe food", 3, "core/guard/load.ts#waitedTooLong", "A clock from the first jar filled; past two hours a signed reason.", `${T}filled containers wait two hours from the first one filled; then somebody signs`, "store/guards.test.ts: raw jars that waited over two hours are run only with a signed reason, which stays with them"],
  ["A part with a hold gets to the bench through a plan", "a person", "unsafe food", 3, LOT, "The lot is on hold.", "store/filling.test.ts: a part with no tested process, or a lot on hold, never gets to the bench"],
];

const exhausting: Row[] = [
  ["A probe's reading of a time to come keeps a can hot", "an instrument", "unsafe food", 3, "core/exhaust/exhaust.ts#whyNotRead", "That time is in the future.", `${EXHAUST}of a time to come, by more than clocks differ`],
  ["A can signed for cold is on record as lacking its seam only", "a person", "false record", 2, "store/seam/exhaust.ts#signForCan", "The record names all that it lacks.", "store/seam-gate.test.ts: what somebody signs for says what the can really lacks"],
  ["A can is closed cold", "a person", "unsafe food", 3, CAN, "It has not reached 170 °F at its center.", `${SEAM}is not seamed cold: exactly 170 °F is hot enough, a tenth of a degree less is not`, `${EXHAUST}whatever the readings and its seam, a can that never read 170 °F is never fit`],
  ["The juice is measured and not the meat", "an instrument", "unsafe food", 3, "core/exhaust/exhaust.ts#doubtOf", "Is the tip in the meat?", `${EXHAUST}a can packed hot may read hot at once; but not just like its juice`],
  ["The probe touches the can and rises at once", "an instrument", "unsafe food", 3, "core/exhaust/exhaust.ts#doubtOf", "It rises faster than heat gets to the middle.", `${EXHAUST}rises faster than heat gets to the middle`],
  ["A hot can stands open until it has cooled", "a clock", "unsafe food", 3, CAN, "It has cooled: heat it again.", `${SEAM}a can that stood open too long has cooled and says so`],
  ["A temperature that meat in simmering water cannot have", "an instrument", "false record", 2, "store/seam/exhaust.ts#recordExhaust", "It is asked about.", `${SEAM}a temperature that meat in simmering water cannot have is questioned`],
  ["A probe left in a closed can goes on warming it in the record", "an instrument", "false record", 2, "store/seam/exhaust.ts#notClosed", "What comes after the seam is refused.", `${SEAM}a closed can is not warmed again by a probe that was left on; what was read before may come late`],
  ["Closed cans wait and cool before the canner", "a clock", "unsafe food", 2, CAN, "A clock on Today; said on the can.", `${EXHAUST}a seam counts until the can is warmed again; a bad one until something is done`],
];

const seaming: Row[] = [
  ["The page falls after a set-up test, with hot cans waiting", "another program", "lost food", 2, "app/routes/seam/setup-test/result.tsx#SetUpResult", "The result stands on the screen.", "app/effects.test.ts: the linter refuses an effect that returns what is no clean-up"],
  ["A can is closed on a sealer nobody has tested", "a person", "unsafe food", 3, "core/seam/standing.ts#sealerStanding", "A set-up test first.", `${SEAM}no can is closed before a setup test, after a jam, or while it is stopped; a passing test releases it`],
  ["The sealer drifts out of its limits", "an instrument", "unsafe food", 3, "core/seam/standing.ts#sealerStanding", "It is stopped until a set-up test passes.", `${SEAM}thickness that drifts stops it with a sentence; cans already closed stay closed`],
  ["One defect comes again and again", "a person", "unsafe food", 3, "store/seam/close.ts#alikeBefore", "The sealer is stopped.", `${SEAM}the same defect twice in five cans stops it, as does one that the next can would have too`],
  ["A bad seam is accepted by a milder word", "a person", "unsafe food", 3, "core/seam/defect.ts#verdictOf", "The verdict is never milder than what was found.", `${SEAM}a verdict is never milder than what was found`],
  ["A can without 170 °F or an accepted seam goes into the canner", "another program", "unsafe food", 3, "core/exhaust/exhaust.ts#isFitStage", "Which cans, and what they lack.", "store/can-gate.property.test.ts: no order of deeds brings a can into a canner without its temperature and an accepted seam, unless somebody signed"],
  ["A tear-down with two places passes for three", "a person", "unsafe food", 2, "core/seam/sheet.ts#sheetProblems", "Each missing measurement is named.", "core/seam/seam.test.ts: two places instead of three: each missing measurement of the third is named"],
  ["A seam width typed in the wrong unit passes", "a person", "unsafe food", 2, "core/seam/read.ts#readSeamLength", "It is asked, or no seam has that.", "core/seam/read.test.ts: a seam width however it is typed"],
  ["A can signed for is not told apart later", "a person", "false record", 2, "store/seam/exhaust.ts#signForCan", "The signature follows the can.", `${SEAM}a can goes in without its temperature only signed, and the signature follows it for good`],
];

/** From the plan to the closed container. */
export const FILLING = [
  ...hazardsOf("planning", planning),
  ...hazardsOf("packing", packing),
  ...hazardsOf("exhausting", exhausting),
  ...hazardsOf("seaming", seaming),
];
