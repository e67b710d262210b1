import {
  type Block,
  type Box,
  blockPadding,
  isButton,
  type Length,
  listIndent,
  resolveFontSize,
  resolveLength,
} from "../core/index.ts";
import { contentBox, lettersOf } from "./letters.ts";
import type { SceneView, View } from "./view.ts";

/** A block of a scene's content in the flow; boxes are against the scene. */
export interface BlockView {
  block: Block;
  index: number;
  /** What is painted behind it, and behind all of the content. */
  box: Box;
  panel: Box;
  letters: Box;
  /** Its font size in px. */
  size: number;
}

/** The blocks of a scene's content, one below the other. */
export function blocksOf(own: SceneView, view: View): BlockView[] {
  const { scene } = own;
  const { viewport, natural } = view;
  const inside = contentBox(own, view);
  const content = scene.content;
  if (!inside || !content) return [];
  const px = (length: Length) => resolveLength(length, { viewport, percent: inside.width });
  const { panel, ...bare } = scene;
  const heightOf = (blocks: readonly Block[]) =>
    natural.content?.({ ...bare, content: blocks }, inside.width, viewport) ?? 0;
  const around = grown(inside, px(panel?.padding ?? 0), px(panel?.padding ?? 0));
  const heights = content.map((block) => heightOf([block]));
  const [first = 0, second = 0] = heights;
  const gap = heightOf(content.slice(0, 2)) - first - second;
  let next = inside.top;
  return content.map((block, index) => {
    const { padding: _, list, ...style } = block;
    const size = resolveFontSize(block.fontSize, { viewport });
    const padding = px(blockPadding(block));
    const height = heights[index] as number;
    const width = Math.min(inside.width, px(block.maxWidth ?? "100%"));
    const whole: Box = { left: inside.left, top: next, width, height };
    next += height + gap;
    const lines = grown(whole, -padding * (isButton(block) ? 2 : 1), -padding);
    if (list) {
      lines.left += px(listIndent);
      lines.width -= px(listIndent);
    }
    const widest = Math.max(
      ...(list ?? [block.text ?? ""]).map(
        (text) =>
          natural.layer({ ...style, as: "p", name: "", text }, lines.width, viewport, scene.name).width,
      ),
    );
    const letters = lettersOf(block, widest, size, lines, view);
    const box = isButton(block) ? grown(letters, 2 * padding, padding) : whole;
    return { block, index, box, panel: around, letters, size };
  });
}

const grown = (box: Box, across: number, down: number): Box => ({
  left: box.left - across,
  top: box.top - down,
  width: box.width + 2 * across,
  height: box.height + 2 * down,
});
