declare module "fontverter" {
  /** Converts a font file between its containers; rejects what is no font. */
  export function convert(font: Buffer, to: "sfnt" | "woff" | "woff2"): Promise<Buffer>;
}
