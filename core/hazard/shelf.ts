import { hazardsOf, type Row } from "./hazard.ts";

const SHELVE = "core/guard/shelf.ts#whyNotShelved";
const TAKE = "core/guard/shelf.ts#whyNotTaken";
const S = "core/guard/shelf.test.ts: ";
const ROOM = "store/larder-room.test.ts: ";
const THREAD = "store/thread.test.ts: ";
const CHECK = "store/rest/rest.ts#checkSeal";

const rest: Row[] = [
  ["A jar that did not seal is packed anew though its animal was put on hold since", "a person", "unsafe food", 3, "store/pack/permit.ts#permitReprocess", "The lot is on hold, with what it waits for.", "store/guards.test.ts: packed anew only by what is known today: no animal on hold, the altitude of now"],
  ["A jar is packed anew by the process of another place, which the household has left", "a clock", "unsafe food", 3, "store/pack/permit.ts#permitReprocess", "Its new pack has the process for today's altitude.", "store/guards.test.ts: packed anew only by what is known today: no animal on hold, the altitude of now"],
  ["A household sets its rest to less than twelve hours", "a person", "unsafe food", 2, "core/guard/habit.ts#whyNotHabit", "Twelve hours is the least.", "core/guard/habit.test.ts: seals are checked after 12 hours at the earliest, and two days at the latest", "store/guards.test.ts: a household does not set itself a shorter rest or a longer absence than may be, whoever asks"],
  ["Lids are pressed before twelve hours", "a person", "lost food", 2, "core/run/permit.ts#whyNot", "They rest so long more.", "core/run/run.test.ts: the weight stays on until both signs, the lid for ten minutes, the lids for twelve hours"],
  ["A jar of an unprocessed load is checked as sealed", "a person", "unsafe food", 3, CHECK, "It was not processed, so its seal means nothing.", `${THREAD}a run ended early: its jars are not processed, cannot be checked, and wait for a decision`],
  ["A failed seal is decided about after 24 hours", "a person", "unsafe food", 3, "core/rest/seal.ts#choicesForFailed", "Only thrown out, untasted.", "core/rest/rest.test.ts: a failed seal may be chilled, frozen or repacked for 24 hours, then only thrown out"],
  ["A jar sent to the refrigerator is forgotten there", "a clock", "unsafe food", 3, "app/features/tasks/tasks.server.ts#tasksOf", "It stays on Today and in the strip: throw it out.", "app/features/tasks/tasks.test.ts: a jar past its days in the refrigerator does not vanish"],
  ["A failed jar is reprocessed after 24 hours", "a person", "unsafe food", 3, "store/rest/rest.ts#dispose", "The 24 hours are over.", `${ROOM}not after 24 hours: then it is only thrown out`],
  ["Reprocessed meat is counted twice", "a person", "false record", 2, "store/rest/repack.ts#reprocess", "It is in another pack already.", `${ROOM}one tap makes the pack with a new lid, two jars go into one, and the lot gives nothing twice`],
  ["A can is checked like a jar, or a jar like a can", "another program", "false record", 2, CHECK, "Look at both ends and the seams.", `${ROOM}a can is looked at by its ends and seams, both of them; packed anew it goes through the bath again`],
  ["A raw pack that never covered itself is thrown out", "a person", "lost food", 1, "core/rest/look.ts#sealVerdict", "Its level decides nothing.", "core/rest/rest.test.ts: a raw pack that never covered itself is not judged by its level; a lid that flexes fails all the same"],
];

