import { hazardsOf, type Row } from "./hazard.ts";

const GAUGE = "core/schedule/gauge.ts#pressureTarget";
const GOVERN = "core/schedule/governing.test.ts: ";
const RUN = "core/run/run.test.ts: ";
const GAUGES = "core/run/gauges.test.ts: ";
const SEEN = "core/run/observation.test.ts: ";
const INSTANTS = "store/instants.test.ts: ";
const INSTANT = "core/run/instant.ts#believedInstant";
const STREAMS = "core/run/streams.property.test.ts: hold every rule of a run";
const WHY_NOT = "core/run/permit.ts#whyNot";
const STEP = "core/run/step.ts#step";
const WEIGHT_ON = "core/run/step.ts#weightOn";
const LOOK = "core/run/look.ts#applyLook";
const LOAD = "core/guard/load.ts#judgeLoad";
const T = "core/guard/guard.test.ts: ";
const SHED = "store/shed.test.ts: ";

const equipment: Row[] = [
  ["A dial more than 1 lb high is corrected instead of replaced", "an instrument", "unsafe food", 3, "core/schedule/gauge.ts#dialStanding", "Fit a new dial gauge and test it.", `${GOVERN}more than 1 lb high or 2 lb low is replaced; exactly that is still used`],
  ["A signature lets a load go by a dial that must be replaced", "a person", "unsafe food", 3, GAUGE, "No signature lifts it.", `${GOVERN}a signature does not lift a gauge that must be replaced`],
  ["A dial never tested, or over a year ago, starts a load unsigned", "a person", "unsafe food", 3, GAUGE, "Have it tested, use a weight, or sign a reason.", `${GOVERN}overdue blocks a dial, unless a reason is signed or a weight governs`, "store/thread.test.ts: a canner whose gauge check is overdue, unless somebody signs"],
  ["A dial that reads low is used to go lower", "an instrument", "unsafe food", 3, GAUGE, "The target stays: never lower.", `${GOVERN}a dial that reads low is never used to go lower`],
  ["A dial a pound high stands at the bare target", "an instrument", "unsafe food", 3, GAUGE, "That pound is added on its face.", `${GOVERN}a dial reading 1 lb high at 3,200 ft needs 13 on its face`],
  ["Dial and weight of one canner are mixed up", "a person", "unsafe food", 3, GAUGE, "One instrument governs, and it says which.", `${GOVERN}with a dial and a weight the weight governs by its own column, and the dial is watched`],
  ["A weight is stacked past what the canner stands", "a person", "injury", 3, "core/schedule/gauge.ts#settingsFor", "Only settings below the canner's limit are offered.", `${GOVERN}settings are what the pieces make, the canner allows and the tables know`],
  ["A dial is taken to a pressure at or above the canner's own limit", "a person", "injury", 3, GAUGE, "This load needs more than this canner stands.", `${GOVERN}a dial's pressure at or above the canner's own limit is refused, with or without a weight`],
  ["A 5-lb setting that no table uses is offered", "a person", "unsafe food", 3, "core/schedule/gauge.ts#settingsFor", "10 and 15 lb only.", `${GOVERN}settings are what the pieces make, the canner allows and the tables know`],
  ["A cooker that holds two jars is entered as a canner", "a person", "unsafe food", 3, "core/capacity/pattern.ts#whyNotCanner", "A pressure canner holds at least four quart jars.", "store/guards.test.ts: a pot that holds fewer than four quart jars is no canner"],
  ["42 pints go into a canner for 9", "a person", "injury", 2, LOAD, "They do not fit: run them as another load.", `${T}as large as the manual allows goes in, one more does not`, "store/guards.test.ts: more than stands in a canner is refused"],
  ["A bad gasket, vent or plug is signed away", "a person", "injury", 3, "core/check/standing.ts#blocks", "No signature lifts it: look again when it is mended.", `${SHED}a bad gasket stops the load, whoever signs, until it is looked at again`],
  ["An aluminum canner stands on an induction hob", "a person", "lost food", 1, "core/check/preflight.ts#whyNotHeated", "It will not heat.", `${SHED}an aluminum canner is not put on an induction hob`],
  ["Two layers are planned on one rack", "a person", "lost food", 1, "core/check/preflight.ts#preflight", "This load stands in two layers and there is one rack.", "core/check/check.test.ts: two layers on one rack are wrong; cans stand on one another"],
  ["A check overdue by a year is passed over", "a person", "injury", 2, "core/check/standing.ts#standingOf", "Look at it now, or sign a reason.", `${SHED}a look a year old wants a signed reason, which stays with the run`],
  ["A gauge test is kept without who tested it and against what", "a person", "false record", 1, "app/routes/shed/gauge-test.ts#checkSchema", "Both are asked for at their fields.", "store/guards.test.ts: a gauge test keeps who tested it and against what"],
];

