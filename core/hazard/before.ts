import { hazardsOf, type Row } from "./hazard.ts";

const LOT = "core/lot/packable.ts#whyNotPacked";
const LOT_TEST = "core/lot/packable.test.ts: ";
const FRESH_TEST = "core/lot/fresh.test.ts: ";
const EVENT = "core/lot/permit.ts#whyNotLot";
const MERGE = "core/lot/merge.ts#mergeQuestion";
const COLD_TEST = "core/cold/cold.test.ts: ";

const harvest: Row[] = [
  ["Meat of an animal that waits for a disease test is packed", "a person", "unsafe food", 3, LOT, "The lot is on hold, with what it waits for.", `${LOT_TEST}a hold before anything else`, "store/thread.test.ts: a lot on hold, by its animal, until a named person lifts it for a reason"],
  ["A hold is released by nobody, or without a reason", "a person", "unsafe food", 3, "store/harvest/hold.ts#releaseHold", "A name and a reason are asked for.", "store/thread.test.ts: a lot on hold, by its animal, until a named person lifts it for a reason"],
  ["One of two holds is released and the meat is taken for free", "a person", "unsafe food", 3, "store/lot/lot.ts#getLot", "The other hold still stands.", "store/lot.test.ts: two holds are two to lift"],
  ["Hours of the kill, gutting and cold are typed in an order that cannot be", "a person", "false record", 1, "core/cold/interval.ts#impossibleHours", "The field that cannot be is named.", `${COLD_TEST}nothing is gutted or cold before it is killed, and nothing has happened tomorrow`],
  ["An animal is dated tomorrow", "a person", "false record", 1, "store/harvest/harvest.ts#recordHarvest", "“That day is in the future.”", "store/thread.test.ts: an animal from the future"],
  ["More of an animal is shared out than there is", "a person", "false record", 1, "store/harvest/card.ts#setShares", "The shares may not exceed the whole.", "store/field.test.ts: half of it is a friend's; more than the whole is nobody's"],
  ["A fish catch gutted late is not told from one gutted in time", "a person", "unsafe food", 2, "core/cold/interval.ts#firstIntervals", "The late interval is marked with the advice beside it.", `${COLD_TEST}a fish gutted after 121 minutes is late, after 120 it is not`],
  ["Two animals of one season carry one tag", "a person", "false record", 1, "store/harvest/harvest.ts#sameTag", "The other animal with this tag is named.", "store/field.test.ts: a tag twice in a season is noticed, in another season or on itself it is not"],
];

const cold: Row[] = [
  ["Meat lies in the refrigerator for months and is packed", "a person", "unsafe food", 3, LOT, "The lot is past its days: do not can it.", `${LOT_TEST}being past its days in the refrigerator; meat whose days are not counted is not old`],
  ["Freezing and thawing again and again gives meat new days", "a person", "unsafe food", 3, "core/lot/state.ts#afterEvent", "Only the days left when it was frozen remain.", `${FRESH_TEST}the freezer stops them and gives none back`],
  ["Meat thawed in cold water is kept for days", "a person", "unsafe food", 2, "core/lot/state.ts#afterEvent", "It is to be canned the same day.", `${FRESH_TEST}thawed in cold water it is canned the same day`],
  ["Old meat is merged with fresh and takes its date", "a person", "unsafe food", 3, "core/lot/merge.ts#ageOfMerged", "The merged lot is as old as its oldest part.", "store/fresh.test.ts: a merge is as old as its oldest part"],
  ["A whole carcass hangs for weeks and its pieces count as new", "a person", "unsafe food", 2, "core/lot/fresh.ts#keepsFromAnimal", "After 14 days its pieces are past their time.", `${FRESH_TEST}a carcass may hang two weeks, and its pieces count from the cut; a catch counts from the cold`],
  ["A catch in the cooler for days is cut and counts as new", "a person", "unsafe food", 3, "core/lot/fresh.ts#keepsFromAnimal", "Its days count from the day it was taken.", `${FRESH_TEST}a carcass may hang two weeks, and its pieces count from the cut; a catch counts from the cold`],
  ["Cooking hides that meat was past its time", "a person", "unsafe food", 3, "core/lot/fresh.ts#keepsAfterCooking", "It stays past its time.", `${FRESH_TEST}cooking gives four days, but not to what was past its time`],
  ["Cut meat is warm for more than two hours by the log", "an instrument", "unsafe food", 3, LOT, "The time above 40 °F, and the limit.", `${LOT_TEST}having been warm for more than two hours, or hot for more than one`],
  ["A reason clears a warm log without saying what was wrong", "a person", "unsafe food", 3, EVENT, "The reason is asked for at its field.", `${FRESH_TEST}an account says since when it was really there, and must make it fit`],
  ["An account of where meat was leaves it as old as before, and it is packed", "a person", "unsafe food", 3, EVENT, "Counted from then it is past its days all the same.", `${FRESH_TEST}an account says since when it was really there, and must make it fit`],
  ["Frozen meat is packed", "a person", "unsafe food", 3, LOT, "Thaw it to the middle first.", `${LOT_TEST}being frozen, thawing, or a roast kept whole`],
  ["Meat that is still thawing is packed", "a person", "unsafe food", 3, LOT, "Record when it is thawed.", `${LOT_TEST}being frozen, thawing, or a roast kept whole`],
  ["A probe's file has no unit and Celsius is taken for Fahrenheit", "an instrument", "false record", 2, "core/cold/logger.ts#loggerReader", "The line is refused with its number.", "core/cold/logger.test.ts: no unit anywhere is refused with its line, never guessed"],
  ["A day without a reading counts as cold", "an instrument", "unsafe food", 2, "core/cold/warm.ts#warmTime", "It is shown as unwatched.", `${COLD_TEST}a day without a reading is unwatched, neither cold nor warm`],
  ["A temperature that no place has is recorded", "an instrument", "false record", 1, "store/cold/entry.ts#addColdEntry", "“Read it again.”", "store/cold.test.ts: a place, a temperature or both; neither, or tomorrow, is refused at its field"],
  ["The same file of a probe is read twice and doubles the warm time", "another program", "false record", 1, "store/cold/entry.ts#importColdRows", "The rows known already are counted.", "store/cold.test.ts: taken in twice adds nothing"],
];