const storing: Row[] = [
  ["An unchecked or failed container is shelved", "a person", "unsafe food", 3, SHELVE, "It has no checked seal.", `${S}stays off it with %j`],
  ["A container without its full time is shelved", "another program", "unsafe food", 3, SHELVE, "It did not get its full time.", `${S}stays off it with %j`],
  ["A held or recalled container is shelved", "a person", "unsafe food", 3, SHELVE, "It is on hold, or recalled.", `${S}stays off it with %j`],
  ["A list that comes in moves a jar past the rules", "another program", "unsafe food", 3, SHELVE, "The row is refused with its reason.", "store/lists.test.ts: a list puts no jar on a shelf that may not stand there"],
  ["More stands on a shelf than it takes", "a person", "lost food", 1, "store/shelf/take.ts#shelve", "Which shelf has room.", `${ROOM}a full one says how many it takes, and which has room`],
  ["A frost breaks seals and nobody looks", "a clock", "unsafe food", 3, "store/shelf/storage.ts#flaggedByStorage", "What stood there is to be checked, first on Today.", `${ROOM}a frost flags what stood there and still stands somewhere, and nothing else`],
  ["Frost in April flags jars shelved in December", "a clock", "false record", 1, "core/shelf/storage.ts#storageEvents", "Only what stood there while it was known to freeze.", "core/shelf/shelf.test.ts: a frost and a heat are told apart, with their worst, and the last goes on until a reading ends it"],
  ["The check after a frost cannot be recorded and the warning is ignored from then on", "a person", "unsafe food", 2, "store/shelf/storage.ts#checkOnShelf", "“Lid is down”, a tap each.", "store/guards.test.ts: what was looked at after a frost is not flagged any more"],
  ["A jar found bad goes back to the shelf", "a person", "unsafe food", 3, "store/shelf/take.ts#putBack", "It was bad: it does not go back.", `${ROOM}a sound one is eaten and its jar comes back; a bad one is thrown out and never put back`],
  ["A label of another household is taken for one's own", "a second device", "false record", 2, "core/code/label.ts#readLabel", "It is told whose it is.", "app/features/genealogy/scanned.test.ts: a label is told by whose it is, and by where its jar stands"],
  ["A code is misread by one letter and names another jar", "a person", "unsafe food", 2, "core/code/check.ts#isValidCode", "Nothing is claimed unless it is proven.", "core/code/code.test.ts: on 10,000 codes, all errors and not a sample of them"],
];

const giving: Row[] = [
  ["A jar that is on hold, recalled or unsealed gets a gift label", "a person", "unsafe food", 3, "core/guard/shelf.ts#whyNoGiftLabel", "No gift label, and why.", `${S}goes on nothing with %j, wherever it is`, "app/routes/larder/gifts/gifts.test.ts: takes the gift label away, and puts the jar on the signed list until it is released or thrown out"],
  ["A gift label's QR code is too fine for a phone, and its words are lost", "a person", "unsafe food", 2, "app/server/qr.ts#qrWithin", "The text is too long for this label, and which have room.", "app/routes/larder/gifts/gifts.test.ts: is told to be too long for a small label, with those that have room, and never printed unreadably"],
  ["An allergen goes unsaid on a gift", "a person", "unsafe food", 3, "core/recipe/allergen.ts#allergensIn", "Allergens by name, what is ready made, and to ask.", "core/recipe/allergen.test.ts: has every kind of fish of the recipes, and no animal of the land"],
  ["A forged or outdated recall list calls a recalled jar good", "another program", "unsafe food", 3, "app/workers/recall-check/judge.ts#judgeList", "The list was changed, is not from this household, or is older.", "app/workers/recall-check/recall-check.test.ts: is not used once any sign of it was changed, but for spaces around its lines", "app/workers/recall-check/recall-check.test.ts: is not used when it is %s"],
  ["A friend takes “not on the list” for “safe”", "a person", "unsafe food", 3, "app/workers/recall-check/judge.ts#judgeCode", "Not recalled by that day: look at it, and boil it.", "app/workers/recall-check/recall-check.test.ts: is never called safe: only not on the list of that day, which grows old"],
];

const opening: Row[] = [
  ["Enter in a field or on a tick opens a jar, gives it away, or lifts a hold", "a person", "unsafe food", 2, "app/ui/form/no-enter.tsx#guardEnter", "Nothing happens: each has a button of its own.", "e2e/enter.spec.ts: Enter on every form: it never presses one of several buttons, nor one that is consequential"],
  ["Enter in a field opens a jar as sound", "a person", "false record", 2, "app/ui/form/no-enter.tsx#NoEnter", "Nothing happens: a button is pressed for it.", "e2e/guards.spec.ts: Enter in a field opens no jar and eats none"],
  ["Enter in a field eats the ticked jars", "a person", "false record", 2, "app/ui/form/no-enter.tsx#NoEnter", "Nothing happens: a button is pressed for it.", "e2e/guards.spec.ts: Enter in a field opens no jar and eats none"],
  ["A held container is eaten", "a person", "unsafe food", 3, TAKE, "Not until the hold is released.", `${S}is eaten or given away when it is free; thrown out always`],
  ["A recalled container is given away", "a person", "unsafe food", 3, TAKE, "Not until somebody releases it with a reason.", `${S}is eaten or given away when it is free; thrown out always`],
  ["One that is not on a shelf is opened as sound", "a second device", "false record", 1, TAKE, "It is not on a shelf.", `${S}must stand on one`],
  ["A bad one is recorded without saying what was wrong", "a person", "unsafe food", 2, "store/eating/opening.ts#recordOpening", "Tap what is wrong with it.", `${ROOM}a sound one is eaten and its jar comes back; a bad one is thrown out and never put back`],
  ["Boiling before eating is told too short for the altitude", "a person", "unsafe food", 2, "core/shelf/life.ts#boilMinutes", "10 minutes, and one more per further 1,000 ft or part.", "core/shelf/shelf.test.ts: at %d ft boil %d minutes"],
  ["A bulging closed can is told how an open one is thrown out", "a person", "injury", 3, "core/rest/disposal.ts#disposalOf", "Do not open it.", "core/rest/rest.test.ts: a closed container is never opened to be thrown out, whatever it looks like; one that leaks is boiled"],
];

