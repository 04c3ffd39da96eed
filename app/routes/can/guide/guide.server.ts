import { href, redirect } from "react-router";
import { v7 as uuid } from "uuid";
import { z } from "zod";
import { SAID_STEPS, type StepKey } from "#core/canning";
import { CHECK_KEYS } from "#core/check";
import { liquidLitres } from "#core/pack";
import { kPaFromPsi } from "#core/quantity";
import { CONDITION_KEYS, isCan, shapeOf } from "#core/schedule";
import { groupOf, isFishGroup } from "#core/species";
import { closeCanning, endFilling, sayChecked, sayStep, startFilling } from "#store/canning";
import { Refused } from "#store/db";
import { fillRest } from "#store/filling";
import { openRun } from "#store/run";
import { listPlaces, shelve, shelveOnNew } from "#store/shelf";
import { writingOf } from "#store/household";
import { contentsOf } from "#ui/glyph";
import type { Home } from "../../../server/context";
import {
  canningNow,
  cannings,
  readySize,
  toClose,
  type CanningNow,
} from "../../../features/canning/canning.server";
import { clocksOf } from "../../../features/shell/clocks.server";
import { runGlances } from "../../../features/shell/places.server";
import { snapshot } from "../../../features/shell/snapshot.server";
import { formKey, keyField, orNotFound, submit, weight, words, writeBy } from "../../../server/form";
import { STEP_NAMES, stepWords, type GuidedLoad } from "../../../words/guided";
import { timesOf } from "../../../words/time";
import { coldForms } from "../../cold/lot/action";
import { stoveData } from "../../fire/stove/stove.server";
import { wordsByPack } from "../../larder/labels/choice.server";
import { benchData, benchForms } from "../../pack/bench/bench.server";
import { restData, restForms } from "../../rest/rest.server";
import { seamData, seamForms } from "../../seam/seam.server";
import { chooseForm, jarsData } from "./jars.server";

/** How far above the minimum a guided run is held, lb. Common practice: a pound over. */
const MARGIN_LB = 1;

/** What the guide shows of a canning: the step to do now, and what its screen is made from. */
export function guideData(home: Home, id: string, search: URLSearchParams) {
  const now = orNotFound(() => canningNow(home, id));
  const look = snapshot(home);
  const load = guidedLoad(home, now);
  const key = now.step?.key ?? null;
  return {
    key: formKey(),
    serverNow: look.now,
    clocks: clocksOf(runGlances(look), look),
    times: timesOf(home.household),
    units: home.household.units,
    id,
    closed: now.canning.closedAt !== null,
    title: now.title,
    steps: now.steps.map((s) => ({ ...s, name: STEP_NAMES[s.key] })),
    step: now.step && { ...now.step, ...stepWords(now.step.key, load) },
    words: Object.fromEntries(now.steps.map((s) => [s.key, stepWords(s.key, load)])),
    cans: load.cans,
    containers: containersOf(now),
    problem: now.problem,
    others: cannings(home)
      .filter((c) => c.canning.id !== id)
      .map((c) => ({ id: c.canning.id, title: c.title, step: STEP_NAMES[c.step!.key] })),
    screen: screenOf(home, now, key, search),
  };
}

/** What the screen of a step is made from. */
function screenOf(home: Home, now: CanningNow, key: StepKey | null, search: URLSearchParams) {
  const { larder } = home;
  const codes = now.packs.map((p) => p.code);
  switch (key) {
    case "jars":
      return { is: "jars" as const, data: jarsData(home, now) };
    case "lay-out":
      return { is: "lay-out" as const, data: layOut(now) };
    case "check":
      return { is: "check" as const, data: checkData(now, search.get("item")) };
    case "setup-test":
      return {
        is: "setup-test" as const,
        data: {
          sizes: toClose(home, now).map((kind) => ({ kind, name: shapeOf(kind).plural })),
        },
      };
    case "thaw":
      return { is: "thaw" as const, data: { lots: now.lots.filter((l) => l.kept !== "fridge") } };
    case "cut":
    case "cook":
      return {
        is: key,
        data: {
          lots: now.lots.map(({ id, code, leftKg, species, part }) => ({ id, code, leftKg, species, part })),
          dish: now.canning.work.recipeId !== null,
        },
      };
    case "fill":
      return { is: "fill" as const, data: now.bench && benchData(home, now.bench.id) };
    case "exhaust":
      return {
        is: "exhaust" as const,
        data: cansInHand(home, now, search),
      };
    case "load":
      return {
        is: "load" as const,
        data: {
          check: now.check,
          canner: now.canner && { name: now.canner.name, pot: now.canner.pot },
          packs: now.packs.map(({ id, code, count, container, mouth, product, species }) => ({
            id,
            code,
            count,
            container,
            mouth,
            product,
            species,
          })),
        },
      };
    case "heat-up":
    case "vent":
    case "come-up":
    case "hold":
    case "cool":
    case "wait":
    case "unload":
      return { is: "run" as const, data: stoveData(home, now.run!.code) };
    case "rest":
    case "seals":
      return { is: key, data: restData(home, now.run!.code) };
    case "mark":
      return {
        is: "mark" as const,
        data: wordsByPack(
          home,
          snapshot(home).ready.filter((s) => codes.includes(s.packCode)),
        ),
      };
    case "shelve":
      return {
        is: "shelve" as const,
        data: {
          count: snapshot(home).ready.filter((s) => codes.includes(s.packCode)).length,
          places: listPlaces(larder).map(({ id, room, name }) => ({ id, name: `${room}, ${name}` })),
        },
      };
    case null:
      return { is: "done" as const, data: null };
  }
}

