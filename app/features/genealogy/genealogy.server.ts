import { type RunRecord, getRun } from "#store/run";
import type { Larder } from "#store/db";
import { getHarvest, pastHolds, sharesOf, type PastHold } from "#store/harvest";
import { getLot, happeningsOfLot, madeFrom } from "#store/lot";
import { deviationsOfContainer, deviationsOfPacks } from "#store/deviation";
import { getPack } from "#store/pack";
import { canHistory, type CanStory } from "#store/seam";
import { defectOf } from "#core/seam";
import { getContainer, type ContainerNow } from "#store/rest";
import { happeningsOf, listPlaces } from "#store/shelf";
import { SIGNS, bestBy } from "#core/shelf";
import type { SealLook } from "#core/rest";
import { COLD_LIMIT_C, firstIntervals, warmSinceKill } from "#core/cold";
import { coldReadings } from "#store/cold";
import {
  countOf,
  formatDuration,
  formatMass,
  formatPressure,
  formatSpoons,
  formatTemperature,
  formatVolume,
  type UnitSystem,
  capital,
} from "#core/quantity";
import { LIQUID_KG_L } from "#core/pack";
import type { JarPart } from "#core/recipe";
import { isCan, productName } from "#core/schedule";
import { boxesOfPack } from "#store/supply";
import { FORM_NAMES, isFishGroup, speciesByKey } from "#core/species";
import {
  entityIds,
  traceGraph,
  fullGenealogy,
  type FoundCode,
  type GenealogyGraph,
  type Trace,
} from "#store/trace";
import { containersWords, filledLoadWords } from "../../words/load";
import { lotAmount, lotEventWords } from "../../words/lot";
import { jarPartWords, liquidWords } from "../../words/pack";
import { sealLookWords } from "../../words/rest";
import { minutesWords, deviationWords, lookedAt, restartWords } from "../../words/run";
import { sourceWords } from "../../words/guide";
import { clockTime, longDay, timesOf, type Times } from "../../words/time";
import type { Home } from "../../server/context";

/** One thing that happened on the way, in a story. */
export interface Chapter {
  at: number;
  /** local day, when only the day is known */
  day?: string;
  code: string | null;
  title: string;
  lines: string[];
  /** a line that must stand out: a restart, a failed seal */
  care: string[];
  kind: "harvest" | "lot" | "pack" | "run" | "seal" | "shelf";
}

/** Where a container is now, in words. */
export function whereabouts(
  c: Pick<ContainerNow, "moved" | "disposition" | "seal">,
  place: string | null,
  runPhase: string | null,
): string {
  if (c.moved === "opened") return "opened";
  if (c.moved === "given") return "given away";
  if (c.moved === "missing") return `missing from its shelf: ${place ?? "unnamed"}`;
  if (c.moved === "discarded" || c.disposition === "discard") return "thrown out";
  if (c.disposition === "chill") return "in the refrigerator, to be eaten";
  if (c.disposition === "freeze") return "in the freezer";
  if (c.disposition === "repack") return "to be reprocessed";
  if (c.moved === "shelved") return `on the shelf: ${place ?? "unnamed"}`;
  if (c.seal === "failed") return "did not seal; not decided";
  if (c.seal === "sealed") return "sealed, not shelved yet";
  return runPhase ?? "filled, waiting for a canner";
}

/** Everything that led to what a code names, in the order it happened. */
export function storyOf(
  home: Home,
  found: FoundCode & { found: true },
): {
  trace: Trace;
  river: GenealogyGraph;
  chapters: Chapter[];
  container: (ContainerNow & { where: string; species: string[] }) | null;
} {
  const { larder, household } = home;
  const { units } = household;
  const times = timesOf(household);
  const trace = traceGraph(larder, found.kind, found.id);
  const idOf = entityIds(
    larder,
    trace.nodes.map((n) => n.code),
  );
  const chapters: Chapter[] = [];
  const can = found.kind === "container" ? canHistory(larder, found.id) : null;
  for (const node of trace.nodes) {
    const id = idOf.get(node.code)!;
    if (node.kind === "harvest") chapters.push(harvestChapter(larder, getHarvest(larder, id), units));
    if (node.kind === "lot") chapters.push(lotChapter(home, getLot(larder, id), node.harvests));
    if (node.kind === "pack") chapters.push(packChapter(larder, getPack(larder, id), units, times));
    // An emptied can was never in the canner its pack went into.
    if (node.kind === "run" && can?.emptiedAt == null)
      chapters.push(runChapter(getRun(larder, id), units, times));
  }
  let container: (ContainerNow & { where: string; species: string[] }) | null = null;
  if (can) chapters.push(...canChapters(larder, found.id, can, units));
  if (found.kind === "container" && can?.emptiedAt === null) {
    const c = getContainer(larder, found.id);
    const place = listPlaces(larder).find((p) => p.id === c.placeId);
    const run = c.runId ? getRun(larder, c.runId) : null;
    container = {
      ...c,
      where: whereabouts(c, place ? `${place.room}, ${place.name}` : null, run ? `in run ${run.code}` : null),
      species: getPack(larder, c.packId).species,
    };
    chapters.push(...containerChapters(home, c, place ? `${place.room}, ${place.name}` : ""));
    if (run?.view.completedAt && c.moved === "shelved") {
      chapters.at(-1)!.lines.push(`Best by ${longDay(bestBy(run.view.completedAt), times)}.`);
    }
  }
  const river = fullGenealogy(larder, found.kind, found.id);
  return { trace, river, chapters: chapters.sort((a, b) => a.at - b.at), container };
}

