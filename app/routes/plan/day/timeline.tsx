import {
  DndContext,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from "@dnd-kit/core";
import { useRef } from "react";
import { useSubmit } from "react-router";
import { v7 as uuid } from "uuid";
import { HOUR_MS, MINUTE_MS, formatDuration } from "#core/quantity";
import { Button } from "#ui/button";
import { KeyedForm, keyFor } from "#ui/form";
import { STAGE_WORDS } from "../../../words/day";
import { clockTime, type Times } from "../../../words/time";
import type { DayBlock, PlannedDay } from "./day.server";

const FILL: Record<DayBlock["stage"], string> = {
  pack: "var(--meat)",
  load: "var(--ink)",
  heatUp: "var(--amber)",
  vent: "var(--steam)",
  comeUp: "var(--ink)",
  process: "var(--copper)",
  coolDown: "var(--glass)",
  settle: "var(--glass)",
  unload: "var(--ink)",
};
const HIGH = 56;
const bare = (id: string) => ({ id, onSubmit: () => undefined });

/** The day drawn: a row for each canner and one for the hands, hours along the top. A load can be dragged to a later hour. */
export function Timeline({
  day,
  times,
  keyBase,
  later,
  gauge,
}: {
  day: PlannedDay;
  times: Times;
  keyBase: string;
  later: Record<string, number>;
  /** pounds, by what, and at which altitude, for a load */
  gauge: (load: PlannedDay["loads"][number]) => string;
}) {
  const send = useSubmit();
  const box = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const span = day.endAt - day.startAt;
  const at = (t: number) => `${((t - day.startAt) / span) * 100}%`;
  const canners = [...new Set(day.loads.map((l) => l.canner))];
  const lit = (load: number) => day.blocks.find((b) => b.load === load && b.stage === "load")!.from;
  const minuteOf = (t: number) => Math.max(0, Math.round((t - day.startAt) / MINUTE_MS));
  const drop = (e: DragEndEvent) => {
    const wide = box.current?.clientWidth ?? 0;
    const load = Number(e.active.id);
    const minute = minuteOf(lit(load) + (e.delta.x / wide) * span);
    if (wide > 0)
      void send({ intent: "later", key: uuid(), load, minute }, { method: "post", preventScrollReset: true });
  };
  return (
    <DndContext sensors={sensors} onDragEnd={drop} id="day">
      <div className="overflow-x-auto">
        <div className="min-w-[640px]">
          <div className="grid grid-cols-[7.5rem_1fr]">
            <span />
            <Hours day={day} times={times} at={at} />
            {canners.map((canner) => (
              <div key={canner} className="contents">
                <b className="self-center pr-3">{canner}</b>
                <div ref={box} className="relative border-t-2 border-rule" style={{ height: HIGH }}>
                  {day.loads
                    .filter((l) => l.canner === canner)
                    .map((l) => (
                      <LoadBar
                        key={l.index}
                        load={l}
                        blocks={day.blocks.filter((b) => b.load === l.index && b.stage !== "pack")}
                        at={at}
                        times={times}
                        gauge={gauge(l)}
                      />
                    ))}
                </div>
              </div>
            ))}
            <b className="self-center pr-3">Your work</b>
            <div className="relative border-y-2 border-rule" style={{ height: HIGH }}>
              {day.blocks
                .filter((b) => b.hands)
                .map((b, i) => (
                  <span
                    key={i}
                    title={`${STAGE_WORDS[b.stage]}, load ${b.load + 1}, ${clockTime(b.from, times)} to ${clockTime(b.to, times)}`}
                    className="absolute top-2 bottom-2 overflow-hidden border-2 border-ink text-center"
                    style={{
                      left: at(b.from),
                      width: `${((b.to - b.from) / span) * 100}%`,
                      background: FILL[b.stage],
                    }}
                  />
                ))}
            </div>
            <span className="text-[0.92rem] text-soft">stay by it</span>
            <div className="relative h-4">
              {day.stays.map((s) => (
                <span
                  key={s.from}
                  className="absolute top-1 h-2 bg-copper"
                  style={{ left: at(s.from), width: `${((s.to - s.from) / span) * 100}%` }}
                />
              ))}
            </div>
          </div>
        </div>
      </div>
      <ul className="mt-2 flex flex-wrap gap-x-5 gap-y-1 text-[0.95rem]" aria-label="Legend">
        {(["pack", "heatUp", "vent", "process", "coolDown"] as const).map((s) => (
          <li key={s} className="flex items-center gap-2">
            <span className="inline-block size-4 border-2 border-ink" style={{ background: FILL[s] }} />
            {STAGE_WORDS[s].toLowerCase()}
          </li>
        ))}
        <li className="flex items-center gap-2">
          <span className="inline-block size-4 border-2 border-ink bg-ink" />
          work at the canner
        </li>
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-x-2 print:hidden">
        <span className="text-soft">Delay a load:</span>
        {day.loads.map((l) => (
          <KeyedForm
            key={l.index}
            form={bare(`later-${l.index}`)}
            formKey={keyFor(keyBase, `later ${l.index}`)}
            intent="later"
          >
            <input type="hidden" name="load" value={l.index} />
            <input type="hidden" name="minute" value={minuteOf(lit(l.index)) + 15} />
            <Button weight="bare" className="px-2">
              load {l.index + 1}, 15 min
            </Button>
          </KeyedForm>
        ))}
        {Object.keys(later).length > 0 && (
          <KeyedForm form={bare("straight")} formKey={keyFor(keyBase, "straight")} intent="straight">
            <Button className="px-3">As early as possible</Button>
          </KeyedForm>
        )}
      </div>
    </DndContext>
  );
}

function Hours({ day, times, at }: { day: PlannedDay; times: Times; at: (t: number) => string }) {
  const every = day.endAt - day.startAt > 10 * HOUR_MS ? 2 * HOUR_MS : HOUR_MS;
  const first = Math.ceil(day.startAt / every) * every;
  const hours: number[] = [];
  for (let t = first; t < day.endAt - HOUR_MS / 3; t += every) hours.push(t);
  return (
    <div className="fig relative h-7 text-[1.15rem]">
      {hours.map((t) => (
        <span key={t} className="absolute border-l-2 border-rule pl-1" style={{ left: at(t) }}>
          {clockTime(t, times)}
        </span>
      ))}
    </div>
  );
}

function LoadBar({
  load,
  blocks,
  at,
  times,
  gauge,
}: {
  load: PlannedDay["loads"][number];
  blocks: readonly DayBlock[];
  at: (t: number) => string;
  times: Times;
  gauge: string;
}) {
  const [from, to] = [blocks[0]!.from, blocks.at(-1)!.to];
  const { setNodeRef, listeners, transform } = useDraggable({ id: String(load.index) });
  const part = (b: DayBlock) => ({
    left: `${((b.from - from) / (to - from)) * 100}%`,
    width: `${((b.to - b.from) / (to - from)) * 100}%`,
    background: FILL[b.stage],
  });
  const process = blocks.find((b) => b.stage === "process")!;
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      data-load={load.index + 1}
      title={`Load ${load.index + 1}: ${load.what}, ${gauge}, ${clockTime(from, times)} to ${clockTime(to, times)}`}
      className="absolute top-2 bottom-2 cursor-grab touch-none border-2 border-ink"
      style={{
        left: at(from),
        width: `calc(${at(to)} - ${at(from)})`,
        transform: transform ? `translateX(${transform.x}px)` : undefined,
      }}
    >
      {blocks.map((b) => (
        <span key={b.stage} className="absolute top-0 bottom-0" style={part(b)} />
      ))}
      <span
        className="absolute top-0 bottom-0 flex items-center overflow-hidden pl-2 text-[0.95rem] whitespace-nowrap text-on-copper"
        style={{ ...part(process), background: "transparent" }}
      >
        {load.index + 1}: {formatDuration(load.minutes * 60)}, {gauge}
      </span>
    </div>
  );
}
