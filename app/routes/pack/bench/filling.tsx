import type { SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { Form } from "react-router";
import { depthOf } from "#core/pack";
import { formatLength, mmFromIn } from "#core/quantity";
import { Button } from "#ui/button";
import { keyFor, resultOf } from "#ui/form";
import { patternOf } from "#ui/glyph";
import { LotMark } from "#ui/lotmark";
import { ContainerSection } from "#ui/section";
import type { FillData, FillPart } from "./data";
import { Aside } from "./aside";
import { EndPart } from "./end-part";
import { HowForm } from "./how-form";
import { newestOf } from "./newest";
import { Next } from "./next";
import { OneMore, TakeOut } from "./one-more";

/** Whether somebody has to say where a part's rest goes before the next part: it fills no container, and no other part takes it. */
export function hasRest(data: FillData, p: FillPart): boolean {
  const later = data.parts.some((q) => q !== p && q.lotId === p.lotId && q.containers.length < q.planned);
  return p.progress.outOfMeat && !p.done && !later && p.lot.leftKg > 0.02 && p.containers.length > 0;
}

/** The part being filled: the one that was chosen, or the first that has something to fill or a rest to place. */
export function partInHand(data: FillData, chosen: number | null): FillPart {
  const picked = chosen === null ? undefined : data.parts[chosen];
  if (picked && !picked.done) return picked;
  const open = data.parts.find(
    (p) => hasRest(data, p) || (!p.done && p.containers.length < p.planned && !p.progress.outOfMeat),
  );
  return open ?? data.parts.at(-1)!;
}

/** The next container, and everything one needs to know to fill it. Read from two metres away, tapped with a wet thumb. */
export function Filling({ data, result }: { data: FillData; result: SubmissionResult | undefined }) {
  const [chosen, setChosen] = useState<number | null>(null);
  const part = partInHand(data, chosen);
  const newest = newestOf(data);
  const over = data.parts.every(
    (p) =>
      p.done ||
      (p.containers.length >= p.planned && !hasRest(data, p)) ||
      (p.progress.outOfMeat && !hasRest(data, p)),
  );
  return (
    <main
      id="main"
      tabIndex={-1}
      className="grid flex-1 outline-none lg:grid-cols-[minmax(300px,390px)_1fr_290px] max-lg:gap-y-5"
    >
      <Drawing data={data} part={part} />
      <div className="flex min-w-0 flex-col px-6 pt-5 pb-5 max-md:px-4">
        <Parts data={data} part={part} choose={setChosen} />
        <Next data={data} part={part} />
        <OneMore
          key={`${part.index} ${part.containers.length}`}
          data={data}
          part={part}
          result={resultOf(result, "fill")}
        />
        <TakeOut data={data} newest={newest} />
        {over && (
          <Form method="post" className="mt-4 border-t-4 border-bench pt-4">
            <input type="hidden" name="key" value={keyFor(data.key, "packed")} />
            <input type="hidden" name="intent" value="packed" />
            <Button
              weight={part.progress.outOfMeat || part.done ? "do" : "quiet"}
              size="stove"
              className="w-full"
            >
              Finish this load
            </Button>
          </Form>
        )}
        <EndPart data={data} part={part} result={resultOf(result, "end")} />
        <HowForm key={part.index} data={data} part={part} result={resultOf(result, "how")} />
        {!over && (
          <Form method="post">
            <input type="hidden" name="key" value={keyFor(data.key, "packed")} />
            <input type="hidden" name="intent" value="packed" />
            <Button weight="bare" className="px-0!">
              {data.parts.some((p) => p.containers.length > 0)
                ? "Stop here: nothing more goes in"
                : "Cancel this load"}
            </Button>
          </Form>
        )}
      </div>
      <Aside data={data} part={part} newest={newest} />
    </main>
  );
}

function Drawing({ data, part }: { data: FillData; part: FillPart }) {
  const headspace = formatLength(mmFromIn(part.headspaceIn) / 1000, data.units);
  // The tallest container still fits the screen; every other is drawn by the same measure as far as it goes.
  const scale = Math.min(4, 500 / part.shape.heightMm, 316 / (part.shape.outsideDiameterMm + 12));
  const piece = part.piece.edgeMm === null ? null : part.piece.edgeMm * scale;
  return (
    <section
      aria-label="The container"
      className="bg-sheet px-5 pt-6 max-lg:order-2 lg:border-r-2 lg:border-rule"
    >
      <ContainerSection
        shape={part.shape}
        headspaceMm={mmFromIn(part.headspaceIn)}
        headspaceWords={headspace}
        contents={part.contents}
        solidsMm={part.jar && depthOf(part.shape, part.jar.share.solidsKgEach * 1000)}
        pattern={patternOf(part.lot.code)}
        pieceMm={null}
        pieceWords=""
        scale={scale}
        label={`${part.shape.name} to scale, filled to ${headspace} below the rim`}
      />
      <div className="flex items-center gap-4 border-t-[8px] border-bench pt-3 pb-4">
        {piece !== null && (
          <span
            aria-hidden="true"
            className="shrink-0 border-2 border-ink"
            style={{ width: piece, height: piece, background: `var(--${part.contents})` }}
          />
        )}
        <p className="text-[0.95rem]">
          <b>{headspace}</b> headspace, from the rim down. Pieces {part.piece.words}
          {piece !== null && ", drawn as large as the jar is"}.
        </p>
      </div>
    </section>
  );
}

/** Parts of the load, in the order they are filled. */
function Parts({ data, part, choose }: { data: FillData; part: FillPart; choose: (i: number) => void }) {
  if (data.parts.length < 2) return null;
  return (
    <div className="mb-4 flex flex-wrap gap-2" role="group" aria-label="Parts of this load, raw before hot">
      {data.parts.map((p) => (
        <button
          key={p.index}
          type="button"
          aria-pressed={p === part}
          onClick={() => choose(p.index)}
          className="flex min-h-12 items-center gap-2 rounded border-2 border-ink px-3 leading-tight font-[650] aria-pressed:bg-ink aria-pressed:text-paper"
        >
          <LotMark code={p.lot.code} contents={p.contents} size={26} />
          <span>
            {p.index + 1}. {p.method} {p.lot.part.toLowerCase()}
            <span className="block text-[0.86rem] font-normal">
              {p.containers.length} of {p.planned} {p.containers.length >= p.planned || p.done ? "✓" : ""}
            </span>
          </span>
        </button>
      ))}
    </div>
  );
}
