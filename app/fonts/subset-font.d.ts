declare module "subset-font" {
  /** Returns a font with the glyphs of a text alone. */
  export default function subset(
    font: Buffer,
    text: string,
    options: { targetFormat: "sfnt" | "woff2"; variationAxes?: Record<string, number> },
  ): Promise<Buffer>;
}
