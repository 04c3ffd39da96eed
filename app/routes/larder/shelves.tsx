import {
  DndContext,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from "@dnd-kit/core";
import type { SubmissionResult } from "@conform-to/react";
import { useState, type ReactNode } from "react";
import { Form, href, Link, useSubmit } from "react-router";
import { v7 as uuid } from "uuid";
import { countOf } from "#core/quantity";
import { Button } from "#ui/button";
import { FieldError, ListField, NoEnter, Notice, keyFor, resultOf, problemOf } from "#ui/form";
import { Jar } from "./jar";
import type { Route } from "./+types/route";

type Data = Route.ComponentProps["loaderData"];

/** The shelves as the household has them: one or many can be ticked and taken, or one dragged to another shelf. */
export function Shelves({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { places, found, search, key } = data;
  const send = useSubmit();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const [ticked, setTicked] = useState(0);
  const move = (e: DragEndEvent) => {
    const from = e.active.data.current?.placeId as string | undefined;
    if (!e.over || e.over.id === from) return;
    void send(
      { intent: "put", key: uuid(), containerIds: String(e.active.id), placeId: String(e.over.id) },
      { method: "post", preventScrollReset: true },
    );
  };
  const count = (form: HTMLFormElement) =>
    setTicked(form.querySelectorAll("input[name=containerIds]:checked").length);
  const problem = problemOf(["take", "put"].map((i) => resultOf(result, i)).find((r) => r !== undefined));
  const rooms = [...new Set(places.map((p) => p.room))];
  if (places.length === 0) return null;
  return (
    <DndContext sensors={sensors} onDragEnd={move} id="shelves">
      {problem && (
        <Notice tone="stop" className="mt-5">
          {problem}
        </Notice>
      )}
      <Form method="post" preventScrollReset onChange={(e) => count(e.currentTarget)} className="mt-8">
        <NoEnter />
        <input type="hidden" name="key" value={keyFor(key, "take")} />
        <div className="space-y-8">
          {found ? (
            <section aria-label="Found">
              <h2 className="mb-3 text-[1.06rem] text-soft">
                {found.length === 0
                  ? `Nothing on the shelves is called “${search}”.`
                  : `${countOf(found.length, "container")} for “${search}”, oldest first`}{" "}
                <Link to={href("/larder")}>All shelves</Link>
              </h2>
              <ul className="flex flex-wrap items-end gap-x-1 gap-y-4">
                {found.map((c) => (
                  <Jar key={c.id} c={c} now={data.now} times={data.times} />
                ))}
              </ul>
            </section>
          ) : (
            rooms.map((room) => (
              <section key={room} aria-label={room}>
                <h2 className="mb-2 text-[1.2rem]">{room}</h2>
                <div className="space-y-6">
                  {places
                    .filter((p) => p.room === room)
                    .map((p) => (
                      <Shelf key={p.id} place={p}>
                        {p.shown.map((c) => (
                          <Jar key={c.id} c={c} now={data.now} times={data.times} />
                        ))}
                      </Shelf>
                    ))}
                </div>
              </section>
            ))
          )}
        </div>
        <Taken data={data} ticked={ticked} whom={resultOf(result, "take")?.error?.to ?? undefined} />
      </Form>
    </DndContext>
  );
}

/** One shelf or box with what stands on it, the oldest in front. Something dragged onto it moves there. */
function Shelf({ place: p, children }: { place: Data["places"][number]; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: p.id });
  const more = p.standing - p.shown.length;
  const full = p.capacity !== null && p.standing >= p.capacity;
  return (
    <section aria-label={`${p.room}, ${p.name}`} ref={setNodeRef}>
      <div
        className={`flex min-h-16 flex-wrap items-end gap-x-1 gap-y-4 ${p.kind === "box" ? "w-fit min-w-64 border-x-[6px] border-bench px-3" : ""} ${isOver ? "bg-sheet outline-3 outline-offset-2 outline-steam" : ""}`}
      >
        <ul className="flex flex-wrap items-end gap-x-1 gap-y-4">{children}</ul>
        {p.standing === 0 && <span className="pb-2 text-soft">nothing on it</span>}
        {more > 0 && (
          <Link
            to={href("/larder/shelf/:id", { id: p.id })}
            className="flex min-h-12 items-center px-3 text-ink"
          >
            and {more.toLocaleString("en")} more
          </Link>
        )}
      </div>
      <h3
        className={`flex flex-wrap items-baseline gap-x-3 border-t-[8px] border-bench pt-1 text-[0.95rem] shadow-[0_-3px_0_var(--bench-edge)] ${p.kind === "box" ? "w-fit min-w-64" : ""}`}
      >
        <Link
          to={href("/larder/shelf/:id", { id: p.id })}
          className="inline-flex min-h-12 min-w-12 items-center text-ink"
        >
          {p.name}
        </Link>
        <span className="font-normal text-soft">
          {p.capacity === null
            ? countOf(p.standing, "container")
            : `${countOf(p.standing, "container")}, takes ${p.capacity}${full ? ": full" : ""}`}
        </span>
      </h3>
    </section>
  );
}

/** What is done with the ticked ones. It stays in reach of the thumb while something is ticked. */
function Taken({
  data,
  ticked,
  whom,
}: {
  data: Data;
  ticked: number;
  /** what is wrong with whom it was given to */
  whom: string[] | undefined;
}) {
  const box = "input w-auto";
  const { places } = data;
  return (
    <div
      className={`sticky-foot mt-6 flex flex-wrap items-end gap-x-4 gap-y-3 border-t-2 border-ink bg-paper pt-3 pb-3 ${ticked ? "sticky bottom-0 z-10 max-md:bottom-20" : ""}`}
    >
      <p className="min-h-12 self-center pt-3 font-[650]">
        {ticked ? countOf(ticked, "container") : "Select what you take"}
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <Button name="kind" value="opened">
          Opened
        </Button>
        <label>
          <span className="block text-[0.92rem]">given to</span>
          <input
            name="to"
            maxLength={80}
            autoComplete="off"
            aria-invalid={whom ? true : undefined}
            aria-describedby={whom ? "whom-problem" : undefined}
            className={`${box} w-36`}
          />
        </label>
        <Button name="kind" value="given">
          Given away
        </Button>
        <Button name="kind" value="discarded" weight="bare">
          Thrown out
        </Button>
      </div>
      <FieldError id="whom-problem" errors={whom} />
      <input type="hidden" name="intent" value="take" />
      <div className="flex flex-wrap items-end gap-2">
        <ListField
          quiet
          label="or move to"
          count={places.length}
          name="placeId"
          className={box}
          defaultValue={places[0]!.id}
        >
          {places.map((p) => (
            <option key={p.id} value={p.id}>
              {p.room}, {p.name}
            </option>
          ))}
        </ListField>
        <Button name="move" value="yes">
          Move
        </Button>
      </div>
    </div>
  );
}
