import { minutesWords } from "../../words/run";
import {
  DndContext,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from "@dnd-kit/core";
import { v7 as uuid } from "uuid";
import type { SubmissionResult } from "@conform-to/react";
import { href, Link, useSubmit } from "react-router";
import {
  countOf,
  formatAltitude,
  formatMass,
  formatPressure,
  formatFraction,
  kPaFromPsi,
} from "#core/quantity";
import { Button } from "#ui/button";
import { CannerFromAbove, CannerFromSide } from "#ui/canner";
import { KeyedForm, Notice, keyFor, resultOf, problemOf } from "#ui/form";
import { LotMark } from "#ui/lotmark";
import { kindWords, kindsWords, leftWords } from "../../words/plan";
import { cutWords } from "../../words/load";
import { SourceLine } from "../help/source-line";
import { AcceptRow } from "../household/accept-row";
import type { Choosing, Planned } from "./route";

type Data = Choosing & Planned;
type Load = Data["loads"][number];
type Part = Load["parts"][number];

const bare = (id: string) => ({ id, onSubmit: () => undefined });

/** The proposed loads. A part of one can be dragged to another, or sent there by name. */
export function Loads({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const send = useSubmit();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const move = (e: DragEndEvent) => {
    if (!e.over || !e.active.data.current) return;
    const { from, lotId, kind } = e.active.data.current as { from: number; lotId: string; kind: string };
    const to = Number(e.over.id);
    if (from === to) return;
    void send(
      { intent: "move", key: uuid(), from, to, lotId, kind },
      { method: "post", preventScrollReset: true },
    );
  };
  const problem = problemOf(
    ["move", "keep", "fill", "free", "notIn"].map((i) => resultOf(result, i)).find((r) => r !== undefined),
  );
  return (
    <DndContext sensors={sensors} onDragEnd={move} id="loads">
      {problem && (
        <Notice tone="stop" className="mb-4">
          {problem}
        </Notice>
      )}
      <ol className="space-y-6">
        {data.loads.map((load, i) => (
          <LoadCard key={`${i} ${load.cannerId}`} load={load} index={i} data={data} />
        ))}
      </ol>
      <LeftOver data={data} />
      <Forbidden data={data} />
    </DndContext>
  );
}

/** Each row of a load once. */
const uniqueProcesses = (each: Load["governing"]["each"]) => [
  ...new Map(each.map((p) => [p.product, p])).values(),
];

function LoadCard({ load, index, data }: { load: Load; index: number; data: Data }) {
  const { setNodeRef, isOver } = useDroppable({ id: String(index) });
  const { units, altitudeM } = data;
  const { target, minutes, why, conditions, each, governedBy } = load.governing;
  const { pot } = load.canner;
  const room = Object.values(load.room).some((n) => n > 0);
  return (
    <li
      ref={setNodeRef}
      className={`border-t-4 pt-3 ${isOver ? "border-copper bg-sheet" : "border-bench"}`}
      aria-label={`Load ${index + 1}`}
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 className="text-[1.35rem]">
          Load {index + 1}, {load.canner.name}
          {load.settled && <span className="ml-3 text-[0.95rem] font-normal text-soft">kept as it is</span>}
        </h2>
        <p className="fig text-[2.4rem] leading-none font-bold">
          {minutesWords({ minutes, extraMinutes: data.extraMinutes })}{" "}
          <span className="text-[1.5rem] font-[600]">
            at{" "}
            {units === "us"
              ? `${formatFraction(target.facePsi, 1)} lb`
              : formatPressure(kPaFromPsi(target.facePsi), units)}{" "}
            {target.governs === "dial" ? "on the dial" : "by the weight"}
          </span>
        </p>
      </div>
      <div className="mt-2 grid gap-x-8 gap-y-3 md:grid-cols-[1fr_auto]">
        <div className="min-w-0">
          <ul>
            {load.parts.map((p) => (
              <PartRow key={`${p.lotId} ${p.kind}`} part={p} index={index} minutes={minutes} data={data} />
            ))}
          </ul>
          {uniqueProcesses(each).map((p) => (
            <AcceptRow
              key={p.product}
              process={p}
              accepted={data.accepted}
              formKey={keyFor(data.acceptKey, p.product)}
            />
          ))}
          {load.governing.deviations.map((d) => (
            <Notice key={d.key} tone="care" className="mt-2">
              {d.text}
            </Notice>
          ))}
          {load.missing > 0 && (
            <Notice tone="care" className="mt-2">
              {load.canner.name} wants at least {countOf(load.missing + sum(load), "container")}: add{" "}
              {countOf(load.missing, "jar")} of water when you load it at Fire.
            </Notice>
          )}
          {room && (
            <p className="mt-2 text-soft">
              Room for {kindsWords(load.room)}: add jars of water
              {load.beans && (
                <>
                  {" "}
                  or{" "}
                  <Link
                    to={`${href("/ask")}?what=dry-beans&pack=hot`}
                    className="underline underline-offset-4"
                  >
                    dry beans, soaked and cooked
                  </Link>
                  {load.beans !== kindsWords(load.room) && `, in ${load.beans}`}
                </>
              )}
              .
            </p>
          )}
          <details className="mt-1">
            <summary className="flex min-h-12 cursor-pointer items-center font-[650] underline decoration-rule decoration-2 underline-offset-4">
              Why these minutes and pounds
            </summary>
            <ul className="list-disc space-y-1 pl-5">
              {why.map((w) => (
                <li key={w}>{w}</li>
              ))}
              <li>At {formatAltitude(altitudeM, units)}.</li>
              {conditions.map((c) => (
                <li key={c.key}>{c.text}</li>
              ))}
            </ul>
            <SourceLine of={each[governedBy]!} />
          </details>
          <div className="flex flex-wrap gap-2">
            <KeyedForm form={bare(`fill-${index}`)} formKey={keyFor(data.key, `fill ${index}`)} intent="fill">
              <input type="hidden" name="load" value={index} />
              <Button className="px-4">Fill this load</Button>
            </KeyedForm>
            <KeyedForm
              form={bare(`keep-${index}`)}
              formKey={keyFor(data.key, `keep ${index}`)}
              intent={load.settled ? "free" : "keep"}
            >
              <input type="hidden" name="load" value={index} />
              <Button className="px-3">{load.settled ? "Plan this load again" : "Keep this load"}</Button>
            </KeyedForm>
            {!load.settled &&
              Object.keys(counts(load)).map((kind) => (
                <KeyedForm
                  key={kind}
                  form={bare(`not-${index}-${kind}`)}
                  formKey={keyFor(data.key, `not ${index} ${kind}`)}
                  intent="notIn"
                >
                  <input type="hidden" name="cannerId" value={load.cannerId} />
                  <input type="hidden" name="kind" value={kind} />
                  <Button weight="bare" className="px-2">
                    No {kindWords(kind, 2).replace(/^\S+ /, "")} in {load.canner.name}
                  </Button>
                </KeyedForm>
              ))}
          </div>
        </div>
        <div className="flex flex-wrap items-start gap-3">
          <CannerFromSide {...pot} layers={load.places} lots={data.looks} scale={0.42} />
          {load.places.map((layer, l) => (
            <figure key={l} className="text-center">
              <CannerFromAbove
                insideDiameterMm={pot.insideDiameterMm}
                layer={layer}
                lots={data.looks}
                scale={load.places.length > 2 ? 0.26 : 0.42}
                label={`Layer ${l + 1} from above: ${countOf(layer.length, "container")}`}
              />
              {load.places.length > 1 && (
                <figcaption className="text-[0.92rem] text-soft">layer {l + 1}</figcaption>
              )}
            </figure>
          ))}
        </div>
      </div>
    </li>
  );
}

const sum = (load: Load) => load.parts.reduce((n, p) => n + p.count, 0);
function counts(load: Load): Record<string, number> {
  const all: Record<string, number> = {};
  for (const p of load.parts) all[p.kind] = (all[p.kind] ?? 0) + p.count;
  return all;
}

function PartRow({
  part,
  index,
  minutes,
  data,
}: {
  part: Part;
  index: number;
  /** of the load */
  minutes: number;
  data: Data;
}) {
  const look = data.looks[part.lotId]!;
  const { setNodeRef, listeners, attributes, transform } = useDraggable({
    id: `${index} ${part.lotId} ${part.kind}`,
    data: { from: index, lotId: part.lotId, kind: part.kind },
  });
  const others = data.loads.map((_, i) => i).filter((i) => i !== index);
  return (
    <li
      ref={setNodeRef}
      style={
        transform
          ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5, position: "relative" }
          : undefined
      }
      className="flex min-h-12 flex-wrap items-center gap-x-3 border-b-2 border-rule py-1"
    >
      <span
        {...listeners}
        {...attributes}
        tabIndex={-1}
        className={`flex items-center gap-3 ${others.length > 0 ? "cursor-grab touch-none" : ""}`}
        aria-roledescription={undefined}
        role={undefined}
        aria-describedby={undefined}
        aria-disabled={undefined}
      >
        <LotMark code={look.code} contents={look.contents} size={34} />
        <span>
          <b className="text-[1.1rem]">{kindWords(part.kind, part.count)}</b>{" "}
          <span className="text-soft">
            {cutWords(look.part, look.species).toLowerCase()}, {part.pack}
            {part.minutes !== minutes && `, ${part.minutes} min if canned alone`},{" "}
            {formatMass(part.count * part.kgEach, data.units)}
          </span>
        </span>
      </span>
      {others.length > 0 && (
        <span className="ml-auto flex gap-1">
          {others.map((to) => (
            <KeyedForm
              key={to}
              form={bare(`move-${index}-${part.lotId}-${part.kind}-${to}`)}
              formKey={keyFor(data.key, `${index} ${part.lotId} ${part.kind} ${to}`)}
              intent="move"
            >
              <input type="hidden" name="from" value={index} />
              <input type="hidden" name="to" value={to} />
              <input type="hidden" name="lotId" value={part.lotId} />
              <input type="hidden" name="kind" value={part.kind} />
              <Button weight="bare" className="px-2 text-[0.95rem]">
                to load {to + 1}
              </Button>
            </KeyedForm>
          ))}
        </span>
      )}
    </li>
  );
}

function LeftOver({ data }: { data: Data }) {
  const left = data.left.filter((l) => l.kg > 0.02);
  if (left.length === 0) return null;
  return (
    <section className="mt-8">
      <h2 className="mb-1 text-[1.06rem] text-soft">What is left over</h2>
      <ul>
        {left.map((l) => {
          const look = data.looks[l.lotId]!;
          return (
            <li key={l.lotId} className="flex items-center gap-3 py-1">
              <LotMark code={look.code} contents={look.contents} size={30} />
              <span>
                <b>{look.part}</b>: {leftWords(l.kg, l.unserved, data.units)}
              </span>
            </li>
          );
        })}
      </ul>
      <p className="mt-1 text-soft">
        Freeze it, eat it in time, or plan another load. A part-filled jar is not canned.
      </p>
    </section>
  );
}

/** Sizes kept out of a canner, each with a way back. */
function Forbidden({ data }: { data: Data }) {
  if (data.wish.notIn.length === 0) return null;
  return (
    <ul className="mt-4 flex flex-wrap gap-2">
      {data.wish.notIn.map((n) => (
        <li key={`${n.cannerId} ${n.kind}`}>
          <KeyedForm
            form={bare(`allow-${n.cannerId}-${n.kind}`)}
            formKey={keyFor(data.key, `allow ${n.cannerId} ${n.kind}`)}
            intent="allow"
          >
            <input type="hidden" name="cannerId" value={n.cannerId} />
            <input type="hidden" name="kind" value={n.kind} />
            <Button className="px-3">
              Allow {kindWords(n.kind, 2).replace(/^\S+ /, "")} in{" "}
              {data.canners.find((c) => c.id === n.cannerId)?.name} again
            </Button>
          </KeyedForm>
        </li>
      ))}
    </ul>
  );
}