const heatUp: Row[] = [
  ["A load is put into a canner that still holds another", "a second device", "false record", 2, "store/run/open.ts#openRun", "Unload it first.", "store/thread.test.ts: a canner that is still in use, and a pack that is already in one"],
  ["A pack goes into two canners", "a second device", "false record", 3, "store/run/open.ts#openRun", "One of these packs is already in a canner.", "store/thread.test.ts: a canner that is still in use, and a pack that is already in one"],
  ["Quart fish is run without its 3 quarts of water", "a person", "unsafe food", 3, "core/schedule/rules.ts#unanswered", "Confirm it, or there is no process.", `${T}own conditions of the load must be confirmed, whoever confirmed them`],
  ["A hot-only dish is run beside raw jars without a word", "a person", "unsafe food", 2, LOAD, "A signed reason, which stays with the load.", `${T}a hot-only dish beside raw jars is signed for, and the reason is kept with all of them`],
  ["Raw and hot jars go into one canner in any order and any water", "a person", "lost food", 2, LOAD, "Confirm the order and the water, or write why.", `${T}raw beside hot jars: their order and water are confirmed, or somebody signs`, "store/filling.test.ts: once it is packed it waits for the canner it was planned for, until it is loaded"],
  ["Two jars are run in a canner made for four", "a person", "unsafe food", 1, "core/guard/load.ts#belowLeastLoad", "Fill it up with jars of water, or write why.", `${T}fewer containers than the maker wants are signed for; jars of water count`],
  ["Jars of beans that fill up a canner are processed for less than their own time", "a person", "unsafe food", 3, "core/guard/filler.ts#fillersAsPacks", "Their own time governs the load.", `${T}beans that fill up a canner have their own time, and water has none`, "store/shed.test.ts: beans lengthen a load to their own time, and keep their row with the run"],
  ["Jars that fill up a canner are more than it holds", "a person", "injury", 2, LOAD, "They do not fit.", `${T}what fills a canner up takes room in it like its load`, "store/shed.test.ts: more than the canner holds is refused, whatever is in them"],
  ["Beans are kept under lids that were used before", "a person", "lost food", 2, "core/guard/filler.ts#whyNotFilled", "Beans are kept: give them new lids.", `${T}a canner is not filled up with %s`],
  ["A load in the wrong canner can only be given up", "a person", "lost food", 2, "core/run/permit.ts#whyNotTakenOut", "Take the load out of this canner, until the burner is lit.", "store/guards.test.ts: a load in the wrong canner comes out until the burner is lit, and waits again"],
  ["A load whose burner was lit is taken out as if nothing had happened", "a person", "unsafe food", 3, "core/run/permit.ts#whyNotTakenOut", "It is run to its end, or given up and decided about.", "store/guards.test.ts: a load in the wrong canner comes out until the burner is lit, and waits again"],
  ["Minutes are taken off a scheduled process as “extra minutes” below nothing", "another program", "unsafe food", 3, "core/guard/load.ts#whyNotExtra", "From 0 to 60 whole minutes, never fewer.", "core/guard/guard.test.ts: %d may not", "store/run-gate.test.ts: minutes are added by choice and never taken off"],
  ["Extra minutes stand in for minutes below pressure", "a person", "unsafe food", 3, "core/run/extra.ts#cutExtra", "Nothing of the scheduled process depends on them.", "core/run/extra.test.ts: do not save a load whose scheduled minutes were cut short", "core/run/extra.test.ts: a load is processed with them just when it is without them, and never on fewer than the scheduled minutes"],
  ["A load with its scheduled minutes is recorded as not processed because the added ones were cut short", "a person", "lost food", 1, "core/run/extra.ts#cutExtra", "It is processed, and what was cut short is told.", "core/run/extra.test.ts: cut short by the heat leave a processed load, and are told"],
  ["The margin above the target goes past what the canner stands", "a person", "injury", 2, "store/run/open.ts#marginOf", "It does not stand so much.", "store/run.test.ts: of more than two pounds is refused at its field"],
  ["A held lot's pack is run", "a person", "unsafe food", 3, "store/run/open.ts#openRun", "The lot is on hold.", "store/guards.test.ts: a pack whose lot was put on hold since is not run"],
  ["From canner A's screen the strip leads to B with A's buttons", "a second device", "false record", 3, "app/routes/fire/stove/route.tsx#shouldRevalidate", "B's own screen, title, log and buttons.", "e2e/guards.spec.ts: the strip's link from one canner leads to the other's own screen"],
];

