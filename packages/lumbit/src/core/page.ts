/**
 * The page as plain data: the shape of the page file, of what `mount` takes and of what the static output
 * is made from. The unions are written so that a contradiction (both depth and speed, left and right and
 * width) does not compile.
 */

/** A length with its unit. Percentages refer to the scene's width or height, as in CSS. */
export type Length = 0 | `${number}${LengthUnit}`;
export type LengthUnit = "px" | "%" | "rem" | "vw" | "vh" | `${"s" | "l" | "d"}v${"w" | "h"}`;

/** Distance behind the page surface in camera distances, more than -1; `"horizon"` is infinitely far. */
export type Depth = number | "horizon";

/** A layer gives its depth, or its speed (0 fixed, 1 with the page), or neither: then it lies on the surface. */
export type Motion = { depth?: Depth; speed?: never } | { speed?: number; depth?: never };

/** When every layer of a scene stands where it was placed; a number is a share (0..1) of the passage. */
export type Settle = "auto" | "enter" | "top" | "middle" | "bottom" | "leave" | number;

type Start<Inset extends string, Size extends string> =
  | (Partial<Record<Inset | Size, Length>> & { [K in Opposite<Inset>]?: never })
  | (Record<Opposite<Inset>, Length> & Partial<Record<Size, Length>> & { [K in Inset]?: never })
  | (Record<Inset | Opposite<Inset>, Length> & { [K in Size]?: never });
type Opposite<Inset extends string> = Inset extends "left" ? "right" : "bottom";
type Centred<Inset extends string, Size extends string> = Partial<Record<Size, Length>> & {
  [K in Inset | Opposite<Inset>]?: never;
};
type AlongX = Start<"left", "width">;
type AlongY = Start<"top", "height">;

/** Where a layer stands at the settle moment, against its scene's box, in CSS inset and size names. */
export type Place =
  | ({ center?: never } & AlongX & AlongY)
  | ({ center: "x" } & Centred<"left", "width"> & AlongY)
  | ({ center: "y" } & AlongX & Centred<"top", "height">)
  | ({ center: "both" } & Centred<"left", "width"> & Centred<"top", "height">);

/** A size that grows with the width of the viewport: `min` at `from` or narrower, `max` at `to` or wider. */
export interface FluidSize {
  min: `${number}px`;
  max: `${number}px`;
  /** Viewport width in px at which `min` ends; 360 by default. */
  from?: number;
  /** Viewport width in px at which `max` is reached; 1440 by default. */
  to?: number;
}

/** Text settings, named as the CSS properties are in the CSSOM. */
export interface TextStyle {
  color?: string;
  fontFamily?: string;
  fontSize?: Length | FluidSize;
  fontWeight?: number;
  fontStyle?: "normal" | "italic";
  lineHeight?: number;
  letterSpacing?: `${number}em` | Length;
  textAlign?: "left" | "center" | "right";
  /** The text is never wider than this; percentages are of the scene's width. */
  maxWidth?: Length;
}

interface LayerBase {
  /** Unique in its scene; becomes `data-lumbit-layer`. */
  name: string;
  place?: Place;
}

/** A picture. Without `place` it fills its scene as a pane: cover, around its subject. */
export type ImageLayer = LayerBase &
  Motion & {
    image: string;
    /** What the picture shows, for readers who do not see it; `""` when it only decorates. */
    alt: string;
    /** The point that matters, as shares (0..1) of the picture's width and height; the middle by default. */
    subject?: readonly [x: number, y: number];
    text?: never;
    as?: never;
  };

/** A text. Without `place` it is centred in its scene. */
export type TextLayer = LayerBase &
  Motion &
  TextStyle & {
    text: string;
    as?: "h1" | "h2" | "h3" | "h4" | "h5" | "h6" | "p";
    image?: never;
    alt?: never;
    subject?: never;
  };

export type Layer = ImageLayer | TextLayer;

/** One box of the page in which layers are stacked. */
export interface Scene {
  /** Unique on the page; becomes `data-lumbit-scene` and the fragment for links. */
  name: string;
  /** `100vh` by default. Not a percentage: a scene has no box around it to be a part of. */
  height?: Length;
  settle?: Settle;
  background?: string;
  color?: string;
  layers: readonly Layer[];
}

/** A font file shipped with the page, in the descriptors of `@font-face`. */
export interface FontFace {
  family: string;
  src: string;
  /** One weight, or the range of a variable font: `"100 900"`. */
  weight?: string;
  style?: "normal" | "italic";
}

export interface Page {
  format: "lumbit/1";
  title: string;
  lang: string;
  page?: { background?: string; color?: string; fontFamily?: string };
  fonts?: readonly FontFace[];
  scenes: readonly Scene[];
}

export const isImage = (layer: Layer): layer is ImageLayer => layer.image !== undefined;

/** A picture without a place fills its scene as a pane. */
export const fillsScene = (layer: Layer): boolean => isImage(layer) && layer.place === undefined;

/** What a scene is as high as when it does not say. */
export const sceneHeight = (scene: Scene): Length => scene.height ?? "100vh";
