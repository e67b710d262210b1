import {
  averageAdvance,
  type Box,
  contentAcross,
  directionalityOf,
  plainText,
  resolveFontSize,
  resolveLength,
  type TextLayer,
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

/** Where in a box that its text is drawn in the letters are, without the space above and below its lines, in px. */
export function lettersIn(box: Box & { scale?: number }, own: LayerView, layer: TextLayer, view: View): Box {
  const scale = box.scale ?? 1;
  const natural = view.natural.layer(layer, own.layout.box.width, view.viewport, own.scene).width * scale;
  const width = Math.min(box.width, natural);
  const start = directionalityOf(view.page.lang) === "rtl" ? "right" : "left";
  const share = { left: 0, center: 0.5, right: 1 }[layer.textAlign ?? start];
  const lineHeight = layer.lineHeight ?? textDefaults.lineHeight;
  const leading = Math.max(0, ((lineHeight - 1) / 2) * fontSizeOf(layer, own, view) * scale);
  return {
    left: box.left + share * (box.width - width),
    top: box.top + leading,
    width,
    height: box.height - 2 * leading,
  };
}

/** The box of a scene's content in the flow, against the scene; nothing where it has none. */
export function contentBox({ scene }: SceneView, { page, viewport, natural }: View): Box | undefined {
  if (!scene.content || !natural.content) return undefined;
  const { left, width } = contentAcross(scene, page.page ?? {}, viewport);
  const top = resolveLength(scene.paddingTop ?? 0, { viewport, percent: viewport.width });
  const height = natural.content(scene, width, viewport);
  return { left, top, width, height };
}
