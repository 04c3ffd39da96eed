export { PATTERN_LETTERS, PatternDefs, patternOf, type PatternLetter } from "./pattern";
export {
  ContainerGlyph,
  STATE_NAMES,
  type ContainerGlyphProps,
  type Contents,
  type GlyphState,
} from "./container";
export { contentsOf } from "./contents";
export { SharedGlyphs, StoredGlyph, type StoredContainer } from "./stored";