/** The cans of the size the sealer is set for: one size is heated and closed, and then the next. */
function cansInHand(home: Home, now: CanningNow, search: URLSearchParams) {
  const size = readySize(home, toClose(home, now));
  const all = snapshot(home).cans.filter((c) => now.packs.some((p) => p.code === c.packCode));
  return {
    seam: seamData(
      home,
      { can: search.get("can"), sealer: search.get("sealer") },
      now.packs.filter((p) => p.container === size).map((p) => p.code),
    ),
    closed: all.length - now.facts.openCans,
    count: all.length,
  };
}

export type GuideScreen = ReturnType<typeof screenOf>;

function guidedLoad({ household }: Home, now: CanningNow): GuidedLoad {
  const { parts } = now.canning.work;
  const groups = new Set(now.lots.map((l) => groupOf(l.species)));
  return {
    cans: parts.some((p) => isCan(p.container)),
    parts: parts.map(({ product, container, method, dish = null, headspaceIn }) => ({
      product,
      container,
      method,
      dish,
      headspaceIn,
    })),
    units: household.units,
    bird: groups.has("bird-rabbit"),
    fish: [...groups].some(isFishGroup),
    minutes: now.check?.minutes ?? null,
    pressure: now.check?.pressure ?? null,
    dial: now.canner?.hasDial === 1,
  };
}

/** The containers of the load, size by size, with what goes into them. */
function containersOf({ canning, lots }: CanningNow) {
  return canning.work.parts.map((p) => {
    const { nominalMl } = shapeOf(p.container, p.mouth);
    const poured =
      p.liquid === "none" ? 0 : liquidLitres(nominalMl, p.method, p.liquid, p.product === "broth");
    return {
      kind: p.container,
      mouth: p.mouth,
      count: p.planned,
      hot: p.method === "hot",
      headspaceIn: p.headspaceIn,
      contents: contentsOf(p.product, lots.find((l) => l.id === p.lotId)?.species ?? []),
      liquid: p.liquid,
      liquidLitres: p.planned * poured,
      saltTsp: p.saltTsp * p.planned,
    };
  });
}

/** What else is to be within reach: the canner, and what the load will be held to. */
function layOut({ canner, check }: CanningNow) {
  return {
    canner: canner && { name: canner.name, waterLitres: canner.waterLitres ?? canner.pot.waterLitres },
    minutes: check?.minutes ?? null,
    pressure: check?.pressure ?? null,
  };
}

/** The item of the equipment check in hand: the one that was asked for, or the first nobody found in order. */
function checkData(now: CanningNow, asked: string | null) {
  const items = now.check?.items ?? [];
  const found = Object.fromEntries(now.canning.found);
  const item =
    items.find((i) => i.key === asked) ?? items.find((i) => found[i.key] !== "sound") ?? items[0] ?? null;
  return { items, found, item };
}

type FormAnswer = ReturnType<typeof submit>;