const venting: Row[] = [
  ["The weight goes on before ten minutes of steam", "a person", "unsafe food", 3, WHY_NOT, "How long there is to go.", `${RUN}the weight waits for the vent, in words`],
  ["A second device tells of a weight put on early, and the time begins", "a second device", "unsafe food", 3, WEIGHT_ON, "It stays at venting, and the ten minutes start over.", `${RUN}a weight put on early does not begin anything: the air is still inside`],
  ["A faltering vent is added up", "a person", "unsafe food", 3, STEP, "The ten minutes start over.", `${RUN}counts steady steam without a break: a falter starts the ten minutes over`],
  ["Quart fish is vented in less than half an hour from lighting", "a person", "unsafe food", 3, "core/run/step.ts#ventDueAt", "Not before 30 minutes from lighting the burner.", `${RUN}quart fish: venting is not done before 30 minutes from lighting the burner`],
  ["A weight lighter than the load needs goes on", "a person", "unsafe food", 3, WHY_NOT, "It would never be hot enough.", `${GAUGES}that is too light is refused in words, and counts as none where it arrives all the same`],
  ["The first button while venting offers the wrong weight", "a person", "unsafe food", 2, "app/routes/fire/stove/taps.tsx#Taps", "The right weight stands first.", "e2e/guards.spec.ts: while venting for 15 lb the first weight offered is the 15-lb one"],
  ["The steam is cooler than the altitude says", "an instrument", "unsafe food", 2, "app/words/boil.ts#boilWords", "The thermometer is off, or the canner stands elsewhere.", "app/words/fire.test.ts: that reads another height's boiling says so while it still costs nothing"],
  ["A run is processed that was never vented", "another program", "unsafe food", 3, WEIGHT_ON, "It stays at venting.", "core/run/run.property.test.ts: nothing is processed without ten minutes of venting, and quart fish not within 30 of lighting the burner"],
];

