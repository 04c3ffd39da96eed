import { type SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { Form } from "react-router";
import { formatFraction, formatLength, formatMass, formatSpoons, formatVolume } from "#core/quantity";
import { Button } from "#ui/button";
import { CannerFromAbove } from "#ui/canner";
import { keyFor, resultOf } from "#ui/form";
import { patternOf } from "#ui/glyph";
import { Code, LotMark } from "#ui/lotmark";
import { ContainerSection } from "#ui/section";
import { speciesWords } from "../../words/load";
import { placeWords, progressWords } from "../../words/pack";
import { type FillData, type FillPart } from "./data";
import { EndPart } from "./end-part";
import { HowForm } from "./how-form";
import { newestOf } from "./newest";
import { OneMore, TakeOut } from "./one-more";

/** Whether somebody has to say where a part's rest goes before the next part: it fills no container, and no other part takes it. */
function hasRest(data: FillData, p: FillPart): boolean {
  const later = data.parts.some((q) => q !== p && q.lotId === p.lotId && q.containers.length < q.planned);
  return p.progress.outOfMeat && !p.done && !later && p.lot.leftKg > 0.02 && p.containers.length > 0;
}

/** The part being filled: the one that was chosen, or the first that has something to fill or a rest to place. */
function partInHand(data: FillData, chosen: number | null): FillPart {
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
        <OneMore key={`${part.index} ${part.containers.length}`} data={data} part={part} />
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
              This load is packed
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
                ? "Stop here: this load is packed as it is"
                : "Put this load away again"}
            </Button>
          </Form>
        )}
      </div>
      <Aside data={data} part={part} newest={newest} />
    </main>
  );
}

function Drawing({ data, part }: { data: FillData; part: FillPart }) {
  const headspace = formatLength(part.headspaceIn * 0.0254, data.units);
  // The tallest container still fits the screen; every other is drawn by the same measure as far as it goes.
  const beside = part.piece.edgeMm === null ? 30 : 54;
  const scale = Math.min(4, 540 / part.shape.heightMm, 346 / (part.shape.outsideDiameterMm + beside));
  return (
    <section
      aria-label="The container"
      className="bg-sheet px-5 pt-6 max-lg:order-2 lg:border-r-2 lg:border-rule"
    >
      <ContainerSection
        shape={part.shape}
        headspaceMm={part.headspaceIn * 25.4}
        headspaceWords={headspace}
        contents={part.contents}
        pattern={patternOf(part.lot.code)}
        pieceMm={part.piece.edgeMm}
        pieceWords="a piece"
        scale={scale}
        label={`${part.shape.name} to scale, filled to ${headspace} below the rim`}
      />
      <p className="border-t-[8px] border-bench pt-2 pb-4 text-[0.95rem]">
        <b>{headspace}</b> headspace, from the rim down. Pieces {part.piece.words}.
      </p>
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

function Next({ data, part }: { data: FillData; part: FillPart }) {
  const { units } = data;
  const n = part.containers.length + 1;
  const done = part.containers.length >= part.planned;
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-x-6" aria-live="polite">
        <h1 className="leading-none">
          <span className="fig text-[5.4rem] leading-[0.9] font-bold max-md:text-[3.6rem]">
            {done ? `${part.containers.length} filled` : `${n} of ${part.planned}`}
          </span>
        </h1>
        <p className="flex items-center gap-3 pb-1 text-[1.15rem]">
          <LotMark code={part.lot.code} contents={part.contents} size={44} />
          <span>
            <b>
              {part.lot.part} of {speciesWords(part.lot.species)}
            </b>
            , {part.method} pack
            <span className="block text-soft">
              {part.shape.name}, lot <Code>{part.lot.code}</Code>
            </span>
          </span>
        </p>
      </div>
      <dl className="mt-3 grid grid-cols-4 max-sm:grid-cols-2 gap-x-5 gap-y-1 border-y-2 border-rule py-2">
        <Fact
          name="Meat"
          value={formatMass(part.expected.kgEach, units)}
          note={
            part.expected.source === "these packs"
              ? `90 %: ${formatMass(part.expected.lowKg, units)} to ${formatMass(part.expected.highKg, units)}, from ${part.expected.packs === 1 ? "1 pack" : `${part.expected.packs} packs`} of yours`
              : "common practice"
          }
        />
        <Fact
          name="Liquid"
          value={part.liquid === "none" ? "none" : part.liquid}
          note={
            part.liquidLitres > 0
              ? `about ${formatVolume(part.liquidLitres, units)}${part.method === "hot" ? ", boiling hot" : ""}`
              : "makes its own"
          }
        />
        <Fact
          name="Salt"
          value={part.saltTsp > 0 ? formatSpoons(part.saltTsp) : "none"}
          note={part.saltTsp > 0 ? "level" : "it is flavour only"}
        />
        <Fact
          name={part.container.startsWith("can-") ? "Bath" : "Jars stand in"}
          value={part.water.split(/[,.]/)[0]!}
          note={part.water.split(", ").slice(1).join(", ").replace(/\.$/, "")}
        />
      </dl>
      <ol className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(10.5rem,1fr))] gap-x-4 gap-y-1">
        {part.steps.map((s, i) => (
          <li key={s.key} className="flex gap-2 leading-tight">
            <b className="fig text-[1.7rem] leading-none">{i + 1}</b>
            <span>
              <b>{s.do}</b>
              {s.why && <span className="block text-[0.86rem] text-soft">{s.why}</span>}
            </span>
          </li>
        ))}
      </ol>
      {part.departs.map((d) => (
        <p key={d.key} className="mt-2 border-l-[6px] border-amber pl-3">
          <b>{d.kind === "deviation" ? "Otherwise than the table:" : "Your habit:"}</b> {d.text}
          {part.reason && <> ({part.reason})</>}. It stays in the record.
        </p>
      ))}
    </>
  );
}

