import { MM_PER_IN } from "#core/quantity";
import { randomFrom } from "../random/index.ts";
import { DEFECTS, defectOf, type DefectKey, type SeamVerdict } from "./defect.ts";
import { USUAL_PLATES, judgePlaces, typicalLimits } from "./limits.ts";
import { fivePlatesMm, type SeamMeasures } from "./measure.ts";
import { figuresOf } from "./sheet.ts";

/** What can be wrong with a seam cut through, told by its numbers. */
export const SECTION_FAULTS = [
  "short-cover-hook",
  "short-body-hook",
  "long-body-hook",
  "loose",
  "too-tight",
  "no-overlap",
] as const;
export type SectionFault = (typeof SECTION_FAULTS)[number];
export type Lesson = SectionFault | DefectKey | "good-section" | "good-outside";

export const LESSONS: readonly Lesson[] = [...SECTION_FAULTS, ...DEFECTS, "good-section", "good-outside"];

const SECTION_NAMES: Record<SectionFault, string> = {
  "short-cover-hook": "Cover hook too short",
  "short-body-hook": "Body hook too short",
  "long-body-hook": "Body hook too long",
  loose: "Seam too thick (loose)",
  "too-tight": "Seam ironed too tight",
  "no-overlap": "Hooks do not meet",
};

/** Returns the name of a lesson, as it reads in a sentence. */
export function lessonName(lesson: Lesson): string {
  if (lesson === "good-section" || lesson === "good-outside") return "Nothing: this seam is good";
  return lesson in SECTION_NAMES ? SECTION_NAMES[lesson as SectionFault] : defectOf(lesson as DefectKey).name;
}

/**
 * Returns what is done about a lesson's defect. A fault of the inside is found on an empty can, and the sealer is
 * stopped for it. Common practice, no source.
 */
export function lessonVerdict(lesson: Lesson): SeamVerdict {
  if (lesson === "good-section" || lesson === "good-outside") return "accept";
  return lesson in SECTION_NAMES ? "stop" : defectOf(lesson as DefectKey).verdict;
}

/** A seam seen from outside, unrolled: the lower edge and the upper edge along it, mm. */
export interface OutsideView {
  /** along the rim */
  lengthMm: number;
  widthMm: number;
  /** how far the lower edge hangs below its line, and the upper stands above, at even steps along the rim */
  lower: number[];
  upper: number[];
  /** how far the face bulges outwards, for shading */
  bulge: number[];
  /** where the lap of the side seam is; null for a drawn can */
  lapMm: number | null;
}

export type Exercise = { seed: number; lesson: Lesson; choices: Lesson[] } & (
  | { kind: "section"; measures: SeamMeasures & { countersinkMm: number } }
  | { kind: "outside"; view: OutsideView }
);

/** A good seam with the scatter of a good sealer, mm. */
function goodSeam(r: () => number): SeamMeasures & { countersinkMm: number } {
  const thou = (mid: number, by: number) => (mid + (2 * r() - 1) * by) * MM_PER_IN;
  return {
    ...USUAL_PLATES,
    widthMm: thou(0.115, 0.002),
    thicknessMm: fivePlatesMm(USUAL_PLATES) + thou(0.0055, 0.001),
    bodyHookMm: thou(0.08, 0.003),
    coverHookMm: thou(0.078, 0.003),
    countersinkMm: thou(0.125, 0.002),
    wrinklePercent: Math.round(10 + 12 * r()),
  };
}

const STEPS = 120;

function goodOutside(r: () => number, lap: boolean): OutsideView {
  const wave = r() * 6;
  const ripple = (i: number) => 0.02 * Math.sin(i / 7 + wave);
  return {
    lengthMm: 60,
    widthMm: 2.92,
    lower: Array.from({ length: STEPS + 1 }, (_, i) => ripple(i)),
    upper: Array.from({ length: STEPS + 1 }, (_, i) => ripple(i + 30) / 2),
    bulge: Array.from({ length: STEPS + 1 }, () => 0),
    lapMm: lap ? 30 : null,
  };
}

/** A defect of so many millimetres, smooth (a cosine hill) or sharp (a triangle), about a place along the rim. */
function hill(
  values: number[],
  placeMm: number,
  halfMm: number,
  sizeMm: number,
  sharp: boolean,
  lengthMm: number,
): number[] {
  return values.map((v, i) => {
    const away = Math.abs((i / STEPS) * lengthMm - placeMm) / halfMm;
    if (away >= 1) return v;
    return v + sizeMm * (sharp ? 1 - away : (1 + Math.cos(Math.PI * away)) / 2);
  });
}

