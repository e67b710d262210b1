import type { Kind, LayerRows, TypeOf } from "../settings/index.ts";
import type { Motion } from "./depth.ts";
import type { Moment } from "./moment.ts";
import type { Place } from "./place.ts";
import type { Ramp } from "./ramp.ts";
import type { Reel } from "./reel.ts";
import type { Rule } from "./rules.ts";

/*
 * The types of layers follow from the table of settings; here stands what it cannot say: what excludes what, and which
 * settings make a layer what it is.
 */

/** The settings of which the table knows less than their type says. */
interface Exact {
  place: Place;
  ramps: readonly Ramp[];
  hold: readonly [from: Moment, to: Moment];
}

type ValueOf<Key extends keyof LayerRows> = Key extends keyof Exact
  ? Exact[Key]
  : TypeOf<LayerRows[Key]["grammar"]>;

type Values<Keys extends keyof LayerRows> = { [Key in Keys]?: ValueOf<Key> };

/** What all layers may have, and what those of a kind have besides. */
type CommonKey = {
  [Key in keyof LayerRows]: LayerRows[Key] extends { kinds: unknown } ? never : Key;
}[keyof LayerRows];
type KeyOf<Own extends Kind> = {
  [Key in keyof LayerRows]: LayerRows[Key] extends { kinds: readonly (infer Of)[] }
    ? Own extends Of
      ? Key
      : never
    : never;
}[keyof LayerRows];

/** What rules may change. */
type Changing = {
  [Key in keyof LayerRows]: LayerRows[Key] extends { byRule: unknown } ? Key : never;
}[keyof LayerRows];
type Removing = {
  [Key in keyof LayerRows]: LayerRows[Key] extends { byRule: "none" } ? Key : never;
}[keyof LayerRows];

type LayerBase = { name: string } & Values<Exclude<CommonKey, "name" | "depth" | "speed">>;

/** What rules may change of every layer; `"none"` takes away what the layer has. */
export type LayerSettings = Values<Exclude<CommonKey & Changing, Removing | "depth" | "speed">> & {
  [Key in Removing]?: ValueOf<Key> | "none";
} & Motion;

/** What the settings of all kinds of layers are that rules may change. */
export type KindSettings = Values<KeyOf<Kind> & Changing>;

/** What makes a layer what it is. */
type Naming = "image" | "alt" | "text" | "shape" | "markup" | "layers" | "reel" | "background";

/** What a layer of a kind may have besides. */
type Own<Of extends Kind> = Values<Exclude<KeyOf<Of>, Naming>>;

/** What only other kinds have: so that any setting of any layer can be asked for. */
type Lacks<Of extends Kind> = { [Key in Exclude<KeyOf<Kind>, KeyOf<Of>>]?: never } & (Of extends
  | "group"
  | "slide"
  ? unknown
  : { layers?: never });

type Rules<Of extends Kind> = {
  rules?: readonly Rule<LayerSettings & Values<KeyOf<Of> & Changing>>[];
};

/** A picture. Without `place` it fills its scene as a pane: cover, around its subject. */
export type ImageLayer = LayerBase &
  Lacks<"image"> &
  Motion &
  Own<"image"> & {
    image: string;
    /** What the picture shows, for readers who do not see it; `""` when it only decorates. */
    alt: string;
  } & Rules<"image">;

/** A text. Without `place` it is centred in its scene. */
export type TextLayer = LayerBase &
  Lacks<"text"> &
  Motion &
  Own<"text"> & { text: string; background?: string } & Rules<"text">;

/** A rectangle or ellipse. Without `place` it fills its scene as a pane. */
export type ShapeLayer = LayerBase &
  Lacks<"shape"> &
  Motion &
  Own<"shape"> & {
    shape: "rectangle" | "ellipse";
    background: string;
    /** What it shows, or where it leads as a link, for readers who do not see it. */
    alt?: string;
  } & Rules<"shape">;

/** A piece of markup from a file, with a place that gives its width and height. */
export type MarkupLayer = LayerBase &
  Lacks<"markup"> &
  Motion &
  Own<"markup"> & {
    markup: string;
    /** What it shows, or where it leads as a link, for readers who do not see it. */
    alt?: string;
  } & Rules<"markup">;

/** Layers that move as one and are stacked inside; their places are against the group's box. */
export type GroupLayer = LayerBase &
  Lacks<"group"> &
  Motion &
  Own<"group"> & {
    /** Of a reel, its slides. */
    layers: readonly (GroupedLayer | GroupLayer | Slide)[];
    background?: string;
    reel?: Reel;
  } & Rules<"group">;

/** A layer with no other in it. Inside a group `depth` is for stacking only, unless the group tilts. */
export type GroupedLayer = ImageLayer | TextLayer | ShapeLayer | MarkupLayer;

/** One of a reel: as wide as it says, as high as the reel. Depths in it move as the slide travels. */
export type Slide = LayerBase &
  Lacks<"slide"> &
  Motion &
  Own<"slide"> & { layers: readonly GroupedLayer[]; background?: string } & Rules<"slide">;

export type Layer = GroupedLayer | GroupLayer;

/** A layer wherever it is: in a scene, in a group, or a slide of a reel. */
export type AnyLayer = Layer | Slide;