const comeUp: Row[] = [
  ["A gauge shows enough while another instrument was last seen too low", "an instrument", "unsafe food", 3, "core/run/judge.ts#judge", "Too low when last seen: look at it again. The time starts when it shows enough.", `${SEEN}a person's “below” stands until that instrument is seen again: another one starts no clock`, "core/run/judge.test.ts: who says enough and who says below is named"],
  ["A look from before the weight went on counts for after", "a person", "unsafe food", 3, WEIGHT_ON, "Only what is seen with the vent shut counts.", `${SEEN}what was seen before the weight went on says nothing of after`],
  ["A dial that is overdue and that nobody signed for starts the clock beside a weight", "an instrument", "unsafe food", 3, "core/run/observation.ts#standingOf", "“Not relied on: its test is overdue.” The weight starts it.", `${SEEN}%s: at target and a high figure start nothing, the weight does`],
  ["A sender without a name reads the dial that is to be replaced", "an instrument", "unsafe food", 3, "core/run/observation.ts#standingOf", "It has that dial's standing.", `${SEEN}a sender without a name may be reading that dial, so it has its standing`],
  ["A gauge whose clock is ten minutes slow begins the time ten minutes early", "an instrument", "unsafe food", 3, INSTANT, "What it sends counts from when it arrives.", `${INSTANTS}whose clock is ten minutes slow, and does not say what it shows, begins nothing before it arrives`],
  ["A screen that slept says that the time began before it woke", "a clock", "unsafe food", 3, INSTANT, "It counts from when it is heard; the record says that the clock is doubted.", `${INSTANTS}by %s begins nothing before it is heard`, "app/features/record/record.test.ts: by a doubted clock stands with what that clock said, and counts from when it was heard"],
  ["A tablet's steady clock stood still in its sleep, and the next tap is stamped by it", "a clock", "unsafe food", 3, "app/outbox/device-clock.ts#pressed", "Wall clock and steady clock are compared at each press.", "e2e/outbox.spec.ts: a device that slept stamps its next tap right: the steady clock stood still, the wall clock went on"],
  ["The clock starts before the pressure is there", "a person", "unsafe food", 3, LOOK, "It starts at the first look at target.", `${RUN}and the full time starts again only on a reading at target`],
  ["A dial that must be replaced starts the clock", "an instrument", "unsafe food", 3, LOOK, "Only the weight starts it.", `${RUN}never starts the clock; the weight does`],
  ["Kilopascals are sent as pounds and start the clock", "an instrument", "unsafe food", 3, "core/run/believe.ts#whyNotBelieved", "This rises faster than a canner can.", `${GAUGES}kilopascals sent as pounds climb faster than any canner`, "store/run.test.ts: kilopascals sent as pounds on the way up never start the time"],
  ["A gauge sends what no canner stands", "an instrument", "false record", 2, "core/run/believe.ts#whyNotBelieved", "The reading is refused with its reason.", `${GAUGES}not a number, below zero, more than any canner stands`],
  ["Two gauges disagree and the higher one counts for the food", "an instrument", "unsafe food", 3, LOOK, "Both are kept; the lower counts.", `${GAUGES}that reads lower counts for the food, once, and does not make it begin again and again`],
  ["A gauge nobody trusts any more goes on deciding", "an instrument", "unsafe food", 3, "core/run/look.ts#putOutOfService", "Set aside, it takes the time with it that it alone saw begin.", `${GAUGES}that alone saw the time begin, set aside, takes the time with it`],
  ["A reading typed as 84 in pounds is taken", "a person", "unsafe food", 2, "app/words/reading.ts#readGauge", "No canner shows that: did you mean kPa?", "app/words/fire.test.ts: more than any canner shows is refused, with what was probably meant"],
];