const releasedWords = (p: PastHold): string =>
  `The hold “${p.condition}” was released by ${p.releasedBy}: ${p.reason}`;

/** How long an animal was above the limit of the cold, as far as it was measured; empty where it was not. */
function warmLine(larder: Larder, h: ReturnType<typeof getHarvest>, units: UnitSystem): string {
  const readings = coldReadings(larder, h.id);
  const group = speciesByKey(h.species)?.group ?? "red-meat";
  const { warmMinutes, watchedMinutes } = warmSinceKill(
    h.killedAt,
    group,
    readings,
    readings.at(-1)?.[0] ?? 0,
  );
  if (watchedMinutes <= 0) return "";
  return `${formatDuration(warmMinutes * 60)} above ${formatTemperature(COLD_LIMIT_C, units)} (thermometer ran ${formatDuration(watchedMinutes * 60)}).`;
}

function harvestChapter(larder: Larder, h: ReturnType<typeof getHarvest>, units: UnitSystem): Chapter {
  const s = speciesByKey(h.species);
  const isFish = isFishGroup(s?.group ?? "red-meat");
  const who = h.takenBy ?? h.byName;
  const hours = firstIntervals(h, s?.group ?? "red-meat").filter((i) => i.minutes !== null);
  const facts = [who && `by ${who}`, h.place && `at ${h.place}`, h.tag && `tag ${h.tag}`]
    .filter(Boolean)
    .join(", ");
  return {
    at: Date.parse(h.takenOn),
    day: h.takenOn,
    code: h.code,
    title: `${h.count > 1 ? `${h.count} ${s?.plural}` : s?.name} taken`,
    lines: [
      facts && `${capital(facts)}.`,
      h.weightKg
        ? `${formatMass(h.weightKg, units)} ${h.weightKind === "catch" ? "in all" : h.weightKind}.`
        : "",
      ...hours.map(
        (i) =>
          `${i.to === "cold" ? "Cold" : "Gutted"} ${formatDuration(i.minutes! * 60)} after ${isFish ? "it was caught" : "the kill"}.`,
      ),
      warmLine(larder, h, units),
      h.note ? `Note: ${h.note}` : "",
      ...sharesOf(larder, h.id).map((x) => `${Math.round(x.fraction * 100)} % of it is ${x.who}’s.`),
      ...pastHolds(larder, { harvestId: h.id }).map(releasedWords),
    ].filter(Boolean) as string[],
    care: h.holds.map((x) => `On hold: ${x.condition}.`),
    kind: "harvest",
  };
}

function lotChapter(home: Home, l: ReturnType<typeof getLot>, harvests: Record<string, number>): Chapter {
  const { larder, household } = home;
  const { units } = household;
  const times = timesOf(household);
  const shares = Object.entries(harvests);
  const from = madeFrom(larder, l.id);
  const merged = from.length > 1;
  const by = l.byName ? `, by ${l.byName}` : "";
  const trimmed = l.trimKg === null ? "" : `, ${formatMass(l.trimKg, units)} trimmed off`;
  return {
    at: l.madeAt,
    code: l.code,
    title: merged
      ? `${l.part}: ${from.map((f) => f.code).join(" and ")} merged`
      : from[0]?.kind === "lot"
        ? `${l.part} taken from ${from[0].code}, ${FORM_NAMES[l.form]}`
        : `${l.part} cut to ${FORM_NAMES[l.form]}`,
    lines: [
      `${lotAmount(l.form, l.madeKg, units)}${trimmed}${by}.`,
      ...(shares.length > 1
        ? [shares.map(([code, share]) => `${Math.round(share * 100)} % ${code}`).join(", ")]
        : []),
      ...happeningsOfLot(larder, l.id).map(
        (h) =>
          `${longDay(h.at, times)}: ${lotEventWords(h.event, units, (at) => `${longDay(at, times)} ${clockTime(at, times)}`)}`,
      ),
      ...pastHolds(larder, { lotId: l.id }).map(releasedWords),
    ],
    care: l.holds.map((h) => `On hold: ${h}.`),
    kind: "lot",
  };
}