const recall: Row[] = [
  ["A recall misses a jar that shares the lot through a merge", "a person", "unsafe food", 3, "store/recall/sharing.ts#containersSharing", "Everything that shares it, in seconds.", "store/recall.property.test.ts: a recall finds exactly what shares a doubt"],
  ["A recall of a given-away jar is forgotten", "a person", "unsafe food", 3, "store/recall/recall.ts#setAside", "To whom it went: tell them today.", `${ROOM}set aside in one action, not eaten, given or shelved; lifted for one, then for all, with a reason and a name`],
  ["One of two recalls is released and the jar is eaten", "a person", "unsafe food", 3, "store/recall/recall.ts#releaseRecall", "It stays recalled until both are.", `${ROOM}what two recalls set aside stays so until both are lifted`],
  ["A recall is released without a name or a reason", "a person", "unsafe food", 3, "store/recall/recall.ts#releaseRecall", "Both are asked for.", `${ROOM}set aside in one action, not eaten, given or shelved; lifted for one, then for all, with a reason and a name`],
  ["Recalls stand under “when you like”", "a person", "unsafe food", 2, "core/agenda/danger.ts#byDanger", "First on Today, before any deadline.", "core/agenda/danger.test.ts: what could be eaten or handled comes first, then holds, then what has an hour"],
];

