import { useState } from "react";
import { Form, href, Link } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import {
  ADVICE_AFTER,
  LESSONS,
  defectOf,
  exercise,
  formatSeam,
  lessonName,
  lessonVerdict,
  nextLesson,
  scoreOf,
  seamSection,
  DEFECTS,
  type DefectKey,
  type Exercise,
  type Lesson,
  type AnswerMark,
  type SeamVerdict,
} from "#core/seam";
import { formatFraction } from "#core/quantity";
import { answersOf, recordAnswer } from "#store/school";
import { Button } from "#ui/button";
import { FieldError, Notice, PickTile } from "#ui/form";
import { Page, Part } from "#ui/page";
import { SeamDrawing, SeamOutside } from "#ui/seam";
import { homeContext } from "../../server/context";
import { formKey, keyField, submit, writeBy } from "../../server/form";
import { keptUntilTaken } from "../../outbox";
import type { FollowHandle } from "../../live/follow";

export function loader({ context }: Route.LoaderArgs) {
  const { larder, household, me } = context.get(homeContext);
  const answers = answersOf(larder, me.id);
  // What comes next follows from what was answered: looking at the page again shows the same seam.
  const seed = (answers.length + 1) * 7919;
  const lesson = nextLesson(answers, seed);
  return {
    key: formKey(),
    units: household.units,
    me: me.name,
    asked: answers.length,
    points: answers.reduce((sum, a) => sum + a.points, 0),
    exercise: exercise(lesson, seed),
    score: [...scoreOf(answers)].map(([l, s]) => ({ lesson: l, ...s })),
  };
}

const VERDICTS = ["accept", "redo", "stop"] as const;

const answerForm = z.object({
  key: keyField,
  lesson: z.enum(LESSONS),
  seed: z.coerce.number().int().min(0),
  named: z.enum(LESSONS, "Say what it is."),
  verdict: z.enum(VERDICTS, "Say what you would do."),
});

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return submit(request, answerForm, ({ key, ...v }) => ({
    ...recordAnswer(larder, writeBy(me, key), v),
    ...v,
  }));
}

const DO: Record<SeamVerdict, string> = {
  accept: "Accept it",
  redo: "Do the can again",
  stop: "Stop and set up again",
};

interface Answer extends AnswerMark {
  lesson: Lesson;
  seed: number;
  named: Lesson;
  verdict: SeamVerdict;
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: [] };

export default function Practice({ loaderData, actionData }: Route.ComponentProps) {
  const { score, asked, points } = loaderData;
  const answer = (actionData?.done ?? null) as Answer | null;
  const missed = score.filter((s) => !s.known && s.right < s.asked);
  return (
    <Page
      title="Seam school"
      lead="Drawn seams, some good and some not. Say what you see and what you would do. Missed ones come back."
      aside={
        <div className="flex flex-wrap items-center gap-5">
          {asked > 0 && (
            <p className="fig text-[2.2rem] leading-none font-bold">
              {formatFraction(points)} of {asked}{" "}
              <span className="text-[1.2rem] font-[600]">right, {loaderData.me}</span>
            </p>
          )}
          <Button asChild>
            <Link to={href("/practice/stove")}>Drills at the stove</Link>
          </Button>
        </div>
      }
    >
      <title>Practice · Patient Larder</title>
      {answer ? (
        <Answered answer={answer} units={loaderData.units} />
      ) : (
        <Question key={loaderData.exercise.seed} data={loaderData} errors={actionData?.result?.error ?? {}} />
      )}
      {score.length > 0 && (
        <Part title="What you know" className="mt-8">
          <ul className="flex flex-wrap gap-x-6 gap-y-1">
            {score.map((s) => (
              <li key={s.lesson} className={s.known ? "" : s.right < s.asked ? "font-[650]" : ""}>
                {s.known ? "✓ " : ""}
                {lessonName(s.lesson)}: {formatFraction(s.points)} of {s.asked}
              </li>
            ))}
          </ul>
          {missed.length > 0 && (
            <p className="mt-1 text-soft">
              Coming back soon: {missed.map((m) => lessonName(m.lesson).toLowerCase()).join(", ")}.
            </p>
          )}
        </Part>
      )}
    </Page>
  );
}

