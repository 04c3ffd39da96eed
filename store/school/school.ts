import { eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, Refused, type Larder, type Write } from "#store/db";
import {
  LESSONS,
  exercise,
  markAnswer,
  type AnswerMark,
  type Answered,
  type Lesson,
  type SeamVerdict,
} from "#core/seam";
import { schoolAnswer } from "../schema/index.ts";

/** Returns every answer of a person in the seam school, in order. */
export function answersOf(larder: Larder, personId: string): Answered[] {
  return larder.db
    .select()
    .from(schoolAnswer)
    .where(eq(schoolAnswer.personId, personId))
    .orderBy(schoolAnswer.seq)
    .all()
    .map((a) => {
      const lesson = a.lesson as Lesson;
      const said = { named: a.named as Lesson, verdict: a.verdict as SeamVerdict };
      // What was written down as right stays so; the rest is marked by what is known of the seam now.
      const points = a.correct === 1 ? 1 : markAnswer(exercise(lesson, a.seed), said).points;
      return { lesson, right: points === 1, points };
    });
}

export interface AnswerInput {
  lesson: Lesson;
  seed: number;
  /** what the person says it is */
  named: Lesson;
  /** what the person would do */
  verdict: SeamVerdict;
}

/**
 * Records an answer. Returns what it is worth: the defect is named, and the right thing would be done. Throws
 * Refused when nobody is named, or no answer is chosen.
 */
export function recordAnswer(larder: Larder, write: Write, input: AnswerInput): AnswerMark {
  return once(larder, write, "school.answer", () => {
    if (!write.byId) throw new Refused({ "": "Say who you are, so that your score is yours." });
    if (!LESSONS.includes(input.lesson) || !exercise(input.lesson, input.seed).choices.includes(input.named))
      throw new Refused({ named: "Choose one of the four." });
    const mark = markAnswer(exercise(input.lesson, input.seed), input);
    const correct = mark.points === 1;
    larder.db
      .insert(schoolAnswer)
      .values({ id: uuid(), personId: write.byId, at: larder.now(), ...input, correct: correct ? 1 : 0 })
      .run();
    return { result: mark, note: { kind: "school", id: write.byId, detail: { ...input, correct } } };
  });
}
