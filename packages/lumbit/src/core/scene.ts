import type { blockStyle, button, sceneSettings, ValuesOf } from "../settings/index.ts";
import type { Cue } from "./cue.ts";
import type { Layer, TextLayer } from "./layer.ts";
import type { Rule } from "./rules.ts";
import type { Length } from "./units.ts";

/** One block of a scene's content in the flow, which gives the scene its height. */
export type Block = BlockStyle & { name?: string; cue?: Cue; rules?: readonly Rule<BlockStyle>[] } & (
    | ({ text: string; as?: NonNullable<TextLayer["as"]>; list?: never; href?: never } & NoButton)
    | ({ list: readonly string[]; text?: never; as?: never; href?: never } & NoButton)
    | ({ text: string; href: string; as?: never; list?: never } & Button)
  );

type BlockStyle = ValuesOf<typeof blockStyle>;

/** What makes a link look like a button: it has a background. */
export type Button = ValuesOf<typeof button>;

type NoButton = { [K in keyof Button]?: never };

/** What rules may change of a scene. */
export type SceneSettings = ValuesOf<typeof sceneSettings>;

/** One box of the page in which layers are stacked. */
export type Scene = SceneSettings & {
  /** Unique on the page; becomes `data-lumbit-scene` and the fragment for links. */
  name: string;
  /** The element of it: a footer is the last one of its page. */
  as?: "section" | "footer";
  /** Content in the flow, on the page surface, in reading order before the layers. */
  content?: readonly Block[];
  layers: readonly Layer[];
  rules?: readonly Rule<SceneSettings>[];
};

/** What a scene is as high as when it does not say. */
export const sceneHeight = (scene: Scene): Length | "auto" =>
  scene.height ?? (scene.content ? "auto" : "100vh");
