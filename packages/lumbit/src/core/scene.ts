import type { Cue } from "./cue.ts";
import type { Camera } from "./drift.ts";
import type { FluidSize } from "./font-size.ts";
import type { Layer, TextLayer } from "./layer.ts";
import type { Rule } from "./rules.ts";
import type { Settle } from "./settle.ts";
import type { TextStyle } from "./text-style.ts";
import type { Length } from "./units.ts";

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

/** What rules may change of a scene. */
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

/** What a scene is as high as when it does not say. */
export const sceneHeight = (scene: Scene): Length | "auto" =>
  scene.height ?? (scene.content ? "auto" : "100vh");