function packChapter(
  larder: Larder,
  p: ReturnType<typeof getPack>,
  units: UnitSystem,
  times: Times,
): Chapter {
  const lids = boxesOfPack(larder, p.id);
  const departs = deviationsOfPacks(larder, [p.code]).filter((d) => d.containerId === null);
  const foods = p.lots.filter((l) => !l.asLiquid);
  const broth = p.lots.find((l) => l.asLiquid);
  return {
    at: p.madeAt,
    code: p.code,
    title: `${containersWords(p.container, p.mouth, p.count)} packed ${p.method}`,
    lines: [
      `${productName(p.product)}: ${formatMass(p.massKg, units)} from ${foods.map((l) => (foods.length > 1 ? `${l.code} (${formatMass(l.massKg, units)})` : l.code)).join(", ")}, ${liquidWords(p, broth?.code ?? null)}${broth ? `, ${formatVolume(broth.massKg / LIQUID_KG_L, units)} in all` : ""}${p.saltTspEach ? `, ${formatSpoons(p.saltTspEach)} salt each` : ", no salt"}${p.byName ? `, by ${p.byName}` : ""}.`,
      lids.length > 0
        ? `${lids.map((l) => `${countOf(l.count, isCan(p.container) ? "end" : "lid")} from ${l.label}`).join(", ")}.`
        : "",
      p.additions ? `Seasoning: ${p.additions}.` : "",
      ...departs.filter((d) => d.kind === "habit").map((d) => `A habit: ${d.what}.`),
      p.dish ? `A mixed dish: ${p.dish}.` : "",
      p.ingredients
        ? `In each: ${p.ingredients.map((i) => `${jarPartWords(i as JarPart, units)} ${i.name}`.trim()).join(", ")}.`
        : "",
      `Schedule: ${p.schedule.minutes} minutes. ${sourceWords(p.schedule, times)}`,
    ].filter(Boolean),
    care: [
      ...departs
        .filter((d) => d.kind !== "habit")
        .map((d) => `Otherwise than the table: ${d.what}. ${d.reason} (${d.byName ?? "nobody"})`),
      ...(p.reusedLids && departs.length === 0 ? ["Lids were used before: not to the tested process."] : []),
    ],
    kind: "pack",
  };
}

/** What was read and seen of a can, and anything signed for it by itself. */
function canChapters(larder: Larder, id: string, can: CanStory, units: UnitSystem): Chapter[] {
  const chapter = (at: number, title: string, lines: string[], care: string[] = []): Chapter => ({
    at,
    code: null,
    title,
    lines: lines.filter(Boolean),
    care,
    kind: "seal",
  });
  const hottest = can.events.findLast((e) => e.tempC !== null);
  const readings = can.events.filter((e) => e.tempC !== null).length;
  const own = deviationsOfContainer(larder, id).filter((d) => d.containerId !== null);
  return [
    ...(hottest
      ? [
          chapter(hottest.at, `Exhausted to ${formatTemperature(hottest.tempC!, units)} at the center`, [
            readings > 1 ? `The last of ${countOf(readings, "reading")}.` : "",
            can.replacesCode ? `Its meat was in ${can.replacesCode} before, whose seam was bad.` : "",
          ]),
        ]
      : []),
    ...can.events
      .filter((e) => e.verdict !== null)
      .map((e) =>
        chapter(
          e.at,
          e.verdict === "accept" ? "Seam looked at: good" : "Seam looked at: bad",
          [
            [e.sealer && `Closed on ${e.sealer}`, e.byName && `by ${e.byName}`].filter(Boolean).join(", "),
            e.defects.map((d) => `${defectOf(d.key).name} at ${d.degrees}°`).join(", "),
          ],
          e.verdict === "redo" && can.replacedByCode
            ? [`The meat went into ${can.replacedByCode}; this can was emptied.`]
            : [],
        ),
      ),
    ...own.map((d) =>
      chapter(
        d.at,
        d.kind === "habit" ? "Noted for this one" : "Went ahead anyway with this one",
        d.kind === "habit" ? [d.what] : [],
        d.kind === "habit" ? [] : [`${d.what}. ${d.reason} (${d.byName ?? "nobody"})`],
      ),
    ),
  ];
}

