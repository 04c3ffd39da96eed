import { shapeOf, type ContainerKey, type Mouth } from "#core/schedule";
import { ContainerGlyph } from "#ui/glyph";
import type { BenchPlace, BenchStanding } from "./bench";
import { Board, Canner, ColdBox, Hanging, Sealer, Sheet } from "./place-drawing";

/** What stands in a place, drawn. */
export function StandingThere({ place }: { place: BenchPlace }) {
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
