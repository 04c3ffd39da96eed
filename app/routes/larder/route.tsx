import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { keptUntilTaken } from "../../outbox";
import { boilMinutes } from "#core/shelf";
import { countOf, ftFromM } from "#core/quantity";
import { shapeOf } from "#core/schedule";
import { refuse } from "#store/db";
import { listRecalls } from "#store/recall";
import {
  addPlace,
  checkOnShelf,
  findOnShelf,
  flaggedByStorage,
  listPlaces,
  onShelf,
  shelve,
  storageRooms,
  takeOff,
} from "#store/shelf";
import { Notice, resultOf } from "#ui/form";
import { ContainerGlyph } from "#ui/glyph";
import { Empty, Page } from "#ui/page";
import { storageEventWords } from "../../words/shelf";
import { homeContext } from "../../server/context";
import { byIntent, formKey, keyField, submit, writeBy } from "../../server/form";
import { snapshot } from "../../features/shell/snapshot.server";
import { placeShape } from "./place-shape";
import { AddShelf } from "./add-shelf";
import { SharedGlyphs } from "#ui/glyph";
import { AfterStorage } from "./after-storage";
import { Ways } from "./ways";
import { Shelves } from "./shelves";
import { TakeNext } from "./take-next";
import { ToShelve } from "./to-shelve";
import type { FollowHandle } from "../../live/follow";
import { timesOf } from "../../words/time";
import { wordsByPack } from "./labels/choice.server";

/** Containers drawn on the page, and of one shelf at most and at least, before the rest is only counted. */
const DRAWN = { all: 60, most: 24, least: 2 };

/** A link in a sentence, tall enough for a thumb. */
const SENTENCE = "inline-flex min-h-12 items-center text-ink underline decoration-2 underline-offset-4";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household } = home;
  const search = new URL(request.url).searchParams.get("q")?.trim().slice(0, 60) ?? "";
  const { now, ready, shelf } = snapshot(home);
  const places = listPlaces(larder);
  const each = Math.min(
    DRAWN.most,
    Math.max(DRAWN.least, Math.floor(DRAWN.all / Math.max(1, places.length))),
  );
  const rooms = storageRooms(larder);
  const flagged = flaggedByStorage(larder, rooms);
  return {
    key: formKey(),
    now,
    units: household.units,
    times: timesOf(household),
    boil: boilMinutes(ftFromM(household.altitudeM)),
    search,
    found: search ? findOnShelf(larder, search.split(/\s+/).slice(0, 6)) : null,
    places: places.map((p) => ({ ...p, shown: search ? [] : onShelf(larder, p.id, each) })),
    ready,
    onLids: wordsByPack(home, ready),
    shelf,
    recalls: listRecalls(larder).filter((r) => r.still > 0),
    storage: rooms.flatMap((r) =>
      r.events
        .map((event) => ({
          room: r.room,
          event,
          flagged: flagged
            .filter((f) => f.room === r.room && f.event === event)
            .map((f) => ({ id: f.id, code: f.code, kind: f.kind, key: formKey() })),
        }))
        .filter((e) => e.flagged.length > 0),
    ),
  };
}

const chosen = z.array(z.string(), "Choose at least one.").min(1, "Choose at least one.");
const put = z.object({
  key: keyField,
  intent: z.literal("put"),
  placeId: z.string({ error: "Choose a shelf." }),
  containerIds: chosen,
});
const add = z.object({
  key: keyField,
  intent: z.literal("add"),
  ...placeShape,
});
const take = z.object({
  key: keyField,
  intent: z.literal("take"),
  containerIds: chosen,
  kind: z.enum(["opened", "given", "discarded"], "Say what becomes of them.").optional(),
  move: z.literal("yes").optional(),
  placeId: z.string().optional(),
  to: z.string().trim().max(80, "Keep it under 80 characters.").optional(),
});