/** Forms of the guide by their intent. What other pages write is written by their own forms. */
export function guideForms(request: Request, home: Home, id: string): Record<string, () => FormAnswer> {
  const { larder, household, me } = home;
  const back = href("/can/:id", { id });
  const now = orNotFound(() => canningNow(home, id));
  // Filling begins by itself once everything before it is done; what refuses it is said on its screen.
  const onward = () => {
    const next = canningNow(home, id);
    if (next.step?.key !== "fill" || next.bench) return;
    try {
      startFilling(larder, writeBy(me, uuid()), id);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
    }
  };
  const bench = now.bench ? benchForms(request, home, now.bench.id, back) : null;
  return {
    choose: () => chooseForm(request, home, now, back),
    done: () =>
      submit(
        request,
        z.object({
          key: keyField,
          step: z.enum(SAID_STEPS),
          weight: weight(writingOf(household)).optional(),
        }),
        (v) => {
          sayStep(larder, writeBy(me, v.key), id, v.step, "done", v.weight ?? null);
          onward();
          return redirect(back);
        },
      ),
    check: () =>
      submit(
        request,
        z.object({ key: keyField, item: z.enum(CHECK_KEYS), found: z.enum(["sound", "bad"]) }),
        (v) => {
          sayChecked(larder, writeBy(me, v.key), id, v.item, v.found);
          onward();
          return redirect(back);
        },
      ),
    start: () =>
      submit(request, z.object({ key: keyField }), (v) => {
        startFilling(larder, writeBy(me, v.key), id);
        return redirect(back);
      }),
    ...(bench && {
      ...bench,
      // Where the rest goes is the last question of a part: with it the filling may be over.
      end: async () => {
        const answer = await bench.end();
        endFilling(larder, writeBy(me, uuid()), now.bench!.id);
        return answer;
      },
      "fill-rest": () =>
        submit(request, z.object({ key: keyField, part: z.coerce.number().int().min(0).max(50) }), (v) => {
          fillRest(larder, writeBy(me, v.key), now.bench!.id, v.part);
          endFilling(larder, writeBy(me, uuid()), now.bench!.id);
          return redirect(back);
        }),
      filled: () =>
        submit(request, z.object({ key: keyField }), (v) => {
          if (!endFilling(larder, writeBy(me, v.key), now.bench!.id))
            throw new Refused(
              { "": "Not every one is filled yet. Fill it, or say where the rest goes." },
              409,
            );
          return redirect(back);
        }),
    }),
    ...seamForms(request, home, back),
    ...thawForms(request, home, now, back),
    load: () => loadForm(request, home, now, back),
    ...restForms(request, home),
    put: () => putForm(request, home, now, back),
    close: () =>
      submit(request, z.object({ key: keyField }), (v) => {
        closeCanning(larder, writeBy(me, v.key), id);
        return redirect(href("/"));
      }),
  };
}

function thawForms(
  request: Request,
  home: Home,
  now: CanningNow,
  back: string,
): Record<string, () => FormAnswer> {
  const [lot] = now.lots.filter((l) => l.kept !== "fridge");
  if (!lot) return {};
  const { thaw, thawed } = coldForms(home, lot, request, () => redirect(back));
  return { thaw, thawed };
}

/** Puts the load into its canner, with what was found of the equipment. */
function loadForm(request: Request, home: Home, now: CanningNow, back: string) {
  const { larder, household, me } = home;
  return submit(
    request,
    z.object({
      key: keyField,
      signedReason: words("The reason", 200).optional(),
      equipmentReason: words("The reason", 200).optional(),
      loadReason: words("The reason", 200).optional(),
      met: z.array(z.enum(CONDITION_KEYS)).default([]),
      confirmed: z.literal("yes").optional(),
    }),
    (v) => {
      if (!now.canner) throw new Refused({ "": "Choose the canner first." }, 409);
      openRun(larder, writeBy(me, v.key), {
        cannerId: now.canner.id,
        packIds: now.packs.map((p) => p.id),
        marginKPa: kPaFromPsi(MARGIN_LB),
        extraMinutes: household.extraMinutes,
        burnerId: now.check?.burner?.id ?? null,
        findings: [...now.canning.found].map(([item, finding]) => ({ item, finding, note: null })),
        signedReason: v.signedReason ?? null,
        equipmentReason: v.equipmentReason ?? null,
        loadReason: v.loadReason ?? null,
        confirmed: v.met,
        sure: v.confirmed === "yes",
      });
      return redirect(back);
    },
  );
}

/** Puts what is sealed on a shelf: one that is there, or a new one by its name. */
function putForm(request: Request, home: Home, now: CanningNow, back: string) {
  const { larder, me } = home;
  return submit(
    request,
    z.object({
      key: keyField,
      placeId: z.string().max(60).optional(),
      room: words("The room", 40).optional(),
      name: words("The shelf", 40).optional(),
    }),
    (v) => {
      if (!v.placeId && !(v.room && v.name))
        throw new Refused({ [v.room ? "name" : "room"]: "Name the room and the shelf." });
      const codes = now.packs.map((p) => p.code);
      const ids = snapshot(home)
        .ready.filter((s) => codes.includes(s.packCode) && s.holds.length === 0 && !s.aside)
        .map((s) => s.id);
      const write = writeBy(me, v.key);
      if (v.placeId) shelve(larder, write, ids, v.placeId);
      else shelveOnNew(larder, write, ids, { room: v.room!, name: v.name! });
      return redirect(back);
    },
  );
}
