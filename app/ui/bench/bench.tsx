import { NavLink } from "react-router";
import { ContainerGlyph, type Contents, type GlyphState, type PatternLetter } from "#ui/glyph";
import { shapeOf, type ContainerKey, type Mouth } from "#core/schedule";
import { Board, Canner, ColdBox, Hanging, Sealer, Sheet } from "./place-drawing";

export interface BenchStanding {
  kind: string;
  mouth: string | null;
  state: GlyphState;
  contents: Contents;
  pattern: PatternLetter;
}

export interface BenchPlace {
  key: string;
  name: string;
  what: string;
  amount: number;
  standing: BenchStanding[];
  steaming: boolean;
}

/**
 * The row of places as a counter edge, each with what stands there now. It is the navigation. Where the work is done it is
 * one line, so that the page has the room. A phone has its own bar at the foot.
 */
export function Bench({
  places,
  tall,
}: {
  places: readonly BenchPlace[];
  /** with its drawings, as the face of Today */
  tall: boolean;
}) {
  return (
    <nav
      aria-label="Places of the work"
      className={
        "relative flex border-bench px-7 max-lg:px-2 max-md:hidden " +
        (tall ? "border-b-[10px] shadow-[0_3px_0_var(--bench-edge)]" : "border-b-[4px]")
      }
    >
      {places.map((p) => (
        <NavLink
          key={p.key}
          to={`/${p.key}`}
          className={
            "group relative flex min-w-0 flex-1 flex-col pl-2 text-ink no-underline active:bg-sheet " +
            `focus-visible:z-10 focus-visible:outline-offset-[-3px] ${tall ? "h-[146px]" : "h-[48px] justify-center"}`
          }
        >
          {({ isActive }) => (
            <>
              <span
                className={`font-[650] ${tall ? "pt-3" : "leading-tight"} ${isActive ? "text-copper-ink" : ""}`}
              >
                {p.name}
              </span>
              <span
                className={`leading-tight text-soft ${tall ? "text-[0.88rem]" : "truncate text-[0.82rem]"}`}
              >
                {p.what}
              </span>
              {tall && (
                <span className="mt-auto flex items-end gap-[2px] max-xl:[&>svg:nth-child(3)]:hidden">
                  <Drawing place={p} />
                </span>
              )}
              {isActive && (
                <span
                  className={`absolute inset-x-0 bg-copper ${tall ? "-bottom-[10px] h-[10px]" : "-bottom-[4px] h-[4px]"}`}
                />
              )}
            </>
          )}
        </NavLink>
      ))}
    </nav>
  );
}

function Drawing({ place }: { place: BenchPlace }) {
  switch (place.key) {
    case "field":
      return place.amount > 0 ? <Hanging /> : null;
    case "cold":
      return place.amount > 0 ? <ColdBox lots={place.amount} /> : null;
    case "table":
      return <Board />;
    case "plan":
      return <Sheet />;
    case "seam":
      return place.amount > 0 ? <Jars standing={place.standing} /> : <Sealer />;
    case "fire":
      return <Canner steaming={place.steaming} lit={place.amount > 0} />;
    default:
      return <Jars standing={place.standing} />;
  }
}

function Jars({ standing }: { standing: readonly BenchStanding[] }) {
  return standing.map((s, i) => (
    <ContainerGlyph
      key={i}
      shape={shapeOf(s.kind as ContainerKey, s.mouth as Mouth | null)}
      state={s.state}
      contents={s.contents}
      pattern={s.pattern}
      scale={0.38}
      label=""
    />
  ));
}
