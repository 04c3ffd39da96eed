import { eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, Refused, type Larder, type Write } from "#store/db";
import { LESSONS, exercise, lessonVerdict, type Answered, type Lesson, type SeamVerdict } from "#core/seam";
import { schoolAnswer } from "../schema/index.ts";

/** Returns every answer of a person in the seam school, in order. */
export function answersOf(larder: Larder, personId: string): Answered[] {
  return larder.db
    .select({ lesson: schoolAnswer.lesson, correct: schoolAnswer.correct })
    .from(schoolAnswer)
    .where(eq(schoolAnswer.personId, personId))
    .orderBy(schoolAnswer.seq)
    .all()
    .map((a) => ({ lesson: a.lesson as Lesson, right: a.correct === 1 }));
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
 * Records an answer. Returns whether it was right: the defect is named, and the right thing would be done. Throws
 * Refused when nobody is named, or no answer is chosen.
 */
export function recordAnswer(larder: Larder, write: Write, input: AnswerInput): { correct: boolean } {
  return once(larder, write, "school.answer", () => {
    if (!write.byId) throw new Refused({ "": "Say who you are, so that your score is yours." });
    if (!LESSONS.includes(input.lesson) || !exercise(input.lesson, input.seed).choices.includes(input.named))
      throw new Refused({ named: "Choose one of the four." });
    const correct = input.named === input.lesson && input.verdict === lessonVerdict(input.lesson);
    larder.db
      .insert(schoolAnswer)
      .values({ id: uuid(), personId: write.byId, at: larder.now(), ...input, correct: correct ? 1 : 0 })
      .run();
    return { result: { correct }, note: { kind: "school", id: write.byId, detail: { ...input, correct } } };
  });
}