function Fact({ name, value, note }: { name: string; value: string; note: string }) {
  return (
    <div>
      <dt className="text-[0.92rem] text-soft">{name}</dt>
      <dd className="leading-tight">
        <span className="fig text-[1.75rem] leading-none font-bold">{value}</span>
        <span className="block text-[0.86rem] text-soft">{note}</span>
      </dd>
    </div>
  );
}

/** Where it will stand, and how the load goes against its plan. */
function Aside({
  data,
  part,
  newest,
}: {
  data: FillData;
  part: FillPart;
  newest: ReturnType<typeof newestOf>;
}) {
  const n = part.containers.length + 1;
  const layer = data.places.findIndex((l) => l.some((p) => p.part === part.index && p.number === n));
  const looks = Object.fromEntries(
    data.parts.map((p) => [String(p.index), { code: p.lot.code, contents: p.contents }]),
  );
  const shownLayer = data.places[Math.max(0, layer)];
  const last = newest?.container;
  return (
    <aside
      aria-label="Against the plan"
      className="flex flex-col gap-4 bg-sheet px-5 py-4 max-lg:order-3 lg:border-l-2 lg:border-rule max-lg:border-t-2 max-lg:border-rule"
    >
      {data.canner && shownLayer && (
        <figure>
          <CannerFromAbove
            insideDiameterMm={data.canner.insideDiameterMm}
            layer={shownLayer}
            lots={looks}
            scale={Math.min(0.74, 240 / (data.canner.insideDiameterMm + 16))}
            label={`${data.canner.name}, layer ${Math.max(0, layer) + 1} from above`}
            standing={(p) => {
              const place = shownLayer.find((x) => x === p)!;
              const own = data.parts[place.part]!;
              if (place.number <= own.containers.length) return "filled";
              return place.part === part.index && place.number === n ? "next" : "empty";
            }}
          />
          <figcaption className="mt-1 text-[0.95rem]">
            <b>{data.canner.name}:</b> {placeWords(layer < 0 ? null : layer, data.places.length)}
          </figcaption>
        </figure>
      )}
      <div aria-live="polite">
        <p className="fig text-[2.3rem] leading-none font-bold">
          {formatMass(part.progress.packedKg, data.units)}
          <span className="text-[1.15rem] font-[600]"> packed</span>
        </p>
        <p className="text-[0.98rem]">
          {formatMass(part.lot.leftKg, data.units)} of the lot left.{" "}
          {progressWords(part.progress, part.container, part.mouth, data.units)}
        </p>
      </div>
      <div className="min-h-0">
        {last && (
          <p>
            Write on {newest.part.container.startsWith("can-") ? "can" : "lid"} {last.number}:{" "}
            <span className="code text-[1.7rem] font-bold">{last.code}</span>
            <span className="block text-[0.92rem] text-soft">
              {last.massKg === null ? "not weighed" : formatMass(last.massKg, data.units)}
              {last.lidBox &&
                `, ${newest.part.container.startsWith("can-") ? "end" : "lid"} from ${last.lidBox}`}
            </span>
          </p>
        )}
        {newest && newest.part.containers.length > 1 && (
          <p className="mt-1 text-[0.92rem] text-soft">
            Before it:{" "}
            {newest.part.containers
              .slice(0, -1)
              .slice(-8)
              .map((c) => c.code)
              .join(", ")}
          </p>
        )}
      </div>
      <p className="text-[0.92rem] text-soft">
        {part.productName}, {part.minutes} min by itself, {formatFraction(part.publishedIn)} in headspace.{" "}
        {part.source.name}
        {part.source.fromMemory && " (from memory: compare with your own copy)"}
      </p>
    </aside>
  );
}