const records: Row[] = [
  ["A page loads anew between a press and its answer, and goes on showing what was before", "a second device", "false record", 2, "app/live/follow.ts#useFollow", "A page somebody works on is left alone, and says what was changed elsewhere.", "e2e/places.spec.ts: what another screen does meanwhile takes nothing from what is pressed or answered here"],
  ["A page goes on showing what another screen has changed since, and is relied on", "a second device", "false record", 2, "app/live/follow.ts#changesSince", "It is read again, or says what was changed and offers to show it.", "e2e/places.spec.ts: a page nobody has touched shows at once what another screen did; without a change nothing is read again", "app/live/follow.test.ts: is what came after it was read, of what it shows"],
  ["A page that fails takes the running clocks and the alarms with it", "another program", "unsafe food", 3, "app/routes/shell/page.tsx#ErrorBoundary", "What happened, in the page's place; clocks and alarms go on around it.", "e2e/faults.spec.ts: an error in any page's loader leaves the clocks running, and says what happened"],
  ["A key comes again with other values and the first answer passes for them", "another program", "false record", 3, "store/db/once.ts#once", "Recorded before with other values: reload and enter it again.", "store/times.test.ts: the same key with other values is refused with both, and the first stands"],
  ["A body claims that somebody else did it", "another program", "false record", 2, "app/routes/fire/stove/deliver.ts#action", "Whoever is at the screen did it.", "e2e/outbox.spec.ts: who says it is whoever is at the screen, whatever a body claims"],
  ["A run on paper with heat off before target is taken for the next day", "a person", "unsafe food", 3, "app/routes/records/paper/enter.server.ts#enterRunSheet", "Did the run go past midnight?", "app/routes/records/paper/paper.test.ts: heat off before the target, unless it went past midnight"],
  ["A run on paper overlaps another in the same canner", "a person", "false record", 3, "store/run/run.ts#runBetween", "Which run was in it at that time.", "app/routes/records/paper/paper.test.ts: a canner that held another run then is refused at the time"],
  ["A run on paper passes by a rule of the stove", "a person", "unsafe food", 3, "store/run/tap.ts#tapRun", "The same refusals, each at its field.", "app/routes/records/paper/paper.test.ts: the weight on before ten minutes of steam"],
  ["One field of a sheet is wrong and only the first is told", "a person", "false record", 1, "app/routes/records/paper/enter.server.ts#enterRunSheet", "Every field that is wrong.", "app/routes/records/paper/paper.test.ts: a canner that held another run then is refused at the time"],
  ["The verdict claims an unbroken time after a restart", "another program", "false record", 2, "app/features/record/record.server.ts#processRecord", "How often the timer started over.", "app/features/record/record.test.ts: says what was done by what, and whose table it was"],
  ["A later table changes an old record", "another program", "false record", 3, "core/schedule/snapshot.ts#takeSnapshot", "The record keeps the figures it was made with.", "core/schedule/governing.test.ts: keeps its figures when what it was made from changes, and cannot be written to"],
  ["A household that moves up changes what was canned below", "a person", "false record", 2, "core/schedule/snapshot.ts#takeSnapshot", "Old runs keep their altitude.", "store/times.test.ts: a household that moves up keeps its old runs and packs as they were, and its new ones ask for more"],
  ["A reading is made kinder in the file", "another program", "false record", 3, "store/history/verify.ts#verifyLarder", "The chain does not fit.", "store/history.test.ts: it shows whatever single value of the past is changed, and whichever line is taken out"],
  ["What happened is edited or deleted", "another program", "false record", 3, "store/db/larder.ts#openLarder", "The table refuses.", "store/larder.test.ts: what happened cannot be edited or deleted, even by hand"],
  ["The same form is sent twice and done twice", "a second device", "false record", 2, "store/db/once.ts#once", "Done once, answered twice.", "store/times.test.ts: the same form sent by two devices with one key is one deed"],
  ["A power cut loses what was acknowledged", "another program", "false record", 3, "store/db/larder.ts#openLarder", "Nothing acknowledged is missing.", "store/kill.test.ts: nothing acknowledged is missing"],
  ["An archive with a changed cell is taken in", "another program", "false record", 3, "store/transfer/read.ts#readArchive", "Refused whole, in words.", "store/transfer.test.ts: it is refused when %s"],
  ["A file that is no zip is answered with a fault", "a person", "false record", 1, "store/transfer/unpack.ts#openArchive", "“This file is damaged or not a zip.”", "store/transfer.test.ts: a file that is no zip at all is refused in words"],
  ["A recipe with too much of everything is answered with a fault", "another program", "false record", 1, "store/db/limits.ts#asRefusal", "The limit, in words.", "store/limits.test.ts: a recipe for a regiment, and a canner for a factory"],
  ["Anybody behind a proxy reads and changes the record", "another program", "false record", 3, "app/server/access/proxy.ts#isPassedOn", "This larder is for this machine alone.", "app/server/access/proxy.test.ts: a request with what proxies add, or in their old protocol, was passed on"],
  ["A stranger's page leads a signed-in person elsewhere", "another program", "false record", 1, "app/routes/sign-in/own-path.ts#ownPath", "Back to Today.", "app/routes/sign-in/own-path.test.ts: an address elsewhere is none, however it is written"],
  ["A child goes ahead where the program refused", "a person", "unsafe food", 3, "core/guard/reach.ts#whyBeyondReach", "They look and tap; who may do everything is asked.", "store/reach.test.ts: a child fills jars of what was begun, and does not go ahead anyway", "store/reach.test.ts: a child taps at the stove, and neither gives a run up nor changes the household"],
  ["A guest's screen writes", "a person", "false record", 2, "store/db/scope.ts#refuseBeyondReach", "It may only look, and says so.", "store/reach.test.ts: whoever may only look changes nothing, by no way in"],
  ["A guesser keeps the household out", "another program", "lost food", 2, "app/server/access/slow.ts#countSignIn", "Each address is counted apart; a run under way is heard.", "app/server/access/slow.test.ts: one guesser, however busy, locks nobody else out of signing in"],
  ["A screen loads a new version in the middle of a run", "a second device", "unsafe food", 3, "app/live/new-version.ts#useNewerVersion", "It is offered once no canner is on.", "e2e/offline.spec.ts: a new version is offered when no canner is on, never before, and what is half typed stays"],
  ["The rescue screen puts back an old copy for a stranger", "another program", "false record", 3, "app/server/rescue.ts#rescueApp", "Only at the machine itself, with the backup's passphrase.", "app/server/rescue.test.ts: asked through %s there is nothing to choose", "app/server/rescue.test.ts: a backup that has a passphrase asks for it, and stays where it is without"],
  ["More meat is taken from a lot than there was of it", "a second device", "false record", 2, "store/derived/index.ts#applyRules", "More is taken than is left: weigh the lot again.", "store/damage.test.ts: an overdraw is refused by the table itself, in words"],
  ["A weight, a seal or a place is changed beside the records it follows from", "another program", "false record", 3, "store/db/integrity.ts#inconsistencies", "It does not agree with itself, and which code.", "store/damage.test.ts: %s"],
  ["A run that was not processed is called processed in the file", "another program", "unsafe food", 3, "store/history/run-state.ts#runsWithWrongState", "It says of itself what its own events do not.", "store/damage.test.ts: %s"],
  ["What the database keeps by itself is switched off", "another program", "false record", 3, "store/db/integrity.ts#integrityProblems", "Rules are missing or changed, and which.", "store/damage.test.ts: a rule is taken away, or another put in its place"],
  ["A past is written anew with all its hashes", "another program", "false record", 3, "store/witness/compare.ts#compareHistory", "Which line is not what was printed or signed.", "store/witness.test.ts: a past that was written anew with all its hashes is not found by them, and is by a signature: the very line"],
  ["Signatures of another larder pass for this one's", "a person", "false record", 2, "store/witness/check.ts#checkWitness", "How many are by another key, and not counted.", "store/witness.test.ts: signatures by another key prove nothing, unless somebody says that it is theirs"],
  ["An older record takes the place of a newer one and does not say so", "another program", "false record", 2, "store/backup/restore.ts#replaceLarder", "The restore, with its reason, in the activity log.", "store/witness.test.ts: what a restored backup replaced is told, and is no damage; what comes after is signed on"],
  ["The disk fails, and the backups on it with it", "another program", "false record", 3, "store/backup/second-place.ts#isOverdue", "A backup to the second place is overdue.", "store/second-place.test.ts: a stick that is not plugged in is said, its empty folder is not filled, and after three days it is overdue"],
  ["A time that the clocks went through twice is taken for the wrong one", "a clock", "unsafe food", 2, "core/calendar/wall.ts#readWall", "Which of the two is meant.", "app/server/form/form.test.ts: that came twice is asked about, and the answer decides", "app/routes/records/paper/paper.test.ts: a time on a sheet that came twice is asked about, and one that was skipped is refused"],
  ["What scales differ by is cut from an animal again and again", "a person", "false record", 1, "store/lot/make.ts#cutLot", "Nothing of it is left to cut.", "store/lot.test.ts: what scales differ by can be cut from an animal once, and not again and again"],
  ["An older program writes into a newer larder", "a person", "false record", 3, "store/db/layout.ts#refuseLaterLayout", "The version to install.", "store/layouts.test.ts: a larder of a later layout is refused with the version it wants, and not touched"],
  ["An old backup or archive cannot be read any more", "a person", "false record", 2, "store/db/larder.ts#emptyOfLayout", "It is read in its own layout and brought over.", "store/layouts.test.ts: its copy is sound, and is brought to this layout with everything in it"],
  ["Two programs write to one larder at once", "another program", "false record", 2, "store/db/lock.ts#lockLarder", "The larder is already open.", "app/server/opening.test.ts: one program has a larder open at a time, and the next may when it lets go"],
  ["A folder that is read-only is taken for damage, and an old backup put in place", "a person", "false record", 2, "app/server/opening.ts#whyUnopened", "The folder cannot be written to; the records are not damaged.", "app/server/opening.test.ts: %s is no damage"],
  ["A list with a decimal comma comes in a thousand times too large", "another program", "false record", 2, "store/lists/take.ts#takeList", "Write it with a point.", "store/lists.property.test.ts: any bytes at all are a list, or are refused as none, in words"],
];

/** From the towel to the table, and what is kept of it. */
export const SHELF = [
  ...hazardsOf("rest", rest),
  ...hazardsOf("storing", [...storing, ...giving]),
  ...hazardsOf("opening", opening),
  ...hazardsOf("recall", recall),
  ...hazardsOf("records", records),
];
