import { shapeOf, type ContainerKey, type Mouth, type ProductKey } from "#core/schedule";
import { ContainerGlyph, type GlyphState } from "./container";
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

/** A container as it stands somewhere, drawn with its contents and its pack's pattern. */
export function StoredGlyph({
  c,
  state = "sealed",
  scale,
  label = "",
}: {
  c: StoredContainer;
  state?: GlyphState;
  scale: number;
  /** what it is, in words; empty where that stands beside it */
  label?: string;
}) {
  return (
    <ContainerGlyph
      shape={shapeOf(c.kind, c.mouth)}
      state={state}
      contents={contentsOf(c.product, c.species)}
      pattern={patternOf(c.packCode)}
      scale={scale}
      label={label}
    />
  );
}
