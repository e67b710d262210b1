import type { Cue } from "./cue.ts";
import type { Depth, Direction, Motion } from "./depth.ts";
import type { Moment } from "./moment.ts";
import type { Place } from "./place.ts";
import type { Ramp, Travel } from "./ramp.ts";
import type { Reel } from "./reel.ts";
import type { Rule } from "./rules.ts";
import type { TextStyle } from "./text-style.ts";
import type { Length } from "./units.ts";

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
