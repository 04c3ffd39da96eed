import { href } from "react-router";
import type { Route } from "./+types/found";
import { addDays, dayAsked, localDay, readWallText } from "#core/calendar";
import { findAnything, findOnDay, type Found } from "#store/trace";
import { homeContext, type Home } from "../../server/context";
import { HELP } from "../../words/help";
import { timesOf } from "../../words/time";
import { json } from "../api/problem";

/** Something the palette may lead to. */
export interface Jumped {
  kind: string;
  /** null where it has none */
  code: string | null;
  title: string;
  to: string;
}

const KINDS: Record<Found["kind"], string> = {
  harvest: "animal",
  lot: "lot",
  pack: "pack",
  run: "run",
  container: "jar",
  shelf: "shelf",
  recipe: "recipe",
};

function leadTo({ kind, code, title }: Found): Jumped {
  const plain = { kind: KINDS[kind], title };
  if (kind === "shelf") return { ...plain, code: null, to: href("/larder/shelf/:id", { id: code }) };
  if (kind === "recipe") return { ...plain, code: null, to: `${href("/plan/dishes")}?recipe=${code}` };
  if (kind === "harvest") return { ...plain, code, to: href("/field/:code", { code }) };
  if (kind === "lot") return { ...plain, code, to: href("/cold/:code", { code }) };
  return { ...plain, code, to: href("/c/:code", { code }) };
}

/** What was done on the day a text names, in the way the household writes days; nothing where it names none. */
function onDay({ larder, household }: Home, text: string): Found[] {
  const times = timesOf(household);
  const day = dayAsked(text, times.dates, localDay(larder.now(), times.zone));
  if (day === null) return [];
  const startOf = (d: string) => {
    const wall = readWallText(`${d}T00:00`, times.zone);
    return wall?.is === "once" ? wall.at : wall?.is === "twice" ? wall.at[0] : Date.parse(`${d}T00:00Z`);
  };
  return findOnDay(larder, day, startOf(day), startOf(addDays(day, 1)));
}

/** People whose name begins so: what each of them did. */
function peopleCalled({ people }: Home, text: string): Jumped[] {
  return people
    .filter((p) => p.name.toLowerCase().startsWith(text.toLowerCase()))
    .map((p) => ({
      kind: "person",
      code: null,
      title: `${p.name}: every change`,
      to: `${href("/records/history")}?by=${p.id}`,
    }));
}

/** What in the larder is called so or was done that day, who is called so, and the help that speaks of it. */
export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const text = (new URL(request.url).searchParams.get("q") ?? "").trim().slice(0, 60);
  if (text.length < 2) return json([]);
  const words = text.toLowerCase().split(/\s+/);
  const help = HELP.filter((h) => {
    const all = `${h.title} ${h.also} ${h.text.join(" ")}`.toLowerCase();
    return words.every((w) => all.includes(w));
  }).slice(0, 5);
  return json([
    ...peopleCalled(home, text),
    ...[...onDay(home, text), ...findAnything(home.larder, text)].map(leadTo),
    ...help.map((h): Jumped => ({
      kind: "help",
      code: null,
      title: h.title,
      to: href("/help/:page", { page: h.key }),
    })),
  ]);
}