/** A stretch that stands off by so much all along, with a step of one millimeter at both ends. */
function plateau(
  values: number[],
  placeMm: number,
  halfMm: number,
  sizeMm: number,
  lengthMm: number,
): number[] {
  return values.map((v, i) => {
    const inside = halfMm - Math.abs((i / STEPS) * lengthMm - placeMm);
    return v + sizeMm * Math.max(0, Math.min(1, inside));
  });
}

/**
 * Returns the measures a lesson is drawn from, mm. The same seed gives the same exercise.
 *
 * @param seed whole
 */
export function exercise(lesson: Lesson, seed: number): Exercise {
  const r = randomFrom(seed);
  const choices = shuffled(
    [
      lesson,
      ...shuffled(
        LESSONS.filter((l) => l !== lesson && sortOf(l) === sortOf(lesson)),
        r,
      ).slice(0, 3),
    ],
    r,
  );
  if (sortOf(lesson) === "section") {
    const m = goodSeam(r);
    const amount = 0.5 + 0.5 * r();
    const by = (thou: number) => thou * MM_PER_IN * amount;
    const measures = { ...m };
    if (lesson === "short-cover-hook") measures.coverHookMm -= by(0.034);
    if (lesson === "short-body-hook") measures.bodyHookMm -= by(0.034);
    if (lesson === "long-body-hook") measures.bodyHookMm += by(0.022) + 0.006 * MM_PER_IN;
    if (lesson === "loose") {
      measures.thicknessMm += by(0.02) + 0.005 * MM_PER_IN;
      measures.wrinklePercent = 60;
    }
    if (lesson === "too-tight") {
      measures.thicknessMm = fivePlatesMm(USUAL_PLATES);
      measures.widthMm += by(0.014) + 0.005 * MM_PER_IN;
    }
    if (lesson === "no-overlap") {
      measures.coverHookMm = (0.038 + 0.01 * r()) * MM_PER_IN;
      measures.bodyHookMm = (0.045 + 0.01 * r()) * MM_PER_IN;
    }
    return { seed, lesson, choices, kind: "section", measures };
  }
  const lap = lesson === "crushed-lap" || lesson === "jumped";
  const view = goodOutside(r, lap || r() < 0.3);
  const place = 14 + 32 * r();
  const size = 0.6 + 0.5 * r();
  const L = view.lengthMm;
  switch (lesson) {
    case "vee":
      view.lower = hill(view.lower, place, 1.6, size * 1.4, true, L);
      break;
    case "droop":
      view.lower = hill(view.lower, place, 8, size, false, L);
      break;
    case "cutover":
      view.upper = hill(view.upper, place, 9, size * 0.55, true, L).map((v, i) =>
        i % 2 ? v : v > 0.1 ? v * 0.45 : v,
      );
      break;
    case "bump":
      view.bulge = hill(view.bulge, place, 4, size, false, L);
      view.lower = hill(view.lower, place, 4, 0.18, false, L);
      view.upper = hill(view.upper, place, 4, 0.18, false, L);
      break;
    case "skidder":
      view.bulge = view.bulge.map((_, i) => ((i / STEPS) * L > place - 12 ? 0.5 : 0));
      view.lower = view.lower.map((v, i) => ((i / STEPS) * L > place - 12 ? v - 0.55 : v));
      break;
    case "false-seam":
      // The body was never hooked: end and body part along a stretch, with a step where it begins and ends.
      view.lower = plateau(view.lower, place, 10, size, L);
      view.upper = plateau(view.upper, place, 10, -0.4, L);
      view.bulge = plateau(view.bulge, place, 10, 0.8, L);
      break;
    case "jumped":
      view.lower = hill(view.lower, 34, 4, -0.6, false, L);
      view.bulge = hill(view.bulge, 34, 4, 0.6, false, L);
      break;
    case "crushed-lap":
      view.lower = hill(view.lower, 30, 1.8, 0.5, true, L);
      view.upper = hill(view.upper, 30, 1.8, -0.9, true, L);
      break;
  }
  return { seed, lesson, choices, kind: "outside", view };
}

