import type { CheckSetting } from "./check-rule.ts";
/**
 * The page as plain data: the shape of the page file, of what `mount` takes and of what the static output
 * is made from. The unions are written so that a contradiction (both depth and speed, left and right and
 * width) does not compile.
 */

/** A length with its unit. Percentages refer to the width or height of the box around, as in CSS. */
export type Length = 0 | `${number}${LengthUnit}`;
export type LengthUnit = "px" | "%" | "rem" | "vw" | "vh" | `${"s" | "l" | "d"}v${"w" | "h"}`;

/** Distance behind the page surface in camera distances, more than -1; `"horizon"` is infinitely far. */
export type Depth = number | "horizon";

/** A layer gives its depth, or its speed (0 fixed, 1 with the page), or neither: then it lies on the surface. */
export type Motion = { depth?: Depth; speed?: never } | { speed?: number; depth?: never };

/** Where drift carries a layer as the reader scrolls down: a side, or degrees clockwise from up, as in CSS. */
export type Direction = "down" | "up" | "left" | "right" | number;

/** When every layer of a scene stands where it was placed; a number is a share (0..1) of the passage. */
export type Settle = "auto" | "enter" | "top" | "middle" | "bottom" | "leave" | number;

/** A moment of a passage: a range of the scroll-driven animation standard and a percentage of it. */
export type Moment = `${RangeName} ${number}%`;
export type RangeName = "cover" | "contain" | "entry" | "exit" | "entry-crossing" | "exit-crossing";

/** Movement from one offset to another, for those who think in distances. It is added to any drift. */
export interface Travel {
  /** Offsets to the right at the start and the end; percentages are of the layer's own width. */
  x?: readonly [from: Length, to: Length];
  /** Offsets downwards at the start and the end; percentages are of the layer's own height. */
  y?: readonly [from: Length, to: Length];
  /** The moments between which it happens; `["cover 0%", "cover 100%"]` by default. */
  over?: readonly [start: Moment, end: Moment];
  /** Whose passage that is: the scene's (default), the layer's own, or the scroll range of the whole page. */
  of?: "scene" | "layer" | "page";
}

/** A CSS easing function. */
export type Easing =
  | "linear"
  | "ease"
  | `ease-${"in" | "out" | "in-out"}`
  | `step-${"start" | "end"}`
  | `cubic-bezier(${string})`
  | `steps(${string})`;

/** A value that a ramp has at a moment, and how it goes on from there: evenly when it does not say. */
export interface Stop<Value> {
  at: Moment;
  value: Value;
  easing?: Easing;
}

interface RampOf<Property extends string, Value> {
  property: Property;
  /** Two or more, in the order in which they are passed. */
  stops: readonly [Stop<Value>, Stop<Value>, ...Stop<Value>[]];
  /** Whose passage the moments belong to: the scene's (default), the layer's own, or the page's scroll range. */
  of?: "scene" | "layer" | "page";
}

/** What a text's pieces may have one after the other. */
interface InPieces {
  /** Lines are those on the reader's screen. */
  pieces?: Pieces;
  /** How much of the whole way passes until the last piece begins, 0..1; 0.5 by default. */
  stagger?: number;
}

/** A property that follows the scroll between moments, and back. */
export type Ramp =
  | RampOf<"scale" | "brightness" | "saturation", number>
  | (RampOf<"opacity" | "fontWeight", number> & InPieces)
  /** Degrees, clockwise. */
  | RampOf<"rotate", number>
  | RampOf<"blur", `${number}px`>
  /** Offsets to the right and downwards; percentages are of the layer's own size. */
  | RampOf<"x" | "y", Length>
  /** Of a text its letters', of a shape or group its background's. */
  | (RampOf<"color", string> & InPieces)
  /** What is cut off at the top, right, bottom and left, as in the CSS function `inset()`. */
  | RampOf<"clip", string>
  | (RampOf<"letterSpacing", NonNullable<TextStyle["letterSpacing"]>> & InPieces)
  /** Which part of a picture or gradient shows, across and down. */
  | RampOf<"backgroundPosition", `${number}% ${number}%`>
  /** An axis of a variable font, by its tag. */
  | (RampOf<"axis", number> & InPieces & { axis: string });

