import { formatMass, formatSpoons, formatVolume, type UnitSystem } from "#core/quantity";
import type { DishJar } from "#core/recipe";
import { Notice } from "#ui/form";
import { Code, LotMark } from "#ui/lotmark";
import { cutWords } from "../../../words/load";
import { jarPartWords } from "../../../words/pack";
import type { FillData, FillPart } from "./data";
import { PackSteps } from "./steps";

/** Which container comes next, what goes into it, and the steps in order. */
export function Next({ data, part }: { data: FillData; part: FillPart }) {
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
            <b>{cutWords(part.lot.part, part.lot.species)}</b>, {part.method} pack
            <span className="block text-soft">
              {part.shape.name}, lot <Code>{part.lot.code}</Code>
              {part.alsoCodes.map((c) => (
                <span key={c}>
                  {" "}
                  and <Code>{c}</Code>
                </span>
              ))}
            </span>
          </span>
        </p>
      </div>
      {part.stopped && (
        <Notice tone="stop" className="mt-3">
          {part.stopped}
        </Notice>
      )}
      <dl className="mt-3 grid grid-cols-4 max-sm:grid-cols-2 gap-x-5 gap-y-1 border-y-2 border-rule py-2">
        <Fact
          name="Meat"
          value={formatMass(part.expected.kgEach, units)}
          note={
            part.jar
              ? "by the recipe"
              : part.expected.source === "these packs"
                ? `90 %: ${formatMass(part.expected.lowKg, units)} to ${formatMass(part.expected.highKg, units)}, from ${part.expected.packs === 1 ? "1 pack" : `${part.expected.packs} packs`} of yours`
                : "common practice"
          }
        />
        <Fact
          name="Liquid"
          value={part.liquid === "none" ? "none" : part.liquid}
          note={
            part.liquidLitres > 0
              ? `about ${formatVolume(part.liquidLitres, units)}${part.method === "hot" ? ", boiling hot" : ""}${part.liquidFrom ? `. ${part.liquidFrom}` : ""}`
              : "makes its own"
          }
        />
        <Fact
          name="Salt"
          value={part.saltTsp > 0 ? formatSpoons(part.saltTsp) : "none"}
          note={part.saltTsp > 0 ? "level" : "it is flavor only"}
        />
        <Fact
          name={part.container.startsWith("can-") ? "Bath" : "Jars stand in"}
          value={part.water.split(/[,.]/)[0]!}
          note={part.water.split(", ").slice(1).join(", ").replace(/\.$/, "")}
        />
      </dl>
      {part.jar && <JarOf part={part} jar={part.jar} units={units} />}
      <PackSteps steps={part.steps} className="mt-3 grid-cols-[repeat(auto-fill,minmax(10.5rem,1fr))]" />
      {part.departs.map((d) => (
        <p key={d.key} className="mt-2 border-l-[6px] border-amber pl-3">
          <b>{d.kind === "deviation" ? "Otherwise than the table:" : "Your habit:"}</b> {d.text}
          {part.reason && <> ({part.reason})</>}. It stays in the record.
        </p>
      ))}
    </>
  );
}

/** A mixed dish goes into each container by its recipe, and not as its meat alone. */
function JarOf({ part, jar, units }: { part: FillPart; jar: DishJar; units: UnitSystem }) {
  return (
    <section
      aria-label={`What goes into each ${part.shape.name}`}
      className="mt-3 border-b-2 border-rule pb-2"
    >
      <p>
        <b>
          {part.dish}, each {part.shape.name}:
        </b>
      </p>
      <ul className="flex flex-wrap gap-x-5 text-[1.15rem]">
        {[...jar.solids, ...jar.liquids, ...jar.seasonings].map((i) => (
          <li key={i.name}>
            <b className="fig text-[1.45rem] leading-none">{jarPartWords(i, units)}</b> {i.name}
          </li>
        ))}
      </ul>
    </section>
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
