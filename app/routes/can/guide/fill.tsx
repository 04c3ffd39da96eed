import type { SubmissionResult } from "@conform-to/react";
import { Form, href, Link, useNavigation } from "react-router";
import { capital, formatLength, formatMass, formatSpoons, formatVolume, mmFromIn } from "#core/quantity";
import { isCan } from "#core/schedule";
import { Button } from "#ui/button";
import { keyFor, NoEnter, OneTap, problemOf, resultOf } from "#ui/form";
import { patternOf } from "#ui/glyph";
import { ContainerSection } from "#ui/section";
import { jarPartWords } from "../../../words/pack";
import { hasRest, partInHand } from "../../pack/bench/filling";
import { EndPart } from "../../pack/bench/end-part";
import { newestOf } from "../../pack/bench/newest";
import { OneMore, TakeOut } from "../../pack/bench/one-more";
import { PackSteps } from "../../pack/bench/steps";
import type { GuideData, ScreenOf } from "./data";
import { StepPage } from "./frame";

/** One container after another, with what goes into each. The packing bench writes the same. */
export function Fill({
  data,
  screen,
  result,
}: {
  data: GuideData;
  screen: ScreenOf<"fill">;
  result: SubmissionResult | undefined;
}) {
  if (!screen) return <StartFilling data={data} result={result} />;
  return <Filling data={data} bench={screen} result={result} />;
}

function Filling({
  data,
  bench,
  result,
}: {
  data: GuideData;
  bench: NonNullable<ScreenOf<"fill">>;
  result: SubmissionResult | undefined;
}) {
  const busy = useNavigation().state !== "idle";
  const part = partInHand(bench, null);
  const filled = part.containers.length;
  const one = isCan(part.container) ? "can" : "jar";
  const all = bench.parts.every((p) => p.done || (p.containers.length >= p.planned && !hasRest(bench, p)));
  const left = part.planned - filled;
  const full = filled >= part.planned;
  const headspace = formatLength(mmFromIn(part.headspaceIn) / 1000, data.units);
  const last = newestOf(bench);
  return (
    <StepPage
      data={data}
      figure={
        all ? null : (
          <>
            {filled + 1 > part.planned ? filled : filled + 1}
            <span className="text-[0.6em] text-soft"> of {part.planned}</span>
          </>
        )
      }
      drawing={
        <div className="max-lg:hidden">
          <ContainerSection
            shape={part.shape}
            headspaceMm={mmFromIn(part.headspaceIn)}
            headspaceWords={headspace}
            contents={part.contents}
            pattern={patternOf(part.lot.code)}
            pieceMm={null}
            pieceWords=""
            scale={Math.min(2.4, 250 / part.shape.heightMm, 220 / (part.shape.outsideDiameterMm + 12))}
            label={`${part.shape.name} to scale, filled to ${headspace} below the rim`}
          />
        </div>
      }
    >
      <p className="text-[1.25rem]">
        <b>{capital(part.shape.name)}</b>, {part.method} pack:{" "}
        <b className="fig text-[1.6rem]">{headspace}</b> headspace, about{" "}
        {formatMass(part.expected.kgEach, data.units)} of food
        {part.liquidLitres > 0 && `, ${formatVolume(part.liquidLitres, data.units)} of ${part.liquid}`}
        {part.saltTsp > 0 && `, ${formatSpoons(part.saltTsp)} of salt`}
        {part.additions && `, ${part.additions}`}.
      </p>
      {part.jar && (
        <ul className="flex flex-wrap gap-x-5 text-[1.1rem]">
          {[...part.jar.solids, ...part.jar.liquids, ...part.jar.seasonings].map((i) => (
            <li key={i.name}>
              <b className="fig text-[1.35rem] leading-none">{jarPartWords(i, data.units)}</b> {i.name}
            </li>
          ))}
        </ul>
      )}
      <PackSteps steps={part.steps} className="mt-2 grid-cols-[repeat(auto-fill,minmax(11rem,1fr))]" />
      {last && (
        <p className="mt-2" aria-live="polite">
          Write on {one} {last.container.number}:{" "}
          <span className="code text-[1.5rem] font-bold">{last.container.code}</span>
        </p>
      )}
      {all ? (
        <Form method="post" className="mt-4">
          <NoEnter />
          <input type="hidden" name="key" value={keyFor(bench.key, "filled")} />
          <input type="hidden" name="intent" value="filled" />
          <Button weight="do" size="stove" disabled={busy} className="w-full max-w-[30rem]">
            {`All ${one}s are filled: go on`}
          </Button>
        </Form>
      ) : full ? null : (
        <OneMore key={`${part.index} ${filled}`} data={bench} part={part} result={resultOf(result, "fill")} />
      )}
      <div className="flex flex-wrap gap-x-6">
        {!all && left > 1 && !part.progress.outOfMeat && (
          <OneTap
            says={{
              key: keyFor(bench.key, `rest ${part.index} ${filled}`),
              intent: "fill-rest",
              part: part.index,
            }}
          >
            <Button weight="bare" className="px-0!">
              {filled === 0
                ? `All ${left} ${one}s are filled, not weighed`
                : `The other ${left} are filled, not weighed`}
            </Button>
          </OneTap>
        )}
        <TakeOut data={bench} newest={last} />
      </div>
      <EndPart data={bench} part={part} result={resultOf(result, "end")} />
      <Link
        to={href("/pack/:id", { id: bench.id })}
        className="inline-flex min-h-12 items-center text-ink underline underline-offset-4"
      >
        Open the packing bench
      </Link>
    </StepPage>
  );
}

/** Something refused the food when filling was to begin: it is said here, and tried again. */
function StartFilling({ data, result }: { data: GuideData; result: SubmissionResult | undefined }) {
  const problem = problemOf(result);
  return (
    <StepPage data={data}>
      {problem && (
        <p role="alert" className="font-[650] text-stop">
          ✕ {problem}
        </p>
      )}
      <Form method="post" className="mt-2">
        <NoEnter />
        <input type="hidden" name="key" value={keyFor(data.key, "start")} />
        <input type="hidden" name="intent" value="start" />
        <Button weight="do" size="stove" className="w-full max-w-[30rem]">
          Start filling
        </Button>
      </Form>
    </StepPage>
  );
}