/** What a text is split into. */
export type Pieces = "lines" | "words" | "letters";

/** A change that plays once when the scroll passes a moment, from what it says to how the layer was composed. */
export interface Cue {
  /** The moment, or `"load"`: as soon as the page is there; `"entry 30%"` by default. */
  at?: Moment | "load";
  /** Whose passage the moment belongs to: the layer's own (default) or the scene's. */
  of?: "layer" | "scene";
  /** What the layer comes from. Offsets are to the right and downwards, percentages of its own size. */
  from: {
    x?: Length;
    y?: Length;
    opacity?: number;
    scale?: number;
    /** Degrees, clockwise. */
    rotate?: number;
    blur?: `${number}px`;
    /** What is cut off at the top, right, bottom and left, as in the CSS function `inset()`. */
    clip?: string;
  };
  /** Milliseconds; 700 by default. */
  duration?: number;
  /** Milliseconds; 0 by default. */
  delay?: number;
  /** `"ease-out"` by default. */
  easing?: Easing;
  /** Of a text: its pieces come one after the other; lines are those on the reader's screen. */
  pieces?: Pieces;
  /** Milliseconds from one piece of a text, or layer of a group, to the next; 0 by default, 40 with pieces. */
  stagger?: number;
}

/** Camera movement besides that down the page. */
export interface Camera {
  /** Sideways movement per scrolled pixel; positive carries far layers to the right. */
  pan?: number;
  /** Movement forward over a whole passage, in camera distances. */
  push?: number;
  /** How far it moves to each side as the pointer goes from the middle of the screen to its edge, or a device tilts. */
  sway?: Length;
}

/** A change of settings where a standard media query holds; later rules win. */
export type Rule<Settings> = { media: string } & Settings;

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

/** Where a layer stands at the settle moment, against the box around it, in CSS inset and size names. */
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

/** A size at which the widest line of a text is exactly as wide as said; the text breaks only where it says. */
export interface FittedSize {
  /** Percentages are of the width of the box around, as in `place`. */
  fit: Length;
}

/** Text settings, named as the CSS properties are in the CSSOM. */
export interface TextStyle {
  color?: string;
  fontFamily?: string;
  fontSize?: Length | FluidSize | FittedSize;
  fontWeight?: number;
  fontStyle?: "normal" | "italic";
  lineHeight?: number;
  letterSpacing?: `${number}em` | Length;
  textAlign?: "left" | "center" | "right";
  /** The text is never wider than this; percentages are of the scene's width. */
  maxWidth?: Length;
  /** Width of the letters' outline; the letters are then drawn as outlines only. */
  outline?: Length;
}

interface LayerBase {
  /** Unique in its scene; becomes `data-lumbit-layer`. */
  name: string;
  place?: Place;
  direction?: Direction;
  /** Paints the layer as if it were at this depth. */
  order?: Depth;
  travel?: Travel;
  ramps?: readonly Ramp[];
  /** Between these moments of its scene's passage the layer stays where it is on the screen. */
  hold?: readonly [from: Moment, to: Moment];
  cue?: Cue;
  /** Not shown at all. */
  hidden?: boolean;
  /** Tools leave it where it is. */
  locked?: boolean;
}

/** What rules may change of every layer; `"none"` takes away what the layer has. */
export type LayerSettings = Partial<Pick<LayerBase, "place" | "direction" | "order" | "ramps" | "hidden">> & {
  [K in "travel" | "hold" | "cue"]?: LayerBase[K] | "none";
} & Motion;

