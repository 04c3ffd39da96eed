import { href, Link } from "react-router";
import { memo, type ComponentType } from "react";
import type { Contents, GlyphState, PatternLetter } from "#ui/glyph";

export type PlaceKey = "field" | "cold" | "table" | "plan" | "pack" | "seam" | "fire" | "rest" | "larder";

/** One glyph standing on the bench. */
export interface BenchStanding {
  kind: string;
  mouth: string | null;
  state: GlyphState;
  contents: Contents;
  pattern: PatternLetter;
}

/** One place of the row, with what stands there. */
export interface BenchPlace {
  key: PlaceKey;
  name: string;
  /** what is there, in three or four words */
  what: string;
  /** how much is there, for the drawing: 0 draws nothing */
  amount: number;
  /** containers standing there, at most three; other places draw their own picture from `amount` */
  standing: BenchStanding[];
  steaming: boolean;
}

/**
 * The row of places as a counter edge, each with what stands there now. It is the navigation. Where the work is done it is
 * one line, so that the page has the room. A phone has its own bar at the foot.
 */
export const Bench = memo(function Bench({
  places,
  here,
  drawing: Drawing = null,
}: {
  places: readonly BenchPlace[];
  /** first part of the address */
  here: string;
  /** draws what stands in a place, for the tall bench that is the face of Today; null for one line of words */
  drawing?: ComponentType<{ place: BenchPlace }> | null;
}) {
  return (
    <nav aria-label="Places of the work" className={Drawing ? "places tall" : "places"}>
      {places.map((p) => (
        <Link key={p.key} to={href(`/${p.key}`)} aria-current={p.key === here ? "page" : undefined}>
          <b>{p.name}</b>
          <span>{p.what}</span>
          {Drawing && (
            <i>
              <Drawing place={p} />
            </i>
          )}
        </Link>
      ))}
    </nav>
  );
});