function runChapter(r: RunRecord, units: UnitSystem, times: Times): Chapter {
  const v = r.view;
  const governing = r.schedule.governing;
  const last = v.attempts.at(-1);
  const who = [...new Set(r.events.map((e) => e.by).filter(Boolean))].join(" and ");
  return {
    at: v.completedAt ?? v.heatOffAt ?? r.openedAt,
    code: r.code,
    title:
      v.outcome === "processed"
        ? `Processed in ${r.cannerName}`
        : v.outcome === "not-processed"
          ? `Not processed (${r.cannerName})`
          : `In ${r.cannerName}`,
    lines: [
      `${filledLoadWords(r.packs, r.plan.fillers)}: ${minutesWords(r.plan, "minutes")} at ${formatPressure(r.plan.floorKPa, units)} or more${who ? `, ${who} at the stove` : ""}.`,
      last && v.completedAt
        ? `At pressure ${clockTime(last.startedAt, times)}, ${v.heatOffAt === null ? "time up" : "heat off"} ${clockTime(v.heatOffAt ?? v.completedAt, times)} (${Math.floor(((v.heatOffAt ?? v.completedAt) - last.startedAt) / 60_000)} min).`
        : "",
      `${sourceWords(governing.each[governing.governedBy]!, times)} Table edition ${r.schedule.edition}.`,
      r.gaugeSignedReason ? `Gauge test overdue, used anyway: ${r.gaugeSignedReason}` : "",
      lookedAt(r.checks),
      r.equipmentSignedReason ? `Equipment problem, used anyway: ${r.equipmentSignedReason}` : "",
      ...r.signedFor.map((d) => `Went ahead anyway: ${d.what}. ${d.reason} (${d.byName ?? "nobody"})`),
    ].filter(Boolean) as string[],
    care: [
      ...(v.restarts > 0
        ? [restartWords(v, r.plan, units, times) ?? `The timer started over ${v.restarts} times.`]
        : []),
      ...v.deviations
        .filter((d) => d.kind !== "below-target")
        .map((d) => deviationWords(d, r.plan, units, times)),
    ],
    kind: "run",
  };
}

function containerChapters(home: Home, c: ContainerNow, place: string): Chapter[] {
  const can = isCan(c.kind);
  const titles: Record<string, string> = {
    sealed: can ? "Checked: ends drawn in, seams dry" : "Lid pressed: down",
    failed: can ? "Checked: not sealed" : "Lid pressed: it flexed. Not sealed",
    chill: "Moved to the refrigerator",
    freeze: "Moved to the freezer",
    repack: "To be reprocessed",
    discard: "Thrown out",
    opened: "Opened",
    given: "Given away",
    discarded: "Thrown out",
    missing: "Not found when its shelf was counted",
    sound: "No sign of spoilage when opened",
    bad: "Spoiled when opened",
    "set aside": "Recalled: do not eat",
    lifted: "Released: it may be eaten after all",
    recall: "What shares a risk with it was recalled",
    "recall lifted": "Released for what shared a risk with it",
  };
  return happeningsOf(home.larder, c.id).map((r): Chapter => {
    const shelved = r.what === "shelved" && r.kind === "movement";
    // The title says that the lid is down; only what was seen beside it is worth a line.
    const look =
      r.kind === "seal" && r.seen
        ? sealLookWords(r.seen as SealLook).replace(
            /^(lid down|ends drawn in, seams smooth and dry)(, )?/,
            "",
          )
        : "";
    const signs =
      r.kind === "opening" && Array.isArray(r.seen)
        ? r.seen.map((s) => SIGNS.find((f) => f.key === s)!.bad.toLowerCase()).join(", ")
        : "";
    const said = shelved ? "" : (r.note ?? "");
    const bad = r.what === "failed" || r.what === "bad" || r.kind === "aside";
    const facts = [
      look,
      signs,
      r.kind === "movement" && r.what === "given" && said ? `to ${said}` : said,
    ].filter(Boolean);
    return {
      at: r.at,
      code: null,
      title: shelved ? `Shelved: ${r.note ?? place}` : (titles[r.what] ?? r.what),
      lines: [...(bad ? [] : facts), ...(r.byName ? [`By ${r.byName}.`] : [])],
      care: bad && facts.length ? facts : [],
      kind: r.kind === "seal" ? "seal" : "shelf",
    };
  });
}
