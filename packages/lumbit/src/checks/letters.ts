import {
  averageAdvance,
  type Box,
  contentAcross,
  directionalityOf,
  type Length,
  plainText,
  resolveFontSize,
  resolveLength,
  type TextLayer,
  type TextStyle,
  textDefaults,
} from "../core/index.ts";
import type { LayerView, SceneView, View } from "./view.ts";

/** The font size of a text at a viewport, in px. */
export function fontSizeOf({ text, fontSize }: TextLayer, { layout }: LayerView, { viewport }: View): number {
  const ems =
    averageAdvance *
    Math.max(
      ...plainText(text)
        .split("\n")
        .map((line) => line.length),
    );
  return resolveFontSize(fontSize, { viewport, fitted: { width: layout.box.width, ems } });
}

/** Where in a box that its text is drawn in the letters are, in px. */
export function lettersIn(box: Box & { scale?: number }, own: LayerView, layer: TextLayer, view: View): Box {
  const scale = box.scale ?? 1;
  const natural = view.natural.layer(layer, own.layout.box.width, view.viewport, own.scene).width;
  return lettersOf(layer, natural * scale, fontSizeOf(layer, own, view) * scale, box, view);
}

/** Where letters of a width and size are in a box as wide as their lines may be, without the space above and below them. */
export function lettersOf(style: TextStyle, natural: number, size: number, box: Box, { page }: View): Box {
  const width = Math.min(box.width, natural);
  const start = directionalityOf(page.lang) === "rtl" ? "right" : "left";
  const share = { left: 0, center: 0.5, right: 1 }[style.textAlign ?? start];
  const lineHeight = style.lineHeight ?? textDefaults.lineHeight;
  const leading = Math.max(0, ((lineHeight - 1) / 2) * size);
  return {
    left: box.left + share * (box.width - width),
    top: box.top + leading,
    width,
    height: box.height - 2 * leading,
  };
}

/** The box of the words of a scene's content in the flow, against the scene; nothing where it has none. */
export function contentBox({ scene }: SceneView, { page, viewport, natural }: View): Box | undefined {
  if (!scene.content || !natural.content) return undefined;
  const { left, width } = contentAcross(scene, page.page ?? {}, viewport);
  const px = (length: Length) => resolveLength(length, { viewport, percent: 0 });
  const top = px(scene.paddingTop ?? 0);
  const height = natural.content(scene, width, viewport);
  const around = px(scene.panel?.padding ?? 0);
  return {
    left: left + around,
    top: top + around,
    width: width - 2 * around,
    height: height - 2 * around,
  };
}