/** What some kinds of layers have besides, and rules may change of these. */
export interface KindSettings {
  background?: string;
  /** A CSS box shadow. */
  shadow?: string;
  /** Rounding of the corners, of the pane where there is one. */
  radius?: Length;
  /** The place is that of a pane, a box that stays with the page and clips what moves inside it. */
  pane?: boolean;
  image?: string;
  /** The same picture with more pixels, by pixel density: `{ "2": "art/reef@2x.webp" }`. */
  variants?: Readonly<Record<string, string>>;
  /** How a picture fills a box of other proportions; `cover` by default. */
  fit?: "cover" | "contain";
  /** The point that matters, as shares (0..1) of a picture's width and height; the middle by default. */
  subject?: readonly [x: number, y: number];
  /** `false` keeps a text on one line. */
  wrap?: boolean;
  /** How often a text stands in its row; copies are for the eye only. */
  repeat?: number;
  /** Of a group in a pane: how large it is, in percentages of the pane; as large as the pane by default. */
  size?: { width?: Length; height?: Length };
  /** How far a group turns towards the pointer over it, in degrees; layers in it shift by their depths as it turns. */
  tilt?: number;
  reel?: Reel;
}

/** A layer is one picture, text, shape or group. */
type Only<Kind extends string> = { [K in Exclude<"image" | "text" | "shape" | "layers", Kind>]?: never };

/** Slides side by side that travel sideways while their scene holds; on narrow screens a row that is swiped. */
export interface Reel {
  /** The width of a slide; percentages are of the reel, all of it by default. */
  width?: Length;
  /** Space between slides; 0 by default. */
  gap?: Length;
  /** How much of a slide has to be in view for its title to come in, 0..1; 0.6 by default. */
  share?: number;
}

/** What a kind of layer may have of these, and its rules may change. */
type Some<Keys extends keyof KindSettings> = Pick<KindSettings, Keys>;
type Rules<Settings> = { rules?: readonly Rule<LayerSettings & Settings>[] };

type ImageSettings = Some<"variants" | "subject" | "fit" | "radius" | "pane">;
type TextSettings = TextStyle & Some<"wrap" | "repeat">;
type ShapeSettings = Some<"shadow" | "radius" | "pane">;
type GroupSettings = Some<"background" | "radius" | "pane" | "size" | "tilt">;
type SlideSettings = Some<"background" | "radius">;

/** A picture. Without `place` it fills its scene as a pane: cover, around its subject. */
export type ImageLayer = LayerBase &
  Only<"image"> &
  Motion &
  ImageSettings & {
    image: string;
    /** What the picture shows, for readers who do not see it; `""` when it only decorates. */
    alt: string;
  } & Rules<ImageSettings & Some<"image">>;

/** A text. Without `place` it is centred in its scene. */
export type TextLayer = LayerBase &
  Only<"text"> &
  Motion &
  TextSettings & {
    text: string;
    as?: "h1" | "h2" | "h3" | "h4" | "h5" | "h6" | "p";
    /** In a slide of a reel: comes in while the slide is in view, and goes out with it. */
    title?: boolean;
  } & Rules<TextSettings>;

/** A rectangle or ellipse. Without `place` it fills its scene as a pane. */
export type ShapeLayer = LayerBase &
  Only<"shape"> &
  Motion &
  ShapeSettings & { shape: "rectangle" | "ellipse"; background: string } & Rules<
    ShapeSettings & Some<"background">
  >;

/** Layers that move as one and are stacked inside; their places are against the group's box. */
export type GroupLayer = LayerBase &
  Only<"layers"> &
  Motion &
  GroupSettings & {
    /** Of a reel, its slides. */
    layers: readonly (GroupedLayer | Slide)[];
    reel?: Reel;
  } & Rules<GroupSettings & { reel?: Omit<Reel, "share"> }>;

/** A layer inside a group: `depth` is for stacking only, unless the group tilts. */
export type GroupedLayer = ImageLayer | TextLayer | ShapeLayer;

/** One of a reel: as wide as it says, as high as the reel. Depths in it move as the slide travels. */
export type Slide = LayerBase &
  Only<"layers"> &
  Motion &
  SlideSettings & { layers: readonly GroupedLayer[] } & Rules<SlideSettings>;