/** What a finding of the measures is called. */
const FOUND: Record<string, SectionFault> = {
  "coverHook low": "short-cover-hook",
  "bodyHook low": "short-body-hook",
  "bodyHook high": "long-body-hook",
  "thickness high": "loose",
  "thickness low": "too-tight",
};

/**
 * Returns every name that is right for an exercise: the fault it was made with, and whatever else its own measures show. A
 * seam whose hooks do not meet has short hooks too. For a seam seen from outside there is one.
 */
export function rightNames(e: Exercise): Lesson[] {
  if (e.kind === "outside" || e.lesson === "good-section") return [e.lesson];
  const m = e.measures;
  const figures = figuresOf(
    {
      width: m.widthMm,
      thickness: m.thicknessMm,
      countersink: m.countersinkMm,
      bodyHook: m.bodyHookMm,
      coverHook: m.coverHookMm,
      overlap: null,
      wrinklePercent: m.wrinklePercent ?? null,
    },
    m,
  );
  const shown = judgePlaces([figures], typicalLimits(m)).flatMap(
    (j) => FOUND[`${j.dimension} ${j.out}`] ?? [],
  );
  return [...new Set<Lesson>([e.lesson, ...shown])];
}

/** What an answer is worth. */
export interface AnswerMark {
  /** the name fits what is seen */
  nameFits: boolean;
  /** so it should be handled */
  actionFits: boolean;
  /** 1 for both, ½ for the right name with the wrong action, 0 for a wrong name */
  points: 0 | 0.5 | 1;
}

/** Returns what an answer to an exercise is worth. The weights are this program's own judgment, no source. */
export function markAnswer(e: Exercise, answer: { named: Lesson; verdict: SeamVerdict }): AnswerMark {
  const nameFits = rightNames(e).includes(answer.named);
  const actionFits = answer.verdict === lessonVerdict(e.lesson);
  return { nameFits, actionFits, points: nameFits ? (actionFits ? 1 : 0.5) : 0 };
}

/** Returns whether a lesson shows a cross-section or the outside of a can. */
export const sortOf = (lesson: Lesson): "section" | "outside" =>
  lesson === "good-section" || (SECTION_FAULTS as readonly string[]).includes(lesson) ? "section" : "outside";

function shuffled<T>(items: readonly T[], r: () => number): T[] {
  const all = [...items];
  for (let i = all.length - 1; i > 0; i--) {
    const j = Math.floor(r() * (i + 1));
    [all[i], all[j]] = [all[j]!, all[i]!];
  }
  return all;
}

export interface Answered {
  lesson: Lesson;
  /** name and action both right */
  right: boolean;
  /** 0, ½ or 1 */
  points: number;
}

/**
 * Returns, for each lesson, how many of the answers were right, their points, of how many, and whether it is known by now.
 *
 * @param answers in order of time
 */
export function scoreOf(
  answers: readonly Answered[],
): Map<Lesson, { right: number; points: number; asked: number; known: boolean }> {
  const score = new Map<Lesson, { right: number; points: number; asked: number; known: boolean }>();
  for (const lesson of LESSONS) {
    const own = answers.filter((a) => a.lesson === lesson);
    if (own.length === 0) continue;
    const known = own.length >= 2 && own.slice(-2).every((a) => a.right);
    const points = own.reduce((sum, a) => sum + a.points, 0);
    score.set(lesson, { right: own.filter((a) => a.right).length, points, asked: own.length, known });
  }
  return score;
}

/**
 * Returns the next lesson: what was missed last is eight times as likely as what is known, and four times as likely as
 * what was never asked; never the same twice in a row.
 *
 * @param answers in order of time
 * @param seed whole
 */
export function nextLesson(answers: readonly Answered[], seed: number): Lesson {
  const r = randomFrom(seed);
  const last = answers.at(-1)?.lesson;
  const weights = LESSONS.map((lesson): number => {
    if (lesson === last) return 0;
    const newest = answers.filter((a) => a.lesson === lesson).at(-1);
    if (!newest) return 2;
    return newest.right ? 1 : 8;
  });
  let at = r() * weights.reduce((a, b) => a + b, 0);
  for (const [i, w] of weights.entries()) {
    at -= w;
    if (at < 0) return LESSONS[i]!;
  }
  return LESSONS[0]!;
}
