import type { blockStyle, panel, sceneSettings, ValuesOf } from "../settings/index.ts";
import type { Cue } from "./cue.ts";
import type { Layer, TextLayer } from "./layer.ts";
import type { Rule } from "./rules.ts";
import type { Length } from "./units.ts";

/** One block of a scene's content in the flow, which gives the scene its height. */
export type Block = BlockSettings & { name?: string; cue?: Cue; rules?: readonly Rule<BlockSettings>[] } & (
    | { text: string; as?: NonNullable<TextLayer["as"]>; list?: never; href?: never }
    | { list: readonly string[]; text?: never; as?: never; href?: never }
    | { text: string; href: string; as?: never; list?: never }
  );

type BlockSettings = ValuesOf<typeof blockStyle> & Panel;

/** What is painted behind words in the flow. */
export type Panel = ValuesOf<typeof panel>;

/** Whether a block is a link that looks like a button: something is painted behind it. */
export const isButton = ({ href, background, shadow, blurBehind }: Block): boolean =>
  href !== undefined && (background ?? shadow ?? blurBehind) !== undefined;

/** The space in a block above and below its words; a button has twice that beside them. */
export const blockPadding = (block: Block): Length => block.padding ?? (isButton(block) ? "0.75rem" : 0);

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

/** What a scene is high at least: all that is known of an automatic height without a viewport. */
export function leastHeight(scene: Scene): Length {
  const height = sceneHeight(scene);
  return height === "auto" ? (scene.minHeight ?? 0) : height;
}
