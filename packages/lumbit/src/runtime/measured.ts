import { isImage, type Natural, type Size } from "../core/index.ts";
import { type Assets, fileAt } from "../markup/index.ts";

/** The element of a layer of a scene. */
export const layerIn = (page: Element, scene: string, layer: string): HTMLElement | null =>
  page.querySelector(`[data-lumbit-scene="${CSS.escape(scene)}"] [data-lumbit-layer="${CSS.escape(layer)}"]`);

/** The natural sizes of a page that stands in a document: of its texts and contents what they came to. */
export const measuredIn = (page: Element, { pictures }: Assets): Natural => ({
  layer(layer, _width, _viewport, scene) {
    if (isImage(layer)) return fileAt(pictures, layer.image) ?? none;
    const text = layerIn(page, scene, layer.name);
    return text ? usedSize(text) : none;
  },
  content: ({ name }) =>
    page
      .querySelector(`[data-lumbit-scene="${CSS.escape(name)}"] [data-lumbit-is~=content]`)
      ?.getBoundingClientRect().height ?? 0,
});

const none: Size = { width: 0, height: 0 };

/** The size that an element came to before it is moved and scaled; nothing of one that is hidden. */
function usedSize(element: HTMLElement): Size {
  const { width, height } = getComputedStyle(element);
  return { width: Number.parseFloat(width) || 0, height: Number.parseFloat(height) || 0 };
}