const cutting: Row[] = [
  ["A held lot is merged with a free one without a question", "a person", "unsafe food", 3, MERGE, "What would wait with it is said first.", "store/lot.test.ts: a held lot asks first, says what would wait with it, and is merged once that is confirmed"],
  ["Fish and game are merged and take one time", "a person", "unsafe food", 3, MERGE, "They have different times: keep them apart.", "store/lot.test.ts: with itself, cut differently, frozen with fresh, or fish with game: refused, and nothing is made"],
  ["Pieces and ground meat are merged and heat unlike", "a person", "unsafe food", 2, MERGE, "Cut them alike first.", "store/lot.test.ts: with itself, cut differently, frozen with fresh, or fish with game: refused, and nothing is made"],
  ["More comes out of a cut than went in", "a person", "false record", 2, "core/lot/balance.ts#impossibleCutting", "“More came out than went in.”", "store/thread.test.ts: more out than in"],
  ["More is cut from an animal than it has left", "a person", "false record", 2, "store/lot/make.ts#cutLot", "What is left is said.", "store/thread.test.ts: more cut than the animal has"],
  ["Two devices take the same meat from one lot", "a second device", "false record", 2, "store/lot/make.ts#splitLot", "The second is told what is left.", "store/times.test.ts: two devices that take from one lot at once: what is there goes once, and the second is told"],
  ["Cutting or grinding gives meat new days", "a person", "unsafe food", 3, "core/lot/fresh.ts#keepsAfterCut", "Never longer than before the cut.", `${FRESH_TEST}cutting adds no days: a roast of four days cut to cubes has one left, one of a day has two`],
  ["A whole roast is packed uncut", "a person", "unsafe food", 3, LOT, "Cut it into cubes or strips first.", `${LOT_TEST}being frozen, thawing, or a roast kept whole`],
  ["Broth is simmered from bones that were past their time", "a person", "unsafe food", 2, "core/lot/fresh.ts#keepsAfterCooking", "The broth is past its time too.", "store/fresh.test.ts: broth from bones past their time is past it too"],
  ["Smoked game is packed as if a process were tested for it", "a person", "unsafe food", 3, EVENT, "Only fish has a process once it is smoked.", "core/lot/state.test.ts: only fish is smoked, once, and its form changes the row of the table it may be put up by"],
  ["Held meat is eaten or given away raw", "a person", "unsafe food", 3, "store/lot/event.ts#append", "Not until the hold is released.", "store/lot.test.ts: is not eaten or given away, raw or from the shelf, and may always be thrown out"],
  ["A comma is read as thousands: 0,225 kg becomes 225 kg", "a person", "false record", 2, "core/quantity/parse.ts#parseQuantity", "Read as a quarter of a kilogram in every household.", "core/quantity/parse.test.ts: digits that can be read two ways"],
  ["1,250 kg is taken for over a ton, or for a kilogram, unasked", "a person", "false record", 2, "core/quantity/parse.ts#parseQuantity", "Both readings are shown, to be typed again plainly.", "core/quantity/parse.test.ts: both readings are shown as they can be typed, and then each is read as itself"],
];

/** From the field to the knife. */
export const BEFORE = [
  ...hazardsOf("harvest", harvest),
  ...hazardsOf("cold", cold),
  ...hazardsOf("cutting", cutting),
];
