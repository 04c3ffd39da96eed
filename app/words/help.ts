import type { Address } from "../address";

import { VENT_FALTERS } from "#core/run";
import { DISPOSAL } from "#core/rest";
import { DIAL_REPLACED } from "#core/schedule";
import { CHILLED_TIME, DECIDE_TIME, REFRIGERATE, REPROCESS, REST_TIME, VENT_TIME, WAIT_TIME } from "./safety";

/** A page of help: what it is about, and what it says. A paragraph that begins with “!” is a caution. */
export interface HelpPage {
  key: string;
  title: string;
  /** words by which it is found */
  also: string;
  text: string[];
  /** where its figures are from, and what of it has no source; null where it only tells what this program does */
  source: string | null;
  see: [name: string, to: Address | `/help/${string}`][];
}

/** Written for this product, in the order of the work. What is common practice and has no source says so. */
export const HELP: readonly HelpPage[] = [
  {
    key: "safe",
    title: "Why low-acid food is processed under pressure",
    also: "botulism spores danger boiling water bath",
    text: [
      "Meat, fish and poultry have too little acid to keep the spores of Clostridium botulinum from growing in a sealed jar. Boiling water does not kill them at any altitude. Steam under pressure is hotter, and the tested times hold it hot for long enough.",
      "! The toxin has no smell and no taste. Food that may be bad is never tasted. When in doubt, throw it out, closed, and as the disposal page says.",
      "! Only a tested process counts. A time that is not in the table is not offered here, and added minutes never make up for missing pressure.",
      "The table here was written down from memory. Compare it with your own printed guide or ask your local extension office before you rely on it.",
    ],
    source: "USDA Complete Guide to Home Canning, AIB 539, rev. 2015, Guide 1, from memory.",
    see: [
      ["Ask a schedule", "/ask"],
      ["Throwing food out safely", "/help/throw-out"],
    ],
  },
  {
    key: "altitude",
    title: "Altitude and pressure",
    also: "feet meters pressure gauge height moved",
    text: [
      "Water boils cooler the higher you are, and a gauge reads the difference to the air around it. So the same gauge reading is cooler steam on a mountain. The table answers with more pressure, by bands; the minutes stay.",
      "A household that moves changes its altitude under Household. Runs and packs already made keep what they were made with.",
      "A weight has steps of five pounds, so weights go from ten to fifteen above 1,000 ft. A dial follows the bands of the table.",
    ],
    source: "Bands and minutes: USDA 2015, Guide 5, from memory.",
    see: [
      ["Household", "/household"],
      ["Ask a schedule", "/ask"],
    ],
  },
  {
    key: "gauge",
    title: "Dial gauges, weights and their tests",
    also: "dial weighted rocker regulator test error extension office",
    text: [
      `A dial gauge is tested every year before the season, at the pressures you use. Local extension offices often do it. Up to 1 lb high, that much is added to the pressure it must show. ${DIAL_REPLACED} One that reads low is never used to go lower.`,
      "A weight needs no test, but it must be the right one, clean, and rocking as its maker says. Silence is below target.",
      "With both on one canner, the weight governs, and what the dial shows beside it is written down.",
    ],
    source:
      "Yearly test and more than 1 lb high: USDA 2015, Guide 1, from memory. More than 2 lb low, and which governs: common practice, no source. An older school adjusts up to 2 lb either way; it is not offered here.",
    see: [["Shed", "/shed"]],
  },
  {
    key: "venting",
    title: `Venting: ${VENT_TIME} of steady steam`,
    also: "exhaust air steam plume vent",
    text: [
      `Air left in the canner makes the steam cooler at the same pressure. ${VENT_TIME} of steady steam drive it out. Only then put the weight on. Longer is fine.`,
      VENT_FALTERS,
    ],
    source: "USDA 2015, Guide 1, from memory.",
    see: [["Fire", "/fire"]],
  },
  {
    key: "pressure-drop",
    title: "When the pressure drops",
    also: "below target restart time again flame wind",
    text: [
      "The time counts only at or above the target. After any reading below it, the full time starts over once the pressure is back. It does not matter how much was left.",
      "Bring it up slowly. Quick changes of the flame draw liquid out of the jars.",
      `! If you cannot hold it, turn the heat off and let it cool down on its own. Then ${REPROCESS}. Or refrigerate the jars and eat them within ${CHILLED_TIME}.`,
    ],
    source: `The full time again, and ${DECIDE_TIME}: USDA 2015, Guide 1, from memory. The flame: common practice, no source.`,
    see: [["Fire", "/fire"]],
  },
  {
    key: "cooling",
    title: "Cooling, and the lid",
    also: "zero open steam burn",
    text: [
      `Let the canner cool on its own: no water, no lifted weight, no forced lid. Cooling is part of the process. At zero take the weight off. ${WAIT_TIME} later open the lid, away from you.`,
      "! Steam burns. Never force a lid. Children and animals stay away from the stove and from cooling jars.",
      `Set jars on a towel, apart, out of drafts, for at least ${REST_TIME}. Do not tighten or press anything until then.`,
    ],
    source: "USDA 2015, Guide 1, from memory.",
    see: [["Rest", "/rest"]],
  },
  {
    key: "seals",
    title: "Seals, and jars that did not seal",
    also: "lid failed ping press reprocess repack",
    text: [
      `After ${REST_TIME} take the band off and press the lid: down and still is sealed. Food less than half covered by liquid counts as not sealed here.`,
      `A jar that did not seal: ${REFRIGERATE}, freeze it, or ${REPROCESS}.`,
      "When several of a load fail, the page of that load says what they have in common, and how likely that is by chance alone.",
    ],
    source: `${REST_TIME} and ${DECIDE_TIME}, down and still: USDA 2015, Guide 1, from memory. Half covered, days in the refrigerator: common practice, no source.`,
    see: [["Rest", "/rest"]],
  },
  {
    key: "cans",
    title: "Metal cans: exhausting and seams",
    also: "can sealer exhaust seam double 170",
    text: [
      "Cans are closed hot: the center of the food at 170 °F (77 °C) or more, by a thermometer in each. Cold cans closed on air buckle and may not be hot enough through.",
      "The sealer is tested on empty cans before a load is closed, by a seam taken down and measured. Every closed can is looked at and felt all the way round.",
      "! A can that bulges, leaks, spurts or smells is not opened further and not tasted.",
    ],
    source:
      "170 °F and the order of work: common practice, no source. Looking at seams: 21 CFR 113.60, from memory.",
    see: [
      ["Seam", "/seam"],
      ["Seam school", "/practice"],
    ],
  },
  {
    key: "throw-out",
    title: "Throwing suspect food out safely",
    also: "discard dispose bulging leaking bad clean",
    text: [
      "! Do not taste it, do not feed it to an animal, do not pour it out. Wear gloves; the toxin can pass through a cut.",
      `Still sealed: ${DISPOSAL.closed.steps.map((step) => step.what).join(" ")}`,
      `Unsealed, open or leaking: ${DISPOSAL.open.steps.map((step) => step.what).join(" ")}`,
    ],
    source: "USDA 2015, Guide 1, from memory.",
    see: [
      ["Larder", "/larder"],
      ["Recalls", "/larder/recalls"],
    ],
  },
  {
    key: "game",
    title: "Game and fish: rules and illnesses",
    also: "tag wildlife agency cwd trichinella lead shot advisory",
    text: [
      "Rules of possession and tags still apply to meat in a jar. Ask your wildlife agency what must be kept, and with it.",
      "! Deer and related animals may be tested for chronic wasting disease (CWD): hold the meat until the result is there.",
      "! Bear, wild boar and other carriers of trichinella get the full process as written, and their raw meat its own board and knife.",
      "Lead shot: trim wide around wounds. Fish: follow the advice for your water on how much to eat. Write who must not eat it into the notes of a pack.",
    ],
    source: "Common practice, no source. What your wildlife agency and your health office say comes first.",
    see: [["Field", "/field"]],
  },
  {
    key: "paper",
    title: "A day without power",
    also: "blank forms outage pencil offline",
    text: [
      "Print the blank forms now: with them goes the table of tested times at your altitude. On the day write down times and pressures as they come.",
      "Afterwards enter the packs, then the run. All stove rules are checked again. What was missed that day stays in the record.",
      "A phone that lost only the network keeps working. Your taps are saved on it and sent when the network is back.",
    ],
    source: null,
    see: [
      ["Enter a run kept on paper", "/records/paper"],
      ["Records", "/records"],
    ],
  },
  {
    key: "records",
    title: "Records, backups and archives",
    also: "backup restore export import verify hash",
    text: [
      "A backup is made each day you record something, then opened and checked. A backup on the same disk is lost with it: export everything now and then, and keep it elsewhere.",
      "Every line of a run and of the history is hashed with the one before it, so a change to the past shows. “Check that nothing was altered” goes through all of them.",
      "This program keeps records and does the math. It does not check food, and approves nothing for sale.",
    ],
    source: null,
    see: [
      ["Records", "/records"],
      ["Backups", "/records/backups"],
      ["History", "/records/history"],
    ],
  },
];
