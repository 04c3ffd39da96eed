import { shapeOf, type ContainerKey, type Mouth, type ProductKey } from "#core/schedule";
import {
  ContainerGlyph,
  GlyphSymbol,
  GlyphUse,
  type ContainerGlyphProps,
  type GlyphState,
} from "./container";
import { contentsOf } from "./contents";
import { patternOf } from "./pattern";

/** What is known of a container wherever it is drawn. */
export interface StoredContainer {
  kind: ContainerKey;
  mouth: Mouth | null;
  product: ProductKey;
  species: readonly string[];
  packCode: string;
}

const drawnAs = (c: StoredContainer, state: GlyphState): ContainerGlyphProps => ({
  shape: shapeOf(c.kind, c.mouth),
  state,
  contents: contentsOf(c.product, c.species),
  pattern: patternOf(c.packCode),
});

/** Containers that look alike share a drawing: by their shape, state, contents and pattern. */
const symbolOf = ({ shape, state, contents, pattern }: ContainerGlyphProps): string =>
  `glyph-${shape.key}-${shape.mouth ?? "can"}-${state}-${contents}-${pattern}`;

/** Draws once what many containers of a page look like, for those of them that are `shared`. */
export function SharedGlyphs({
  of,
  state = "sealed",
}: {
  of: readonly StoredContainer[];
  state?: GlyphState;
}) {
  const drawings = new Map(of.map((c) => drawnAs(c, state)).map((d) => [symbolOf(d), d]));
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      {[...drawings].map(([id, drawing]) => (
        <GlyphSymbol key={id} id={id} {...drawing} />
      ))}
    </svg>
  );
}

/** A container as it stands somewhere, drawn with its contents and its pack's pattern. */
export function StoredGlyph({
  c,
  state = "sealed",
  scale,
  label = "",
  shared = false,
}: {
  c: StoredContainer;
  state?: GlyphState;
  scale: number;
  /** what it is, in words; empty where that stands beside it */
  label?: string;
  /** its drawing is among those of the page's `SharedGlyphs` */
  shared?: boolean;
}) {
  const drawing = drawnAs(c, state);
  return shared ? (
    <GlyphUse {...drawing} id={symbolOf(drawing)} scale={scale} label={label} />
  ) : (
    <ContainerGlyph {...drawing} scale={scale} label={label} />
  );
}
