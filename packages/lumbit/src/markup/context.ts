import type {
  AnyLayer,
  KindSettings,
  LayerSettings,
  PageLook,
  Reel,
  TextLayer,
  TextStyle,
} from "../core/index.ts";
import type { Picture } from "./assets.ts";

/** What a layer's style depends on besides the layer. */
export interface LayerContext {
  /** Selects the scene. */
  scene: string;
  look: PageLook;
  /** What is known of a picture's file. */
  fileOf(image: string): Pick<Picture, "width" | "height" | "placeholder"> | undefined;
  /** The width of a text's widest line in font sizes. */
  ems(text: TextLayer): number;
  /** Whether the camera moves forward in this scene. */
  pushed: boolean;
  /** Layers that plain CSS keeps where they are. */
  fixed: readonly AnyLayer[];
  /** Whether the layer is one of a group, which it moves with. */
  inner?: true;
  /** Where the group that it is in has it stand: in a row, or in a box as large as what is in it. */
  stands?: "row" | "fit" | undefined;
  /** Of a slide: which of its reel it is. Of a layer in one: that it is. */
  slide?: { index: number; count: number } | "inside";
  /** The reel that it is in. */
  reel?: Reel;
}

/** The settings of a layer that are given: all of them, or those that a rule names. */
export type Given = LayerSettings & KindSettings & TextStyle;