const looked = z.object({ key: keyField, intent: z.literal("looked"), containerId: z.string() });

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return byIntent(
    request,
    {
      add: () =>
        submit(request, add, (v) => {
          const { room, name, kind } = v;
          const { id } = addPlace(larder, writeBy(me, v.key), {
            room,
            name,
            kind,
            capacity: v.capacity ?? null,
          });
          // What waits is put where the new shelf was made for.
          return redirect(`${href("/larder")}?shelf=${id}`);
        }),
      take: () =>
        submit(request, take, (v) => {
          const write = writeBy(me, v.key);
          if (v.move) shelve(larder, write, v.containerIds, v.placeId ?? "");
          else if (v.kind) takeOff(larder, write, v.containerIds, v.kind, v.to ?? null);
          else refuse("Say what becomes of them: opened, given away, thrown out, or on to another shelf.");
          return redirect(href("/larder"));
        }),
      looked: () =>
        submit(request, looked, (v) => {
          checkOnShelf(larder, writeBy(me, v.key), v.containerId);
          return redirect(href("/larder"));
        }),
      put: () =>
        submit(request, put, (v) => {
          shelve(larder, writeBy(me, v.key), v.containerIds, v.placeId);
          return redirect(href("/larder"));
        }),
    },
    "put",
  );
}

/** Taps are kept on this screen while the larder cannot be reached, and told to it in their order. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = {
  shows: ["container", "shelf", "seal", "run", "storage", "recall", "hold"],
};

export default function Larder({ loaderData, actionData }: Route.ComponentProps) {
  const { places, shelf, ready, now, times, units, boil, search, found, recalls, storage, key } = loaderData;
  const result = actionData?.result;
  const held = ready.filter((c) => c.holds.length > 0 || c.aside);
  const why = held[0] && (held[0].aside ?? held[0].holds.join("; "));
  return (
    <Page
      title="Larder"
      lead={
        shelf.count
          ? `${countOf(shelf.count, "container")} on the shelves. The oldest is eaten first.`
          : undefined
      }
      aside={<Ways search={search} />}
    >
      <title>Larder · Patient Larder</title>
      <SharedGlyphs of={[...ready, ...(found ?? places.flatMap((p) => p.shown))]} />
      {recalls.map((r) => (
        <Notice key={r.id} tone="stop" className="mb-4">
          <b>{countOf(r.still, "container")} recalled, do not eat</b>: {r.reason}.{" "}
          <Link to={href("/larder/recalls/:id", { id: r.id })} className={SENTENCE}>
            Show them, or release them
          </Link>
        </Notice>
      ))}
      {storage.map((s) => (
        <AfterStorage
          key={`${s.room} ${s.event.from}`}
          flagged={s.flagged}
          words={storageEventWords(
            s.event,
            s.room,
            units,
            now,
            times,
            s.flagged.map((f) => f.kind),
          )}
        />
      ))}
      {!found && ready.length > 0 && <ToShelve data={loaderData} result={resultOf(result, "put")} />}
      {held.length > 0 && (
        <Notice tone="care" className="mb-6">
          <b>{countOf(held.length, "container")} kept back</b>: {why}. Do not shelve or eat them until someone
          releases the hold: {held.map((c) => c.code).join(", ")}.
        </Notice>
      )}
      {!found && shelf.past > 0 && (
        <Notice tone="care" className="mb-6">
          <b>{countOf(shelf.past, "container")} past best-by.</b> That date is about taste. Eat{" "}
          {shelf.past === 1 ? "it" : "them"} first, and look each over as it is opened.{" "}
          <Link to={href("/larder/eating")} className={SENTENCE}>
            What to eat next, kind by kind
          </Link>
        </Notice>
      )}
      {!found && shelf.oldest && (
        <TakeNext next={shelf.oldest} now={now} times={times} boil={boil} first={ready.length === 0} />
      )}
      {places.length === 0 && ready.length === 0 && (
        <Empty
          drawing={
            <ContainerGlyph
              shape={shapeOf("jar-quart")}
              state="sealed"
              contents="meat"
              pattern="A"
              scale={0.6}
              label=""
            />
          }
          title="No shelves yet."
        >
          Add the first one below.
        </Empty>
      )}
      <Shelves key={`shelves ${search}`} data={loaderData} result={result} />
      {!found && <AddShelf first={places.length === 0} formKey={key} result={resultOf(result, "add")} />}
    </Page>
  );
}
