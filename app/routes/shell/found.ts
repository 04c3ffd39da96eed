import type { Route } from "./+types/found";
import { findAnything, type Found } from "#store/trace";
import { atHome } from "../../server/context";
import { HELP } from "../../words/help";
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
  if (kind === "shelf") return { ...plain, code: null, to: `/larder/shelf/${code}` };
  if (kind === "recipe") return { ...plain, code: null, to: "/plan/dishes" };
  const pages: Partial<Record<Found["kind"], string>> = { harvest: "field", lot: "cold" };
  return { ...plain, code, to: `/${pages[kind] ?? "c"}/${code}` };
}

/** What in the larder is called so, and the help that speaks of it. */
export function loader({ request, context }: Route.LoaderArgs) {
  const { larder } = atHome(context, request);
  const text = (new URL(request.url).searchParams.get("q") ?? "").trim().slice(0, 60);
  if (text.length < 2) return json([]);
  const words = text.toLowerCase().split(/\s+/);
  const help = HELP.filter((h) => {
    const all = `${h.title} ${h.also} ${h.text.join(" ")}`.toLowerCase();
    return words.every((w) => all.includes(w));
  }).slice(0, 5);
  return json([
    ...findAnything(larder, text).map(leadTo),
    ...help.map((h): Jumped => ({ kind: "help", code: null, title: h.title, to: `/help/${h.key}` })),
  ]);
}