function Question({
  data,
  errors,
}: {
  data: Route.ComponentProps["loaderData"];
  errors: Record<string, string[] | null>;
}) {
  const e = data.exercise;
  const [named, setNamed] = useState<string | null>(null);
  return (
    <Form method="post" className="grid gap-x-10 gap-y-6 lg:grid-cols-[1fr_25rem]">
      <input type="hidden" name="key" value={data.key} />
      <input type="hidden" name="lesson" value={e.lesson} />
      <input type="hidden" name="seed" value={e.seed} />
      <Picture e={e} units={data.units} />
      <div className="space-y-5">
        <fieldset>
          <legend className="text-[1.2rem] font-[650]">What is it?</legend>
          <div className="mt-2 grid grid-cols-2 gap-2">
            {e.choices.map((c) => (
              <PickTile
                key={c}
                name="named"
                option={{ value: c, label: lessonName(c) }}
                checked={false}
                onPick={setNamed}
                className="min-h-16"
              />
            ))}
          </div>
          <FieldError id="named-problem" errors={errors.named ?? undefined} />
        </fieldset>
        <fieldset>
          <legend className="text-[1.2rem] font-[650]">And what do you do?</legend>
          <div className="mt-2 grid grid-cols-3 gap-2">
            {VERDICTS.map((v) => (
              <Button key={v} name="verdict" value={v} weight={named ? "do" : "quiet"}>
                {DO[v]}
              </Button>
            ))}
          </div>
          <FieldError id="verdict-problem" errors={errors.verdict ?? undefined} />
        </fieldset>
      </div>
    </Form>
  );
}

function Picture({ e, units }: { e: Exercise; units: "us" | "metric" }) {
  if (e.kind === "outside")
    return (
      <div className="min-w-0">
        <SeamOutside view={e.view} label="A stretch of a closed seam, seen from outside" />
        <p className="mt-2 text-soft">
          Seen from outside, the rim rolled out flat; its height is drawn five times as large as its length.
          The blue line is where the lower edge belongs
          {e.view.lapMm === null ? "" : "; the upright lines are the side seam"}.
        </p>
      </div>
    );
  const section = seamSection(e.measures);
  const m = e.measures;
  return (
    <div className="min-w-0">
      {section && (
        <SeamDrawing
          section={section}
          scale={104}
          shown={[
            { part: "width", words: `width ${formatSeam(m.widthMm, units)}` },
            { part: "thickness", words: `thickness ${formatSeam(m.thicknessMm, units)}` },
          ]}
          label="A seam cut through, to scale"
        />
      )}
      <p className="mt-2 text-soft">
        Cut through, to scale: the end in copper, the body in tin. End plate {formatSeam(m.endPlateMm, units)}
        , body plate {formatSeam(m.bodyPlateMm, units)}.
      </p>
    </div>
  );
}

/** What it was, in the same drawing, and why that is done about it. */
function Answered({ answer, units }: { answer: Answer; units: "us" | "metric" }) {
  const e = exercise(answer.lesson, answer.seed);
  const isDefect = (DEFECTS as readonly string[]).includes(answer.lesson);
  const should = lessonVerdict(answer.lesson);
  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[1fr_25rem]">
      <Picture e={e} units={units} />
      <div className="space-y-4">
        <Notice tone={answer.points === 1 ? "good" : answer.points > 0 ? "care" : "stop"}>
          <p className="text-[1.5rem] font-[650]">
            {answer.points === 1
              ? "Right."
              : answer.points > 0
                ? "Right name, wrong action: half."
                : "Wrong."}
          </p>
          <p className="text-[1.15rem] text-ink">
            {lessonName(answer.lesson)}. {DO[should]}.
            {answer.named !== answer.lesson &&
              answer.points > 0 &&
              ` “${lessonName(answer.named)}” fits it too.`}
          </p>
        </Notice>
        {isDefect && (
          <p>
            {defectOf(answer.lesson as DefectKey).feel} {defectOf(answer.lesson as DefectKey).cause}
          </p>
        )}
        {!isDefect && should === "stop" && (
          <p>A fault of the inside shows on a torn-down can: the next one has it too. {ADVICE_AFTER}</p>
        )}
        {answer.points < 1 && (
          <p className="text-soft">
            You said: {lessonName(answer.named)}; {DO[answer.verdict].toLowerCase()}. You will see it again.
          </p>
        )}
        <Button asChild weight="do">
          <Link to={href("/practice")}>Next</Link>
        </Button>
      </div>
    </div>
  );
}
