import type { ContainerKey } from "#core/schedule";
import {
  ADVICE_AFTER,
  MEASURED_BY,
  PLACE_LENGTHS,
  adviceOn,
  judgePlaces,
  midSeam,
  seamSection,
  type SeamMethod,
} from "#core/seam";
import { SeamDrawing } from "#ui/seam";
import { figureWords, sheetWords } from "../../../words/seam";
import type { SetUpData } from "./data";
import { figuresTyped, limitsTyped, usualPlates, type Typed } from "./typed";

/** The seam of one place drawn from its figures, beside the one the limits describe. */
export function Seen({
  data,
  container,
  typed,
  place,
  method,
}: {
  data: SetUpData;
  container: ContainerKey;
  typed: Typed;
  place: number;
  method: SeamMethod;
}) {
  const limits = limitsTyped(typed, data.limits[container] ?? null);
  const plates = usualPlates(typed);
  const figures = figuresTyped(typed, place);
  const good = seamSection(midSeam(limits, plates));
  const whole =
    figures &&
    figures.width !== null &&
    figures.bodyHook !== null &&
    figures.coverHook !== null &&
    figures.thickness !== null
      ? seamSection({
          ...plates,
          widthMm: figures.width,
          bodyHookMm: figures.bodyHook,
          coverHookMm: figures.coverHook,
          thicknessMm: figures.thickness,
          countersinkMm: figures.countersink ?? midSeam(limits, plates).countersinkMm,
        })
      : null;
  const judged = figures ? judgePlaces([figures], limits) : [];
  const out = PLACE_LENGTHS.flatMap((part) => {
    const j = judged.find((x) => x.dimension === part && x.out !== null);
    return j ? [{ part, words: `${NAMES[part]} ${figureWords(part, j.worst!, data.units)}` }] : [];
  });
  const overlap = figures?.overlap;
  const toGo = method === "eye" ? 0 : MEASURED_BY[method].required.filter((d) => figures?.[d] == null).length;
  const known = judged.some((j) => j.worst !== null);
  return (
    <section aria-label={`The seam at place ${place + 1}`} aria-live="polite">
      <h2 className="text-[1.2rem] leading-tight">
        {!(whole && known)
          ? "The seam is drawn as its figures come in."
          : toGo > 0 && judged.every((j) => j.out === null)
            ? `Good so far; ${toGo} to go.`
            : sheetWords(judged)}
      </h2>
      <div className="mt-3 flex items-start gap-4">
        {whole && (
          <figure>
            <SeamDrawing
              section={whole}
              out={out}
              shown={
                overlap != null
                  ? [{ part: "overlap", words: `overlap ${figureWords("overlap", overlap, data.units)}` }]
                  : []
              }
              scale={56}
              label={`Seam at place ${place + 1}, to scale. ${sheetWords(judged)}`}
            />
            <figcaption className="text-right text-[0.92rem] text-soft">
              as measured, place {place + 1}
            </figcaption>
          </figure>
        )}
        {good && (
          <figure>
            <SeamDrawing
              section={good}
              scale={56}
              faint
              label="The seam that the limits describe, to scale"
            />
            <figcaption className="text-[0.92rem] text-soft">by the limits</figcaption>
          </figure>
        )}
      </div>
      {out.length > 0 && (
        <p className="mt-3 text-[1.06rem]">
          {adviceOn(judged).join(" ")} {ADVICE_AFTER} <span className="text-soft">(Common practice.)</span>
        </p>
      )}
    </section>
  );
}

const NAMES: Record<(typeof PLACE_LENGTHS)[number], string> = {
  width: "width",
  thickness: "thickness",
  countersink: "countersink",
  bodyHook: "body hook",
  coverHook: "cover hook",
  overlap: "overlap",
};