const processing: Row[] = [
  ["Somebody presses the same button without looking at the dial", "a person", "unsafe food", 2, "core/run/next-look.ts#nextLook", "Now and then: Read the dial. The record tells figures from taps.", `${SEEN}after some taps the figure itself, and after a figure taps again`],
  ["The record calls the time between two looks unbroken", "a person", "false record", 2, "core/run/change.ts#noteUnobserved", "Not observed: from when to when, and how long.", `${SEEN}times between two looks are listed with their lengths, and a gauge that sends leaves none`],
  ["The machine's clock is set forward and an hour counts that did not pass", "a clock", "unsafe food", 3, "app/server/steady-clock.ts#SteadyClock", "The run goes on by what really passed, says so, and asks for a look.", "app/server/steady-clock.test.ts: a step of the wall clock makes no time pass and none undone, and is told once", "core/run/alarm.test.ts: the machine's clock was set, until somebody looks"],
  ["After a power cut the machine's clock is wrong and minutes count by it", "a clock", "unsafe food", 3, "app/server/clock.ts#startClock", "Nothing counts until a screen or a person confirms the time.", "app/server/steady-clock.test.ts: after a power cut in which something counted, the time is unknown; it was not off for less than nothing", "core/run/alarm.test.ts: nothing is over, nothing begins, and it stays with the run"],
  ["“Heat is off” arrives late by a doubted clock, and the minutes ran on till then", "a clock", "unsafe food", 3, "core/run/event.ts#asCounted", "What ends something counts from when it is said to have ended.", `${INSTANTS}by a doubted clock ends a time from when it is said to have ended, not from when it is heard`, "core/run/instant.test.ts: %s counts from when it is said to have ended"],
  ["A reading from within a served time says too late that it was below", "an instrument", "unsafe food", 3, "core/run/look.ts#takeBack", "The time is taken back.", `${INSTANTS}that says late that it was below while a time ran takes that time back, before and after the heat is off`, "core/run/alarm.test.ts: takes it back when it was below in it, from its first moment to its last"],
  ["A tap of three days ago is sent and counts", "a second device", "false record", 2, "store/run/tap.ts#tapRun", "Pressed more than two days ago: not taken any more.", `${INSTANTS}for more than two days is not taken`],
  ["A reading comes again under its id with another figure", "an instrument", "false record", 3, "store/run/readings.ts#takeReadings", "This id was used before: the first stands.", `${INSTANTS}that uses an id again for another figure is told so, and the first stands`],
  ["Taps are lost because the larder asks who this is, is too busy, or is gone", "a second device", "unsafe food", 3, "app/outbox/sender.ts#outcomeOf", "Kept on this device, and sent in order when they can be.", "e2e/outbox.spec.ts: taps under 401, 429, 500 and no network, in two tabs and a closed one: acknowledged is stored is shown"],
  ["An alarm moves the buttons away under a finger, and the press is lost or another button's", "a person", "unsafe food", 3, "app/live/press.ts#keepPresses", "The button that was pressed counts, once, and no other.", "e2e/press.spec.ts: a press counts for the button that was pressed, also when the page moves it away before it is lifted", "e2e/press.spec.ts: a finger's press too: once, and never for what has come to lie under it"],
  ["The browser closed its own store while the page slept, and what is pressed then goes with the page", "another program", "unsafe food", 3, "app/outbox/entries.ts#putDown", "It is opened anew, and the press is kept.", "app/outbox/outbox.test.ts: is kept where a later page finds it, also after the browser closed the database"],
  ["A browser that keeps nothing is closed with presses that were never sent", "a person", "unsafe food", 3, "app/outbox/sender.ts#startSending", "It says that this browser saves nothing, and asks whether to stay.", "e2e/outbox.spec.ts: a browser that keeps nothing asks whether to stay while something is not with the larder"],
  ["One entry that cannot be read takes the others of its delivery along", "another program", "unsafe food", 3, "app/routes/fire/stove/deliver.ts#action", "It stands by itself, with what it was.", "e2e/outbox.spec.ts: one entry that cannot be taken stands by itself, with what it was, and takes no other along"],
  ["The pressure falls while everybody sits at the table", "a person", "unsafe food", 3, "app/live/alarms.tsx#Alarms", "It sounds and flashes on every open page within two seconds.", "e2e/heard.spec.ts: an alarm raised by a reading sounds on every page without its asking, and one answer silences all"],
  ["A screen that cannot sound says that its sound is on", "a person", "unsafe food", 2, "app/live/sound.ts#useSound", "Tap once to switch sound on.", "e2e/heard.spec.ts: the check of a screen says that sound waits for a touch, and tells the truth later"],
  ["Pressure falls and the minutes before and after are added up", "a person", "unsafe food", 3, LOOK, "The full time starts over.", `${RUN}a reading below target at 40 minutes ends the timing`, "core/run/run.property.test.ts: finish is never earlier than (last time at-target began + minutes)"],
  ["A low reading arrives late and is passed over", "an instrument", "unsafe food", 3, STEP, "It counts from when it was taken.", `${RUN}a reading that arrives late still restarts the clock, at the time it was taken`, STREAMS],
  ["The same reading arrives twice and counts twice", "an instrument", "false record", 1, "core/run/event.ts#effectiveEvents", "Each counts once.", "core/run/run.property.test.ts: duplicates change nothing, and neither does the order of arrival"],
  ["A weight falls silent and nobody says so", "an instrument", "unsafe food", 3, LOOK, "Silence is below target when the weight governs.", `${RUN}a quiet weight is below target when the weight governs, and says nothing when the dial does`],
  ["Nobody looks for half an hour and the record calls it watched", "a person", "false record", 3, "core/run/change.ts#noteUnobserved", "Unwatched time is a deviation, and an alarm.", `${RUN}time without a look beyond the limit is unwatched, while it runs and after`],
  ["The heat goes off early and the load counts as processed", "a person", "unsafe food", 3, STEP, "Not processed.", `${RUN}a run ended early is not processed`],
  ["Heat off early takes one careless tap", "a person", "lost food", 2, "app/routes/fire/stove/dialogs.tsx#HeatOffEarly", "It asks, and “Undo: the heat is still on” stands beside.", "e2e/guards.spec.ts: heat off early asks first, and its undo is plain"],
  ["A household sets the time nobody has to look to a day", "a person", "unsafe food", 3, "core/guard/habit.ts#whyNotHabit", "At most an hour.", "core/guard/habit.test.ts: a canner at pressure is looked at once an hour at least; nothing said is nothing changed"],
  ["Over-pressure is only in the log", "an instrument", "injury", 3, LOOK, "An alarm at the canner's own limit.", `${RUN}over-pressure alarms at the canner's own limit, once until it is down again`],
  ["An alarm answered once stays silent while its cause lasts", "a person", "unsafe food", 3, "core/run/fold.ts#viewOf", "It comes back.", `${GAUGES}are answered with a reason, and come back while the cause lasts`],
  ["A heavier weight is changed for a lighter one under way", "a person", "unsafe food", 3, STEP, "The time starts over.", `${GAUGES}changed for a lighter one under way, the time has to begin anew`],
  ["A reading from the future starts or keeps the clock", "a clock", "unsafe food", 3, "store/run/append.ts#whyNotThen", "Set the clock of whatever sent it.", "store/thread.test.ts: readings twice are one; out of order is put in order; from the future is refused whole"],
  ["The larder's clock jumps back in the middle of a run", "a clock", "false record", 3, "store/run/append.ts#checkClock", "Set it right, then say this again.", "store/times.test.ts: a clock that jumps back changes no finish, and what it would date before its run is refused until it is set"],
  ["A given-up run is taken back after its jars were packed again", "a person", "false record", 3, "core/run/permit.ts#whyNotUndone", "Its containers were decided about since.", "store/guards.test.ts: a run whose jars were decided about cannot be taken up again"],
  ["A gauge of another canner writes into this run", "another program", "unsafe food", 3, "app/server/access/guard.ts#guard", "Its token is for the runs of its canner.", "e2e/access.spec.ts: a token does the one thing it is for"],
  ["Readings go on after the canner was unloaded", "an instrument", "false record", 1, "store/run/readings.ts#takeReadings", "The canner was unloaded before this.", "store/run.test.ts: a run that is over takes those from before its end, late, and no others"],
];