export type Layer = GroupedLayer | GroupLayer;

/** Viewports narrower than this, in px, swipe reels instead of travelling along them. */
export const swipeWidth = 600;

/** One block of a scene's content in the flow, which gives the scene its height. */
export type Block = BlockStyle & { cue?: Cue; rules?: readonly Rule<BlockStyle>[] } & (
    | ({ text: string; as?: NonNullable<TextLayer["as"]>; list?: never; href?: never } & NoButton)
    | ({ list: readonly string[]; text?: never; as?: never; href?: never } & NoButton)
    | ({ text: string; href: string; as?: never; list?: never } & Button)
  );

type BlockStyle = Omit<TextStyle, "fontSize"> & { fontSize?: Length | FluidSize };

/** What makes a link look like a button: it has a background. */
export interface Button {
  background?: string;
  radius?: Length;
  /** Space above and below its text, and twice that beside it; `"0.75rem"` by default. */
  padding?: Length;
}
type NoButton = { [K in keyof Button]?: never };

/** One box of the page in which layers are stacked. */
export interface Scene {
  /** Unique on the page; becomes `data-lumbit-scene` and the fragment for links. */
  name: string;
  /** `"100vh"` by default, `"auto"` (what the content needs) when there is content. Not a percentage. */
  height?: Length | "auto";
  minHeight?: Length;
  /**
   * `"full"` from edge to edge, whatever container a mounted scene sits in; `"column"` within the page's column. A
   * scene of a page is full by default, a mounted one as wide as its element.
   */
  width?: "full" | "column";
  /** Space around the content. */
  paddingTop?: Length;
  paddingBottom?: Length;
  settle?: Settle;
  /** Extra scroll distance during which the scene stays put on the screen while its layers go on. */
  hold?: Length;
  relief?: number;
  camera?: Camera;
  background?: string;
  color?: string;
  /** Content in the flow, on the page surface, in reading order before the layers. */
  content?: readonly Block[];
  layers: readonly Layer[];
  rules?: readonly Rule<SceneSettings>[];
}

export type SceneSettings = Partial<
  Pick<
    Scene,
    | "height"
    | "minHeight"
    | "width"
    | "paddingTop"
    | "paddingBottom"
    | "settle"
    | "hold"
    | "relief"
    | "camera"
    | "background"
    | "color"
  >
>;

/** A font file shipped with the page, in the descriptors of `@font-face`. */
export interface FontFace {
  family: string;
  src: string;
  /** One weight, or the range of a variable font: `"100 900"`. */
  weight?: string;
  style?: "normal" | "italic";
}

/** A picture behind all scenes of the page. */
export type Backdrop = Motion & { image: string; alt: string; subject?: readonly [x: number, y: number] };

export interface PageLook {
  background?: string;
  color?: string;
  fontFamily?: string;
  /** The width of the column for content and column scenes; `"720px"` by default. */
  column?: Length;
  /** Least space on both sides of the column; `"1.25rem"` by default. */
  margin?: Length;
  /** Space between blocks of content; `"1rem"` by default. */
  gap?: Length;
  relief?: number;
  camera?: Camera;
  /** How pale layers behind the surface become: what is lost of the opacity of one infinitely far, 0..1. */
  haze?: number;
  /** The depth that is sharp, and the blur radius of a layer infinitely farther. */
  focus?: { depth: Depth; blur: Length };
  backdrop?: Backdrop;
  rules?: readonly Rule<{ relief?: number; camera?: Camera }>[];
}

export interface Page {
  format: "lumbit/1";
  title: string;
  lang: string;
  page?: PageLook;
  fonts?: readonly FontFace[];
  scenes: readonly Scene[];
  checks?: readonly CheckSetting[];
}

/** What a scene is as high as when it does not say. */
export const sceneHeight = (scene: Scene): Length | "auto" =>
  scene.height ?? (scene.content ? "auto" : "100vh");