const coolDown: Row[] = [
  ["Zero is said while an instrument shows pressure", "a person", "injury", 3, "core/run/judge.ts#stillShows", "Not yet: the dial shows 3 lb.", `${SEEN}nobody says zero while an instrument shows pressure`, "core/run/judge.test.ts: an instrument that showed a pound within a minute keeps it from being said"],
  ["The weight comes off before zero and the lock", "a person", "injury", 3, WHY_NOT, "Leave it on until both.", `${RUN}the weight stays on until both signs, the lid for ten minutes, the lids for twelve hours`],
  ["The lid comes off before ten minutes", "a person", "injury", 3, WHY_NOT, "How long to wait.", `${RUN}the weight stays on until both signs, the lid for ten minutes, the lids for twelve hours`],
  ["The lid stays on overnight and nobody knows later", "a person", "lost food", 1, STEP, "Recorded: watch for flat-sour spoilage.", `${RUN}comes off between ten minutes and an hour after them; later is recorded`],
  ["The load is relit after heat off and the old minutes count", "a person", "unsafe food", 3, STEP, "Everything starts over, venting too.", `${RUN}and lighting the burner again begins everything anew, venting too`],
];

const unloading: Row[] = [
  ["Jars are said to be out before the lid is off", "a second device", "false record", 1, "core/run/step.ts#containerOut", "That does not fit.", `${GAUGES}before the lid is off that does not fit`],
  ["The record says that no jar lost liquid after one was looked at", "a person", "false record", 2, "app/features/record/record.server.ts#processRecord", "How many were not looked at.", "app/features/record/record.test.ts: says what departed from it, what was lost, and in which order they came out"],
  ["Half of the liquid is lost and the jar counts as sealed", "a person", "unsafe food", 2, "core/rest/look.ts#sealVerdict", "Not sealed: refrigerate and eat within 3 days.", "store/larder-room.test.ts: a jar that lost half of the liquid it was filled with is not sealed, whatever its lid does"],
];

/** From the equipment check to the towel. */
export const STOVE = [
  ...hazardsOf("equipment", equipment),
  ...hazardsOf("heat-up", heatUp),
  ...hazardsOf("venting", venting),
  ...hazardsOf("come-up", comeUp),
  ...hazardsOf("processing", processing),
  ...hazardsOf("cool-down", coolDown),
  ...hazardsOf("unloading", unloading),
];
